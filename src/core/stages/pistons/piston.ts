/**
 * A piston as measured: at its gauge point, square to the pin, at the height its maker names. Anywhere else it
 * reads small. A set should agree within a few tenths. Common practice, no source.
 */
import type { Nm } from '../../foundation/quantity/length';
import { type Message, clear, raw, say, size } from '../../foundation/quantity/message';
import type { Component } from '../../foundation/uncertainty/combine';
import { type Side, type Strictness, decide, exactly } from '../../foundation/verdict/decide';

/** What the height of the gauge point is counted from. */
export const GAUGE_FROM = ['skirt', 'crown', 'pin'] as const;
export type GaugeFrom = (typeof GAUGE_FROM)[number];

export const GAUGE_FROM_WORDS: Record<GaugeFrom, string> = {
  skirt: 'up from the skirt’s foot',
  crown: 'down from the crown',
  pin: 'down from the pin’s centre',
};

export interface PistonChoices {
  /** Readings taken of a piston before the line moves on. */
  readings: number;
  /** Whether pins and pin bores are on the route. */
  pins: boolean;
  /** Height of the gauge point, as the maker gives it; null when not noted. */
  gauge: { height: Nm | null; from: GaugeFrom };
  /** What a pin's clearance should be. */
  pin: { least: Nm; most: Nm };
}

/** Pin clearance about 0.0005 to 0.001 in: common practice, no source. */
export const STARTING_PISTONS: PistonChoices = {
  readings: 1,
  pins: false,
  gauge: { height: null, from: 'skirt' },
  pin: { least: 12_700, most: 25_400 },
};

/** Where a piston is to be measured, as a sentence. */
export const gaugePoint = ({ height, from }: PistonChoices['gauge']): Message =>
  height === null
    ? say`On the skirt at the maker’s gauge point, square to the pin. Anywhere else it reads small.`
    : say`At the gauge point, ${size(height)} ${GAUGE_FROM_WORDS[from]}, square to the pin. Anywhere else it reads small.`;

export type PinState = 'to do' | 'tight' | 'in window' | 'over' | 'not proven';

const PIN_STATES: Record<Side, PinState> = {
  under: 'tight',
  'not proven': 'not proven',
  inside: 'in window',
  'past the aim': 'in window',
  over: 'over',
};

/**
 * Clearance of a pin in its bore against what it should be: too tight, it seizes, so that side is guarded; too loose, it
 * knocks, and is judged by what it reads.
 *
 * @example
 *   pinState(5_000, { standard: 250, freedom: Infinity }, { least: 3_000, most: 8_000 },
 *   judgement.choices.deciding) // 'in window'
 */
export function pinState(
  clearance: Nm,
  { standard, freedom }: Component,
  { least, most }: PistonChoices['pin'],
  { sure, clearanceGrace: grace }: Strictness,
): PinState {
  const bounds = { least, aimFrom: least, aimTo: null, most, mostHard: false, grace, half: 0 };
  return PIN_STATES[decide(exactly(clearance, standard, freedom), bounds, sure).side];
}

/** A feeler strip drawn up beside the piston reads about half a thou under the true clearance. Common practice, no source. */
const STRIP_UNDER: Nm = 12_700;

/** What a feeler strip says of a clearance: a check, never the record. */
export interface StripCheck {
  read: Nm;
  expected: Nm;
  /** Within half a thou of what it should read. */
  agrees: boolean;
  working: Message[];
}

/**
 * A strip read beside a piston against the clearance worked out, nm: whether they agree. The strip reads less: common
 * practice, no source.
 */
export function stripCheck(read: Nm, clearance: Nm): StripCheck {
  const expected = clearance - STRIP_UNDER;
  return {
    read,
    expected,
    agrees: Math.abs(read - expected) <= STRIP_UNDER,
    working: [
      say`a strip reads about ${raw(STRIP_UNDER)} under the true clearance: ${clear(clearance)} − ${clear(STRIP_UNDER)} = ${clear(expected)}; it read ${clear(read)}`,
    ],
  };
}
