/** What is to be known of the targets: where they come from, what outranks what, and what heat makes of them. */
import type { Cylinder } from '../../foundation/engine/engine';
import {
  type HeatCase,
  type HeatPoint,
  type JudgedHeat,
  type JudgedRingHeat,
  THIN_CHANCE,
} from '../../models/heat/assess';
import { closingGap } from '../../models/heat/hotGap';
import { COLD_WALL } from '../../models/heat/temperatures';
import type { Job } from '../../record/jobCard';
import { atmosphereAt } from '../../models/load/gas';
import type { Nm } from '../../foundation/quantity/length';
import { pressureText } from '../../foundation/quantity/pressure';
import { fine, say } from '../../foundation/quantity/message';
import { acceptedWords, lapsedWords } from '../../record/reading';
import { type Ring, RING_WORDS } from '../../foundation/parts/rings';
import { type Finding, type Severity, about } from '../contract/finding';
import { chanceWords } from '../../foundation/verdict/decide';
import { type Chart, type ChartColumn, schoolOf } from '../../models/charts/chart';
import { fuelCaution, isHotter } from '../../models/charts/chartRow';
import { doubtWords } from '../../models/load/load';
import { fuelsOf } from '../../models/load/service';
import type { JudgedDuty, StandardTargets } from './settings';
import type { JudgedGap, TargetsEngineResult } from './types';
import type { OwnFigure } from './ownFigure';
import type { Target } from '../../models/targets/target';
import { oldRuleGap } from '../../models/targets/ringGapTarget';
import type { TargetChoices } from '../../models/targets/papers';

interface Input {
  job: Job | null;
  choices: { chart: Chart; targets: TargetChoices };
  duty: JudgedDuty;
  piston: ChartColumn | null;
  standard: StandardTargets | null;
  own: TargetsEngineResult['own'];
}

/** A heat load that was chosen other than what the engine comes to; and what is not counted in it. */
function loadFindings({ service }: Job, { row, chosen, load }: JudgedDuty): Finding[] {
  if (!load.set) return [];
  const worked = load.inForce.load;
  const out: Finding[] = [];
  if (chosen && row && row.load !== null && Math.abs(row.load - worked) > 0.05) {
    const cooler = row.load < worked;
    out.push(
      about(
        cooler ? 'mend' : 'note',
        'targets',
        null,
        say`The heat load chosen is ${row.load.toFixed(2)}; the job card comes to ${worked.toFixed(2)}.${cooler ? ' That is more heat.' : ''}`,
      ),
    );
  }
  const doubt = doubtWords(worked);
  if (doubt && !chosen) out.push(about('note', 'targets', null, say`${doubt}`));
  const boost = [service.now, service.later].flatMap((adders) => adders?.boost ?? []);
  const ambient = atmosphereAt(service.altitude);
  for (const { pressure, absolute } of boost)
    if (absolute && pressure !== null && pressure <= ambient)
      out.push(
        about(
          'mend',
          'job',
          null,
          say`A boost of ${pressureText(pressure)} absolute is no more than the air has ${service.altitude === 0 ? 'at the sea' : 'at that altitude'} (${pressureText(ambient)}): it counts as none. Was it read on a gauge, over the atmosphere?`,
        ),
      );
  if (boost.some((b) => b.cooled === null))
    out.push(
      about(
        'note',
        'job',
        null,
        say`Charge cooling is not set: cooled is assumed. An uncooled charge needs a little more gap.`,
      ),
    );
  return out;
}

/** Which row of the chart holds, and whether it is the one for what the engine is for. */
function dutyFindings({ job, choices: { chart }, duty }: Input): Finding[] {
  if (!job) return [];
  const { row, suggestion } = duty;
  const out: Finding[] = [];
  if (duty.ask) return [about('mend', 'job', null, say`${duty.ask} No chart figure without it.`)];
  if (!row)
    out.push(
      about(
        'mend',
        'targets',
        null,
        say`${chart.name} has no row for the duty of this engine. Choose a row on the job card, or another chart.`,
      ),
    );
  if (chart.kind === 'curve') out.push(...loadFindings(job, duty));
  else if (row && duty.chosen && suggestion.set && row.id !== suggestion.row) {
    const cooler = isHotter(suggestion.row, row.id);
    const words = chart.rows.find((r) => r.id === suggestion.row)?.words ?? suggestion.row;
    out.push(
      about(
        cooler ? 'mend' : 'note',
        'targets',
        null,
        say`The row chosen is “${row.words}”; the use suggests “${words}”: ${suggestion.reason}.${cooler ? ' That row allows for more heat.' : ''}`,
      ),
    );
  }
  for (const fuel of chart.kind === 'curve' ? [] : fuelsOf(job.service)) {
    const caution = fuelCaution(fuel);
    if (caution) out.push(about(fuel === 'nitromethane' ? 'mend' : 'note', 'targets', null, say`${caution}`));
  }
  return out;
}

