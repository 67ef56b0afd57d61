/** Directions on the crown in words, as hours of a clock, and as they are typed. */
import { apart, turned } from '../../foundation/quantity/angle';
import type { Surroundings } from './surroundings';

type Round = Pick<Surroundings, 'bank' | 'intake'>;

/** Within this of the front, the rear or a side a direction has no side of the bank. From memory. */
const ALONG = 10;

/** The side of the bank, or of the valves on one bank, that a direction is on; null along the crank or where neither is known. */
export function sideWord(degrees: number, { bank, intake }: Round): string | null {
  const isRight = apart(degrees, 90) < 90 - ALONG;
  const isLeft = apart(degrees, 270) < 90 - ALONG;
  if (!isRight && !isLeft) return null;
  if (bank !== 'only') return isRight === (bank === 'right') ? 'outboard' : 'inboard';
  if (intake === null) return null;
  return isRight === (intake === 90) ? 'intake side' : 'exhaust side';
}

/** Left or right of the nearer end of the engine. */
function fromEnd(degrees: number): string {
  const whole = turned(Math.round(degrees));
  if (whole === 0) return 'front';
  if (whole === 90) return 'right';
  if (whole === 180) return 'rear';
  if (whole === 270) return 'left';
  const side = whole < 180 ? 'right' : 'left';
  const front = apart(whole, 0);
  return front < 90 ? `${front}° ${side} of front` : `${apart(whole, 180)}° ${side} of rear`;
}

/** A direction in plain words, e.g. `45° right of front, outboard`, `rear`. Left and right with the front away. */
export function directionWords(degrees: number, round: Round): string {
  return [fromEnd(degrees), sideWord(degrees, round)].filter(Boolean).join(', ');
}

/**
 * An angle of a picture, clockwise from its top, as the hour a clock's hand would show, to five minutes, e.g. `1:30`.
 *
 * @example clockHours(90) // '3:00'
 */
export function clockHours(degrees: number): string {
  const minutes = (Math.round((turned(degrees) * 2) / 5) * 5) % 720;
  const hour = Math.floor(minutes / 60);
  return `${hour === 0 ? 12 : hour}:${String(minutes % 60).padStart(2, '0')}`;
}

export type ParsedAngle = { ok: true; degrees: number } | { ok: false; fault: string };

const ENDS: Record<string, number> = { front: 0, f: 0, right: 90, rear: 180, back: 180, left: 270 };
const FAULT = 'Give degrees from the front (45), an hour of the clock (1:30), or words (45 right of front).';

/**
 * A direction as it is typed: `45`, `-30°`, `1:30`, `2 o'clock`, `front`, `45 left of rear`.
 *
 * @param turn degrees the picture is turned by: hours are read as the picture shows them
 */
export function parseCrownAngle(typed: string, turn: number): ParsedAngle {
  const text = typed.trim().toLowerCase().replace(/°/g, '').replace(/\s+/g, ' ');
  const end = ENDS[text];
  if (end !== undefined) return { ok: true, degrees: end };
  const plain = /^[+-]?\d{1,3}(?:[.,]\d+)?$/.exec(text);
  if (plain) {
    const degrees = Number(text.replace(',', '.'));
    return Math.abs(degrees) <= 360
      ? { ok: true, degrees: turned(degrees) }
      : { ok: false, fault: 'From −360° to 360°.' };
  }
  const hours = /^(\d{1,2})(?::([0-5]\d)| ?o'?clock| ?h)$/.exec(text);
  if (hours) {
    const hour = Number(hours[1]);
    return hour >= 1 && hour <= 12
      ? { ok: true, degrees: turned(hour * 30 + Number(hours[2] ?? 0) / 2 - turn) }
      : { ok: false, fault: 'Hours run from 1 to 12.' };
  }
  const off = /^(\d{1,3}(?:[.,]\d+)?) ?(left|right) of (front|rear)$/.exec(text);
  if (!off) return { ok: false, fault: FAULT };
  const by = Number((off[1] ?? '').replace(',', '.'));
  if (by > 180) return { ok: false, fault: 'At most half a turn from the front or the rear.' };
  const clockwise = (off[2] === 'right') === (off[3] === 'front');
  return { ok: true, degrees: turned((off[3] === 'front' ? 0 : 180) + (clockwise ? by : -by)) };
}
