import { describe, expect, it } from 'vitest';
import { shelfHref } from './ShelfTable';
import { readShelfAsk } from './urlParams';

const usual = { query: '', sort: 'updated', descending: true, page: 1 };

describe('what the shelf is asked for', () => {
  it.each<[Record<string, string | string[] | undefined>, object]>([
    [{}, usual],
    [
      { q: 'five', sort: 'name' },
      { ...usual, query: 'five', sort: 'name', descending: false },
    ],
    [
      { sort: 'bore', dir: 'down', page: '3' },
      { ...usual, sort: 'bore', descending: true, page: 3 },
    ],
    [{ sort: 'drop table', dir: 'sideways', page: '-1' }, usual],
    [{ page: 'NaN', q: ['a', 'b'] }, usual],
    [{ page: '1e99', q: 'x'.repeat(300) }, usual],
  ])('%j falls back to the usual where it is not understood', (params, ask) => {
    expect(readShelfAsk(params)).toEqual(ask);
  });

  it('survives the way through the address', () => {
    const ask = { query: 'a & b = 5%', sort: 'progress', descending: false, page: 4 } as const;
    const params = Object.fromEntries(new URLSearchParams(shelfHref(ask, { page: ask.page }).slice(2)));
    expect(readShelfAsk(params)).toEqual(ask);
  });

  it('goes back to the first page when the order or the words change', () => {
    expect(shelfHref({ ...usual, sort: 'updated', page: 7 }, { sort: 'name' })).not.toContain('page');
  });
});
