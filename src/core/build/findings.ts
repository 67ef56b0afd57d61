/**
 * Findings: what the fitter should know about the record as it stands, worst first.
 */
import type { Nm } from '../quantity/length';
import { type Saying, fine, say } from '../quantity/saying';
import { type Compression, COMPRESSION, RING_WORDS } from '../ring/ring';
import { GROOVE_WORDS, ringFaults } from '../ring/set';
import { cureWords } from '../clocking/rules';
import { checkSays } from './clocking';
import { type JudgedRing, ringAdvice } from './rings';
import { type HeatPoint, THIN_MARGIN } from '../heat/assess';
import { fuelCaution, isHotter } from '../targets/duty';
import { type Target, type TargetChoices, aboveOwn, oldRuleGap } from '../targets/target';
import type { JudgedCylinder, Spread } from './judge';
import type { Job } from './record';
import { sizeFindings } from './sizeFindings';
import { type Finding, type FindingInput, type Severity, about } from './finding';

function dutyFindings({ chart, duty }: FindingInput, job: Job): Finding[] {
  const { wanted, row, suggestion } = duty;
  const out: Finding[] = [];
  if (wanted === null && !suggestion.set)
    return [about('mend', 'job', null, say`${suggestion.ask} No chart figure without it.`)];
  if (!row)
    out.push(
      about(
        'mend',
        'targets',
        null,
        say`${chart.name} has no row for the duty of this engine. Choose a row on the job card, or another chart.`,
      ),
    );
  if (row && duty.chosen && suggestion.set && row.id !== suggestion.row) {
    const cooler = isHotter(suggestion.row, row.id);
    const words = chart.rows.find((r) => r.id === suggestion.row)?.words ?? suggestion.row;
    out.push(
      about(
        cooler ? 'mend' : 'note',
        'targets',
        null,
        say`The row chosen is “${row.words}”; what the engine is for suggests “${words}”: ${suggestion.reason}.${cooler ? ' That row stands for more heat.' : ''}`,
      ),
    );
  }
  const caution = fuelCaution(job.service.fuel);
  if (caution) out.push(about(job.service.fuel === 'nitromethane' ? 'mend' : 'note', 'targets', null, say`${caution}`));
  return out;
}

function jobFindings({ job, strays }: FindingInput): Finding[] {
  if (!job) return [about('note', 'job', null, say`Fill in the job card to begin.`)];
  const out: Finding[] = [];
  if (job.construction === null)
    out.push(
      about(
        'mend',
        'job',
        null,
        say`How the piston is made is not said. It decides the gap as much as the duty does: a high-ring piston needs nearly double.`,
      ),
    );
  if (job.plannedBore === null)
    out.push(about('note', 'job', null, say`No planned bore yet: targets wait for the measured bores.`));
  if (strays.length > 0)
    out.push(
      about(
        'mend',
        'job',
        null,
        say`${strays.length} readings are of cylinders this engine has not got (${[...new Set(strays.map((s) => s.cylinder))].join(', ')}). They are kept.`,
      ),
    );
  return out;
}

function paperUnderChart(name: string, target: Target): Finding[] {
  if (!target.set || (target.inForce.rank !== 'sheet' && target.inForce.rank !== 'manual')) return [];
  const chart = target.outranked.find((c) => c.rank === 'chart');
  if (!chart || chart.min <= target.inForce.min) return [];
  return [
    about(
      'note',
      'targets',
      null,
      say`The ${target.inForce.rank}'s ${name} minimum of ${fine(target.inForce.min)} is under the chart's ${fine(chart.min)}. The ${target.inForce.rank} holds: check that it is for these parts and this duty.`,
    ),
  ];
}

