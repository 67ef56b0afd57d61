/** A build on paper and in a table, as its stages give it. */
import type { Row, SheetPart } from '../stages/contract/report';
import type { Report } from '../stages/contract/stage';
import { STAGE_IDS } from './stageTables';
import { type JudgedCylinder, type Judgement, asked } from './judgement';

/** What each stage puts there, in working order. */
export type Reports = readonly Partial<Report<Judgement, JudgedCylinder>>[];

/** Loads what the stages put on paper and into the table: no bench needs it. */
export const loadReports = (): Promise<Reports> => Promise.all(STAGE_IDS.map((id) => asked(id).report()));

/**
 * Readings and results, cylinder by cylinder, and then of what else is read.
 *
 * @example rowsOf(judgement, []).length // 0
 */
export const rowsOf = (judgement: Judgement, reports: Reports): Row[] => [
  ...judgement.cylinders.flatMap((cylinder) => reports.flatMap(({ rows }) => rows?.(judgement, cylinder) ?? [])),
  ...reports.flatMap(({ placeRows }) => placeRows?.(judgement, judgement.cylinders) ?? []),
];

/** The parts of the build sheet. */
export const sheetOf = (judgement: Judgement, reports: Reports): SheetPart[] =>
  reports.flatMap(({ sheet }) => sheet?.(judgement, judgement.cylinders) ?? []);
