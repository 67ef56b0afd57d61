import { inspectsRods } from '@/core/stages/journals/rodInspection';
import { runs } from '@/fixtures/runs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { judge } from '@/core/judge/judge';
import { type JudgedCylinder, type Judgement, outcomeAt, placeAt } from '@/core/judge/judgement';
import { type Reports, loadReports, rowsOf, sheetOf } from '@/core/judge/reports';
import { messageText } from '@/core/foundation/quantity/message';
import { gapIsDone } from '@/core/stages/rings/ring';
import { RING_WORDS, COMPRESSION, RINGS } from '@/core/foundation/parts/rings';
import type { Piece, Row } from '@/core/stages/contract/report';
import { STAGES } from '@/core/judge/registry';
import { anyEntries } from '@/fixtures/anyEntries';
import { writeBuildFile } from './buildFile';

interface JsonRing {
  state: string;
  done: boolean;
  counts: { value: number; uncertainty: number } | null;
}
interface JsonCylinder {
  id: string;
  rings: Record<string, JsonRing>;
  clearance: { state: string; value: number | null; uncertainty: number };
  bore: { verdict: { state: string }; done: boolean };
  ready: { is: boolean };
}

interface JsonHeld {
  state: string;
  value: number | null;
  done: boolean;
}
interface JsonJudged {
  cylinders: (JsonCylinder & { rod: { clearance: JsonHeld } })[];
  mains: { clearance: JsonHeld }[];
  crank: { endPlay: JsonHeld } | null;
}

const mm = (nm: number | null | undefined): string => (nm == null ? '' : (nm / 1e6).toFixed(6));
const results = (rows: Row[], cylinder: JudgedCylinder, what: string): Row[] =>
  rows.filter((r) => r.entry === 'result' && r.place === cylinder.id && r.what === what);
const pieces = (judgement: Judgement, reports: Reports, heading: RegExp, row: number, column: number): Piece[] =>
  sheetOf(judgement, reports).find((part) => heading.test(messageText(part.heading, 'imperial')))?.table?.rows[row]?.[
    column
  ] ?? [];

/** Every output of a ring against what the judge says of it. */
function ringsAgree(judgement: Judgement, rows: Row[], json: JsonCylinder[], reports: Reports): void {
  judgement.cylinders.forEach((cylinder, i) => {
    const { rings, worst, heat, ready } = cylinder;
    const deck = STAGES.rings.caption(cylinder);
    const shown = rings[worst.compression];
    expect([deck.state, deck.figure]).toEqual([
      shown.state,
      shown.counts ? [{ nm: shown.counts.value, as: 'fine' }] : [],
    ]);
    RINGS.forEach((name) => {
      const ring = rings[name];
      const figure = ring.counts?.value ?? null;
      expect(STAGES.rings.outcome(judgement, cylinder, name).state).toBe(ring.state);
      expect(results(rows, cylinder, name)).toMatchObject([
        { state: ring.state, value_mm: mm(figure), uncertainty_mm: mm(ring.counts?.uncertainty), ring: ring.number },
      ]);
      expect(json[i]?.rings[name]).toMatchObject({
        state: ring.state,
        done: ring.done,
        counts: figure === null ? null : { value: figure, uncertainty: ring.counts?.uncertainty },
      });
      if (ring.done) expect(ready.missing.map((m) => m.subject)).not.toContain(name);
      else if (COMPRESSION.some((c) => c === name)) expect(ready.missing.map((m) => m.subject)).toContain(name);
      // what can cost the engine is a stop exactly where the verdict is
      const stops = judgement.findings.filter(
        (f) =>
          f.severity === 'stop' &&
          f.cylinder === cylinder.id &&
          messageText(f.says, 'imperial').startsWith(`Cylinder ${cylinder.label}, ${RING_WORDS[name]}:`),
      );
      expect(stops).toHaveLength(ring.state === 'short' && !ring.accepted ? 1 : 0);
    });
    COMPRESSION.forEach((name, column) => {
      const ring = rings[name];
      expect(pieces(judgement, reports, /^Ring end gaps/, i, column + 1)).toContainEqual({
        kind: 'state',
        state: ring.state,
      });
      const measured = heat?.rings[name].points.find((p) => p.point === 'measured');
      expect(measured?.cold).toBe(heat ? ring.counts?.value : undefined);
      const placed = judgement.placing[name].standing.placed.find((p) => p.cylinder === cylinder.id);
      if (placed) expect([placed.state, placed.gap]).toEqual([ring.state, ring.counts?.value]);
      else expect(judgement.placing[name].waiting).toContain(cylinder.label);
    });
  });
  for (const spread of judgement.spreads) {
    const all = judgement.cylinders.flatMap((c) => c.rings[spread.ring].counts?.value ?? []);
    expect([spread.least, spread.most]).toEqual([Math.min(...all), Math.max(...all)]);
  }
}