/** A builder's figure under what ranks above it: in force it can cost the engine, where a sheet or manual says more. */
function ownUnder(name: string, target: Target): Finding[] {
  const found = aboveOwn(target);
  const [highest] = found?.over ?? [];
  if (!found || !highest) return [];
  const severity: Severity = !found.inForce
    ? 'note'
    : highest.rank === 'chart' || highest.rank === 'rule'
      ? 'mend'
      : 'stop';
  const state = found.inForce ? `is in force, and is under` : 'is not in force; it is under';
  return [
    about(
      severity,
      'targets',
      null,
      say`The builder's own ${name} minimum of ${fine(found.own.min)} ${state} the ${highest.rank}'s ${fine(highest.min)}. Too tight can cost the engine; reason given: ${found.own.from}.`,
    ),
  ];
}

/** The order of second and top, held against the school that was chosen. */
function orderFindings(top: Target, second: Target, school: TargetChoices['secondSchool']): Finding[] {
  if (!top.set || !second.set) return [];
  const [t, s] = [top.inForce, second.inForce];
  if (school === 'equalOrTighter')
    return s.min > t.min
      ? [
          about(
            'note',
            'targets',
            null,
            say`Second “equal or tighter” is chosen, but the ${s.rank}'s ${fine(s.min)} is wider than the top ring's ${fine(t.min)}. Wider does no harm.`,
          ),
        ]
      : [];
  if (s.min >= t.min) return [];
  if (s.rank === 'sheet' || s.rank === 'manual')
    return [
      about(
        'note',
        'targets',
        null,
        say`The ${s.rank} asks for a second ring tighter than the top: ${fine(s.min)} against ${fine(t.min)}.`,
      ),
    ];
  return [
    about(
      'mend',
      'targets',
      null,
      say`The second ring's ${fine(s.min)} is under the top ring's ${fine(t.min)}: gas could be trapped between them.`,
    ),
  ];
}

function targetFindings(input: FindingInput): Finding[] {
  const { job, duty, piston, targets, standard } = input;
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
        say`Pistons: ${piston.words}. Such a one carries its top ring close to the crown, where it runs far hotter: ${fine(top.inForce.min)} here, where the old 0.004 rule would say ${fine(oldRuleGap(bore, targets.feelerStep))}. Gapped by the old rule the ends meet and the engine is lost. Confirm it with the piston’s sheet.`,
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
        say`Figures from ${input.chart.name} stand here that are not confirmed. The sheet packed with the parts comes first.`,
      ),
    );
  if (job.surface === null && clearance.set && clearance.inForce.rank === 'chart')
    out.push(
      about(
        'note',
        'job',
        null,
        say`Whether the bores are iron or plated is not said: the clearance is an iron bore's, the looser of the two.`,
      ),
    );
  for (const [name, target] of [
    ['top ring', top],
    ['second ring', second],
    ['rail', rails],
    ['clearance', clearance],
  ] as const)
    out.push(...paperUnderChart(name, target), ...ownUnder(name, target));
  return out;
}

const POINT_WORDS: Record<HeatPoint, string> = {
  minimum: 'the target minimum',
  aim: 'the end of the window',
  measured: 'the measured gap',
};

/** What the heat model warns of: the measured gap of a cylinder, else its minimum; not of a short ring, which is to be filed anyway. */
function heatFindings(cylinders: JudgedCylinder[]): Finding[] {
  const warned = cylinders.flatMap((c) =>
    (['top', 'second'] as const).flatMap((ring) => {
      const points = c.heat?.rings[ring].points ?? [];
      const point = points.find((p) => p.point === 'measured') ?? points.find((p) => p.point === 'minimum');
      if (!point || !c.heat || point.margin >= THIN_MARGIN || c.rings[ring].state === 'short') return [];
      return [{ cylinder: c, ring, point, assumed: c.heat.rings[ring].assumed }];
    }),
  );
  const measured = warned.filter((w) => w.point.point === 'measured');
  const planned = (['top', 'second'] as const).flatMap(
    (ring) => warned.find((w) => w.ring === ring && w.point.point === 'minimum') ?? [],
  );
  return [...planned, ...measured].map(({ cylinder, ring, point, assumed }) => {
    const whose =
      point.point === 'measured'
        ? `Cylinder ${cylinder.label}, ${RING_WORDS[ring]}`
        : RING_WORDS[ring].replace(/^./, (c) => c.toUpperCase());
    return about(
      point.margin < 0 ? 'stop' : 'mend',
      'targets',
      point.point === 'measured' ? cylinder.id : null,
      say`${whose}: by the heat model ${POINT_WORDS[point.point]}, ${fine(point.cold)}, closes at ${point.butting.toFixed(0)} °C, ${point.margin < 0 ? 'under' : `only ${point.margin.toFixed(0)} K over`} the assumed ${assumed.toFixed(0)} °C. A model, not a rule: see the sheet before going on.`,
    );
  });
}

