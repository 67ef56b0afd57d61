import fc from 'fast-check';
import { runs } from '@/fixtures/runs';
import { describe, expect, it } from 'vitest';
import { anyEntries } from '@/fixtures/anyEntries';
import { boreReading, gap, jobEntry, largeRecord, reading, record, voiding } from '@/fixtures/records';
import { startingSizing } from '../stages/bores/oversizeChoices';
import { fromInches, fromThou } from '../foundation/quantity/length';
import { STARTING_BENCH } from '../stages/rings/choices';
import type { Entry } from './buildRecord';
import { logOf, logWith } from './fold';
import { judge, incrementalJudge } from './judge';

const whole = (entries: Entry[]) => judge({ id: 'any', entries });

describe('the judge that keeps what did not change', () => {
  it('gives what judge gives, entry by entry, whatever the entries are', () => {
    fc.assert(
      fc.property(anyEntries(30), (entries) => {
        const judging = incrementalJudge();
        for (let n = 1; n <= entries.length; n += 1) {
          const so = entries.slice(0, n);
          expect(judging.of({ id: 'any', entries: so })).toEqual(whole(so));
        }
      }),
      { numRuns: runs(60) },
    );
  });

  it('previews what judge would give, and what it keeps is still that of the record', () => {
    fc.assert(
      fc.property(anyEntries(16), fc.nat(15), fc.nat(15), (entries, first, second) => {
        const judging = incrementalJudge();
        const [at, more] = [1 + (first % entries.length), entries[1 + (second % entries.length)]];
        const before = entries.slice(0, at);
        const rest = entries.slice(at);
        judging.of({ id: 'any', entries: before });
        if (more && !before.includes(more))
          expect(judging.preview({ id: 'any', entries: before }, [more])).toEqual(whole([...before, more]));
        expect(judging.preview({ id: 'any', entries: before }, rest)).toEqual(whole(entries));
        expect(judging.of({ id: 'any', entries: before })).toEqual(whole(before));
        expect(judging.of({ id: 'any', entries })).toEqual(whole(entries));
      }),
      { numRuns: runs(60) },
    );
  });

  it('follows a record that comes back in another order, as when two benches wrote at once', () => {
    const judging = incrementalJudge();
    const [mine, theirs] = [gap('mine', 'L1', 'top', 22), gap('theirs', 'L1', 'top', 24)];
    judging.of(record(mine));
    expect(judging.of(record(theirs, mine))).toEqual(judge(record(theirs, mine)));
    expect(judging.of(record(mine, theirs))).toEqual(judge(record(mine, theirs)));
  });

  it('gives the same object for the same entries, and the same cylinder where an entry does not touch it', () => {
    const judging = incrementalJudge();
    const large = largeRecord(200);
    const before = judging.of(large);
    expect(judging.of({ ...large, entries: [...large.entries] })).toBe(before);
    const after = judging.of({ ...large, entries: [...large.entries, gap('one-more', 'L1', 'top', 30)] });
    expect(after).not.toBe(before);
    expect(after.cylinders.filter((c, i) => c !== before.cylinders[i]).map((c) => c.id)).toEqual(['L1']);
  });
});

