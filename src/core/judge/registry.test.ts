/** A stage is a plug: one that is made up is put into the registries, and all that goes over them knows it. */
import { readFileSync } from 'node:fs';
import { describe, expect, it, vi } from 'vitest';
import { startingCursor } from '@/ui/openBuild/cursor';
import { listShown } from '@/ui/openBuild/useAddress';
import { stageBy } from '@/ui/stages/Keys';
import { stageAtWork, stepOn } from './nextTask';
import { z } from 'zod';
import { job, jobEntry, reading } from '@/fixtures/records';
import { readBuildFile, writeBuildFile } from '@/files/buildFile';
import { sheetOf } from './reports';
import { writeCsv } from '@/files/buildCsv';
import type * as registry from './registry';
import type * as shapes from '@/files/shapes/choices';
import { entrySchema } from '@/files/schema';
import { contextFor } from './context';
import { judgementDiff } from './diff';
import { judge, incrementalJudge } from './judge';
import { type JudgedCylinder, asked } from './judgement';
import { lastEntry } from './lastEntry';
import { EMPTY_HAND, asEntry, readingOf } from './preview';
import { taskLabel } from './labels';
import { parseReading } from '../foundation/quantity/parseReading';
import { startsOf } from '../foundation/quantity/readingField';
import { fromInches, fromThou } from '../foundation/quantity/length';
import { messageText } from '../foundation/quantity/message';
import type { Entry } from './buildRecord';
import { JUDGING_ORDER, PARTS, STAGE_IDS, STAGE_OF, SUBJECTS, SUBJECT_IDS, listOf } from './stageTables';

vi.mock('./registry', async (original) => {
  const { STAGES } = await original<typeof registry>();
  const { deckHeight } = await import('@/fixtures/deckHeight/stage');
  return {
    STAGES: Object.fromEntries(
      Object.entries(STAGES).flatMap(([id, stage]) => [
        ...(id === 'rings' ? [['deckHeight', deckHeight]] : []),
        [id, stage],
      ]),
    ),
  };
});
vi.mock('@/files/shapes/choices', async (original) => {
  const { CHOICE_SCHEMAS } = await original<typeof shapes>();
  return { CHOICE_SCHEMAS: { ...CHOICE_SCHEMAS, deckHeight: z.strictObject({ least: z.int(), most: z.int() }) } };
});

const ID = 'deckHeight' as never as 'pistons';
const subject = 'deckHeight' as never as 'piston';
const four = jobEntry({ engine: { ...job.engine, cylinders: 4 } });
const made = (id: string, cylinder: string, thou: number): Entry => reading(id, cylinder, subject, fromThou(thou));
const built = (...entries: Entry[]) => ({ id: 'plug', entries: [four, ...entries] });
type Judged = ReturnType<typeof judge>;
const progressOf = (judged: Judged) => judged.stages.find((s) => s.stage === ID);
const captionOf = (judged: Judged, cylinder: string) => {
  const found = judged.cylinders.find((c) => c.id === cylinder);
  return found && asked(ID).caption(found);
};

