import { describe, expect, it } from 'vitest';
import { reading } from '@/fixtures/records';
import { fromMm } from '../quantity/length';
import type { LoggedReading } from '../../record/reading';
import { UNNAMED_TOOL, micrometerLimit, ownDoubt, repeatability, sizeUncertainty } from '../uncertainty/repeatability';
import { type Instrument, instrumentKey } from '../uncertainty/instrument';
import { coarsest, sharedDoubt, sizedOf, toolLimit } from './measuredSize';
import { STARTING_INSTRUMENTS } from '../uncertainty/startingInstruments';
import { rectangular } from '../uncertainty/combine';

const IRON = 11e-6;
const SIZE = fromMm(100);
const [first] = STARTING_INSTRUMENTS;
if (!first) throw new Error('no tools');
const tool = (id: string, limit: number, resolution: number): Instrument => ({ ...first, id, limit, resolution });
const [fine, coarse] = [tool('fine', 1_000, 1_000), tool('coarse', 9_000, 10_000)];
const tools = new Map([fine, coarse].map((t) => [instrumentKey(t), t]));
const read = (change: Partial<LoggedReading> = {}): LoggedReading => ({
  ...reading('a', 'L1', 'piston', SIZE),
  voided: null,
  round: 0,
  boreRound: 0,
  off: null,
  unsized: false,
  ...change,
});
const measuring = { expansion: IRON, tools, shop: null };
const by = (instrument: Instrument): Partial<LoggedReading> => ({ instrument: instrumentKey(instrument) });

describe('what readings share', () => {
  it('is the widest limit of their tools, the unnamed one’s where none is named', () => {
    const limits = (...some: LoggedReading[]): number => sharedDoubt(some, SIZE, measuring).doubt.tool;
    expect(limits(read(by(coarse)), read(by(fine)))).toBe(rectangular(coarse.limit));
    expect(limits(read(by(fine)), read(by(coarse)))).toBe(rectangular(coarse.limit));
    expect(limits(read())).toBe(rectangular(micrometerLimit(SIZE)));
    expect(limits(read({ subject: 'bore' }))).toBe(rectangular(UNNAMED_TOOL.limit));
    expect(toolLimit([read(by(fine)), read(by(coarse))], tools)).toBe(Math.max(UNNAMED_TOOL.limit, coarse.limit));
    expect(toolLimit([], tools)).toBe(UNNAMED_TOOL.limit);
  });

  it('is the shop’s temperature as noted with one of them, or beside them', () => {
    const noted = (some: LoggedReading[], shop: number | null = null) =>
      sizedOf(some, { ...measuring, shop }, 'least')?.noted;
    expect(noted([read({ temperature: 25 }), read()])).toBe('one');
    expect(noted([read({ temperature: 22, gaugeTemperature: 21 })])).toBe('both');
    expect(noted([read()])).toBe('none');
    expect(noted([read()], 25)).toBe('one');
    const warm = sizedOf([read({ temperature: 30 }), read()], measuring, 'least');
    expect(warm?.value).toBe(sizedOf([read({ temperature: 30 })], measuring, 'least')?.value);
  });

  it('is the micrometer that a comparator was set with, and no more of one that reads by itself', () => {
    const inside: Instrument = { ...fine, id: 'inside', kind: 'insideMicrometer' };
    const all = new Map([...tools, [instrumentKey(inside), inside]]);
    const setting = (change: object): number =>
      sharedDoubt([read(change)], SIZE, { ...measuring, tools: all }).doubt.setting;
    expect(setting({ subject: 'bore' })).toBe(rectangular(3_000));
    expect(setting({ subject: 'piston' })).toBe(0);
    expect(setting({ subject: 'bore', ...by(inside) })).toBe(0);
  });

  it('is how a dial was zeroed, once for all its readings; a telescoping gauge has none', () => {
    const telescoping: Instrument = { ...fine, id: 'snap', kind: 'telescoping' };
    const all = new Map([...tools, [instrumentKey(telescoping), telescoping]]);
    const zeroing = (...some: LoggedReading[]): number =>
      sharedDoubt(some, SIZE, { ...measuring, tools: all }).doubt.zeroing;
    const once = ownDoubt(1, repeatability({ squares: 0, freedom: 0 }, UNNAMED_TOOL), UNNAMED_TOOL).standard;
    expect(zeroing(read({ subject: 'bore' }))).toBe(once);
    expect(zeroing(read({ subject: 'bore' }), read({ subject: 'bore' }))).toBe(once);
    expect(zeroing(read({ subject: 'bore', ...by(telescoping) }))).toBe(0);
    expect(zeroing(read())).toBe(0);
  });

  it('is read with the coarsest tool among them', () => {
    expect(coarsest([read(by(fine)), read(by(coarse)), read(by(fine))], tools)).toBe(coarse);
    expect(coarsest([read(by(fine))], tools)).toBe(fine);
    expect(coarsest([], tools)).toBe(UNNAMED_TOOL);
  });
});

describe('a size of several readings', () => {
  it('is their mean, with U = 2u of what they share and what each has of its own; none of no readings', () => {
    const some = [read(), read({ value: SIZE + 4_000 })];
    const sized = sizedOf(some, measuring, 'least');
    expect(sized?.value).toBe(SIZE + 2_000);
    expect(sized?.uncertainty).toBe(sized && sizeUncertainty(sized.doubt));
    expect(sizedOf([], measuring, 'least')).toBeNull();
  });

  it('that cannot all be true are not averaged: the costly one counts, until two later ones settle it', () => {
    const [small, large] = [read(), read({ value: SIZE + 70_000 })];
    expect(sizedOf([small, large], measuring, 'least')).toMatchObject({
      value: SIZE,
      disagreement: { least: SIZE, most: SIZE + 70_000 },
    });
    expect(sizedOf([small, large], measuring, 'most')?.value).toBe(SIZE + 70_000);
    expect(sizedOf([small, large, large], measuring, 'least')).toMatchObject({
      value: SIZE + 70_000,
      disagreement: null,
    });
    expect(sizedOf([large, large, small], measuring, 'least')).toMatchObject({ value: SIZE, disagreement: {} });
  });
});
