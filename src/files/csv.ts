/**
 * Tables as CSV, safe to open in a spreadsheet and read back as they were. A cell that a spreadsheet would run (it, or
 * what follows a semicolon, a comma, a tab or a new line in it, begins with = + - @, as full-width signs too; OWASP,
 * CSV injection) gets an apostrophe in front of it there, and one more where it has some; reading takes one off.
 */
import Papa from 'papaparse';

const RUNS = /(?<=[;,\t\r\n])'*[=+\-@＝＋－＠]|^'*[=+\-@＝＋－＠\t\r\n]/g;
const GUARDED = /(?<=[;,\t\r\n])'(?='*[=+\-@＝＋－＠])|^'(?='*[=+\-@＝＋－＠\t\r\n])/g;

/**
 * A cell as it is written.
 *
 * @example guarded('=1+1') // "'=1+1"
 */
export const guarded = (cell: string): string => cell.replace(RUNS, "'$&");

/**
 * A cell as it was before it was written.
 *
 * @example unguarded("'=1+1") // '=1+1'
 */
export const unguarded = (cell: string): string => cell.replace(GUARDED, '');

/** A table as CSV, its cells guarded. */
export const tableOf = <C extends string>(columns: readonly C[], rows: readonly Partial<Record<C, string>>[]): string =>
  Papa.unparse({ fields: [...columns], data: rows.map((row) => columns.map((column) => guarded(row[column] ?? ''))) });