function paperUnderChart(name: string, target: Target): Finding[] {
  if (!target.set || (target.inForce.rank !== 'sheet' && target.inForce.rank !== 'manual')) return [];
  const chart = target.outranked.find((c) => c.rank === 'chart');
  if (!chart || chart.least <= target.inForce.least) return [];
  return [
    about(
      'note',
      'targets',
      null,
      say`The ${target.inForce.rank}'s ${name} minimum of ${fine(target.inForce.least)} is under the chart's ${fine(chart.least)}. The ${target.inForce.rank} holds: check that it is for these parts and this duty.`,
    ),
  ];
}

/** What is against a builder's figure: used where a sheet or a manual says otherwise it can cost the engine, until it is accepted. */
function ownSeverity({ over, isUsed, isDeparture, accepted }: OwnFigure): Severity {
  if (isDeparture) return accepted ? 'note' : 'stop';
  return isUsed && over.standing === 'confirmed against a sheet' ? 'mend' : 'note';
}

/** A builder's figure outside what ranks above it. */
function ownOutside(name: string, found: OwnFigure | null): Finding[] {
  if (!found) return [];
  const { own, over, isUsed, held, accepted, lapsed } = found;
  const [end, side, danger] =
    held.side === 'least'
      ? (['minimum', 'under', 'Too tight can cost the engine'] as const)
      : (['maximum', 'over', 'The paper marks it as hard'] as const);
  const answer = accepted
    ? ` A${acceptedWords(accepted).slice(1)}.`
    : say`${lapsed ? lapsedWords(lapsed) : ''}${isUsed ? ` ${danger}; reason given: ${own.from}.` : ''}`;
  return [
    about(
      ownSeverity(found),
      'targets',
      null,
      say`Your ${name} ${end} of ${fine(held.figure)} is ${isUsed ? '' : 'not used; it is '}${side} the ${over.rank}'s ${fine(held.limit)}.${answer}`,
    ),
  ];
}

/** The order of second and top, held against the school that was chosen. */
function orderFindings(top: Target, second: Target, school: TargetChoices['secondSchool']): Finding[] {
  if (!top.set || !second.set) return [];
  const [t, s] = [top.inForce, second.inForce];
  if (school === 'equalOrTighter')
    return s.aimFrom > t.aimFrom
      ? [
          about(
            'note',
            'targets',
            null,
            say`Second “equal or tighter” is chosen, but the ${s.rank}'s ${fine(s.aimFrom)} is wider than the top ring's ${fine(t.aimFrom)}. Wider does no harm.`,
          ),
        ]
      : [];
  if (s.raisedFrom === undefined || s.rank === 'chart') return [];
  return [
    about(
      'note',
      'targets',
      null,
      say`The second ring's own minimum, ${fine(s.raisedFrom)}, is under the top ring's ${fine(t.least)}, which is used instead: gas could be trapped between them.`,
    ),
  ];
}

/** The figures themselves, and what was entered for them. */
function figureFindings({ job, duty, piston, standard, own, choices: { chart, targets } }: Input): Finding[] {
  if (!job || !standard) return [];
  const { bore } = standard;
  const { top, second, rails, clearance } = standard.targets;
  const out: Finding[] = [];
  if (job.construction !== null && duty.row !== null) {
    const asks = [top, second, clearance].flatMap((t) => (t.set ? [] : [t.ask]));
    out.push(...[...new Set(asks)].map((ask) => about('mend', 'targets', null, say`${ask}`)));
  }
  if (top.set && bore && piston?.highRing && top.inForce.rank === 'chart')
    out.push(
      about(
        'mend',
        'targets',
        null,
        say`Pistons: ${piston.words}. The top ring is close to the crown, where it runs far hotter: ${fine(top.inForce.aimFrom)} here, where the old 0.004 rule gives ${fine(oldRuleGap(bore, targets.feelerStep))}. Gapped by the old rule the ends meet and the engine is lost. Confirm with the piston’s sheet.`,
      ),
    );
  out.push(...orderFindings(top, second, targets.secondSchool));
  if (
    [top, second, clearance].some(
      (t) => t.set && t.inForce.rank === 'chart' && t.inForce.standing !== 'confirmed against a sheet',
    )
  )
    out.push(
      about(
        'note',
        'targets',
        null,
        say`Some targets are typical figures from ${chart.name}, not confirmed by a sheet. The ring sheet comes first.`,
      ),
    );
  if (job.surface === null && clearance.set && clearance.inForce.rank === 'chart')
    out.push(
      about(
        'note',
        'job',
        null,
        say`Bore surface is not set: the clearance is for an iron bore, the looser of the two.`,
      ),
    );
  for (const [name, target, figure] of [
    ['top ring', top, own.top],
    ['second ring', second, own.second],
    ['rail', rails, own.rails],
    ['clearance', clearance, own.clearance],
  ] as const)
    out.push(...paperUnderChart(name, target), ...ownOutside(name, figure));
  return out;
}

