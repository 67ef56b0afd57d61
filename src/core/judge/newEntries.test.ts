import { describe, expect, it } from 'vitest';
import { gap, jobEntry, reading, record } from '@/fixtures/records';
import { fromThou } from '../foundation/quantity/length';
import { messageText } from '../foundation/quantity/message';
import type { LoggedReading } from '../record/reading';
import type { Entry } from './buildRecord';
import { STARTING_BENCH } from '../stages/rings/choices';
import { STARTING_INSTRUMENTS } from '../foundation/uncertainty/startingInstruments';
import { instrumentKey } from '../foundation/uncertainty/instrument';
import { judgementDiff } from './diff';
import * as made from './newEntries';
import { judge } from './judge';
import { answerTo, lastEntry } from './lastEntry';
import { taskLabel } from './labels';

let n = 0;
const stamp = () => ({ id: `made-${(n += 1)}`, at: '2026-05-04T10:00:00.000Z', by: 'KM' });
const [tool] = STARTING_INSTRUMENTS;
if (!tool) throw new Error('no tools');
const key = instrumentKey(tool);
const rates = [
  { filer: tool.id, metal: 'steel' as const, sums: { cuts: 1, xx: 1, xy: 1, yy: 1 } },
  { filer: 'another', metal: 'steel' as const, sums: { cuts: 1, xx: 1, xy: 1, yy: 1 } },
];
const labelled = (changes: ReturnType<typeof judgementDiff>): string[] =>
  changes.map((c) => messageText(c, 'imperial'));

describe('entries', () => {
  it('a choice is made over the last of its kind, so that two people cannot overwrite each other unseen', () => {
    const judgement = judge(record());
    expect(made.choiceEntry(judgement, 'bench', STARTING_BENCH, stamp)).toMatchObject({ replaces: null });
    const first = made.choiceEntry(judgement, 'bench', STARTING_BENCH, stamp);
    expect(made.choiceEntry(judge(record(first)), 'bench', STARTING_BENCH, stamp)).toMatchObject({
      kind: 'bench',
      replaces: first.id,
      by: 'KM',
    });
    expect(made.choiceEntry(judge(record(first)), 'job', judgement.job ?? (null as never), stamp)).toMatchObject({
      replaces: 'job-1',
    });
  });

  it('a tool comes into a build once, with what the shop knows of it and of no other', () => {
    const shop = { tools: [tool], rates };
    const brought = made.toolEntries(judge(record()), key, shop, stamp);
    expect(brought.map((e) => e.kind)).toEqual(['instrument', 'rate']);
    expect(brought[1]).toMatchObject({ filer: tool.id });
    expect(made.toolEntries(judge(record(...brought)), key, shop, stamp)).toEqual([]);
    expect(made.toolEntries(judge(record()), null, shop, stamp)).toEqual([]);
    expect(made.toolEntries(judge(record()), 'unknown.1', shop, stamp)).toEqual([]);
  });

  it('a reading from the wrong bore is struck out and noted in the right one, of the same ring', () => {
    const judgement = judge(record(gap('a', 'L1', 'top', 22)));
    const logged = judgement.cylinders[0]?.rings.top.reading as LoggedReading;
    const moved = made.reassigned(judgement, logged, 'R1', stamp);
    expect(moved[0]).toMatchObject({ kind: 'void', of: 'a', reason: 'it was read in the bore of cylinder 2' });
    expect(moved[1]).toMatchObject({ kind: 'reading', cylinder: 'R1', fit: { ring: 'L1' }, value: fromThou(22) });
    const after = judge(record(gap('a', 'L1', 'top', 22), ...moved));
    expect(after.cylinders[0]?.rings.top).toMatchObject({ readIn: { cylinder: 'R1' } });
    expect(after.cylinders[1]?.rings.top.reading).toBeNull();
  });

  it('a check of joints keeps where they were planned; any other what was looked for', () => {
    const judgement = judge(record());
    const joints = made.checkEntry(judgement, 'L1', 'jointsBefore', { top: 50 }, stamp);
    expect(joints).toMatchObject({ planned: judgement.cylinders[0]?.clocking.plan?.joints, found: { top: 50 } });
    expect(made.checkEntry(judgement, 'L1', 'rod', {}, stamp)).toMatchObject({ planned: null, found: {} });
    expect(made.checkEntry(judgement, 'L1', 'frontMark', {}, stamp)).toMatchObject({ planned: null });
    expect(made.checkEntry(judgement, 'nowhere', 'rod', {}, stamp)).toMatchObject({ planned: null, expected: null });
  });

  it('parts are renewed number by number; the rest say what they are', () => {
    expect(made.renewals('bore', ['L1', 'R1'], stamp).map((e) => e.kind === 'renewed' && e.cylinder)).toEqual([
      'L1',
      'R1',
    ]);
    expect(made.cutEntry('L1', 'top', key, 6, stamp)).toMatchObject({ kind: 'cut', cylinder: 'L1', count: 6 });
    expect(made.settingEntry(null, 'piston', null, stamp)).toMatchObject({ kind: 'setting', to: 'piston' });
    expect(made.acceptance({ of: 'a', what: 'bore', state: 'hone' }, 'agreed', stamp)).toMatchObject({
      kind: 'accepted',
      of: 'a',
      what: 'bore',
      state: 'hone',
    });
  });
});

