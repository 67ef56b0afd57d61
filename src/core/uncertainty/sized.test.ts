import { describe, expect, it } from 'vitest';
import { reading } from '@/fixtures/records';
import { STEEL_EXPANSION } from '../heat/metals';
import { fromMm } from '../quantity/length';
import type { LoggedReading } from '../record/reading';
import { UNNAMED_TOOL, sizeUncertainty } from './budget';
import { type Instrument, instrumentKey } from './instrument';
import { atTwenty, coarsest, sharedDoubt, sizedOf, toolLimit } from './sized';
import { STARTING_INSTRUMENTS } from './startingInstruments';
import { MICROMETER_LIMIT, rectangular } from './uncertainty';

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
const by = (instrument: Instrument): Partial<LoggedReading> => ({ instrument: instrumentKey(instrument) });

describe('a reading at 20 °C (ISO 1)', () => {
  const at = (temperature: number | null, gaugeTemperature: number | null): number =>
    atTwenty({ value: SIZE, temperature, gaugeTemperature }, IRON) - SIZE;

  it('is as read where no temperature is known', () => {
    expect(at(null, null)).toBe(0);
  });

  it('a warm part is smaller at 20 °C, a warm tool read too little: the other is at 20 °C where it is not said', () => {
    expect(at(30, null)).toBeCloseTo(-SIZE * IRON * 10, -2);
    expect(at(null, 30)).toBeCloseTo(SIZE * STEEL_EXPANSION * 10, -2);
    expect(at(20, 30)).toBe(at(null, 30));
    expect(at(30, 20)).toBe(at(30, null));
  });
});

describe('what readings share', () => {
  it('is the widest limit of their tools, the unnamed one’s where none is named', () => {
    const limits = (...some: LoggedReading[]): number => sharedDoubt(some, SIZE, IRON, tools).tool;
    expect(limits(read(by(coarse)), read(by(fine)))).toBe(rectangular(coarse.limit));
    expect(limits(read(by(fine)), read(by(coarse)))).toBe(rectangular(coarse.limit));
    expect(limits(read())).toBe(rectangular(UNNAMED_TOOL.limit));
    expect(toolLimit([read(by(fine)), read(by(coarse))], tools)).toBe(Math.max(UNNAMED_TOOL.limit, coarse.limit));
    expect(toolLimit([], tools)).toBe(UNNAMED_TOOL.limit);
  });

  it('is a temperature that counts as noted once it was with each', () => {
    const warm = { temperature: 25 };
    expect(sharedDoubt([read(warm), read(warm)], SIZE, IRON, tools).warmth).toBe('apart');
    const mild = { temperature: 22, gaugeTemperature: 21 };
    expect(sharedDoubt([read(mild)], SIZE, IRON, tools).warmth).toBe('alike');
    expect(sharedDoubt([read(warm), read()], SIZE, IRON, tools).warmth).toBe('not noted');
  });

  it('is the micrometer that a comparator was set with, and no more of one that reads by itself', () => {
    const inside: Instrument = { ...fine, id: 'inside', kind: 'insideMicrometer' };
    const all = new Map([...tools, [instrumentKey(inside), inside]]);
    const setting = (change: object): number => sharedDoubt([read(change)], SIZE, IRON, all).setting;
    expect(setting({ subject: 'bore' })).toBe(rectangular(MICROMETER_LIMIT));
    expect(setting({ subject: 'piston' })).toBe(0);
    expect(setting({ subject: 'bore', ...by(inside) })).toBe(0);
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
    const sized = sizedOf(some, IRON, tools, 'least');
    expect(sized?.value).toBe(SIZE + 2_000);
    expect(sized?.uncertainty).toBe(sized && sizeUncertainty(sized.doubt));
    expect(sizedOf([], IRON, tools, 'least')).toBeNull();
  });

  it('that cannot all be true are not averaged: the costly one counts, until two later ones settle it', () => {
    const [small, large] = [read(), read({ value: SIZE + 70_000 })];
    expect(sizedOf([small, large], IRON, tools, 'least')).toMatchObject({
      value: SIZE,
      disagreement: { least: SIZE, most: SIZE + 70_000 },
    });
    expect(sizedOf([small, large], IRON, tools, 'most')?.value).toBe(SIZE + 70_000);
    expect(sizedOf([small, large, large], IRON, tools, 'least')).toMatchObject({
      value: SIZE + 70_000,
      disagreement: null,
    });
    expect(sizedOf([large, large, small], IRON, tools, 'least')).toMatchObject({ value: SIZE, disagreement: {} });
  });
});
