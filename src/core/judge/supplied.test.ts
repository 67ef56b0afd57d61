/** What a shop or a maker reports, beside what is found and in its place. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { boreReading, gap, jobEntry, reading, record } from '@/fixtures/records';
import { readBuildFile, writeBuildFile } from '@/files/buildFile';
import { type Supply, type SuppliedChoices, STARTING_SUPPLIED, againstReported } from '../stages/bores/suppliedSizes';
import { fromInches, fromThou } from '../foundation/quantity/length';
import { messageText } from '../foundation/quantity/message';
import type { BuildRecord, Entry } from './buildRecord';
import { judge } from './judge';
import { asked } from './judgement';
import { loadReports, sheetOf } from './reports';

const NOBODY = STARTING_SUPPLIED.bores;
const all = ['L1', 'R1', 'L2', 'R2', 'L3', 'R3', 'L4', 'R4'];
const supply = (size: number, by = 'the shop', ordered: number | null = null): Supply => ({
  by,
  ordered,
  sizes: all.map((number) => ({ number, size })),
});
const supplied = (change: Partial<SuppliedChoices>): Entry => ({
  kind: 'supplied',
  id: 'supplied',
  at: '2026-05-04T09:00:00.000Z',
  by: 'AB',
  replaces: null,
  value: { ...STARTING_SUPPLIED, ...change },
});
const elsewhere = (...stages: string[]): Entry => jobEntry({ elsewhere: stages }, 'job-2', 'job-1');
const said = (given: BuildRecord): string =>
  judge(given)
    .findings.map((f) => `${f.severity}: ${messageText(f.says, 'imperial')}`)
    .join('\n');

describe('pistons bought before boring', () => {
  const worn = all.map((id) => reading(`b${id}`, id, 'bore', fromInches(4.03)));
  const bought = (size: number): Entry[] => all.map((id) => reading(`p${id}`, id, 'piston', fromInches(size)));

  it('are held against the planned bore until it is machined: no stop, not done, and what it will come to is said', () => {
    const judgement = judge(record(...worn, ...bought(4.0607)));
    expect(judgement.findings.filter((f) => f.severity === 'stop')).toEqual([]);
    const [first] = judgement.cylinders;
    expect(first?.clearance).toMatchObject({
      ...{ value: null, state: 'to do', done: false },
      reported: { value: fromThou(4.3), state: 'in window', from: 'planned' },
    });
    expect(first?.ready.is).toBe(false);
    expect(said(record(...worn, ...bought(4.0607)))).toContain(
      'note: Cylinder 1: the bore is still to be machined; in the planned bore the clearance is 4.3 thou.',
    );
    expect(judgement.pairing.waiting).toHaveLength(8);
  });

  it('go by what was ordered first; too tight in that they are a fix', () => {
    const ordered = supplied({ bores: { ...NOBODY, ordered: fromInches(4.0608) } });
    expect(said(record(ordered, ...worn, ...bought(4.0607)))).toMatch(
      /mend: Cylinder 1: in the ordered bore the clearance is 0\.10? thou: too tight\. Check the bore size before it is machined\./,
    );
  });

  it('once bored, what is measured counts, and a piston that is too large is a stop again', () => {
    const bored = all.map((id) => reading(`c${id}`, id, 'bore', fromInches(4.0648)));
    const renewed = all.map((id): Entry => ({
      ...{ kind: 'renewed', id: `n${id}`, at: '2026-05-04T10:00:00.000Z', by: 'AB', part: 'bore', cylinder: id },
    }));
    const judgement = judge(record(...worn, ...renewed, ...bored, ...bought(4.0607)));
    expect(judgement.cylinders[0]?.clearance).toMatchObject({ value: fromThou(4.1), reported: null });
    expect(said(record(...worn, ...renewed, ...bored, ...bought(4.0657)))).toMatch(/stop: .* larger than its bore/);
  });

  it('an old piston that fits the bore as it is, is judged in it', () => {
    expect(judge(record(...worn, ...bought(4.0257))).cylinders[0]?.clearance).toMatchObject({
      value: fromThou(4.3),
      reported: null,
    });
  });
});

describe('what was reported', () => {
  it('stands in for a bore that is not measured: its targets are worked from it, and say so', () => {
    const judged = judge(record(supplied({ bores: supply(fromInches(4.2)) })));
    const [first] = judged.cylinders;
    expect(first?.targetBore).toEqual({ nm: fromInches(4.2), from: 'reported' });
    const top = first?.rings.top.target;
    expect(top?.set && top.inForce.working.map((s) => messageText(s, 'imperial')).join()).toContain(
      'reported bore 4.2000 in',
    );
    expect(judged.standard).toMatchObject({ bore: { from: 'reported' }, cylinder: '1' });
    // what is found counts
    const found = judge(
      record(supplied({ bores: supply(fromInches(4.2)) }), reading('b', 'L1', 'bore', fromInches(4.065))),
    );
    expect(found.cylinders[0]?.targetBore).toEqual({ nm: fromInches(4.065), from: 'measured' });
    expect(found.cylinders[1]?.targetBore).toEqual({ nm: fromInches(4.2), from: 'reported' });
    expect(found.standard).toMatchObject({ bore: { from: 'measured' }, cylinder: '1' });
  });

  it('is held against what is found, within U and a digit; and against what was ordered', () => {
    const at = (reported: number): string =>
      said(
        record(
          supplied({ bores: { by: 'Holm', ordered: fromInches(4.065), sizes: [{ number: 'L1', size: reported }] } }),
          boreReading('b', 'L1', 'middle', 90, fromInches(4.0652)),
        ),
      );
    expect(at(fromInches(4.0651))).not.toContain('reported');
    expect(at(fromInches(4.063))).toMatch(
      /mend: Bore 1 was reported as 4\.0630 in by Holm and is found as 4\.0652 in ± .* thou: 2\.20? thou larger\. What is found counts/,
    );
    expect(at(fromInches(4.063))).toMatch(
      /note: Bore 1 was ordered as 4\.0650 in and is reported as 4\.0630 in by Holm: 2(?:\.0+)? thou smaller/,
    );
    expect(at(fromInches(4.0654))).not.toContain('was ordered');
  });

  it('agrees both ways alike, never further than U and a digit (property)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -50_000, max: 50_000 }),
        fc.integer({ min: 0, max: 30_000 }),
        (off, uncertainty) => {
          const [up, down] = [off, -off].map((d) => againstReported({ value: 1e8 + d, uncertainty }, 1e8));
          expect(up?.off).toBe(off);
          expect(up?.agrees).toBe(down?.agrees);
          expect(up?.agrees).toBe(Math.abs(off) <= uncertainty + 2_540);
        },
      ),
    );
    expect(againstReported(null, 1e8)).toBeNull();
    expect(againstReported({ value: 1e8, uncertainty: 0 }, null)).toBeNull();
  });

  it('a clearance of reported sizes is called out where it would be tight or loose, and never a verdict', () => {
    const of = (bore: number, piston: number) =>
      record(supplied({ bores: supply(fromInches(bore)), pistons: supply(fromInches(piston), 'the packet') }));
    const [first] = judge(of(4.065, 4.064)).cylinders;
    expect(first?.clearance).toMatchObject({
      value: null,
      reported: { value: fromThou(1), state: 'tight' },
      state: 'to do',
      done: false,
    });
    expect(said(of(4.065, 4.064))).toMatch(
      /mend: Cylinder 1: by what was reported of bore and piston the clearance is 1\.0 thou: too tight/,
    );
    expect(said(of(4.065, 4.061))).not.toContain('by what was reported of bore');
    expect(said(of(4.065, 4.045))).toContain('too loose');
    // measured: the verdict takes over
    const measured = record(
      supplied({ bores: supply(fromInches(4.065)), pistons: supply(fromInches(4.064)) }),
      reading('b', 'L1', 'bore', fromInches(4.065)),
      reading('p', 'L1', 'piston', fromInches(4.061)),
    );
    expect(judge(measured).cylinders[0]?.clearance).toMatchObject({ value: fromThou(4), reported: null });
  });
});

describe('what is not measured here', () => {
  const rings = all.flatMap((c, i) => [gap(`t${i}`, c, 'top', 22), gap(`s${i}`, c, 'second', 24)]);

  it('is asked of nobody: a plain re-ring with its gaps read is all done', () => {
    const given = record(
      elsewhere('bores', 'pistons', 'clocking', 'assembly'),
      supplied({ bores: supply(fromInches(4.065)) }),
      ...rings,
    );
    const judged = judge(given);
    expect(judged.progress.done).toBe(judged.progress.total);
    expect(judged.progress.total).toBeGreaterThan(16);
    expect(judged.cylinders.every((c) => c.ready.is)).toBe(true);
  });

  it('a piston that is read under a bore that is not is done; while it is not read it is asked for', () => {
    const to = (...more: Entry[]) =>
      judge(record(elsewhere('bores'), supplied({ bores: supply(fromInches(4.065)) }), ...more));
    const done = (judged: ReturnType<typeof judge>) => judged.stages.find((s) => s.stage === 'pistons')?.done;
    expect(done(to())).toBe(0);
    const read = to(reading('p', 'L1', 'piston', fromInches(4.061)));
    expect(done(read)).toBe(1);
    expect(read.cylinders[0]?.ready.missing.map((m) => m.stage)).not.toContain('pistons');
    expect(read.cylinders[0]?.clearance.reported?.value).toBe(fromThou(4));
    expect(read.cylinders[1]?.ready.missing.map((m) => m.stage)).toContain('pistons');
  });

  it('says so on the deck, in the table and on the sheet; with nothing reported that is said once', async () => {
    const none = record(elsewhere('bores', 'pistons'));
    expect(asked('bores').caption(judge(none).cylinders[0] as never)).toMatchObject({
      state: 'to do',
      word: 'not here',
    });
    expect(said(none).match(/no size is reported of any bore/g)).toHaveLength(1);
    const given = record(
      elsewhere('bores', 'pistons'),
      supplied({ bores: supply(fromInches(4.066), 'Holm', fromInches(4.065)) }),
    );
    const judged = judge(given);
    expect(said(given)).not.toContain('no size is reported');
    expect(asked('bores').caption(judged.cylinders[0] as never)).toMatchObject({ word: 'reported' });
    expect(messageText(asked('bores').caption(judged.cylinders[0] as never).figure, 'imperial')).toBe('4.0660 in');
    const parts = sheetOf(judged, await loadReports());
    const headings = parts.map((part) => messageText(part.heading, 'imperial'));
    expect(headings).toContain('Bores as supplied, reported by Holm');
    expect(headings.join()).not.toContain('Pistons as supplied');
    expect(JSON.stringify(parts.find((part) => part.table?.columns.some((c) => c.words === 'bore is')))).toMatch(
      /as reported.*not measured here/,
    );
    expect(parts.flatMap((part) => part.after).map((s) => messageText(s, 'imperial'))).toContain(
      'Oil rails: not measured here.',
    );
  });

  it('stands in the build file and comes back', () => {
    const given = record(supplied({ bores: supply(fromInches(4.066), 'Holm'), pistons: NOBODY }));
    expect(readBuildFile(JSON.stringify(writeBuildFile(given)))).toEqual({ ok: true, record: given });
    const twice = record(
      supplied({
        bores: {
          ...NOBODY,
          sizes: [
            { number: 'L1', size: 1e8 },
            { number: 'L1', size: 1e8 },
          ],
        },
      }),
    );
    expect(readBuildFile(JSON.stringify(writeBuildFile(twice))).ok).toBe(false);
  });
});
