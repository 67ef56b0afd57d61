/**
 * judge(): the one place where everything is worked out. Pure and total: any BuildRecord gives a
 * Judgement, and screens, sheet, files and tests all read that one result.
 *
 * incrementalJudge() gives the same, faster: it keeps what a new entry leaves as it was.
 */
import { forwardBankOf } from '../foundation/engine/crankcase';
import { type Cylinder, cylindersOf } from '../foundation/engine/engine';
import type { Job } from '../record/jobCard';
import type { Log } from '../record/log';
import type { BuildRecord, Entry } from './buildRecord';
import type { Renewal } from '../record/reading';
import type { Finding } from '../stages/contract/finding';
import { type Memo, ENGINE, noMemo, createMemo } from '../stages/contract/memo';
import type { EngineContext, Progress } from '../stages/contract/stage';
import type { ChoiceKind, Choices, StageId } from './registry';
import { CHOICE_KINDS, JUDGING_ORDER, STAGE_IDS, STARTING, covers, stageOf } from './stageTables';
import { allFindings } from './allFindings';
import { logOf, logWith } from './fold';
import { isAgainst, lackingOf } from './ready';
import { type AskedStage, type JudgedCylinder, type Judgement, type StageProgress, asked } from './judgement';

/** What was chosen, and where nobody chose what holds at first. */
function choicesOf({ choices }: Log, memo: Memo): Choices {
  const units = (choices.get('job')?.value as Job | undefined)?.units ?? 'metric';
  const chosen = CHOICE_KINDS.map((kind) => choices.get(kind)?.value);
  return memo('choices', ENGINE, [units, ...chosen], () => {
    const values = CHOICE_KINDS.map((kind): [ChoiceKind, unknown] => [
      kind,
      choices.get(kind)?.value ?? STARTING[kind](units),
    ]);
    return Object.fromEntries(values) as unknown as Choices;
  });
}

const NO_RENEWALS: readonly Renewal[] = [];

/** The cylinders before any stage has judged them. */
function cylindersIn({ renewals }: Log, { job, clocking }: Choices, memo: Memo): Cylinder[] {
  if (!job) return [];
  const { engine } = job;
  const bare = memo('cylinders', ENGINE, [engine, clocking.rods], () =>
    cylindersOf(engine, forwardBankOf(engine, clocking.rods)),
  );
  return bare.map((cylinder) => {
    const own = renewals.get(cylinder.id) ?? NO_RENEWALS;
    return memo('cylinder', cylinder.id, [cylinder, own], () => ({ ...cylinder, renewals: own }));
  });
}

interface Found {
  engine: EngineContext<Choices>;
  cylinders: Cylinder[];
}

/** What is found with one stage more. A cylinder that it finds nothing new of stays the same object. */
function withStage({ engine, cylinders }: Found, id: StageId, memo: Memo): Found {
  const found = stageOf(id).judge(engine as never, cylinders as never[], memo);
  const what = `with ${id}`;
  return {
    engine: { ...engine, ...found.engine },
    cylinders: cylinders.map((cylinder) => {
      const part = found.cylinders.get(cylinder.id);
      return part ? memo(what, cylinder.id, [cylinder, part], () => ({ ...cylinder, ...part })) : cylinder;
    }),
  };
}

/** A cylinder with whether it is ready: by what was found of it, what was chosen, and the findings that stand against it. */
function withReady(
  cylinder: Cylinder,
  engine: Found['engine'],
  findings: readonly Finding<StageId>[],
  memo: Memo,
): JudgedCylinder {
  const against = findings.filter((f) => isAgainst(f, cylinder.id));
  // findings are new objects each time: what they say is what counts
  const said = JSON.stringify(against.map(({ stage, says }) => [stage, says]));
  return memo('ready', cylinder.id, [cylinder, engine.choices, said], () => {
    const missing = lackingOf(engine as Judgement, cylinder as JudgedCylinder, against);
    return { ...(cylinder as JudgedCylinder), ready: { is: missing.length === 0, missing } };
  });
}

const NOTHING_ASKED: Progress = { done: 0, total: 0 };

/**
 * Progress less what a stop, or a fix on a cylinder or a part, leaves open: all done beside one of them is not all
 * done. What was not asked for and is open all the same is counted.
 */
function lessOpen({ done, total }: Progress, stage: StageId, findings: readonly Finding<StageId>[]): Progress {
  const open = new Set(
    findings.flatMap((f) =>
      f.stage === stage && (f.severity === 'stop' || (f.severity === 'mend' && f.cylinder !== null))
        ? [f.cylinder]
        : [],
    ),
  ).size;
  return total === 0 ? { done: 0, total: open } : { done: Math.max(0, Math.min(done, total - open)), total };
}