/** Every output of a bore and a clearance. */
function sizesAgree(judgement: Judgement, rows: Row[], json: JsonCylinder[], reports: Reports): void {
  judgement.cylinders.forEach((cylinder, i) => {
    const { clearance, bore, ready } = cylinder;
    const { value, state, uncertainty, reported } = clearance;
    const shown = value ?? (reported && reported.from !== 'reported' ? reported.value : null);
    expect(STAGES.pistons.caption(cylinder)).toMatchObject({
      state,
      figure: shown === null ? [] : [{ nm: shown, as: 'clearance' }],
    });
    expect(results(rows, cylinder, 'clearance')).toMatchObject([
      { state, value_mm: mm(value), uncertainty_mm: value === null ? '' : mm(uncertainty) },
    ]);
    expect(json[i]?.clearance).toMatchObject({ state, value, uncertainty });
    const paired = judgement.pairing.standing.pairs.find((p) => p.cylinder === cylinder.id);
    if (paired) expect(paired.clearance).toBe(value);
    const sheet = sheetOf(judgement, reports).find((p) => p.table?.columns.some((c) => c.words === 'clearance'));
    if (sheet) expect(sheet.table?.rows[i]?.flat()).toContainEqual({ kind: 'state', state });
    expect(ready.missing.some((m) => m.stage === 'pistons' && m.subject === 'piston')).toBe(!clearance.done);
    expect(STAGES.bores.caption(cylinder).state).toBe(bore.verdict.state);
    expect(results(rows, cylinder, 'bore')).toMatchObject([
      { state: bore.verdict.state, value_mm: mm(bore.size?.value) },
    ]);
    expect(json[i]?.bore).toMatchObject({ verdict: { state: bore.verdict.state }, done: bore.done });
    expect(json[i]?.ready.is).toBe(ready.is);
  });
}

/** Every output of the bottom end. */
function bearingsAgree(judgement: Judgement, rows: Row[], json: JsonJudged, reports: Reports): void {
  const { mains, rods, crank, cylinders } = judgement;
  const findings = judgement.findings.filter((f) => f.stage === 'journals');
  const stopsOf = (id: string, what: string): number =>
    findings.filter((f) => f.severity === 'stop' && f.cylinder === id && messageText(f.says, 'imperial').includes(what))
      .length;
  const sheet = sheetOf(judgement, reports);
  [...mains, ...rods].forEach((b, i) => {
    const { clearance: c } = b;
    const place = placeAt(judgement, b.id);
    if (!place) throw new Error(`nothing at ${b.id}`);
    expect(outcomeAt(judgement, place, 'housing').state).toBe(c.value === null ? null : c.state);
    expect(
      rows.filter((r) => r.place === b.id && r.entry === 'result' && r.what === `${b.kind}_clearance`),
    ).toMatchObject(
      c.value === null ? [] : [{ state: c.state, value_mm: mm(c.value), uncertainty_mm: mm(c.uncertainty) }],
    );
    const inFile = b.kind === 'main' ? json.mains[i] : json.cylinders[i - mains.length]?.rod;
    expect(inFile?.clearance).toMatchObject({ state: c.state, value: c.value, done: c.done });
    const table = sheet.find((p) => (b.kind === 'main' ? /^Journals/ : /^Rods/).test(messageText(p.heading, 'metric')));
    const row = table?.table?.rows[b.kind === 'main' ? i : i - mains.length];
    if (row) expect(row.flat()).toContainEqual({ kind: 'state', state: c.state });
    // what can cost the engine is a stop exactly where the verdict is; a negative one says so in words of its own
    if (c.value !== null && c.value >= 0)
      expect(stopsOf(b.id, ': clearance')).toBe(c.state === 'tight' && !c.accepted ? 1 : 0);
  });
  cylinders.forEach((cylinder) => {
    expect(STAGES.journals.caption(cylinder).state).toBe(cylinder.rod.clearance.state);
    if (!judgement.job?.also.includes('journals')) return;
    const lacks = cylinder.ready.missing.filter((m) => m.stage === 'journals').map((m) => m.subject);
    expect(lacks.includes('housing')).toBe(!cylinder.rod.clearance.done);
    // side clearance is asked once both rods are in; what is read counts before that too
    const isIn = [cylinder.id, cylinder.sideOf].every((id) => judgement.log.ticks.get(id)?.has('pistonIn'));
    const asksSide = !inspectsRods(judgement.job, judgement.choices.walk) || isIn || cylinder.side.value !== null;
    expect(lacks.includes('side')).toBe(asksSide && !cylinder.side.done);
  });
  expect(json.crank?.endPlay).toMatchObject({ state: crank?.endPlay.state, value: crank?.endPlay.value });
}

describe('one thing, one verdict', () => {
  it('deck, line, swap, pairing, heat, spread, sheet, table, file and ready say what the judge says, of any record', async () => {
    const reports = await loadReports();
    fc.assert(
      fc.property(anyEntries(24), (entries) => {
        const record = { id: 'any', entries };
        const judgement = judge(record);
        const rows = rowsOf(judgement, reports);
        const inFile = writeBuildFile(record).judged as JsonJudged;
        const { cylinders } = inFile;
        ringsAgree(judgement, rows, cylinders, reports);
        sizesAgree(judgement, rows, cylinders, reports);
        bearingsAgree(judgement, rows, inFile, reports);
        // what is ready has nothing that stops it
        for (const { id, ready, rings } of judgement.cylinders) {
          if (!ready.is) continue;
          expect(judgement.findings.filter((f) => f.severity === 'stop' && f.cylinder === id)).toEqual([]);
          for (const ring of COMPRESSION) expect(gapIsDone(rings[ring].state) || rings[ring].accepted).toBeTruthy();
        }
      }),
      { numRuns: runs(1_000) },
    );
  }, 120_000);
});
