/**
 * What files and rows of earlier versions said otherwise, read as it is said now. A field that was not there yet has its
 * default in its own shape.
 */
import { z } from 'zod';
import type { ChartRow } from '@/core/models/charts/chart';
import { type Adders, type Service, NO_ADDERS, NO_SERVICE } from '@/core/models/load/service';
import { boostPressure, cylinder, fedCylinders, nitrousShots, stamp } from './shapes/parts';

/** Fuel and altitude were counted before a card said whether they may be. */
export const COUNTED: Service['always'] = { fuel: true, altitude: true };

/** One adder at a time, as cards of files of versions 1 to 7 say it. */
const adderBefore8 = z
  .discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('none') }),
    z.strictObject({ kind: z.literal('turbo'), boost: boostPressure }),
    z.strictObject({ kind: z.literal('supercharger'), boost: boostPressure }),
    z.strictObject({ kind: z.literal('nitrous'), shots: nitrousShots, cylinders: fedCylinders }),
  ])
  .transform((adder): Adders => {
    if (adder.kind === 'none') return NO_ADDERS;
    if (adder.kind === 'nitrous')
      return { ...NO_ADDERS, nitrous: { shots: adder.shots, share: null, cylinders: adder.cylinders } };
    return { ...NO_ADDERS, boost: { by: adder.kind, pressure: adder.boost, absolute: false, cooled: null } };
  });
export const serviceBefore8 = z
  .strictObject({
    use: z.enum(['plain', 'street', 'race', 'marine']).nullable(),
    fuel: z.enum(['petrol', 'ethanol', 'methanol', 'nitromethane', 'gas', 'diesel']),
    now: adderBefore8,
    later: adderBefore8.nullable(),
  })
  // what was an ethanol blend is called by another name
  .transform(({ fuel, now, later, ...said }): Service => ({
    ...NO_SERVICE,
    ...said,
    always: COUNTED,
    fuel: fuel === 'ethanol' ? 'e85' : fuel,
    now,
    // what was planned came on top: one of the other kind was no end of the first
    later: later && { ...later, boost: later.boost ?? now.boost, nitrous: later.nitrous ?? now.nitrous },
  }));

/** Files of versions 1 to 4 noted that the joints were set, and no more: they were looked at before the compressor. */
export const gapsCheckBefore5 = z
  .strictObject({ kind: z.literal('joints'), ...stamp, cylinder })
  .transform(({ id: own, at, by, cylinder: place }) => ({
    kind: 'check' as const,
    id: own,
    at,
    by,
    cylinder: place,
    check: 'jointsBefore' as const,
    planned: null,
    found: {},
    expected: null,
  }));

/*
 * Rows of charts from before 2026-11-30 name temperatures that the program had given them, or that a new row had taken
 * over from the row before. They follow from the heat load now: such a row is read as one that names none. A row that a
 * shop gave its own keeps them.
 */

/** Ring and wall of the rows of the starting chart, and of the first row of an empty one, °C. */
const STEPS = [
  '190/120',
  '205/120',
  '220/125',
  '235/130',
  '255/130',
  '280/135',
  '265/130',
  '310/140',
  '240/130',
  '200/120',
];

/** Ring and wall that a curve gave a row at a heat load, °C. */
function atLoad(load: number): string {
  const wall = 115 + 8 * load;
  return `${Math.round(wall + 85 * load ** 0.86)}/${Math.round(wall)}`;
}

const LOADS = [0.85, 1, 1.1, 1.15, 1.25, 1.4, 1.6, 1.95, 2.3, 2.6, 3, 3.3];
const GIVEN = new Set([...STEPS, ...LOADS.map(atLoad)]);

/** A row as it is read now. */
export const withoutGivenTemperatures = (row: ChartRow): ChartRow =>
  GIVEN.has(`${row.ringTemperature}/${row.wallTemperature}`)
    ? { ...row, ringTemperature: null, wallTemperature: null }
    : row;
