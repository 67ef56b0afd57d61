import { describe, expect, it } from 'vitest';
import { job } from '@/fixtures/records';
import { NO_SERVICE } from '../../models/load/service';
import { fromInches } from '../../foundation/quantity/length';
import { STARTING_CHART } from '../../models/charts/chart';
import { stepsOver } from './stepChartOverlay';

const street = { ...job, service: { ...NO_SERVICE, use: 'street' as const } };
const bore = fromInches(4);

describe('a chart of steps over the heat load', () => {
  it('has each row where an engine that it is for lies', () => {
    const { steps, unplaced } = stepsOver(STARTING_CHART, street, bore, 'forged4032', 'top');
    const at = (row: string) => steps.find((s) => s.row === row);
    expect(at('plain')).toMatchObject({ from: 0.85, to: 0.85, gap: Math.round(bore * 0.004) });
    expect(at('street')).toMatchObject({ from: 1, to: 1, gap: Math.round(bore * 0.0045) });
    // sprint 1.10 to oval and endurance 1.15 on one row
    expect(at('race')?.from).toBeCloseTo(1.1, 9);
    expect(at('race')?.to).toBeCloseTo(1.15, 9);
    // 15 psi is 1.0342 bar: the last whole step under it is 1.0 bar, (1 + 1 / 1.01325)^0.8
    expect(at('boostLow')?.to).toBeCloseTo((1 + 1 / 1.01325) ** 0.8, 6);
    expect(at('boostHigh')?.from).toBeCloseTo((1 + 1.05 / 1.01325) ** 0.8, 6);
    expect(steps.map((s) => s.from)).toEqual(steps.map((s) => s.from).toSorted((a, b) => a - b));
    expect(unplaced).toEqual(['turbo diesel']);
  });

  it('goes by the engine: at altitude and on alcohol the rows lie elsewhere', () => {
    const other = {
      ...street,
      service: { ...street.service, fuel: 'methanol' as const, always: { fuel: true, altitude: true } },
    };
    const [first] = stepsOver(STARTING_CHART, other, bore, 'forged4032', 'top').steps;
    expect(first?.from).toBeCloseTo(0.85 * 0.9, 9);
  });

  it('says nothing of a piston that it has not, and names rows that only a builder chooses', () => {
    expect(stepsOver(STARTING_CHART, street, bore, 'own-piston', 'top')).toEqual({ steps: [], unplaced: [] });
    const own = {
      ...STARTING_CHART,
      rows: [{ id: 'own', words: 'sled pull', ringTemperature: 250, wallTemperature: 130, load: null }],
      cells: [
        {
          ...{ row: 'own', column: 'cast', factor: 0.006, source: '' },
          figure: 'second' as const,
          confirmed: null,
        },
      ],
    };
    expect(stepsOver(own, street, bore, 'cast', 'second')).toEqual({ steps: [], unplaced: ['sled pull'] });
    // cast has no figure under boost: the row is not laid
    const { steps } = stepsOver(STARTING_CHART, street, bore, 'cast', 'top');
    expect(steps.some((s) => s.row === 'boostLow')).toBe(false);
  });
});
