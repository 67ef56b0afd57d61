/**
 * The build file: one engine as JSON, described field by field in docs/build-file.md.
 */
import { z } from 'zod';
import { bobweightsOf } from '@/core/stages/assembly/weights/bobweight';
import { weightsOf } from '@/core/stages/assembly/weights/weights';
import { torqueRecordOf } from '@/core/stages/assembly/torque/torqueRecord';
import { rotatingTorqueOf } from '@/core/stages/assembly/rotating/rotatingTorque';
import { shortBlockOf } from '@/core/judge/shortBlock';
import { blockStepsIn } from '@/core/stages/assembly/engineSteps';
import { judge } from '@/core/judge/judge';
import { type BuildRecord, type Entry, acceptedAt, isVoidable, lastOf } from '@/core/judge/buildRecord';
import { SUBJECTS } from '@/core/judge/stageTables';
import { sizeFault } from '@/core/foundation/quantity/readingField';
import type { JudgedRing } from '@/core/stages/rings/ringGap';
import { finishOrdersOf, sizePlanOf } from '@/core/stages/pistons/oversize';
import { comparisonsOf } from '@/core/stages/targets/compare';
import { type Message, messageText } from '@/core/foundation/quantity/message';
import { atMost, cutFaults, entrySchema, faultsOf } from './schema';
import type { JudgedCylinder, Judgement } from '@/core/judge/judgement';
import type { LoggedReading } from '@/core/record/reading';
import type { JudgedPiston } from '@/core/stages/pistons/pistonSize';
import { isTooDeep } from './depth';
import { buildIdSchema } from './shapes/parts';

export const FILE_FORMAT = 'spatium-build';
const FILE_VERSION = 16;
/** Older versions that are read too: what they lack is filled in. */
const READ_VERSIONS = Array.from({ length: FILE_VERSION }, (_, i) => i + 1);
/** As many entries as a file holds; and bytes, which no such file comes to. */
export const MOST_ENTRIES = 50_000;
export const MOST_BYTES = 64 * 1024 * 1024;

const fileSchema = z.strictObject({
  format: z.literal(FILE_FORMAT),
  version: z.literal(READ_VERSIONS),
  record: z.strictObject({
    id: buildIdSchema,
    entries: atMost(MOST_ENTRIES, entrySchema, `at most ${MOST_ENTRIES} entries`),
  }),
  judged: z.unknown().optional(),
});

export interface BuildFile {
  format: typeof FILE_FORMAT;
  version: typeof FILE_VERSION;
  record: BuildRecord;
  judged: unknown;
}

const isSaying = (value: unknown): value is Message =>
  Array.isArray(value) &&
  value.length > 0 &&
  value.every((p) => typeof p === 'string' || (typeof p === 'object' && p !== null && 'nm' in p && 'as' in p)) &&
  value.some((p) => typeof p !== 'string');

/** Sentences become text in the shop's units, so that the file needs no knowledge of how they are held. */
function flattened(value: unknown, units: 'imperial' | 'metric'): unknown {
  if (isSaying(value)) return messageText(value, units);
  if (Array.isArray(value)) return value.map((v) => flattened(v, units));
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, v]) => [
      key,
      key === 'says' && Array.isArray(v) ? messageText(v as Message, units) : flattened(v, units),
    ]),
  );
}

const idsOf = (passes: readonly LoggedReading[]): string[] => passes.filter((p) => p.voided === null).map((p) => p.id);

function without<T extends object, K extends keyof T>(all: T, left: readonly K[]): Omit<T, K> {
  return Object.fromEntries(Object.entries(all).filter(([key]) => !left.some((k) => k === key))) as Omit<T, K>;
}

function pistonPart({ id, label, passes, size, read, outlier, pin, round }: JudgedPiston): unknown {
  return { id, label, readings: idsOf(passes), size, read, outlier, pin: pin.clearance, round };
}

/** Of a ring: what it is called and where it stands are told by its place in the file. */
const RING_NOT_CARRIED = [
  ...(['ring', 'label', 'history', 'round', 'step', 'repeats', 'passes'] as const),
  ...(['grace', 'overChance', 'acceptId', 'held', 'lapsed'] as const),
];

const ringPart = (ring: JudgedRing): unknown => ({
  ...without(ring, RING_NOT_CARRIED),
  reading: ring.reading?.id ?? null,
});

function cylinderPart({ bore, piston, clearance, rings, grooves, ...others }: JudgedCylinder): unknown {
  const { spots, size, mean, shape, asFound, verdict, accepted, done, round, read, total, repeatability } = bore;
  const { strip, ...cleared } = clearance;
  return {
    ...without(others, ['targets']),
    bore: {
      ...{ size, mean, shape, asFound, verdict, accepted, done, round, read, total, repeatability },
      spots: spots.map(({ passes, ...spot }) => ({ ...spot, readings: idsOf(passes) })),
    },
    piston: piston.id,
    clearance: { ...cleared, strip: strip.check },
    rings: Object.fromEntries(Object.entries(rings).map(([name, ring]) => [name, ringPart(ring)])),
    grooves: grooves.grooves,
  };
}

/** What stands in the record already, or is worked out on the way. */
const NOT_CARRIED = [
  'id',
  'log',
  'labels',
  'choices',
  'tasks',
  'ringRoute',
  'places',
  'rods',
  'strays',
  'targetSettings',
  'piston',
  'clockingChosen',
] as const satisfies readonly (keyof Judgement)[];

