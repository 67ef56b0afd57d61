import { describe, expect, it } from 'vitest';
import { INSTRUMENT_KINDS, isFiler } from './instrument';
import { instrumentFaults } from './instrumentFaults';
import { asKind, newInstrument } from './newInstrument';

describe('a new tool', () => {
  it('begins as a micrometer of the system, and lacks its name alone', () => {
    for (const units of ['imperial', 'metric'] as const)
      expect(instrumentFaults(newInstrument(units, 'm'))).toEqual({ name: 'Enter a name.' });
    expect(newInstrument('imperial', 'm').to).not.toBe(newInstrument('metric', 'm').to);
  });

  it('made any kind, and back, nothing is wrong with it; only a bore gauge has a kit', () => {
    for (const from of INSTRUMENT_KINDS)
      for (const to of INSTRUMENT_KINDS) {
        const tool = { ...asKind(newInstrument('metric', 'm'), from, 'metric'), name: 'Ours' };
        const made = asKind(tool, to, 'metric');
        expect([from, to, instrumentFaults(made)]).toEqual([from, to, {}]);
        expect(made.kit !== null).toBe(to === 'boreGauge');
        // its own figures stay, unless it becomes what measures nothing, or was
        if (isFiler({ kind: from }) === isFiler({ kind: to })) expect(made.limit).toBe(tool.limit);
      }
  });
});
