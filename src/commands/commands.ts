/**
 * What is asked of the server beyond reading and appending: each by name, with what it takes.
 * `POST /api/commands/NAME` with its arguments as a JSON list; who may stands in `src/people/permissions.ts`.
 */
import { basename } from 'node:path';
import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { quickRecord } from '@/core/judge/quickGap';
import { trialRecord } from '@/core/judge/trial';
import { isTrial } from '@/core/judge/trialId';
import type { Units } from '@/core/foundation/quantity/length';
import { firstChoices } from '@/core/judge/firstChoices';
import type { Entry } from '@/core/judge/buildRecord';
import { sameAgain } from '@/core/judge/copyBuild';
import { bothText } from '@/core/foundation/quantity/format';
import type { Chart, ChartVersion } from '@/core/models/charts/chart';
import { MOST_CHART_BYTES } from '@/files/chartFile';
import { chartSchema } from '@/files/shapes/targets';
import { instrumentSchema } from '@/files/shapes/instrument';
import { jobSchema } from '@/files/shapes/job';
import { backUpNow } from '@/server/backupSchedule';
import { createBuild, setRemoved } from '@/store/builds';
import { addChart, loadChart, saveChart, setChartRemoved, setStandard } from '@/store/charts';
import { loadBuild } from '@/store/log';
import { saveInstrument, setInstrumentRemoved } from '@/store/instruments';
import type { Database } from '@/store/open';
import { readChartVersion, readQuick } from '@/files/quickGapUrlParams';
import type { CommandName } from '@/people/permissions';
import { type Command, type AuditNote, command } from './command';
import { PEOPLE_COMMANDS } from './peopleCommands';

export type Begun = { ok: true; id: string } | { ok: false; faults: string[] };
export type Saved = { ok: true } | { ok: false; faults: string[] };

const idSchema = z.string().min(1).max(64);
const versionSchema = z.strictObject({ id: z.string().max(64), version: z.int() });
const idsSchema = z.array(idSchema).max(100);
const nameSchema = z.string().trim().min(1).max(80);
const versionNumber = z.int().nonnegative();

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
  db: Database,
  with_: BeginWith,
  units: Units,
  stamp: { at: string; by: string },
): Promise<Entry[] | string> {
  if ('build' in with_) {
    const earlier = await loadBuild(db, with_.build);
    return earlier ? sameAgain(earlier.record, stamp) : 'The earlier build is not there any more. Begin without it.';
  }
  const chart = await loadChart(db, with_.chart.id, with_.chart.version);
  return chart ? firstChoices(chart, units, stamp) : NO_CHART;
}

const NO_CHART = 'The chart is not there any more. Load the page again and choose another.';

export type ChartSaved = { ok: true; chart: Chart } | { ok: false; faults: string[]; latest: Chart | null };

/** A tool that is new has no version yet; it is saved as the first. */
const savedToolSchema = z.preprocess(
  (tool) =>
    typeof tool === 'object' && tool !== null && 'version' in tool && tool.version === 0
      ? { ...tool, version: 1 }
      : tool,
  instrumentSchema,
);

const putAway = (_: unknown, of: string, isAway: boolean): AuditNote => ({
  of,
  says: isAway ? 'Archived' : 'Restored',
});

