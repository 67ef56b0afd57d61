'use client';

import type { ReactNode } from 'react';
import type { BearingCheck } from '@/core/record/bearingChecks';
import type { WalkChoices } from '@/core/stages/assembly/walkChoices';
import type { Step } from '@/core/record/stepIds';
import { CRANK } from '@/core/foundation/engine/places';
import type { JudgedCylinder } from '@/core/judge/judgement';
import { hungOf } from '@/core/stages/clocking/crownDrawing';
import { Crown } from '../clocking/Crown';
import { SceneView } from '../clocking/SceneView';
import { useCrownView } from '../clocking/CrownView';
import { InspectionPicture } from '../journals/InspectionPicture';
import { inspectionWords } from '../journals/inspectionWords';
import { useJudgement } from '../openBuild/contexts';
import { Dial } from './Dial';

const STEEL = { fill: 'var(--steel)', stroke: 'var(--edge)', strokeWidth: 1.5 };
const MARK = { fill: 'none', stroke: 'var(--blue)', strokeWidth: 3 };

const Words = ({ x, y, children }: { x: number; y: number; children: string }) => (
  <text x={x} y={y} textAnchor="middle" fontSize={9} fill="var(--soft)">
    {children}
  </text>
);

/** A rod from above, its chamfered side marked, the front to the left. */
const RodFrom = ({ faces, label }: { faces: 'front' | 'rear' | 'both'; label: string }) => (
  <>
    <path d="M40 6H60L57 36H72V82H28V36H43Z" {...STEEL} />
    {faces !== 'rear' && <path d="M28 42L20 48V76L28 82Z" fill="var(--blue)" />}
    {faces !== 'front' && <path d="M72 42L80 48V76L72 82Z" fill="var(--blue)" />}
    <text x={50} y={66} textAnchor="middle" fontSize={18} fontWeight={700} fill="var(--ink)">
      {label}
    </text>
    <Words x={10} y={74}>
      front
    </Words>
    <path d="M8 58L3 62L8 66M3 62H16" fill="none" stroke="var(--soft)" />
    <Words x={50} y={93}>
      blue: chamfered side
    </Words>
  </>
);

/** A pin boss end on: the clip in its groove, its own gap, and the cutout. */
const Clip = ({ isDown }: { isDown: boolean }) => (
  <>
    <path d="M10 12H90V84H10Z" {...STEEL} />
    <circle cx={50} cy={48} r={26} fill="var(--sheet)" stroke="var(--edge)" />
    <path d="M69 30l10-8 5 8-10 7z" fill="var(--sheet)" stroke="var(--edge)" />
    <path
      d={isDown ? 'M44 70.5A23 23 0 1 1 56 70.5' : 'M36 66A23 23 0 1 1 48 71'}
      fill="none"
      stroke="var(--blue)"
      strokeWidth={4}
    />
    <path d="M50 78v12M46 86l4 5 4-5" {...MARK} strokeWidth={2} />
    <Words x={84} y={19}>
      cutout
    </Words>
    <Words x={26} y={92}>
      gap of the clip
    </Words>
  </>
);

const GROOVES: [string, number][] = [
  ['4  top', 14],
  ['3  second', 34],
  ['2  rails', 52],
  ['1  expander', 66],
];

const RingsOn = () => (
  <>
    <path d="M2 4H40V92H2Z" {...STEEL} />
    <path d="M2 14H40M2 34H40" stroke="var(--blue)" strokeWidth={5} />
    <path d="M2 52H40M2 66H40" stroke="var(--blue)" strokeWidth={2.5} />
    <path d="M3 59l3-3 4 6 4-6 4 6 4-6 4 6 4-6 4 6 3-3" fill="none" stroke="var(--soft)" strokeWidth={1.5} />
    {GROOVES.map(([words, y]) => (
      <text key={words} x={44} y={y + 3} fontSize={9} fontWeight={700} fill="var(--ink)">
        {words}
      </text>
    ))}
  </>
);

const Expander = () => (
  <>
    <path d="M4 34H96M4 58H96" stroke="var(--edge)" strokeWidth={5} />
    <path d="M6 46l6-9 6 18 6-18 6 18 6-18 6 18 8-9M50 46l8-9 6 18 6-18 6 18 6-18 6 18 6-9" {...MARK} strokeWidth={2} />
    <path d="M50 30v32" stroke="var(--ink)" strokeWidth={1.5} strokeDasharray="3 2" />
    <Words x={50} y={80}>
      ends butt, neither over the other
    </Words>
  </>
);

