/** A bore gauge that is zeroed in a bore before any size is known: differences first, sizes later. */
import fc from 'fast-check';
import { runs } from '@/fixtures/runs';
import { describe, expect, it } from 'vitest';
import { readBuildFile, writeBuildFile } from '@/files/buildFile';
import { rowsOf, loadReports } from './reports';
import { boreReading, record } from '@/fixtures/records';
import { parseReading } from '../foundation/quantity/parseReading';
import type { ParsedReading, ParseContext } from '../foundation/quantity/readingField';
import { fromInches, fromMm, fromThou } from '../foundation/quantity/length';
import { messageText } from '../foundation/quantity/message';
import { isReading } from '../record/reading';
import type { Entry } from './buildRecord';
import { contextFor } from './context';
import { loggedAgain, settingEntry, voiding, zeroEntries } from './newEntries';
import { judge, incrementalJudge } from './judge';
import { lastEntry } from './lastEntry';
import { EMPTY_HAND, readingOf } from './preview';

const AT = '2026-05-04T09:00:00.000Z';
let n = 0;
const stamp = () => ({ id: `e${(n += 1)}`, at: AT, by: 'AB' });
const TOP = { depth: 'top', angle: 90 } as const;
const MIDDLE = { depth: 'middle', angle: 90 } as const;
const BOTTOM = { depth: 'bottom', angle: 90 } as const;
const nought = { value: 0, upTo: null, dial: true, taken: 'zeroed here' } as const;
const empty = judge(record());
const at = (spot: typeof TOP | typeof MIDDLE | typeof BOTTOM, cylinder = 'L1') =>
  ({ cylinder, subject: 'bore', spot }) as const;

/** Zeroed at the top of bore 1, then so many thou lower down. */
function zeroed(middle: number, bottom: number): { entries: Entry[]; zero: string } {
  const [setting, first] = zeroEntries(readingOf(empty, at(TOP), nought, EMPTY_HAND, 'here'), stamp);
  const off = (spot: typeof MIDDLE | typeof BOTTOM, thou: number): Entry => ({
    ...boreReading(stamp().id, 'L1', spot.depth, spot.angle, fromThou(thou)),
    zero: setting.id,
    typed: String(thou),
  });
  return { entries: [setting, first, off(MIDDLE, middle), off(BOTTOM, bottom)], zero: setting.id };
}
const bore = (...entries: Entry[]) => judge(record(...entries)).cylinders[0]?.bore;
const said = (...entries: Entry[]): string =>
  judge(record(...entries))
    .findings.map((f) => `${f.severity}: ${messageText(f.says, 'imperial')}`)
    .join('\n');