/** Masses as judged, and the bobweights, or why there are none. */
function massesPart(judgement: Judgement): unknown {
  const { weighed, ...masses } = weightsOf(judgement);
  return { ...masses, weighed: [...weighed.values()], bobweights: bobweightsOf(judgement) };
}

/** What the file carries of a judgement: everything but the readings, which stand in the record already. */
function judgedPart(judgement: Judgement): unknown {
  const { job, cylinders, pistons, pairing, placing, ...others } = judgement;
  const part = {
    ...without(others, NOT_CARRIED),
    findings: judgement.findings,
    cylinders: cylinders.map(cylinderPart),
    pistons: pistons.map(pistonPart),
    pairing: pairing.standing,
    placing: { top: placing.top.standing, second: placing.second.standing },
    comparisons: comparisonsOf(judgement),
    plan: sizePlanOf(judgement),
    orders: finishOrdersOf(judgement),
    shortBlock: shortBlockOf(judgement),
    blockSteps: blockStepsIn(judgement),
    masses: massesPart(judgement),
    fasteners: torqueRecordOf(judgement, judgement.cylinders),
    turning: rotatingTorqueOf(judgement, []),
  };
  return flattened(part, job?.units ?? 'metric');
}

/** The file of a record, its results worked out afresh. */
export function writeBuildFile(record: BuildRecord): BuildFile {
  return { ...bareBuildFile(record), judged: judgedPart(judge(record)) };
}

/** The file of a record without its results: a reader works them out anyway. */
export const bareBuildFile = (record: BuildRecord): Omit<BuildFile, 'judged'> => ({
  ...{ format: FILE_FORMAT, version: FILE_VERSION, record },
});

export type FileRead = { ok: true; record: BuildRecord } | { ok: false; faults: string[] };

const refused = (...faults: string[]): FileRead => ({ ok: false, faults: cutFaults(faults) });

/** What cannot be seen in one entry alone: ids used twice, voids of nothing, sizes that cannot be, no job card. */
function crossFaults(entries: Entry[]): string[] {
  const seen = new Map<string, Entry>();
  const faults: string[] = [];
  const bore = lastOf(entries, 'job')?.value.plannedBore ?? null;
  entries.forEach((entry, i) => {
    const where = `record.entries.${i}`;
    if (seen.has(entry.id)) faults.push(`${where}: the id ${entry.id} is used twice`);
    if (entry.kind === 'void') {
      const target = seen.get(entry.of);
      if (!target) faults.push(`${where}: it voids ${entry.of}, which no earlier entry is called`);
      else if (!isVoidable(target))
        faults.push(
          `${where}: only what was read, cut, answered, accepted, checked, pinned, renewed, weighed, tightened or turned can be voided, not a ${target.kind} entry`,
        );
    }
    if (entry.kind === 'reading' && entry.zero !== null) {
      const zero = seen.get(entry.zero);
      if (zero?.kind !== 'setting' || zero.to !== 'here')
        faults.push(`${where}: it counts from ${entry.zero}, which is no earlier zero in a bore`);
    }
    if (entry.kind === 'reading' && entry.zero === null) {
      const wrong = sizeFault(SUBJECTS[entry.subject].field, entry.value, bore);
      if (wrong) faults.push(`${where}.value: ${wrong}`);
    }
    if (entry.kind === 'accepted' && seen.get(entry.of)?.kind !== acceptedAt(entry.what))
      faults.push(`${where}: it accepts ${entry.of}, which is no earlier reading`);
    if (entry.kind === 'filed' && seen.get(entry.of)?.kind !== 'reading')
      faults.push(`${where}: it answers for ${entry.of}, which is no earlier reading`);
    seen.set(entry.id, entry);
  });
  if (!entries.some((e) => e.kind === 'job')) faults.push('record.entries: there is no job card among them');
  return faults;
}

/**
 * The record in a build file's text, or everything that is wrong with it. Results in the file are not
 * trusted: they are worked out again from the record.
 */
export function readBuildFile(textOfFile: string): FileRead {
  if (textOfFile.length > MOST_BYTES) return refused(`The file is larger than ${MOST_BYTES / 1024 / 1024} MB.`);
  if (isTooDeep(textOfFile)) return refused('The file is nested deeper than any build file is.');
  let json: unknown;
  try {
    json = JSON.parse(textOfFile);
  } catch (error) {
    return refused(
      `The file is not JSON, or it was cut short: ${error instanceof Error ? error.message : 'unreadable'}.`,
    );
  }
  const head = z.looseObject({ format: z.unknown(), version: z.unknown() }).safeParse(json);
  if (!head.success || head.data.format !== FILE_FORMAT)
    return refused(`This is not a Spatium build file: "format" is not "${FILE_FORMAT}".`);
  if (!READ_VERSIONS.some((v) => v === head.data.version))
    return refused(
      `The file is of version ${JSON.stringify(head.data.version)}; this program reads versions ${READ_VERSIONS[0]} to ${FILE_VERSION}.`,
    );
  const parsed = fileSchema.safeParse(json);
  if (!parsed.success) return refused(...faultsOf(parsed.error));
  const faults = crossFaults(parsed.data.record.entries);
  if (faults.length > 0) return refused(...faults);
  const strays = judge(parsed.data.record).strays;
  if (strays.length > 0)
    return refused(...strays.map((s) => `reading ${s.id}: this engine has no cylinder at ${s.cylinder}`));
  return { ok: true, record: parsed.data.record };
}
