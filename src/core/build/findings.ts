/**
 * Findings: what the fitter should know about the record as it stands, worst first.
 */
import type { Nm } from '../quantity/length';
import { type Saying, clear, fine, say, size } from '../quantity/saying';
import { type Ring, RING_WORDS } from '../ring/ring';
import { type Target, type TargetChoices, oldRuleGap } from '../targets/target';
import type { JudgedCylinder, LoggedReading, Spread, StandardTargets } from './judge';
import type { Job } from './record';
import type { Stage } from './work';

/** `stop` can cost the engine; `mend` is out of its limits or contradicts itself; `note` is worth knowing. */
export type Severity = 'stop' | 'mend' | 'note';

export interface Finding {
  severity: Severity;
  stage: Stage;
  /** The cylinder it is about, or null for the engine. */
  cylinder: string | null;
  says: Saying;
}

/** Gaps of one kind should lie within 2 thou of each other. Common practice, no source. */
export const SPREAD_LIMIT: Nm = 50_800;
/** A measured bore this far from the plan is worth a look: 0.25 mm. From memory. */
const OFF_PLAN: Nm = 250_000;

interface Input {
  job: Job | null;
  targets: TargetChoices;
  standard: StandardTargets | null;
  cylinders: JudgedCylinder[];
  spreads: Spread[];
  strays: LoggedReading[];
}

const about = (severity: Severity, stage: Stage, cylinder: string | null, says: Saying): Finding => ({ severity, stage, cylinder, says });

function jobFindings({ job, strays }: Input): Finding[] {
  if (!job) return [about('note', 'job', null, say`Fill in the job card to begin.`)];
  const out: Finding[] = [];
  if (job.construction === null)
    out.push(about('mend', 'job', null, say`How the piston is made is not said. It decides the gap as much as the duty does: a high-ring piston needs nearly double.`));
  if (job.duty === null) out.push(about('mend', 'job', null, say`What the engine is for is not said: no chart figure without it.`));
  if (job.plannedBore === null) out.push(about('note', 'job', null, say`No planned bore yet: targets wait for the measured bores.`));
  if (strays.length > 0)
    out.push(about('mend', 'job', null, say`${strays.length} readings are of cylinders this engine has not got (${[...new Set(strays.map((s) => s.cylinder))].join(', ')}). They are kept.`));
  return out;
}

function paperUnderChart(name: string, target: Target): Finding[] {
  if (!target.set || target.inForce.rank === 'chart') return [];
  const chart = target.outranked.find((c) => c.rank === 'chart');
  if (!chart || chart.min <= target.inForce.min) return [];
  return [
    about('note', 'targets', null, say`The ${target.inForce.rank}'s ${name} minimum of ${fine(target.inForce.min)} is under the chart's ${fine(chart.min)}. The ${target.inForce.rank} holds: check that it is for these parts and this duty.`),
  ];
}

function targetFindings(input: Input): Finding[] {
  const { job, targets, standard } = input;
  if (!job || !standard) return [];
  const { bore } = standard;
  const { top, second, clearance } = standard.targets;
  const out: Finding[] = [];
  if (job.construction !== null && job.duty !== null) {
    const asks = [top, second, clearance].flatMap((t) => (t.set ? [] : [t.ask]));
    out.push(...[...new Set(asks)].map((ask) => about('mend', 'targets', null, say`${ask}`)));
  }
  if (top.set && bore && job.construction === 'hypereutectic' && top.inForce.rank === 'chart')
    out.push(about('mend', 'targets', null, say`A hypereutectic piston may carry its top ring close to the crown, where it runs far hotter: ${fine(top.inForce.min)} here, where the old 0.004 rule would say ${fine(oldRuleGap(bore, targets.feelerStep))}. Gapped by the old rule the ends meet and the engine is lost. Confirm it with the piston’s sheet.`));
  if (top.set && second.set && second.inForce.min < top.inForce.min && targets.secondSchool === 'larger' && second.inForce.rank === 'chart')
    out.push(about('mend', 'targets', null, say`The second ring's ${fine(second.inForce.min)} is under the top ring's ${fine(top.inForce.min)}: gas could be trapped between them.`));
  if (top.set && second.set && second.inForce.min < top.inForce.min && (second.inForce.rank === 'sheet' || second.inForce.rank === 'manual'))
    out.push(about('note', 'targets', null, say`The ${second.inForce.rank} asks for a second ring tighter than the top: ${fine(second.inForce.min)} against ${fine(top.inForce.min)}.`));
  if ([top, second, clearance].some((t) => t.set && t.inForce.rank === 'chart'))
    out.push(about('note', 'targets', null, say`Figures from the starting chart are from memory and not confirmed. The sheet packed with the parts comes first.`));
  out.push(...paperUnderChart('top ring', top), ...paperUnderChart('second ring', second), ...paperUnderChart('clearance', clearance));
  return out;
}

