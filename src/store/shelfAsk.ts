/** What may be asked of the shelf. */
export const SHELF_SORTS = ['updated', 'name', 'customer', 'engine', 'bore', 'progress'] as const;
export type ShelfSort = (typeof SHELF_SORTS)[number];

export interface ShelfAsk {
  query: string;
  sort: ShelfSort;
  descending: boolean;
  /** From 1. */
  page: number;
}

export const SHELF_PAGE = 50;
