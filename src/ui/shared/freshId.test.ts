import { expect, it } from 'vitest';
import { z } from 'zod';
import { freshId } from './freshId';

it('an id is a UUID, another each time, over http as well', () => {
  const ids = Array.from({ length: 2_000 }, freshId);
  for (const id of ids) expect(z.uuidv4().safeParse(id).success, id).toBe(true);
  expect(new Set(ids).size).toBe(ids.length);
  // every digit that is chance takes every value it may
  for (const at of [0, 20, 35]) expect(new Set(ids.map((id) => id[at])).size).toBe(16);
  expect(new Set(ids.map((id) => id[19]))).toEqual(new Set(['8', '9', 'a', 'b']));
});