function sizeFindings(cylinder: JudgedCylinder, job: Job): Finding[] {
  const { clearance, bore, label, id } = cylinder;
  const at = (severity: Severity, says: Saying): Finding => about(severity, 'pistons', id, says);
  const out: Finding[] = [];
  if (bore.reading && job.plannedBore !== null && Math.abs(bore.reading.value - job.plannedBore) > OFF_PLAN)
    out.push(at('note', say`Cylinder ${label}: bore ${size(bore.reading.value)} is ${fine(Math.abs(bore.reading.value - job.plannedBore))} from the planned ${size(job.plannedBore)}.`));
  if (clearance.value === null) return out;
  if (clearance.value < 0) return [...out, at('stop', say`Cylinder ${label}: the piston reads ${clear(-clearance.value)} larger than its bore. Read both again.`)];
  if (!clearance.target.set) return out;
  const { min, limit } = clearance.target.inForce;
  if (clearance.state === 'tight') out.push(at('stop', say`Cylinder ${label}: clearance ${clear(clearance.value)} is under ${clear(min)}. Too tight, a piston scuffs and seizes: hone, or try another piston.`));
  if (clearance.state === 'over' && limit !== null) out.push(at('mend', say`Cylinder ${label}: clearance ${clear(clearance.value)} is over ${clear(limit)}. Too loose, a piston rocks and ruins the ring seal: try a larger piston.`));
  if (clearance.state === 'not proven')
    out.push(at('mend', say`Cylinder ${label}: clearance ${clear(clearance.value)} ± ${clear(clearance.uncertainty)} is too near a limit for the tools to prove. Read both again, with finer tools if there are any.`));
  return out;
}

function ringFindings(cylinder: JudgedCylinder, targets: TargetChoices): Finding[] {
  const { label, id, rings } = cylinder;
  const at = (severity: Severity, says: Saying): Finding => about(severity, 'rings', id, says);
  const out = Object.values(rings).flatMap((ring): Finding[] => {
    if (!ring.reading || !ring.target.set) return [];
    const name = `Cylinder ${label}, ${RING_WORDS[ring.ring as Ring]}`;
    const { min, limit } = ring.target.inForce;
    if (ring.state === 'short') return [at('stop', say`${name}: ${fine(ring.reading.value)} is under ${fine(min)}. The ends can meet when hot: file before it goes in.`)];
    if (ring.state === 'over' && limit !== null)
      return [at('mend', say`${name}: ${fine(ring.reading.value)} is over ${fine(limit)}. It may suit another cylinder, or another ring this one.`)];
    if (ring.state === 'not proven') return [at('mend', say`${name}: the bracket lies across a limit. Read it with the leaf in between.`)];
    return [];
  });
  const { top, second } = rings;
  const sheetSays = second.target.set && second.target.inForce.rank !== 'chart';
  if (targets.secondSchool === 'larger' && !sheetSays && top.reading && second.reading && second.reading.value < top.reading.value)
    out.push(at('mend', say`Cylinder ${label}: second ring ${fine(second.reading.value)} is tighter than the top, ${fine(top.reading.value)}. Gas could be trapped between them and lift the top ring.`));
  return out;
}

const clockingFindings = (cylinder: JudgedCylinder): Finding[] =>
  (cylinder.clocking?.rules ?? [])
    .filter((rule) => rule.verdict !== 'pass')
    .map((rule) => about(rule.verdict === 'fail' ? 'stop' : 'mend', 'clocking', cylinder.id, say`Cylinder ${cylinder.label}: ${rule.text}`));

const spreadFindings = (spreads: Spread[]): Finding[] =>
  spreads
    .filter((s) => (s.ring === 'top' || s.ring === 'second') && s.spread > SPREAD_LIMIT)
    .map((s) => about('note', 'rings', null, say`${RING_WORDS[s.ring]} gaps run from ${fine(s.least)} to ${fine(s.most)}: ${fine(s.spread)} apart. Even gaps matter more than the last half thou.`));

const ORDER: Record<Severity, number> = { stop: 0, mend: 1, note: 2 };

/** All findings of a record, worst first and otherwise in working order. */
export function findingsOf(input: Input): Finding[] {
  const { job, cylinders, targets, spreads } = input;
  const all = [
    ...jobFindings(input),
    ...targetFindings(input),
    ...(job ? cylinders.flatMap((c) => sizeFindings(c, job)) : []),
    ...cylinders.flatMap((c) => ringFindings(c, targets)),
    ...spreadFindings(spreads),
    ...cylinders.flatMap(clockingFindings),
  ];
  return all.sort((a, b) => ORDER[a.severity] - ORDER[b.severity]);
}