/** What is to be known of one ring. */
function oneRing(name: string, ring: JudgedRing): [Severity, Saying][] {
  const { reading, gap, target, state, counts, measured, wander, accepted, readIn } = ring;
  const out: [Severity, Saying][] = [];
  if (!reading || !target.set) return out;
  const { min, limit } = target.inForce;
  if (state === 'short' && counts && measured !== 'short')
    out.push([
      'stop',
      say`${name}: ${fine(gap?.value ?? 0)} where it was read, but ${fine(counts.gap.value)} where the bore is smallest, under ${fine(min)}. The ends can meet when hot: file before it goes in.`,
    ]);
  else if (state === 'short')
    out.push([
      'stop',
      say`${name}: ${fine(gap?.value ?? reading.value)} is under ${fine(min)}. The ends can meet when hot: file before it goes in.`,
    ]);
  else if (state === 'over' && limit !== null && accepted)
    out.push([
      'note',
      say`${name}: ${fine(gap?.value ?? reading.value)} is over ${fine(limit)} and accepted by ${accepted.by || 'someone'}: ${accepted.reason}.`,
    ]);
  else if (state === 'over' && limit !== null)
    out.push([
      'mend',
      say`${name}: ${fine(gap?.value ?? reading.value)} is over ${fine(limit)}. It may suit another cylinder, or another ring this one.`,
    ]);
  else if (wander)
    out.push(['mend', say`${name}: ${fine(wander.before)}, then ${fine(wander.after)}. ${ringAdvice(ring)}`]);
  else if (state === 'not proven') out.push(['mend', say`${name}: ${ringAdvice(ring)}`]);
  else if (counts?.state === 'not proven')
    out.push([
      'note',
      say`${name}: where the bore is smallest the gap comes to ${fine(counts.gap.value)}, too near ${fine(min)} to be sure.`,
    ]);
  if (readIn && readIn.move)
    out.push(['note', say`${name}: read in cylinder ${readIn.label}; its gap here is worked out from the two bores.`]);
  if (ring.unprepared.includes(reading.id))
    out.push([
      'note',
      say`${name}: read after filing with neither deburring nor squaring noted. A burr scores the wall and reads false.`,
    ]);
  return out;
}

/** Rings that are tight in their grooves, stand proud of the land, or are described against themselves. */
function grooveFindings(cylinders: JudgedCylinder[]): Finding[] {
  return cylinders.flatMap(({ id, piston, grooves }) =>
    grooves.grooves.flatMap(({ groove, side, land }): Finding[] => [
      ...(side.read && (side.state === 'tight' || side.state === 'loose')
        ? [
            about(
              side.state === 'tight' ? 'stop' : 'mend',
              'rings',
              id,
              say`Piston ${piston.label}, ${GROOVE_WORDS[groove]}: axial clearance ${fine(side.low ?? 0)} is ${side.state}. ${side.state === 'tight' ? 'A ring that sticks does not seal, and breaks.' : 'A ring that flutters wears its groove.'}`,
            ),
          ]
        : []),
      ...(land.read && land.state === 'proud'
        ? [
            about(
              'stop',
              'rings',
              id,
              say`Piston ${piston.label}, ${GROOVE_WORDS[groove]}: the ring does not sink under the land. Its groove is too shallow, or the ring too wide.`,
            ),
          ]
        : []),
    ]),
  );
}

