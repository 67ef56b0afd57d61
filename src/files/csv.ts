/**
 * All readings and results of a build as CSV, safe to open in a spreadsheet.
 */
import Papa from 'papaparse';
import type { Judgement } from '@/core/judge/judgement';
import { loadReports, rowsOf } from '@/core/judge/reports';
import { ROW_COLUMNS } from '@/core/stage/report';

/**
 * The CSV text, one row a reading and one a result, as each stage gives them. Cells that a spreadsheet would take for
 * a formula (they begin with = + - @ tab or carriage return, OWASP) get an apostrophe in front.
 */
export async function writeCsv(judgement: Judgement): Promise<string> {
  const rows = rowsOf(judgement, await loadReports());
  return Papa.unparse(
    { fields: [...ROW_COLUMNS], data: rows.map((row) => ROW_COLUMNS.map((column) => row[column] ?? '')) },
    { escapeFormulae: /^[=+\-@\t\r]/ },
  );
}