describe('what is kept', () => {
  const stamp = (id: string) => ({ id, at: '2026-05-04T09:00:00.000Z', by: 'AB' });
  const girth = (cylinder: string, inches: number): Entry[] =>
    (['top', 'bottom'] as const).map((depth) =>
      boreReading(`${cylinder}${depth}${inches}`, cylinder, depth, 90, fromInches(inches)),
    );
  /** Of ring L1, in a bore. */
  const fitted = (id: string, cylinder: string, thou: number): Entry => ({
    ...reading(id, cylinder, 'top', fromThou(thou)),
    fit: { ring: 'L1', depth: null, squaring: null, deburred: true, squared: true, open: false },
  });
  const rate: Entry = {
    ...stamp('rate'),
    kind: 'rate',
    filer: 'hand',
    metal: 'unknown',
    sums: { cuts: 9, xx: 900, xy: 900 * fromThou(0.5), yy: 900 * fromThou(0.5) ** 2 },
  };
  const sizing = startingSizing('imperial');
  const grades = { bore: fromInches(4.065), piston: fromInches(4.06), step: fromThou(0.5), count: 3 };

  it.each<[string, Entry[], Entry]>([
    [
      'the bore that a ring was read in, and is not in',
      [...girth('L1', 4.065), ...girth('R1', 4.066), fitted('a', 'R1', 22)],
      boreReading('later', 'R1', 'top', 90, fromInches(4.07)),
    ],
    [
      'the chance that a cut may pass the window',
      [rate, fitted('a', 'L1', 12)],
      { ...stamp('chance'), kind: 'bench', replaces: null, value: { ...STARTING_BENCH, chance: 0.2 } },
    ],
    [
      'the grades that sizes are sorted into',
      [...girth('L1', 4.0652), reading('p', 'L1', 'piston', fromInches(4.0605))],
      { ...stamp('grades'), kind: 'sizing', replaces: null, value: { ...sizing, grades } },
    ],
  ])('is judged anew when a later entry changes %s', (_what, entries, later) => {
    const judging = incrementalJudge();
    const first = record(...entries);
    const second = { ...first, entries: [...first.entries, later] };
    const before = judging.of(first);
    const after = judging.of(second);
    expect(after).toEqual(judge(second));
    expect(after.cylinders[0]).not.toEqual(before.cylinders[0]);
  });

  it('is of one build: another with the same entries is told by its own name', () => {
    const judging = incrementalJudge();
    const entries = [jobEntry()];
    judging.of({ id: 'one', entries });
    expect(judging.of({ id: 'other', entries }).id).toBe('other');
  });

  it('outlasts a preview: the record is the same judgement after it', () => {
    const judging = incrementalJudge();
    const large = largeRecord(200);
    const before = judging.of(large);
    judging.preview(large, [gap('next', 'L1', 'top', 30)]);
    expect(judging.of(large)).toBe(before);
  });
});

describe('the log', () => {
  it('is the same from entries one by one as from all at once, and leaves the log before it as it was', () => {
    fc.assert(
      fc.property(anyEntries(40), (entries) => {
        entries.forEach((entry, i) => {
          const before = entries.slice(0, i);
          const log = logOf(before);
          const grown = logWith(log, entry, before);
          if (grown) expect(grown).toEqual(logOf([...before, entry]));
          expect(log).toEqual(logOf(before));
        });
      }),
      { numRuns: runs(60) },
    );
  });

  it('keeps who struck an entry out first, and leaves out an acceptance that was taken back', () => {
    const read = record(gap('a', 'L1', 'top', 30)).entries;
    const twice = logOf([...read, voiding('v', 'a', 'misread'), voiding('w', 'a', 'noted wrong')]);
    expect(twice.voids.get('a')?.reason).toBe('misread');
    expect(twice.numbers.get('L1')?.histories.get('top')).toMatchObject([{ voided: { reason: 'misread' } }]);
    const accepted: Entry = {
      kind: 'accepted',
      id: 'x',
      at: '',
      by: '',
      of: 'a',
      what: null,
      state: 'over',
      reason: 'agreed',
    };
    expect(logOf([...read, accepted]).accepted.get('a')).toMatchObject({ reason: 'agreed' });
    expect(logOf([...read, accepted, voiding('v', 'x', 'taken back')]).accepted.has('a')).toBe(false);
  });

  it('is made anew where a struck-out entry changes how others count', () => {
    const renewal: Entry = { kind: 'renewed', id: 'r', at: '', by: '', part: 'bore', cylinder: 'L1' };
    const entries = record(renewal).entries;
    expect(logWith(logOf(entries), voiding('v', 'r'), entries)).toBeNull();
    const read = record(gap('a', 'L1', 'top', 22)).entries;
    expect(logWith(logOf(read), voiding('v', 'a'), read)?.numbers.get('L1')?.histories.get('top')).toMatchObject([
      { id: 'a', voided: { reason: 'misread' } },
    ]);
  });
});
