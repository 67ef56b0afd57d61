'use client';

import type { ReactNode } from 'react';
import { THROWS, forwardBankOf, throwsOf, type RodChoices } from '@/core/foundation/engine/crankcase';
import type { ClockingChoices } from '@/core/stages/clocking/choices';
import { type CrownFacts, FRONT_MARKS, INTAKE_SIDES, LEFT_PISTONS } from '@/core/stages/clocking/surroundings';
import { SIDES } from '@/core/foundation/engine/sides';
import { LEFT_PISTONS_WORDS } from '@/core/stages/clocking/ruleNames';
import { SIDE_WORDS } from '@/core/stages/clocking/ruleWords';
import { hasTwoBanks } from '@/core/foundation/engine/engine';
import { useJudgement } from '../openBuild/contexts';
import { Field } from '../shared/Field';
import { Segmented } from '../shared/Segmented';
import { SelectField } from '../shared/SelectField';
import { useTypedDegrees } from '../shared/useTypedDegrees';
import { Pockets, Sectors } from './KeptFree';
import type { Clocking } from './useClocking';
import type { Stand } from '@/core/stages/clocking/stand';

const SIDE_OPTIONS = SIDES.map((side) => [side, SIDE_WORDS[side]] as const);
const MARK_OPTIONS = FRONT_MARKS.map((mark) => [mark, mark] as const);
const LEFT_OPTIONS = LEFT_PISTONS.map((p) => [p, LEFT_PISTONS_WORDS[p]] as const);
const BANKS = [
  ['left', 'left bank'],
  ['right', 'right bank'],
] as const;
const STAND_SIDES = [
  ['left', 'the left'],
  ['right', 'the right'],
] as const;

/** What a plan has to go round: how the engine lies, its valves and pockets, the marks, the rods, and the stand. */
export function EngineFacts({ clocking: { choices, set } }: { clocking: Clocking }) {
  const judgement = useJudgement();
  const { job } = judgement;
  if (!job) return null;
  const { facts, rods, stand } = choices;
  const two = hasTwoBanks(job.engine.layout);
  const setFacts = (change: Partial<CrownFacts>): void => set({ ...choices, facts: { ...facts, ...change } });
  const setRods = (change: Partial<RodChoices>): void => set({ ...choices, rods: { ...rods, ...change } });
  const intake = INTAKE_SIDES.filter((side) => two || side === 'left' || side === 'right').map(
    (side) => [side, SIDE_WORDS[side]] as const,
  );
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6 pt-3">
      <Section title="How it lies">
        <Turned
          label="The engine leans, as installed"
          value={facts.lean}
          most={90}
          onSet={(lean) => setFacts({ lean })}
          hint="Degrees to the right, seen from the driver’s seat; to the left with a minus. Banks add their own half angle."
        />
        <SelectField
          label="Intake valves on"
          value={facts.intake}
          options={intake}
          none="not set"
          onChange={(side) => setFacts({ intake: side })}
        />
      </Section>
      <FrontMark facts={facts} setFacts={setFacts} />
      <RodFacts two={two} rods={rods} setRods={setRods} />
      <StandFacts stand={stand} set={set} choices={choices} />
      <Pockets facts={facts} onChange={setFacts} />
      <Sectors sectors={facts.sectors} onChange={(sectors) => setFacts({ sectors })} hasTwoBanks={two} />
      {two && facts.pockets.length > 0 && (
        <Labelled words="Pockets of the left bank">
          <Segmented
            label="Pockets of the left bank"
            value={facts.leftPistons}
            options={LEFT_OPTIONS}
            onChange={(leftPistons) => setFacts({ leftPistons })}
          />
        </Labelled>
      )}
    </div>
  );
}

interface StandFactsProps {
  stand: Stand;
  set: (choices: ClockingChoices) => void;
  choices: ClockingChoices;
}

