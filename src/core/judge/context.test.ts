import { describe, expect, it } from 'vitest';
import { boreReading, gap, reading, record } from '@/fixtures/records';
import { STARTING_JOURNALS } from '../stages/journals/choices';
import { STARTING_BORES } from '../stages/bores/measuringPlan';
import { fromInches, fromMm, fromThou } from '../foundation/quantity/length';
import { placeAt } from './judgement';
import type { Entry } from './buildRecord';
import type { GaugeSetting } from '../foundation/quantity/gaugeSetting';
import type { Subject } from './registry';
import { STARTING_INSTRUMENTS } from '../foundation/uncertainty/startingInstruments';
import { instrumentKey } from '../foundation/uncertainty/instrument';
import { parseReading, parseField } from '../foundation/quantity/parseReading';
import { contextFor } from './context';
import { judge } from './judge';

const stamp = (id: string) => ({ id, at: '2026-05-04T09:00:00.000Z', by: 'AB' });
const set = (to: GaugeSetting, instrument: string | null = null): Entry => ({
  ...stamp(`set ${String(to)} ${instrument}`),
  kind: 'setting',
  sizes: null,
  instrument,
  to,
});
const gauge = STARTING_INSTRUMENTS.find((tool) => tool.kit !== null);
if (!gauge) throw new Error('no bore gauge');
const key = instrumentKey(gauge);

const contextOf = (entries: Entry[], subject: Subject, instrument: string | null = null) => {
  const judgement = judge(record(...entries));
  const [cylinder] = judgement.cylinders;
  if (!cylinder) throw new Error('no cylinder');
  return contextFor(judgement, cylinder, subject, 'imperial', instrument);
};

