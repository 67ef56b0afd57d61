import { describe, expect, it } from 'vitest';
import { boreReading, record, reading } from '@/fixtures/records';
import { judge } from '../../judge/judge';
import { fromInches, fromThou } from '../../foundation/quantity/length';
import { messageText } from '../../foundation/quantity/message';
import type { Entry } from '../../judge/buildRecord';
import type { RingFit } from '../../record/reading';
import type { JudgedRing } from './ringGap';
import { nextAct, ringAdvice } from './words';

const fit: RingFit = { ring: 'L1', depth: 'top', squaring: null, deburred: false, squared: false, open: false };
const read = (thou: number, upTo: number | null, change: Partial<RingFit> = {}): Entry => ({
  ...reading('a', 'L1', 'top', fromThou(thou), upTo === null ? null : fromThou(upTo)),
  fit: { ...fit, ...change },
});
const bore = (top: number, rest: number): Entry[] =>
  (['top', 'middle', 'bottom'] as const).flatMap((depth) =>
    [90, 0].map((angle) =>
      boreReading(`${depth}${angle}`, 'L1', depth, angle, fromInches(depth === 'top' ? top : rest)),
    ),
  );
const ring = (...entries: Entry[]): JudgedRing => {
  const found = judge(record(...entries)).cylinders[0]?.rings.top;
  if (!found) throw new Error('there is a ring');
  return found;
};

// the rule’s product on 4.065 in is 20.325: under 19.825 by the grace
describe('the cheapest act that decides a gap that is not proven', () => {
  it.each<[string, Entry[], string]>([
    ['no larger leaf was tried', [read(12, null, { open: true })], 'next leaf'],
    ['a leaf was left out', [read(19, 21)], 'leaf between'],
    [
      'a leaf was left out, and how deep is not said',
      [...bore(4.0653, 4.065), read(19, 21, { depth: null })],
      'leaf between',
    ],
    ['it is likelier short than not', [read(19, 20)], 'stroke'],
    ['it was read where the bore is wider', [...bore(4.0651, 4.065), read(20, null)], 'read where it counts'],
    [
      'how deep is not said, in a bore that tapers',
      [...bore(4.0657, 4.065), read(21, null, { depth: null })],
      'enter the depth',
    ],
  ])('%s', (_, entries, act) => {
    const found = ring(...entries);
    expect(found.state).toBe('not proven');
    expect(nextAct(found)).toBe(act);
    expect(messageText(ringAdvice(found), 'imperial')).toMatch(/\.$/);
  });
});
