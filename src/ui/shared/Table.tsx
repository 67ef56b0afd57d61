import type { ReactNode } from 'react';
import { bringIntoSight } from './scrollIntoView';

/** The head of a column, what a cell of it shows, and how its cells look: `num` sets figures and their head to the right. */
export type Column<T> = readonly [head: ReactNode, cell: (row: T) => ReactNode, look?: string];

interface Props<T> {
  caption: ReactNode;
  /** Whether the caption is seen; otherwise it is only heard. */
  isCaptioned?: boolean;
  rows: readonly T[];
  keyOf: (row: T) => string;
  /** The first heads its row. What is false is left out. */
  columns: readonly (Column<T> | false)[];
  /** Whether a row is the one in hand: it is marked and brought into sight. */
  isHere?: (row: T) => boolean;
  rowLook?: (row: T) => string;
  /** Name of its scroll area, where that is reached by keys. */
  region?: string;
  /** Whether it fills what height is left and scrolls in it, with its heads in sight. */
  fills?: boolean;
  className?: string;
  /** Bodies below the rows. */
  children?: ReactNode;
}

/** A head that is heard, not seen. */
export const unseen = (words: string) => <span className="sr-only">{words}</span>;

/** A table with a row for each thing and a column for each figure of it. */
export function Table<T>({ caption, isCaptioned, region, fills, className = '', children, ...body }: Props<T>) {
  const { columns, rows } = body;
  return (
    <div
      className={fills ? 'relative mt-3 min-h-44 flex-1 overflow-auto' : 'relative overflow-x-auto'}
      {...(region !== undefined && { role: 'region', 'aria-label': region, tabIndex: 0 })}
    >
      <table className={`ruled ${className}`}>
        <caption className={isCaptioned ? 'mb-1 text-left font-bold' : 'sr-only'}>{caption}</caption>
        <thead className={fills ? 'sticky top-0 bg-sheet' : ''}>
          <tr>
            {columns.map(
              (column, i) =>
                column && (
                  <th key={i} scope="col" className={column[2]?.split(' ').includes('num') ? 'num' : ''}>
                    {column[0]}
                  </th>
                ),
            )}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <Row key={body.keyOf(row)} row={row} {...body} />
          ))}
        </tbody>
        {children}
      </table>
    </div>
  );
}

function Row<T>({ row, columns, isHere, rowLook }: { row: T } & Pick<Props<T>, 'columns' | 'isHere' | 'rowLook'>) {
  const isMarked = isHere?.(row) ?? false;
  const look = `${isMarked ? 'shadow-[inset_5px_0_0_var(--blue)]' : ''} ${rowLook?.(row) ?? ''}`;
  return (
    <tr ref={isMarked ? bringIntoSight : undefined} className={look}>
      {columns.map((column, i) => {
        if (!column) return null;
        const [, cell, looks = ''] = column;
        if (i > 0)
          return (
            <td key={i} className={looks}>
              {cell(row)}
            </td>
          );
        return (
          <th key={i} scope="row" className={`font-bold! text-ink! ${isHere ? 'pl-3!' : ''} ${looks}`}>
            {cell(row)}
          </th>
        );
      })}
    </tr>
  );
}
