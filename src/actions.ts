'use server';

/** What the screens outside a build ask of the server. */
import { randomUUID } from 'node:crypto';
import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { quickRecord } from '@/core/job/quick';
import { trialRecord } from '@/core/job/trial';
import type { Units } from '@/core/quantity/length';
import { firstChoices } from '@/core/record/firstChoices';
import type { Entry } from '@/core/record/record';
import { sameAgain } from '@/core/record/sameAgain';
import { bothText } from '@/core/quantity/print';
import type { Chart, ChartVersion } from '@/core/targets/chart';
import type { Instrument } from '@/core/uncertainty/instrument';
import { faultsOf } from '@/files/schema';
import { createBuild, setRemoved } from '@/store/builds';
import { addChart, loadChart, saveChart, setChartRemoved, setStandard } from '@/store/charts';
import { loadBuild } from '@/store/log';
import { saveInstrument, setInstrumentRemoved } from '@/store/instruments';
import { database } from '@/store/store';
import { readChartVersion, readQuick } from '@/ui/quick/ask';
import type { Job } from '@/core/job/job';
import { chartSchema } from '@/files/shapes/targets';
import { instrumentSchema } from '@/files/shapes/instrument';
import { jobSchema } from '@/files/shapes/job';

export type Begun = { ok: true; id: string } | { ok: false; faults: string[] };

const initials = z.string().max(12);
const versionSchema = z.strictObject({ id: z.string().max(64), version: z.int() });
const idsSchema = z.array(z.string().max(64)).max(100);

/** The id a page made for what it begins, so that sending it twice begins one. */
const idFor = (id: string): string => (z.uuid().safeParse(id).success ? id : randomUUID());

/** What a new build is set with: a version of a chart, or what was chosen in an earlier build, by its id. */
export type BeginWith = { chart: ChartVersion } | { build: string };
const beginWithSchema: z.ZodType<BeginWith> = z.union([
  z.strictObject({ chart: versionSchema }),
  z.strictObject({ build: z.string().max(64) }),
]);

/** The choices that a build begins with, or why it cannot. */
async function choicesFor(
  with_: BeginWith,
  units: Units,
  stamp: { at: string; by: string },
): Promise<Entry[] | string> {
  const db = await database();
  if ('build' in with_) {
    const earlier = await loadBuild(db, with_.build);
    return earlier ? sameAgain(earlier.record, stamp) : 'The earlier build is not there any more. Begin without it.';
  }
  const chart = await loadChart(db, with_.chart.id, with_.chart.version);
  return chart
    ? firstChoices(chart, units, stamp)
    : 'The chart is not there any more. Load the page again and choose another.';
}

/** A new build with its job card and what it is set with. Sending the same id twice begins one build. */
export async function beginBuild(id: string, job: Job, by: string, beginWith: BeginWith): Promise<Begun> {
  const parsed = jobSchema.safeParse(job);
  if (!parsed.success) return { ok: false, faults: faultsOf(parsed.error) };
  const stamp = { at: new Date().toISOString(), by: initials.parse(by) };
  const choices = await choicesFor(beginWithSchema.parse(beginWith), parsed.data.units, stamp);
  if (typeof choices === 'string') return { ok: false, faults: [choices] };
  const record = {
    id: idFor(id),
    entries: [{ ...stamp, id: 'job-1', kind: 'job' as const, replaces: null, value: parsed.data }, ...choices],
  };
  await createBuild(await database(), record);
  return { ok: true, id: record.id };
}

/** A build begun with what a Quick gap address says; its name tells the bore until someone gives it another. Sending the same id twice begins one build. */
export async function beginQuick(id: string, query: string, by: string): Promise<Begun> {
  const params = Object.fromEntries(new URLSearchParams(z.string().max(2_000).parse(query)));
  const ask = readQuick(params);
  const version = readChartVersion(params.chart);
  const db = await database();
  const chart = version && (await loadChart(db, version.id, version.version));
  if (!chart)
    return { ok: false, faults: ['The chart is not there any more. Load the page again and choose another.'] };
  const name = ask.bore === null ? 'From Quick gap' : `From Quick gap, ${bothText(ask.bore, 'size', ask.units)}`;
  const record = quickRecord(ask, chart, idFor(id), name, { at: new Date().toISOString(), by: initials.parse(by) });
  await createBuild(db, record);
  return { ok: true, id: record.id };
}