describe('what this bench made last', () => {
  const two = record(gap('a', 'L1', 'top', 20), gap('b', 'R1', 'top', 21), reading('c', 'L1', 'piston', 1));
  it('is the last of the subjects that is its own and not struck out', () => {
    const last = (entries: Entry[], isOwn: (item: { id: string }) => boolean = () => true) =>
      lastEntry(judge({ id: 'x', entries }), entries, ['top', 'second'], isOwn)?.item.id ?? null;
    expect(last(two.entries)).toBe('b');
    expect(last(two.entries, ({ id }) => id === 'a')).toBe('a');
    expect(last([...two.entries, made.voiding('b', 'misread', stamp)])).toBe('a');
    expect(last([jobEntry()])).toBeNull();
  });
});

describe('what an entry changed elsewhere', () => {
  it('is told where a verdict turns, and not where it was there for the first time or was read anew', () => {
    const read = gap('a', 'L1', 'top', 22);
    const [none, first, again] = [record(), record(read), record(read, gap('b', 'L1', 'top', 15))].map(judge);
    if (!none || !first || !again) throw new Error('not judged');
    expect(labelled(judgementDiff(none, first))).toEqual([]);
    expect(labelled(judgementDiff(first, again))).toEqual([]);
    const wider = judge(
      record(read, {
        ...stamp(),
        kind: 'targets',
        replaces: null,
        value: { ...first.choices.targets, gapWindow: 0, gapLimit: 0 },
      }),
    );
    expect(labelled(judgementDiff(first, wider))).toContain('Cylinder 1, top ring: in window → over');
    expect(labelled(judgementDiff(wider, wider))).toEqual([]);
  });
});

it('a piston is named by its own number only where it is not the cylinder’s', () => {
  const judgement = judge(record());
  const [cylinder] = judgement.cylinders;
  if (!cylinder) throw new Error('no cylinder');
  const at = { cylinder: 'L1', subject: 'piston' as const, spot: null };
  expect(taskLabel(cylinder, at)).toBe('Cylinder 1, piston');
  const other = { ...cylinder, piston: { ...cylinder.piston, id: 'R1', label: '2' } };
  expect(taskLabel(other, at)).toBe('Cylinder 1, piston 2');
  expect(taskLabel(undefined, at)).toBe('Cylinder ?, piston');
});

describe('the answer to whether a ring was filed', () => {
  const filed = (id: string, of: string, by: string): Entry => ({ ...stamp(), id, by, kind: 'filed', of, was: true });
  const entries = [
    gap('a', 'L1', 'top', 20),
    filed('f1', 'a', 'KM'),
    gap('b', 'L1', 'top', 21),
    filed('f2', 'b', 'AW'),
  ];
  const isOwn = (entry: { by: string }): boolean => entry.by === 'KM';

  it('is that of the reading alone, the last of them', () => {
    expect(answerTo(entries, 'a', isOwn)?.id).toBe('f1');
    expect(answerTo(entries, 'c', () => true)).toBeNull();
    expect(answerTo([...entries, filed('f3', 'a', 'KM')], 'a', isOwn)?.id).toBe('f3');
  });

  it('is never another hand’s, nor one that was struck out', () => {
    expect(answerTo(entries, 'b', isOwn)).toBeNull();
    const struck = [...entries, made.voiding('f1', 'undone at entry', stamp)];
    expect(answerTo(struck, 'a', isOwn)).toBeNull();
  });
});
