/** Clocking: where the joints of each piston point. */
import type { JudgedBlock } from '../assembly/judged';
import { isRight } from '../assembly/judged';
import { movedFrom } from '../assembly/checks';
import type { BoresPart } from '../bores/stage';
import type { Cylinder } from '../engine/engine';
import { say } from '../quantity/saying';
import { type Finding, about } from '../stage/finding';
import { ENGINE, type Memo } from '../stage/memo';
import { type Piece, type Row, type SheetPart, words } from '../stage/report';
import { type Caption, type Frame, type Judged, SILENT, type Stage, counted } from '../stage/stage';
import { type ClockingChoices, STARTING_CLOCKING } from './choices';
import { rodsOf } from './crankcase';
import { JOINTS, JOINT_WORDS, type Joint } from './joints';
import { type JudgedClocking, type KnownRules, isBreach, judgedClocking } from './judged';
import { cureWords } from './rules';
import { SCHOOL_WORDS } from './schoolWords';

export interface ClockingPart {
  clocking: JudgedClocking;
}

export interface ClockingMade {
  /** Whether anyone chose the clocking; else it is only what is proposed. */
  clockingChosen: boolean;
}

type Engine = Frame<{ clocking: ClockingChoices }>;
type Bored = Cylinder & BoresPart;
type All = Engine & ClockingMade;
/** The sheet says beside the plan what was found at the block. */
type Whole = Bored & ClockingPart & { block: JudgedBlock };

function judge(
  { job, choices, labels, log }: Engine,
  cylinders: readonly Bored[],
  memo: Memo,
): Judged<ClockingPart, ClockingMade> {
  const chosen = log.choices.has('clocking');
  if (!job) return { cylinders: new Map(), engine: { clockingChosen: chosen } };
  const { engine } = job;
  const rods = memo('rods', ENGINE, [engine, choices.clocking.rods, labels], () =>
    rodsOf(cylinders, engine, choices.clocking.rods),
  );
  const known: KnownRules = new Map();
  const parts = cylinders.map((cylinder): [string, ClockingPart] => {
    const bore = cylinder.bore.size?.value ?? job.plannedBore;
    const from = [bore, engine, choices.clocking, chosen, rods, labels];
    const part = memo('clocking', cylinder.id, from, () => {
      const rod = rods.get(cylinder.id) ?? { throw: 0, faces: 'both' as const, besides: null };
      return {
        clocking: judgedClocking({ cylinder, bore, engine, choices: choices.clocking, chosen, rod, labels }, known),
      };
    });
    return [cylinder.id, part];
  });
  return { cylinders: new Map(parts), engine: { clockingChosen: chosen } };
}

/** A plan against its rules, each breach with what would cure it. */
function findingsOf({ id, label, clocking }: Cylinder & ClockingPart, chosen: boolean): Finding[] {
  const breaches = clocking.rules.flatMap(({ verdict, says, cure }) => {
    if (verdict === 'pass') return [];
    const turn = cure ? cureWords(cure) : 'No turn of one joint cures it: let them be placed together.';
    return [about(verdict, 'clocking', id, say`Cylinder ${label}: ${says} ${turn}`)];
  });
  const asked = chosen && clocking.ask ? [about('mend', 'clocking', id, say`Cylinder ${label}: ${clocking.ask}`)] : [];
  return [...asked, ...breaches];
}

function caption({ clocking: { settled, rules, plan } }: ClockingPart): Caption {
  const breaches = rules.filter(isBreach);
  if (breaches.length > 0) {
    const stops = breaches.some((r) => r.verdict === 'stop');
    return { state: stops ? 'over' : 'short', word: stops ? 'stop' : 'to mend', figure: say`${breaches.length}` };
  }
  return settled
    ? { state: 'in window', word: 'planned', figure: [] }
    : { state: 'to do', word: plan ? 'proposed' : 'no plan', figure: [] };
}

/** Where the joints are planned. */
function rows(_engine: All, { label, id, clocking }: Cylinder & ClockingPart): Row[] {
  const joints = clocking.plan?.joints;
  if (!joints) return [];
  return JOINTS.map((joint) => ({
    cylinder: label,
    place: id,
    what: `${joint}_joint`,
    direction_deg: String(Math.round(joints[joint] * 1000) / 1000),
    entry: 'plan',
  }));
}

function jointCell({ clocking: { plan }, block: { asFound } }: Whole, joint: Joint): Piece[] {
  if (!plan) return words('–');
  const moved = asFound && movedFrom(plan.joints, asFound).some((m) => m.joint === joint);
  return [
    { kind: 'text', text: `${Math.round(plan.joints[joint]) % 360}°` },
    ...(moved ? [{ kind: 'text' as const, text: `found ${Math.round(asFound[joint])}°`, look: 'below' as const }] : []),
  ];
}

/** Who checked a cylinder at the block, or how far it is. */
function blockWords({ block: { checks, done } }: Whole): string {
  if (done === 0) return '☐';
  const by = checks.flatMap((check) => (isRight(check.state) ? (check.tick?.by ?? '') : []));
  const who = [...new Set(by)].filter(Boolean).join(', ');
  return `${done === checks.length ? 'checked' : `${done} of ${checks.length}`}${who && `, ${who}`}`;
}

function sheet({ choices: { clocking }, clockingChosen }: All, cylinders: readonly Whole[]): SheetPart[] {
  if (!cylinders.some((c) => c.clocking.plan)) return [];
  const { school, sheet: printed } = clocking;
  const from = school === 'sheet' && printed?.from ? ` (${printed.from})` : '';
  return [
    {
      heading: say`Clocking: ${SCHOOL_WORDS[school].toLowerCase()}${from}${clockingChosen ? '' : ', proposed'}`,
      before: [say`Degrees clockwise from the front of the engine, seen on the crown.`],
      table: {
        columns: [
          { words: 'cylinder' },
          ...JOINTS.map((joint) => ({ words: JOINT_WORDS[joint], figures: true })),
          { words: 'at the block' },
        ],
        rows: cylinders.map((c) => [
          words(c.label),
          ...JOINTS.map((joint) => jointCell(c, joint)),
          words(blockWords(c)),
        ]),
      },
      after: [],
    },
  ];
}

export const clocking = {
  ...SILENT,
  words: 'Clocking',
  choices: { clocking: (): ClockingChoices => STARTING_CLOCKING },
  judge,
  progress: (_engine, cylinders) => counted(cylinders.map((c) => c.clocking.settled)),
  findings: ({ clockingChosen }, cylinders, memo) =>
    cylinders.flatMap((c) =>
      memo('clocking findings', c.id, [c.clocking, c.label, clockingChosen], () => findingsOf(c, clockingChosen)),
    ),
  caption,
  rows,
  sheet,
} satisfies Stage<Engine, Bored, ClockingPart, ClockingMade, All, Whole>;