/** A trial on a small invented engine; the id of its build. */
export async function beginTrial(): Promise<string> {
  const record = trialRecord(randomUUID(), 'imperial', { at: new Date().toISOString(), by: '' });
  await createBuild(await database(), record);
  return record.id;
}

/** Takes builds off the shelf. */
export async function removeBuilds(ids: string[]): Promise<void> {
  await setRemoved(await database(), idsSchema.parse(ids), true);
  revalidatePath('/');
}

/** Puts builds back on the shelf. */
export async function restoreBuilds(ids: string[]): Promise<void> {
  await setRemoved(await database(), idsSchema.parse(ids), false);
  revalidatePath('/');
}

export type ChartSaved = { ok: true; chart: Chart } | { ok: false; faults: string[]; latest: Chart | null };

/** Saves a chart as its next version, unless someone else did so meanwhile: theirs comes back then. */
export async function saveChartVersion(chart: Chart, over: number, by: string): Promise<ChartSaved> {
  const parsed = chartSchema.safeParse(chart);
  if (!parsed.success) return { ok: false, faults: faultsOf(parsed.error), latest: null };
  const saved = await saveChart(await database(), parsed.data, z.int().parse(over), initials.parse(by));
  if (saved.ok) return saved;
  return { ok: false, faults: ['Someone else saved a version of this chart meanwhile.'], latest: saved.latest };
}

/** A copy of a version of a chart, under a name of its own. */
export async function copyChart(
  version: ChartVersion,
  name: string,
  by: string,
): Promise<{ ok: true; id: string } | { ok: false; faults: string[] }> {
  const { id, version: number } = versionSchema.parse(version);
  const db = await database();
  const original = await loadChart(db, id, number);
  if (!original) return { ok: false, faults: ['The chart is not there any more.'] };
  const parsed = chartSchema.safeParse({ ...original, name: z.string().parse(name).trim() });
  if (!parsed.success) return { ok: false, faults: faultsOf(parsed.error) };
  const copy = await addChart(db, randomUUID(), parsed.data, initials.parse(by), {
    id,
    version: number,
    name: original.name,
  });
  revalidatePath('/charts');
  return { ok: true, id: copy.id };
}

/** Puts a chart away, or takes it out again. */
export async function putChartAway(id: string, away: boolean): Promise<void> {
  await setChartRemoved(await database(), z.string().max(64).parse(id), z.boolean().parse(away));
  revalidatePath('/charts');
}

/** Makes new builds begin with a chart. */
export async function makeStandard(id: string): Promise<void> {
  await setStandard(await database(), z.string().max(64).parse(id));
  revalidatePath('/charts');
}

/** Saves a tool as its next version, unless someone else did so meanwhile. */
export async function saveTool(
  instrument: Instrument,
  over: number,
): Promise<{ ok: true } | { ok: false; faults: string[] }> {
  const parsed = instrumentSchema.safeParse({ ...instrument, version: Math.max(1, instrument.version) });
  if (!parsed.success) return { ok: false, faults: faultsOf(parsed.error) };
  const saved = await saveInstrument(await database(), parsed.data, z.int().parse(over));
  revalidatePath('/instruments');
  return saved.ok
    ? { ok: true }
    : { ok: false, faults: ['Someone else changed this tool meanwhile. Theirs is shown once this is closed.'] };
}

/** Puts a tool away, or takes it out again. */
export async function putToolAway(id: string, away: boolean): Promise<void> {
  await setInstrumentRemoved(await database(), z.string().max(64).parse(id), z.boolean().parse(away));
  revalidatePath('/instruments');
}
