/** What a key does on the reading line. */
import type { KeyboardEvent } from 'react';
import type { Prepared } from './useEntry';

export type Pressed = Pick<KeyboardEvent, 'key' | 'altKey' | 'ctrlKey' | 'metaKey' | 'shiftKey'>;

export type LineCommand =
  | { kind: 'enter' | 'drop' | 'undo' | 'redo' | 'skip' | 'claim' | 'notFiled' }
  /** Along the cylinders, or what else the arrow keys up and down go along. */
  | { kind: 'along'; step: number }
  /** Through what is read of the thing in hand. */
  | { kind: 'beside'; step: number }
  | { kind: 'prepare'; what: keyof Prepared };

/** What is on the line when a key is pressed. */
export interface LineState {
  typed: string;
  /** Whether it was entered, and is asked about. */
  isHeld: boolean;
  /** Whether a ring is in hand that was read before. */
  isRead: boolean;
  /** Whether it is asked if the ring was filed. */
  isFiledAsked: boolean;
}

const ALONG: Record<string, number> = { ArrowDown: 1, ArrowUp: -1 };
const BESIDE: Record<string, number> = { ArrowRight: 1, ArrowLeft: -1 };
const PREPARES: Record<string, keyof Prepared> = { d: 'deburred', s: 'squared' };
const LETTERS: Record<string, 'skip' | 'claim'> = { n: 'skip', m: 'claim' };

/** What a letter does on an empty line. */
function ofLetter(pressed: Pressed, { isRead, isFiledAsked }: LineState): LineCommand | null {
  const key = pressed.key.toLowerCase();
  if (key === 'z') return { kind: pressed.shiftKey ? 'redo' : 'undo' };
  if (key === 'y') return { kind: 'redo' };
  if (pressed.ctrlKey || pressed.metaKey) return null;
  const letter = LETTERS[key];
  if (letter) return { kind: letter };
  if (key === 'f' && isFiledAsked) return { kind: 'notFiled' };
  const what = PREPARES[key];
  return what && isRead ? { kind: 'prepare', what } : null;
}

/**
 * What a key does that types nothing; null for one that is left alone. A gauge may end its figure with a tab.
 *
 * @example
 *   lineCommand({ key: 'n', altKey: false, ctrlKey: false, metaKey: false, shiftKey: false }, { typed: '', isHeld:
 *   false, isRead: false, isFiledAsked: false }) // { kind: 'skip' }
 */
export function lineCommand(pressed: Pressed, state: LineState): LineCommand | null {
  const { key } = pressed;
  const isEmpty = state.typed === '';
  if (key === 'Enter' || (key === 'Tab' && !isEmpty && !state.isHeld && !pressed.shiftKey)) return { kind: 'enter' };
  if (key === 'Escape') return { kind: 'drop' };
  const [along, beside] = [ALONG[key], BESIDE[key]];
  if (along) return { kind: 'along', step: along };
  if (beside) return isEmpty ? { kind: 'beside', step: beside } : null;
  return isEmpty && !pressed.altKey ? ofLetter(pressed, state) : null;
}

/** The terminator of a gauge that is read in by cable: after a figure with a point no comma can be meant. */
const ENDED = /^(.*\d[.,]\d+),$|^(.*\d);$/;

/**
 * The figure that a gauge ended by its terminator; null where none ended.
 *
 * @example endedFigure('4.0652;') // '4.0652'
 */
export function endedFigure(text: string): string | null {
  const ended = ENDED.exec(text);
  return ended?.[1] ?? ended?.[2] ?? null;
}