describe('what the parser is told', () => {
  it('is the field of what is read, the units spoken, and the bore that targets are worked from', () => {
    expect(contextOf([], 'top')).toMatchObject({ field: 'gap', units: 'imperial', bore: fromInches(4.065) });
    expect(contextOf([], 'bore')).toMatchObject({ field: 'bore' });
    expect(contextOf([], 'strip').field).not.toBe('gap');
  });

  it('a size 3 thou or 0.08 mm from the rest of a honed bore is asked about, in a used bore from 6 thou on', () => {
    const used: Entry = { ...stamp('u'), kind: 'bores', replaces: null, value: { ...STARTING_BORES, basis: 'used' } };
    const read = boreReading('b', 'L1', 'top', 90, fromInches(4.065));
    const kind = (text: string, ...entries: Entry[]) => parseReading(text, contextOf([read, ...entries], 'bore')).kind;
    for (const text of ['4.0675', '4.0625']) expect(kind(text)).toBe('understood');
    for (const text of ['4.068', '4.062', '103.33mm']) expect(kind(text)).toBe('question');
    expect(kind('4.068', used)).toBe('understood');
    expect(kind('4.072', used)).toBe('question');
  });

  it('a dial 7 thou from a zero that has no size is asked about', () => {
    const kind = (text: string) => parseReading(text, contextOf([set('here', key)], 'bore', key)).kind;
    expect(kind('+5')).toBe('understood');
    for (const text of ['+7', '-20', '20']) expect(kind(text)).toBe('question');
  });

  it.each([
    ['86', 'imperial', fromMm(86)],
    ['87', 'imperial', fromMm(87)],
    ['103', 'imperial', fromMm(103)],
    ['4065', 'imperial', fromInches(4.065)],
    ['40', 'imperial', fromInches(4)],
    ['4', 'imperial', fromInches(4)],
    ['4065', 'metric', fromInches(4.065)],
    ['86', 'metric', fromMm(86)],
    ['8250', 'metric', fromMm(82.5)],
  ] as const)('a planned bore of %s in a shop that is %s is what an engine has', (text, units, value) => {
    expect(parseField(text, 'bore', units)).toMatchObject({ kind: 'understood', meaning: { value } });
  });

  it('rails of 5.5 to 6 thou are asked about, of 0.2 mm on 86 mm not', () => {
    expect(parseReading('5.5', contextOf([], 'upperRail')).kind).toBe('question');
    expect(parseReading('17', contextOf([], 'upperRail')).kind).toBe('understood');
    expect(parseField('0.2', 'rail', 'metric', fromMm(86)).kind).toBe('understood');
    for (const bore of [null, fromMm(86)]) expect(parseField('5.5', 'rail', 'imperial', bore).kind).toBe('question');
  });

  it('is the setting of the gauge in hand, and of no other', () => {
    const entries = [set(fromInches(4.06)), set(fromInches(4.07), key)];
    expect(contextOf(entries, 'bore').setting).toBe(fromInches(4.06));
    expect(contextOf(entries, 'bore', key).setting).toBe(fromInches(4.07));
    expect(contextOf(entries, 'bore', 'another.1').setting).toBeNull();
    expect(contextOf([...entries, set(fromInches(4.08), key)], 'bore', key).setting).toBe(fromInches(4.08));
  });

  it('set to each piston, the setting is the size of the piston in the cylinder; asked for while it is not measured', () => {
    const unread = contextOf([set('piston')], 'bore');
    expect(unread.setting).toBeNull();
    expect(unread.settingAsk).toMatch(/piston 1 is not measured yet/);
    expect(contextOf([set('piston'), reading('p', 'L1', 'piston', fromInches(4.0605))], 'bore').setting).toBe(
      fromInches(4.0605),
    );
    expect(contextOf([set(fromInches(4.06))], 'bore').settingAsk).toBeUndefined();
  });

  it('set to each journal, or to that and the aim, it is another size for each bearing; asked for while one is not known', () => {
    const limits = { least: fromThou(1), aim: { from: fromThou(1.5), to: fromThou(2) }, most: null, source: '' };
    const bearing = { ...STARTING_JOURNALS.bearings.main, clearance: limits };
    const given: Entry = {
      ...stamp('j'),
      kind: 'journals',
      replaces: null,
      value: { ...STARTING_JOURNALS, bearings: { main: bearing, rod: bearing } },
    };
    const housing = (place: string, ...entries: Entry[]) => {
      const judgement = judge(record(given, ...entries));
      const found = placeAt(judgement, place);
      if (!found) throw new Error(`nothing at ${place}`);
      return contextFor(judgement, found, 'housing', 'imperial');
    };
    const journal = reading('a', 'M2', 'journal', fromInches(2.36));
    expect(housing('M2', set('journal'), journal).setting).toBe(fromInches(2.36));
    expect(housing('M2', set('aim'), journal).setting).toBe(fromInches(2.36) + fromThou(1.75));
    expect(housing('M1', set('journal'), journal)).toMatchObject({ setting: null, bore: null });
    expect(housing('M1', set('journal'), journal).settingAsk).toMatch(/each journal, and this one is not measured/);
    expect(housing('L1', set('aim'), reading('b', 'L1', 'journal', fromInches(2))).setting).toBe(
      fromInches(2) + fromThou(1.75),
    );
    // a setting for the bores is none for a bearing, nor is a piston, nor a zero in a bore
    expect(housing('M2', set(fromInches(4.06)), journal).setting).toBeNull();
    expect(housing('M2', set('piston'), journal).setting).toBeNull();
    expect(housing('M2', set('here'), journal).setting).toBeNull();
    expect(housing('M2', set(fromInches(2.361)), journal).setting).toBe(fromInches(2.361));
    expect(contextOf([set('journal')], 'bore').setting).toBeNull();
  });

  it('of a first journal is under the bore: 6 in is asked about', () => {
    const judgement = judge(record());
    const rod = placeAt(judgement, 'L1');
    if (!rod) throw new Error('there is a rod');
    const context = contextFor(judgement, rod, 'journal', 'imperial');
    expect(parseReading('6', context)).toMatchObject({
      kind: 'question',
      ask: expect.stringContaining('no journal is as wide as its bore') as string,
    });
    expect(parseReading('2.1', context)).toMatchObject({ kind: 'understood' });
    expect(parseReading('53.34mm', context)).toMatchObject({ kind: 'understood' });
  });

  it('is the dial of the gauge in hand, once it is on record', () => {
    const tool: Entry = { ...stamp('tool'), kind: 'instrument', value: gauge };
    expect(contextOf([tool], 'bore', key).dial).toEqual({ division: gauge.kit?.division, turn: gauge.kit?.turn });
    expect(contextOf([tool], 'bore').dial).toBeNull();
    expect(contextOf([], 'bore', key).dial).toBeNull();
  });

  it('is the size that others like it lead one to expect', () => {
    expect(contextOf([], 'bore').expected?.nm).toBe(fromInches(4.065));
    const others = ['R1', 'L2'].map((c) => reading(c, c, 'bore', fromInches(4.07)));
    expect(contextOf(others, 'bore').expected?.nm).toBe(fromInches(4.07));
    expect(contextOf([gap('a', 'L1', 'top', 22)], 'strip').bore).toBe(fromInches(4.065));
  });
});