interface Heated extends Cylinder {
  heat: JudgedHeat | null;
  targets: Record<'top' | 'second', Target>;
  rings: Record<Ring, Pick<JudgedGap, 'state' | 'accepted'>>;
}

const POINT_WORDS: Record<HeatPoint, string> = {
  minimum: 'the target’s lower end',
  aim: 'the end of the window',
  measured: 'the measured gap',
};

/** Figures that a model does not argue with: it may remark. */
const isGiven = (target: Target): boolean =>
  target.set && target.inForce.rank !== 'chart' && target.inForce.rank !== 'rule';

/** The ring's assumed temperature, how far that may be off, and the cold gap whose ends just meet at it. */
const boundOf = ({
  assumed,
  heat,
  spread,
  decides,
}: JudgedRingHeat): { assumed: number; doubt: number; bound: Nm; decides: HeatCase } => ({
  ...{ assumed, decides },
  doubt: spread.ring,
  bound: Math.round(closingGap(assumed, heat)),
});

/** As far as the model's doubt reaches, practice goes before it: over this it says that a gap of the wide curve closes. */
const MORE_LIKELY_THAN_NOT = 0.5;

/**
 * What the heat model warns of, by the chance that the ends meet: the gap that counts in a cylinder, else where its aim
 * begins; not of a short ring, which is to be filed anyway. A model stops nothing. Where a sheet, a manual or the
 * builder gives the figure it is a remark; so it is against the close school, and against the wide one unless the ends
 * more likely meet than not.
 */
function heatFindings(chart: Chart, cylinders: readonly Heated[]): Finding[] {
  const school = schoolOf(chart);
  const isRemark = (chance: number): boolean =>
    school === 'close' || (school === 'wide' && chance <= MORE_LIKELY_THAN_NOT);
  const warned = cylinders.flatMap((c) =>
    (['top', 'second'] as const).flatMap((ring) => {
      const points = c.heat?.rings[ring].points ?? [];
      const point = points.find((p) => p.point === 'measured') ?? points.find((p) => p.point === 'minimum');
      const { state, accepted } = c.rings[ring];
      if (!point || !c.heat || point.chance <= THIN_CHANCE || state === 'short' || accepted) return [];
      return [{ cylinder: c, ring, point, ...boundOf(c.heat.rings[ring]), given: isGiven(c.targets[ring]) }];
    }),
  );
  const measured = warned.filter((w) => w.point.point === 'measured' && !w.given);
  const planned = (['top', 'second'] as const).flatMap(
    (ring) => warned.find((w) => w.ring === ring && (w.given || w.point.point === 'minimum')) ?? [],
  );
  return [...planned, ...measured].map(({ cylinder, ring, point, assumed, doubt, bound, decides, given }) => {
    const one = point.point === 'measured' && !given;
    const whose = one
      ? `Cylinder ${cylinder.label}, ${RING_WORDS[ring]}`
      : RING_WORDS[ring].replace(/^./, (c) => c.toUpperCase());
    return about(
      given || isRemark(point.chance) ? 'note' : 'mend',
      'targets',
      one ? cylinder.id : null,
      say`${whose}: by the heat model the chance that ${POINT_WORDS[point.point]}, ${fine(point.cold)}, closes is ${chanceWords(point.chance)}: at ${point.butting.toFixed(0)} °C, the ring assumed at ${assumed.toFixed(0)} °C${decides === 'warm' ? '' : ` in a wall of ${COLD_WALL} °C`}, where no less than ${fine(bound)} stays open. ${given ? 'The figure given holds; a model only remarks.' : isRemark(point.chance) ? `A model: it knows that one temperature, which all its rings share, to ±\u00a0${doubt.toFixed(0)} °C.` : 'That is doubt about one temperature that all its rings share. A model, not a rule: see the sheet before going on.'}`,
    );
  });
}

/**
 * What is to be known of targets.
 *
 * @example findings(judgement, []).map((f) => f.severity) // ['note']
 */
export const findings = (engine: Input, cylinders: readonly Heated[]): Finding[] => [
  ...dutyFindings(engine),
  ...figureFindings(engine),
  ...heatFindings(engine.choices.chart, cylinders),
];