function setFindings({ ringSet, job }: FindingInput): Finding[] {
  if (!job) return [];
  return COMPRESSION.flatMap((ring: Compression) =>
    ringFaults(ringSet[ring]).map((fault) =>
      about('mend', 'rings', null, say`${RING_WORDS[ring].replace(/^./, (c) => c.toUpperCase())}: ${fault}`),
    ),
  );
}

function ringFindings(cylinder: JudgedCylinder, targets: TargetChoices): Finding[] {
  const { label, id, rings } = cylinder;
  const at = (severity: Severity, says: Saying): Finding => about(severity, 'rings', id, says);
  const out = Object.values(rings).flatMap((ring) =>
    oneRing(`Cylinder ${label}, ${RING_WORDS[ring.ring]}`, ring).map(([severity, says]) => at(severity, says)),
  );
  const { top, second } = rings;
  const sheetSays = second.target.set && second.target.inForce.rank !== 'chart';
  if (targets.secondSchool === 'larger' && !sheetSays && top.gap && second.gap && second.gap.value < top.gap.value)
    out.push(
      at(
        'mend',
        say`Cylinder ${label}: second ring ${fine(second.gap.value)} is tighter than the top, ${fine(top.gap.value)}. Gas could be trapped between them and lift the top ring.`,
      ),
    );
  return out;
}

/** A plan against its rules, each with what would cure it; and what was found at the block. */
function clockingFindings({ id, label, clocking, block }: JudgedCylinder, chosen: boolean): Finding[] {
  const breaches = clocking.rules.flatMap(({ verdict, says, cure }) =>
    verdict === 'pass'
      ? []
      : [
          about(
            verdict,
            'clocking',
            id,
            say`Cylinder ${label}: ${says} ${cure ? cureWords(cure) : 'No turn of one joint cures it: let them be placed together.'}`,
          ),
        ],
  );
  const asked = chosen && clocking.ask ? [about('mend', 'clocking', id, say`Cylinder ${label}: ${clocking.ask}`)] : [];
  const found = block.checks.flatMap((check) =>
    check.state === 'again' || check.state === 'against'
      ? [about('mend', 'assembly', id, say`Cylinder ${label}: ${checkSays(check)}`)]
      : check.state === 'moved'
        ? [about('note', 'assembly', id, say`Cylinder ${label}: ${checkSays(check)}`)]
        : [],
  );
  return [...asked, ...breaches, ...found];
}

const spreadFindings = (spreads: Spread[], limit: Nm): Finding[] =>
  spreads
    .filter((s) => (s.ring === 'top' || s.ring === 'second') && s.spread > limit)
    .map((s) =>
      about(
        'note',
        'rings',
        null,
        say`${RING_WORDS[s.ring]} gaps run from ${fine(s.least)} to ${fine(s.most)}: ${fine(s.spread)} apart. Even gaps matter more than the last half thou.`,
      ),
    );

const ORDER: Record<Severity, number> = { stop: 0, mend: 1, note: 2 };

/** All findings of a record, worst first and otherwise in working order. */
export function findingsOf(input: FindingInput): Finding[] {
  const { job, cylinders, targets, spreads } = input;
  const all = [
    ...jobFindings(input),
    ...(job ? dutyFindings(input, job) : []),
    ...targetFindings(input),
    ...heatFindings(cylinders),
    ...sizeFindings(input),
    ...cylinders.flatMap((c) => ringFindings(c, targets)),
    ...setFindings(input),
    ...grooveFindings(cylinders),
    ...spreadFindings(spreads, input.bench.spread),
    ...cylinders.flatMap((c) => clockingFindings(c, input.clockingChosen)),
  ];
  return all.sort((a, b) => ORDER[a.severity] - ORDER[b.severity]);
}