export const COMMANDS = {
  /** A new build with its job card and what it is set with. Sending the same id twice begins one build. */
  beginBuild: command(
    [idSchema, jobSchema, beginWithSchema],
    async ({ db, by }, id, job, beginWith): Promise<Begun> => {
      const stamp = { at: new Date().toISOString(), by };
      const choices = await choicesFor(db, beginWith, job.units, stamp);
      if (typeof choices === 'string') return { ok: false, faults: [choices] };
      const record = {
        id: idFor(id),
        entries: [{ ...stamp, id: 'job-1', kind: 'job' as const, replaces: null, value: job }, ...choices],
      };
      await createBuild(db, record);
      return { ok: true, id: record.id };
    },
  ),

  /**
   * A build begun with what a Quick gap address says; its name tells the bore until someone gives it another. Sending
   * the same id twice begins one build.
   */
  beginQuick: command([idSchema, z.string().max(2_000)], async ({ db, by }, id, query): Promise<Begun> => {
    const params = Object.fromEntries(new URLSearchParams(query));
    const ask = readQuick(params);
    const version = readChartVersion(params.chart);
    const chart = version && (await loadChart(db, version.id, version.version));
    if (!chart) return { ok: false, faults: [NO_CHART] };
    const name = ask.bore === null ? 'From Quick gap' : `From Quick gap, ${bothText(ask.bore, 'size', ask.units)}`;
    const record = quickRecord(ask, chart, idFor(id), name, { at: new Date().toISOString(), by });
    await createBuild(db, record);
    return { ok: true, id: record.id };
  }),

  /** A trial on a small invented engine; the id of its build. */
  beginTrial: command([], async ({ db }): Promise<string> => {
    const record = trialRecord(randomUUID(), 'imperial', { at: new Date().toISOString(), by: '' });
    await createBuild(db, record);
    return record.id;
  }),

  /** Throws a trial away: takes it off the shelf, and nothing that is none. */
  endTrial: command([idSchema.refine(isTrial, 'That is no trial.')], ({ db }, id) => setRemoved(db, [id], true)),

  /** Takes builds off the shelf. */
  removeBuilds: command(
    [idsSchema],
    ({ db }, ids) => setRemoved(db, ids, true),
    (_, ids) => ({ of: ids.join(' '), says: 'Archived' }),
  ),

  /** Puts builds back on the shelf. */
  restoreBuilds: command(
    [idsSchema],
    ({ db }, ids) => setRemoved(db, ids, false),
    (_, ids) => ({ of: ids.join(' '), says: 'Restored' }),
  ),

  /** Saves a chart as its next version, unless someone else did so meanwhile: theirs comes back then. */
  saveChartVersion: command(
    [chartSchema, versionNumber],
    async ({ db, by }, chart, over): Promise<ChartSaved> => {
      const saved = await saveChart(db, chart, over, by);
      if (saved.ok) return saved;
      return { ok: false, faults: ['Someone else saved a version of this chart meanwhile.'], latest: saved.latest };
    },
    (saved) =>
      saved.ok ? { of: saved.chart.id, says: `${saved.chart.name}, version ${saved.chart.version} saved` } : null,
    MOST_CHART_BYTES,
  ),

  /** A copy of a version of a chart, under a name of its own. */
  copyChart: command(
    [versionSchema, nameSchema],
    async ({ db, by }, { id, version }, name): Promise<Begun> => {
      const original = await loadChart(db, id, version);
      if (!original) return { ok: false, faults: ['The chart is not there any more.'] };
      const copy = await addChart(db, randomUUID(), { ...original, name }, by, { id, version, name: original.name });
      return { ok: true, id: copy.id };
    },
    (made, { id, version }, name) =>
      made.ok ? { of: made.id, says: `${name}, copied from ${id}, version ${version}` } : null,
  ),

  /** Puts a chart away, or takes it out again. */
  putChartAway: command([idSchema, z.boolean()], ({ db }, id, isAway) => setChartRemoved(db, id, isAway), putAway),

  /** Makes new builds begin with a chart. */
  makeStandard: command(
    [idSchema],
    ({ db }, id) => setStandard(db, id),
    (_, id) => ({ of: id, says: 'New builds begin with this chart' }),
  ),

  /** Saves a tool as its next version, unless someone else did so meanwhile. */
  saveTool: command(
    [savedToolSchema, versionNumber],
    async ({ db }, instrument, over): Promise<Saved> => {
      const saved = await saveInstrument(db, instrument, over);
      return saved.ok
        ? { ok: true }
        : { ok: false, faults: ['Someone else changed this tool meanwhile. Theirs is shown once this is closed.'] };
    },
    (saved, { id, name }, over) => (saved.ok ? { of: id, says: `${name}, version ${over + 1} saved` } : null),
  ),

  /** Puts a tool away, or takes it out again. */
  putToolAway: command([idSchema, z.boolean()], ({ db }, id, isAway) => setInstrumentRemoved(db, id, isAway), putAway),

  /** A backup, now. */
  copyNow: command(
    [],
    // where it lies on the server is nothing for a browser
    async (): Promise<string> => `Made ${basename(await backUpNow())}`,
    (says) => ({ of: '', says: `Backup: ${says}` }),
  ),

  ...PEOPLE_COMMANDS,
} satisfies Record<CommandName, Command>;

export type Commands = typeof COMMANDS;