describe('a stage that is registered', () => {
  it('is read on the line: understood, said back, logged under the number of the piston, and led on from', () => {
    const swapped: Entry = {
      ...jobEntry(),
      kind: 'pairing',
      id: 'p',
      replaces: null,
      value: {
        pairs: [
          { cylinder: 'L1', piston: 'R1' },
          { cylinder: 'R1', piston: 'L1' },
        ],
        locked: [],
        marked: [],
        gain: 0,
        neverTight: true,
      },
    };
    const judging = incrementalJudge();
    const before = judging.of(built(swapped));
    const [cylinder] = before.cylinders;
    if (!cylinder) throw new Error('no cylinder');
    const here = { cylinder: cylinder.id, subject, spot: null };
    expect(taskLabel(cylinder, here)).toBe('Cylinder 1, deck height');
    const heard = parseReading('12', contextFor(before, cylinder, subject, 'imperial'));
    if (heard.kind !== 'understood') throw new Error(heard.kind);
    const made = readingOf(before, here, heard.meaning, EMPTY_HAND, '12');
    expect(made).toMatchObject({ cylinder: 'R1', subject: 'deckHeight', value: fromThou(12), place: null, fit: null });
    const after = judging.preview(built(swapped), [asEntry(made)]);
    const outcome = asked(ID).outcome(after, after.cylinders[0] as JudgedCylinder, subject);
    expect(outcome.state).toBe('in window');
    expect(stepOn(after, listOf(subject), here).cylinder).toBe(after.cylinders[1]?.id);
    expect(stepOn(before, listOf(subject), here).cylinder).toBe(cylinder.id);
  });

  it('is judged with its choice, counted, called out, drawn on the deck, put on the sheet', async () => {
    const judged = judge(built(made('a', 'L1', 12), made('b', 'R1', 3), made('c', 'L2', 25)));
    expect(progressOf(judged)).toEqual({ stage: ID, done: 1, total: 4 });
    expect(judged.findings.map((f) => messageText(f.says, 'imperial'))).toContain(
      'Cylinder 2: deck height 3.0 thou: the piston meets the head.',
    );
    expect(captionOf(judged, 'L2')).toMatchObject({ state: 'over', word: 'over' });
    const [part] = sheetOf(judged, [await asked(ID).report()]);
    expect(part?.table?.rows).toHaveLength(4);
    const wider: Entry = { ...four, id: 'w', kind: 'deckHeight', value: { least: 0, most: fromInches(0.03) } } as never;
    expect(progressOf(judge(built(made('a', 'L1', 12), made('c', 'L2', 25), wider)))?.done).toBe(2);
  });

  it('goes out as CSV and as a build file, comes back in, and is refused where its shape is wrong', async () => {
    const record = built(made('a', 'L1', 12), {
      ...four,
      id: 'w',
      kind: 'deckHeight',
      value: { least: 1, most: 9 },
    } as never);
    const judged = judge(record);
    expect(await writeCsv(judged)).toMatch(/^1,L1,deckHeight,.*reading,0\.304800/m);
    expect(await writeCsv(judged)).toMatch(/^1,L1,deck_height,.*result,0\.304800,.*over/m);
    const file = JSON.stringify(writeBuildFile(record));
    expect(JSON.parse(file)).toMatchObject({ judged: { cylinders: [{ deckHeight: { state: 'over' } }, {}, {}, {}] } });
    expect(readBuildFile(file)).toEqual({ ok: true, record });
    expect(
      entrySchema.safeParse({ ...four, id: 'w', kind: 'deckHeight', value: { least: 'x', most: 9 } }).success,
    ).toBe(false);
    expect(entrySchema.safeParse({ ...made('a', 'L1', 12), fit: { ring: 'L1' } }).success).toBe(false);
  });

  it('is struck out, undone, and read anew once the piston was replaced', () => {
    const judging = incrementalJudge();
    const record = built(made('a', 'L1', 12), made('b', 'L1', 14));
    const judged = judging.of(record);
    expect(lastEntry(judged, record.entries, [subject], () => true)?.item.id).toBe('b');
    const renewed: Entry = { kind: 'renewed', id: 'r', at: '', by: '', part: 'piston', cylinder: 'L1' };
    const after = judging.of({ ...record, entries: [...record.entries, renewed] });
    expect(captionOf(after, 'L1')?.state).toBe('to do');
    expect(judgementDiff(judged, after)).toEqual([]);
  });
});

describe('a stage that is registered, without a line written for it', () => {
  const rest = jobEntry({ engine: { ...job.engine, cylinders: 4 }, elsewhere: ['bores', 'pistons'] });

  it('is where a build is opened whose earlier stages are left to others', () => {
    const cursor = startingCursor(judge({ id: 'plug', entries: [rest, made('a', 'L1', 12)] }));
    expect(cursor).toMatchObject({ cylinder: 'R1', inHand: { deckHeight: 'deckHeight' } });
  });

  it('has its list in the address, and keeps it beside a view of its own', () => {
    expect(listShown('/builds/plug/deckHeight', null)).toEqual({ list: 'deckHeight', isRead: true });
    expect(listShown('/builds/plug/deckHeight', 'picture')).toEqual({ list: 'deckHeight', isRead: true });
  });

  it('is reached by the digit of its place, the tenth by 0', () => {
    const press = (digit: number) => ({ key: '', code: `Digit${digit}`, altKey: true, shiftKey: true });
    expect(STAGE_IDS).toHaveLength(10);
    for (const [i, id] of STAGE_IDS.entries()) expect(stageBy(press((i + 1) % 10), 'job')).toBe(id);
  });

  it('takes figures on the line wherever they are typed, and leaves the letters of gauges and rings alone', () => {
    const { field, fitted } = SUBJECTS[subject];
    expect([...'7.,+-shwcp>'].filter((key) => startsOf(field, fitted).test(key)).join('')).toBe('7.,+-');
  });

  it('is what the shelf leads to while it is begun and not through', () => {
    expect(stageAtWork(judge({ id: 'plug', entries: [rest, made('a', 'L1', 12)] }))).toBe(ID);
  });

  it('is edited in where the recipe says, and nowhere else', () => {
    const recipe = readFileSync('docs/adding-a-stage.md', 'utf8');
    const edited = [...recipe.matchAll(/^\d+\. \*\*`([^`<>]+)`\*\*/gm)].map(([, path]) => path);
    expect(edited).toEqual(['src/core/judge/registry.ts', 'src/files/shapes/choices.ts', 'src/ui/stages/screens.ts']);
  });
});

describe('the registry', () => {
  it('gives every subject one stage, one list and a tool, and every part that is renewed a subject', () => {
    for (const id of SUBJECT_IDS) {
      expect(STAGE_IDS).toContain(STAGE_OF[id]);
      expect(SUBJECTS[id].words).not.toBe('');
      expect(SUBJECTS[id].spots).toBe(id === 'bore' ? 'bore' : id === 'journal' || id === 'shell' ? 'bearing' : null);
    }
    expect(PARTS.toSorted()).toEqual([
      'bore',
      'housing',
      'journal',
      'lowerRail',
      'piston',
      'second',
      'shells',
      'top',
      'upperRail',
    ]);
    expect(JUDGING_ORDER.toSorted()).toEqual(STAGE_IDS.toSorted());
  });
});
