/** Bores in the table: every reading, and what each bore comes to. */
import { isLive } from '../../record/reading';
import type { Row } from '../contract/report';
import { readingRow, resultRow, suppliedRows } from '../contract/rows';
import type { Report } from '../contract/stage';
import type { Engine, Measured, Whole } from './types';
import type { Derived } from './shape';

function rows({ log }: Engine, cylinder: Measured): Row[] {
  const { bore, boreSupplied } = cylinder;
  const { shape } = bore;
  const figure = (what: string, derived: Derived | null): Row[] =>
    derived ? [resultRow(cylinder, what, derived.value, derived.uncertainty, '', null)] : [];
  return [
    ...bore.passes.map((pass) => readingRow(cylinder, pass, isLive(pass, bore.round), log)),
    resultRow(
      cylinder,
      'bore',
      bore.size?.value ?? null,
      bore.size?.uncertainty ?? null,
      bore.verdict.state,
      null,
      bore.accepted,
    ),
    ...suppliedRows(cylinder, 'bore', boreSupplied),
    ...(shape
      ? [
          ...figure('taper', shape.taper.thrust ?? shape.taper.overall),
          ...figure('out_of_round', shape.outOfRound),
          ...figure('ridge', shape.ridge),
        ]
      : []),
  ];
}

export const report = { rows } satisfies Partial<Report<Engine, Whole>>;
