/**
 * All readings and results of a build as CSV, safe to open in a spreadsheet.
 */
import Papa from 'papaparse';
import type { Judgement } from '@/core/judge/judgement';
import { ROW_COLUMNS } from '@/core/stage/report';
import { STAGE_IDS, stageOf } from '@/core/stages';

/**
 * The CSV text, one row a reading and one a result, as each stage gives them. Cells that a spreadsheet would take for
 * a formula (they begin with = + - @ tab or carriage return, OWASP) get an apostrophe in front.
 */
export function writeCsv(judgement: Judgement): string {
  const rows = judgement.cylinders.flatMap((cylinder) =>
    STAGE_IDS.flatMap((id) => stageOf(id).rows(judgement as never, cylinder as never)),
  );
  return Papa.unparse(
    { fields: [...ROW_COLUMNS], data: rows.map((row) => ROW_COLUMNS.map((column) => row[column] ?? '')) },
    { escapeFormulae: /^[=+\-@\t\r]/ },
  );
}