describe('read from a zero that has no size', () => {
  const { entries, zero } = zeroed(-0.5, -1.5);

  it('tells taper, and no size, clearance or verdict', () => {
    const found = bore(...entries);
    expect(found).toMatchObject({ size: null, shape: null, mean: null, done: false, read: 3 });
    expect(found?.relative).toEqual({ zero, taper: fromThou(1.5), outOfRound: null });
    expect(found?.verdict.state).toBe('part read');
    expect(found?.verdict.reasons.map((s) => messageText(s, 'imperial'))).toEqual([
      'read from a zero in the bore, taper 1.5 thou; sizes wait for the micrometer',
    ]);
    const [first] = judge(record(...entries)).cylinders;
    expect(first?.targetBore).toMatchObject({ from: 'planned' });
    expect(first?.ready.missing.map((m) => m.subject)).toContain('bore');
    expect(said(...entries)).toMatch(/note: Bore 1: read from a zero that has no size yet/);
  });

  it('once the zero has a size, every reading from it has its own; and the last size given holds', () => {
    const at4065 = settingEntry(null, fromInches(4.0652), zero, stamp);
    const wrong = settingEntry(null, fromInches(4.0625), zero, stamp);
    for (const sizes of [[at4065], [wrong, at4065]]) {
      const found = bore(...entries, ...sizes);
      expect(found?.spots.map((s) => s.value).filter((v) => v !== null)).toEqual([
        fromInches(4.0652),
        fromInches(4.0647),
        fromInches(4.0637),
      ]);
      expect(found?.size?.value).toBe(fromInches(4.0637));
      expect(found?.relative).toBeNull();
      expect(found?.shape?.taper.thrust?.value).toBe(fromThou(1.5));
    }
    // as if each had been read as a size
    const plainly = bore(
      boreReading('a', 'L1', 'top', 90, fromInches(4.0652)),
      boreReading('b', 'L1', 'middle', 90, fromInches(4.0647)),
      boreReading('c', 'L1', 'bottom', 90, fromInches(4.0637)),
    );
    expect(bore(...entries, at4065)?.shape).toEqual(plainly?.shape);
    // the dial counts on from it
    const judged = judge(record(...entries, at4065));
    const [first] = judged.cylinders;
    expect(first && contextFor(judged, first, 'bore', 'imperial')).toMatchObject({ setting: fromInches(4.0652), zero });
  });

  it('is struck out, undone and logged again as it was read, sized or not', () => {
    const sized = settingEntry(null, fromInches(4.0652), zero, stamp);
    const judged = judge(record(...entries, sized));
    const last = lastEntry(judged, record(...entries, sized).entries, ['bore'], () => true);
    expect(last?.item).toMatchObject({ value: fromInches(4.0637), off: fromThou(-1.5), unsized: false });
    if (!last || !isReading(last.item)) throw new Error('no reading');
    expect(loggedAgain(last.item, stamp)).toMatchObject({ kind: 'reading', value: fromThou(-1.5), zero });
    expect(bore(...entries, voiding(last.item.id, 'undone', stamp))).toMatchObject({
      read: 2,
      relative: { taper: fromThou(0.5) },
    });
  });

  it('a zero that is set anew before it has a size loses what was read from it, and that is said', () => {
    const later = zeroed(-0.2, -0.4);
    const found = bore(...entries, ...later.entries);
    expect(found?.relative).toEqual({ zero: later.zero, taper: fromThou(0.4), outOfRound: null });
    expect(said(...entries, ...later.entries)).toMatch(/mend: Bore 1: some readings are from a zero that was set anew/);
    const sized = settingEntry(null, fromInches(4.0652), later.zero, stamp);
    expect(bore(...entries, ...later.entries, sized)?.size?.value).toBe(fromInches(4.0648));
  });

  it('is judged alike whether all is laid in at once or entry by entry (property)', () => {
    const thou = fc.integer({ min: -30, max: 30 }).map((t) => t / 10);
    fc.assert(
      fc.property(thou, thou, fc.integer({ min: 40_000, max: 41_000 }), (middle, bottom, tenths) => {
        const made = zeroed(middle, bottom);
        const size = settingEntry(null, tenths * 2_540, made.zero, stamp);
        const all = record(...made.entries, size);
        const judging = incrementalJudge();
        for (let i = 1; i < all.entries.length; i += 1) judging.of({ ...all, entries: all.entries.slice(0, i) });
        const [kept, once] = [judging.of(all), judge(all)];
        expect(kept.cylinders[0]?.bore).toEqual(once.cylinders[0]?.bore);
        expect(once.cylinders[0]?.bore.size?.value).toBe(
          tenths * 2_540 + Math.min(0, fromThou(middle), fromThou(bottom)),
        );
      }),
      { numRuns: runs(60) },
    );
  });

  it('goes out and comes back, and is refused where it counts from nothing', async () => {
    const given = record(...entries);
    expect(readBuildFile(JSON.stringify(writeBuildFile(given)))).toEqual({ ok: true, record: given });
    const lost = record(...entries.slice(1));
    expect(readBuildFile(JSON.stringify(writeBuildFile(lost)))).toMatchObject({
      ok: false,
      faults: [expect.stringContaining('which is no earlier zero in a bore'), expect.anything(), expect.anything()],
    });
    const far = record(...entries, { ...boreReading('f', 'L1', 'top', 0, fromMm(6)), zero });
    expect(readBuildFile(JSON.stringify(writeBuildFile(far))).ok).toBe(false);
    const under = record(boreReading('u', 'L1', 'top', 0, -1));
    expect(readBuildFile(JSON.stringify(writeBuildFile(under))).ok).toBe(false);
    const whats = rowsOf(judge(given), await loadReports()).map((row) => row['what']);
    expect(whats.filter((w) => w === 'bore_from_zero')).toHaveLength(3);
  });
});

describe('on the line', () => {
  const waiting: ParseContext = {
    field: 'bore',
    units: 'imperial',
    bore: null,
    expected: null,
    setting: 'the-zero',
    zero: 'the-zero',
  };
  const heard = (text: string, change: Partial<ParseContext> = {}): ParsedReading =>
    parseReading(text, { ...waiting, ...change });

  it('`here` zeroes at the spot; then figures are what the dial shows, and a size is a size', () => {
    expect(heard('here', { setting: null, zero: null })).toEqual({
      kind: 'setting',
      value: 'here',
      read: true,
      sizes: null,
    });
    expect(heard('here', { field: 'gap' }).kind).toBe('refused');
    const off = (text: string, change?: Partial<ParseContext>) => {
      const found = heard(text, change);
      return found.kind === 'understood' ? [found.meaning.value, found.meaning.zero] : found.kind;
    };
    expect(off('6')).toEqual([fromThou(6), 'the-zero']);
    expect(off('-1.5')).toEqual([fromThou(-1.5), 'the-zero']);
    expect(off('0')).toEqual([0, 'the-zero']);
    expect(off('.0006')).toEqual([fromThou(0.6), 'the-zero']);
    expect(off('-0.01', { units: 'metric' })).toEqual([-10_000, 'the-zero']);
    expect(off('4.0652')).toEqual([fromInches(4.0652), undefined]);
    expect(off('82.5', { units: 'metric', bore: fromMm(82.5) })).toEqual([fromMm(82.5), undefined]);
    expect(off('30')).toBe('question');
    expect(off('+300')).toBe('refused');
  });

  it('`here` with a figure is the size of that zero; `was` puts it right; without one it is refused', () => {
    const sizes = { kind: 'setting', value: fromInches(4.0652), read: false, sizes: 'the-zero' };
    expect(heard('here 4.0652')).toEqual(sizes);
    expect(heard('was 4.0652')).toEqual(sizes);
    expect(heard('was 4.0652', { setting: fromInches(4.0625) })).toEqual(sizes);
    expect(heard('here 4.0652', { setting: fromInches(4.0625) })).toMatchObject({ read: true, sizes: null });
    expect(heard('was 4.0652', { setting: null, zero: null }).kind).toBe('refused');
  });
});