const GoesIn = ({ isBarrel }: { isBarrel: boolean }) => (
  <>
    <path d="M6 52H30V90H6ZM70 52H94V90H70Z" {...STEEL} />
    <path d={isBarrel ? 'M6 52H30V60H6ZM70 52H94V60H70Z' : 'M22 26L30 52H24L14 26ZM78 26L70 52H76L86 26Z'} {...STEEL} />
    <path d="M31 10H69V46H31Z" fill="var(--sheet)" stroke="var(--ink)" />
    <path d="M31 18H69M31 25H69M31 32H69" stroke="var(--soft)" strokeWidth={2} />
    <path d={isBarrel ? 'M50 88V56M44 64l6-9 6 9' : 'M50 52V80M44 72l6 9 6-9'} {...MARK} />
  </>
);

interface Props {
  step: Step;
  /** Null for a step of the engine. */
  cylinder: JudgedCylinder | null;
  /** How far the crank is turned for it; null where that is not known. */
  turn: { by: number; isFirst: boolean } | null;
}

/** Steps that a look at the bearing beside them shows. */
const LOOKS: Partial<Record<Step, BearingCheck[]>> = {
  shellsDry: ['tangs'],
  shellSide: ['shellSide'],
  capOn: ['cap'],
  slides: ['rodFree', 'rodCentred'],
};

/** Steps with a drawing of their own. */
const DRAWINGS: Partial<Record<Step, (cylinder: JudgedCylinder, walk: WalkChoices) => ReactNode>> = {
  rod: ({ clocking, label }) => <RodFrom faces={clocking.rod.faces} label={label} />,
  clips: (_, { clips }) => <Clip isDown={clips.gaps === 'down'} />,
  expanderButts: () => <Expander />,
  ringsOn: () => <RingsOn />,
  pistonIn: (_, { way }) => <GoesIn isBarrel={way === 'barrel'} />,
};

/** The crown without its rings, as it hangs. */
function BareCrown({ cylinder: { clocking, label } }: { cylinder: JudgedCylinder }) {
  const [view] = useCrownView();
  const scene = hungOf(clocking, useJudgement().choices.clocking, view);
  if (!scene) return null;
  const { x, y, w, h } = scene.box;
  return (
    <svg
      viewBox={`${x} ${y} ${w} ${h}`}
      role="img"
      aria-label={`Crown of cylinder ${label} without its rings`}
      className="block w-full max-w-[270px]"
    >
      <SceneView scene={scene} />
    </svg>
  );
}

function JointsOnCrown({ cylinder: { clocking, label } }: { cylinder: JudgedCylinder }) {
  const [view] = useCrownView();
  return (
    <Crown
      judged={clocking}
      choices={useJudgement().choices.clocking}
      view={view}
      style="card"
      title={`Crown of cylinder ${label}`}
      className="block w-full max-w-[270px]"
    />
  );
}

/** What a step looks like on this engine; nothing where a picture would say no more. */
export function StepPicture({ step, cylinder, turn }: Props) {
  const judgement = useJudgement();
  if (!cylinder)
    return step === 'crankIn' ? (
      <InspectionPicture check="thrustGrooves" at={inspectionWords(judgement, CRANK)} />
    ) : null;
  if (step === 'frontMark') return <BareCrown cylinder={cylinder} />;
  if (step === 'jointsBefore' || step === 'jointsAfter') return <JointsOnCrown cylinder={cylinder} />;
  if (step === 'throwDown')
    return turn && <Dial {...turn} isClockwise={judgement.job?.engine.rotation !== 'anticlockwise'} />;
  const looks = LOOKS[step] ?? [];
  if (looks.length > 0)
    return (
      <div className="flex gap-4">
        {looks.map((check) => (
          <InspectionPicture key={check} check={check} at={inspectionWords(judgement, cylinder.id)} />
        ))}
      </div>
    );
  const drawn = DRAWINGS[step]?.(cylinder, judgement.choices.walk);
  return drawn ? (
    <svg viewBox="0 0 100 96" className="block w-full max-w-[210px]" aria-hidden>
      {drawn}
    </svg>
  ) : null;
}