function judgementOf(id: string, log: Log, memo: Memo): Judgement {
  const choices = choicesOf(log, memo);
  const bare = cylindersIn(log, choices, memo);
  const labels = memo('labels', ENGINE, bare, () => new Map(bare.map((c) => [c.id, c.label])));
  const begun: Found = { engine: { id, job: choices.job, choices, log, labels }, cylinders: bare };
  const judged = JUDGING_ORDER.reduce((found, stage) => withStage(found, stage, memo), begun);
  const { engine } = judged;
  const asks = (stage: StageId): boolean => covers(choices.job, stage);
  const ofAll = <T>(ask: (stage: AskedStage, id: StageId) => T): T[] =>
    STAGE_IDS.map((stage) => ask(asked(stage), stage));
  const whole = engine as Judgement;
  const places = memo('places', ENGINE, [...ofAll((stage) => stage.places(whole)).flat()], () =>
    ofAll((stage) => stage.places(whole)).flat(),
  );
  const findings = allFindings(whole, judged.cylinders as JudgedCylinder[], places);
  const cylinders = judged.cylinders.map((c) => withReady(c, engine, findings, memo));
  const stages = ofAll((stage, name): StageProgress => ({
    stage: name,
    ...lessOpen(asks(name) ? stage.progress(whole, cylinders) : NOTHING_ASKED, name, findings),
  }));
  const sum = (figure: 'done' | 'total'): number => stages.reduce((n, s) => n + s[figure], 0);
  return {
    ...whole,
    cylinders,
    places,
    findings,
    stages,
    progress: { done: sum('done'), total: sum('total') },
    tasks: Object.assign({}, ...ofAll((stage) => stage.lists(whole, cylinders))) as Judgement['tasks'],
    ringRoute: choices.bench.route,
  };
}

/**
 * Everything that follows from a record: targets, sizes, clearances, verdicts, what is next.
 *
 * Total: never throws for a well-formed record, whatever is missing from it. O(entries + cylinders).
 *
 * @example
 *   [judge({ id: 'new', entries: [] }), judge(demoRecord)].map((j) => j.progress)
 *   // [ { done: 0, total: 8 }, { done: 34, total: 51 } ]
 */
export const judge = (record: BuildRecord): Judgement => judgementOf(record.id, logOf(record.entries), noMemo);

/** Whether a list of entries begins with all of another, the very same ones. */
function extendsBy(longer: readonly Entry[], shorter: readonly Entry[]): boolean {
  if (shorter.length > longer.length) return false;
  for (let i = shorter.length - 1; i >= 0; i -= 1) if (shorter[i] !== longer[i]) return false;
  return true;
}

/** With more new entries than this the log is made anew: that costs less than laying them in one by one. */
const FEW = 20;

/** The log of some entries, from that of the first of them. */
function logFrom(log: Log, before: readonly Entry[], entries: readonly Entry[]): Log {
  if (entries.length - before.length > FEW) return logOf(entries);
  let grown = log;
  for (let i = before.length; i < entries.length; i += 1) {
    const entry = entries[i];
    const next = entry ? logWith(grown, entry, entries.slice(0, i)) : grown;
    if (!next) return logOf(entries);
    grown = next;
  }
  return grown;
}

/** A judge that keeps what did not change, for one build at a time. */
export interface IncrementalJudge {
  /** What `judge` gives. The same record gives the same object. */
  of: (record: BuildRecord) => Judgement;
  /** What `judge` gives of the record with entries more that are not made yet; what is kept stays that of the record. */
  preview: (record: BuildRecord, more: readonly Entry[]) => Judgement;
}

/**
 * Each call costs what the new entries change. Gives what `judge` gives, whatever it was asked before.
 *
 * @example incrementalJudge().of(record).cylinders.length // 16
 */
export function incrementalJudge(): IncrementalJudge {
  const memo = createMemo();
  let last: { entries: readonly Entry[]; log: Log } = { entries: [], log: logOf([]) };
  let judged: Judgement | null = null;
  const logFor = (entries: readonly Entry[]): Log => {
    const grows = extendsBy(entries, last.entries);
    if (grows && entries.length === last.entries.length) return last.log;
    last = { entries, log: grows ? logFrom(last.log, last.entries, entries) : logOf(entries) };
    return last.log;
  };
  return {
    of: ({ id, entries }) => {
      const log = logFor(entries);
      if (judged?.log !== log || judged.id !== id) judged = judgementOf(id, log, memo);
      return judged;
    },
    preview: ({ id, entries }, more) => {
      const log = logFor(entries);
      return judgementOf(id, logFrom(log, entries, [...entries, ...more]), memo);
    },
  };
}
