/**
 * All readings and results of a build as CSV, safe to open in a spreadsheet.
 */
import type { Judgement } from '@/core/judge/judgement';
import { loadReports, rowsOf } from '@/core/judge/reports';
import { ROW_COLUMNS } from '@/core/stages/contract/report';
import { tableOf } from './csv';

/** The CSV text, one row a reading and one a result, as each stage gives them. */
export const writeCsv = async (judgement: Judgement): Promise<string> =>
  tableOf(ROW_COLUMNS, rowsOf(judgement, await loadReports()));
