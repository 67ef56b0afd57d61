import { expect, it } from 'vitest';
import { ROUTES } from '@/people/permissions';
import { SHOP_ROUTES } from './names';

it('what is kept of the shop is asked for under its present address', () => {
  const read = ROUTES.flatMap(([method, path, need]) => (method === 'GET' && need === 'look' ? [path] : []));
  expect(SHOP_ROUTES.filter((path) => !read.includes(path))).toEqual([]);
});
