/** The checks at the block, in the table. */
import type { Row } from '../stage/report';
import type { Report } from '../stage/stage';
import type { Engine, Whole } from './found';

const rows = (_engine: Engine, { id, label, block }: Whole): Row[] =>
  block.checks.flatMap(({ check, state, tick }) =>
    tick ? [{ cylinder: label, place: id, what: check, entry: 'check', by: tick.by, at_utc: tick.at, state }] : [],
  );

export const report = { rows } satisfies Partial<Report<Engine, Whole>>;