/** How the block hangs, and where the fitter stands. */
function StandFacts({ stand, set, choices }: StandFactsProps) {
  return (
    <Section title="In the stand">
      <Turned
        label="The block is rolled"
        value={stand.roll}
        most={180}
        onSet={(roll) => set({ ...choices, stand: { ...stand, roll } })}
        hint="Degrees to the right about the crank, as it hangs."
      />
      <Labelled words="You stand on">
        <Segmented
          label="You stand on"
          value={stand.side}
          options={STAND_SIDES}
          onChange={(side) => set({ ...choices, stand: { ...stand, side } })}
        />
        <p className="mt-1 text-sm text-soft">Where a bore is upright; else its high side is at the top.</p>
      </Labelled>
    </Section>
  );
}

interface RodFactsProps {
  two: boolean;
  rods: RodChoices;
  setRods: (change: Partial<RodChoices>) => void;
}

/** Throws, which bank sits forward, and rod numbers. */
function RodFacts({ two, rods, setRods }: RodFactsProps) {
  const { job } = useJudgement();
  if (!job) return null;
  return (
    <Section title="Rods">
      {two && (
        <Labelled words="Throws">
          <Segmented
            label="Throws"
            value={throwsOf(job.engine, rods)}
            options={THROWS.map((t) => [t, t === 'shared' ? 'two rods a throw' : 'a throw for each'] as const)}
            onChange={(throws) => setRods({ throws })}
          />
        </Labelled>
      )}
      {two && (
        <Labelled words="Bank that sits further forward">
          <Segmented
            label="Further forward"
            value={forwardBankOf(job.engine, rods)}
            options={BANKS}
            onChange={(forwardBank) => setRods({ forwardBank })}
          />
        </Labelled>
      )}
      <SelectField
        label="Rod numbers and tangs to"
        value={rods.numbers}
        options={SIDE_OPTIONS}
        none="not set"
        onChange={(numbers) => setRods({ numbers })}
      />
    </Section>
  );
}

/** What marks the front of a piston, and where it points. */
function FrontMark({ facts, setFacts }: { facts: CrownFacts; setFacts: (change: Partial<CrownFacts>) => void }) {
  return (
    <Section title="Front mark of the pistons">
      <SelectField
        label="Mark"
        value={facts.frontMark?.what ?? null}
        options={MARK_OPTIONS}
        none="not set"
        onChange={(what) => setFacts({ frontMark: what && { what, points: facts.frontMark?.points ?? 'front' } })}
      />
      {facts.frontMark && (
        <SelectField
          label="Points to"
          value={facts.frontMark.points}
          options={SIDE_OPTIONS}
          onChange={(points) => facts.frontMark && setFacts({ frontMark: { ...facts.frontMark, points } })}
          said={
            facts.frontMark.points === 'intake' || facts.frontMark.points === 'exhaust'
              ? facts.intake === null && 'Say which side the intake valves are on.'
              : undefined
          }
        />
      )}
    </Section>
  );
}

function Section({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section aria-label={title}>
      <h2 className="mb-2 text-lg">{title}</h2>
      <div className="grid max-w-3xl gap-x-6 gap-y-3 sm:grid-cols-2">{children}</div>
    </section>
  );
}

function Labelled({ words, children }: { words: string; children: ReactNode }) {
  return (
    <div>
      <span className="mb-1 block font-bold">{words}</span>
      <div className="overflow-x-auto">{children}</div>
    </div>
  );
}

/** Degrees either way. */
function Turned({
  label,
  value,
  most,
  hint,
  onSet,
}: {
  label: string;
  value: number;
  most: number;
  hint: string;
  onSet: (degrees: number) => void;
}) {
  const { fault, input } = useTypedDegrees(value, -most, most, onSet);
  return (
    <Field label={`${label}, °`} hint={hint} error={fault}>
      {(props) => <input {...props} {...input} className="field figures" autoComplete="off" />}
    </Field>
  );
}
