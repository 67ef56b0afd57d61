'use client';

import { Trash2 } from 'lucide-react';
import { type Dispatch, type ReactNode, type SetStateAction, useState } from 'react';
import { THROWS, forwardBankOf, throwsOf, type RodChoices } from '@/core/foundation/engine/crankcase';
import type { ClockingChoices } from '@/core/stages/clocking/choices';
import {
  type CrownFacts,
  type OwnSector,
  type Pocket,
  FRONT_MARKS,
  INTAKE_SIDES,
  LEFT_PISTONS,
} from '@/core/stages/clocking/surroundings';
import { SIDES } from '@/core/foundation/engine/sides';
import { LEFT_PISTONS_WORDS } from '@/core/stages/clocking/ruleNames';
import { SIDE_WORDS } from '@/core/stages/clocking/ruleWords';
import { hasTwoBanks } from '@/core/foundation/engine/engine';
import { useJudgement, useWords } from '../openBuild/contexts';
import { AngleField } from '../shared/AngleField';
import { Tick } from '../shared/Tick';
import { TextField } from '../shared/TextField';
import { Button } from '../shared/Button';
import { Field } from '../shared/Field';
import { LengthsField } from '../shared/LengthsField';
import { Segmented } from '../shared/Segmented';
import { SelectField } from '../shared/SelectField';
import { useTypedDegrees } from '../shared/useTypedDegrees';
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
  const setFacts = (change: Partial<ClockingChoices['facts']>): void =>
    set({ ...choices, facts: { ...facts, ...change } });
  const setRods = (change: Partial<ClockingChoices['rods']>): void => set({ ...choices, rods: { ...rods, ...change } });
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
          none="not said"
          onChange={(side) => setFacts({ intake: side })}
        />
      </Section>
      <FrontMark facts={facts} setFacts={setFacts} />
      <RodFacts two={two} rods={rods} setRods={setRods} />
      <StandFacts stand={stand} set={set} choices={choices} />
      <Pockets choices={choices} onChange={setFacts} />
      <Sectors sectors={facts.sectors} onChange={(sectors) => setFacts({ sectors })} two={two} />
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
  setRods: (change: Partial<ClockingChoices['rods']>) => void;
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
        none="not said"
        onChange={(numbers) => setRods({ numbers })}
      />
    </Section>
  );
}

/** What marks the front of a piston, and where it points. */
function FrontMark({
  facts,
  setFacts,
}: {
  facts: CrownFacts;
  setFacts: (change: Partial<ClockingChoices['facts']>) => void;
}) {
  return (
    <Section title="Front mark of the pistons">
      <SelectField
        label="Mark"
        value={facts.frontMark?.what ?? null}
        options={MARK_OPTIONS}
        none="not said"
        onChange={(what) => setFacts({ frontMark: what && { what, points: facts.frontMark?.points ?? 'front' } })}
      />
      {facts.frontMark && (
        <SelectField
          label="Points to"
          value={facts.frontMark.points}
          options={SIDE_OPTIONS}
          onChange={(points) => points && facts.frontMark && setFacts({ frontMark: { ...facts.frontMark, points } })}
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

const NO_POCKET: Pocket = { valve: 'intake', at: 90, out: 0, across: 0 };
const VALVES = [
  ['intake', 'intake'],
  ['exhaust', 'exhaust'],
] as const;

function Pockets({
  choices,
  onChange,
}: {
  choices: ClockingChoices;
  onChange: (change: Partial<ClockingChoices['facts']>) => void;
}) {
  const judgement = useJudgement();
  const { units } = useWords();
  const { pockets, flipped } = choices.facts;
  const bare = units === 'imperial' ? 'in' : 'mm';
  const [draft, setDraft] = useState<Pocket>(NO_POCKET);
  const [round, setRound] = useState(0);
  const [faults, setFaults] = useState<Record<string, string | null>>({});
  const fault = (key: string) => (found: string | null) => setFaults((f) => ({ ...f, [key]: found }));
  const bore = judgement.standard?.bore?.nm ?? null;
  const tooFar = bore !== null && draft.out + draft.across / 2 > bore ? 'That lies outside the bore.' : null;
  const wrong = tooFar ?? Object.values(faults).find((f) => f) ?? (draft.across === 0 ? 'Give its diameter.' : null);
  return (
    <section aria-label="Valve pockets">
      <h2 className="text-lg">Valve pockets</h2>
      <p className="mb-2 max-w-prose text-soft">
        As they lie on the right bank or the only one. A pocket is in the way where it crosses nine tenths of the bore’s
        radius.
      </p>
      <PocketList pockets={pockets} onChange={onChange} />
      {pockets.length < 8 && (
        <PocketForm
          key={round}
          wrong={wrong}
          onChange={onChange}
          pockets={pockets}
          draft={draft}
          setDraft={setDraft}
          setRound={setRound}
          fault={fault}
          bare={bare}
          tooFar={tooFar}
        />
      )}
      {pockets.length > 0 && <FlippedPockets flipped={flipped} onChange={onChange} />}
    </section>
  );
}

interface PocketFormProps {
  wrong: string | null;
  onChange: (change: Partial<ClockingChoices['facts']>) => void;
  pockets: Pocket[];
  draft: Pocket;
  setDraft: Dispatch<SetStateAction<Pocket>>;
  setRound: Dispatch<SetStateAction<number>>;
  fault: (key: string) => (found: string | null) => void;
  bare: 'in' | 'mm';
  tooFar: 'That lies outside the bore.' | null;
}

function PocketForm({ wrong, onChange, pockets, draft, setDraft, setRound, fault, bare, tooFar }: PocketFormProps) {
  return (
    <form
      aria-label="A pocket"
      className="grid max-w-3xl items-start gap-3 sm:grid-cols-4"
      onSubmit={(event) => {
        event.preventDefault();
        if (wrong) return;
        onChange({ pockets: [...pockets, draft] });
        setDraft(NO_POCKET);
        setRound((n) => n + 1);
      }}
    >
      <SelectField
        label="Valve"
        value={draft.valve}
        options={VALVES}
        onChange={(valve) => valve && setDraft((d) => ({ ...d, valve }))}
      />
      <AngleField
        label="Direction"
        value={draft.at}
        onFault={fault('at')}
        onChange={(at) => setDraft((d) => ({ ...d, at }))}
      />
      <LengthsField
        label="Middle out"
        bare={bare}
        most={1}
        values={[draft.out]}
        onFault={fault('out')}
        onChange={([out]) => out !== undefined && setDraft((d) => ({ ...d, out }))}
        hint="From the middle of the crown."
      />
      <LengthsField
        label="Across"
        bare={bare}
        most={1}
        values={[draft.across]}
        onFault={fault('across')}
        onChange={([across]) => across !== undefined && setDraft((d) => ({ ...d, across }))}
        hint={tooFar ?? 'Its diameter.'}
      />
      <Button type="submit" kind="accent" disabled={wrong !== null}>
        Add the pocket
      </Button>
    </form>
  );
}

function FlippedPockets({
  flipped,
  onChange,
}: {
  flipped: string[];
  onChange: (change: Partial<ClockingChoices['facts']>) => void;
}) {
  const judgement = useJudgement();
  return (
    <fieldset className="mt-3 flex flex-wrap gap-x-4">
      <legend className="font-bold">Pockets the other way front to back, on cylinder</legend>
      {judgement.cylinders.map((c) => (
        <Tick
          key={c.id}
          checked={flipped.includes(c.id)}
          onChange={(isOn) => onChange({ flipped: isOn ? [...flipped, c.id] : flipped.filter((id) => id !== c.id) })}
        >
          {c.label}
        </Tick>
      ))}
    </fieldset>
  );
}

function PocketList({
  pockets,
  onChange,
}: {
  pockets: Pocket[];
  onChange: (change: Partial<ClockingChoices['facts']>) => void;
}) {
  const { length } = useWords();
  return (
    <ul className="mb-2 divide-y divide-line">
      {pockets.map((p, i) => (
        <li key={i} className="flex items-center gap-3">
          <span className="flex-1">
            {p.valve} at <b className="figures">{Math.round(p.at)}°</b>, middle {length(p.out, 'size')} out,{' '}
            {length(p.across, 'size')} across
          </span>
          <Button
            kind="quiet"
            aria-label={`Take away the ${p.valve} pocket at ${Math.round(p.at)}°`}
            onClick={() => onChange({ pockets: pockets.filter((_, k) => k !== i) })}
          >
            <Trash2 size={18} aria-hidden />
          </Button>
        </li>
      ))}
    </ul>
  );
}

const NO_SECTOR: OwnSector = { words: '', from: 0, to: 0 };

/** Sectors of the fitter's own that joints are kept out of. */
function Sectors({
  sectors,
  onChange,
  two,
}: {
  sectors: OwnSector[];
  onChange: (sectors: OwnSector[]) => void;
  two: boolean;
}) {
  const [draft, setDraft] = useState<OwnSector>(NO_SECTOR);
  const [round, setRound] = useState(0);
  const [faults, setFaults] = useState<Record<string, string | null>>({});
  const fault = (key: string) => (found: string | null) => setFaults((f) => ({ ...f, [key]: found }));
  const wrong = Object.values(faults).some((f) => f) || draft.from === draft.to;
  return (
    <section aria-label="Sectors to be kept free">
      <h2 className="text-lg">Sectors to be kept free</h2>
      <p className="mb-2 max-w-prose text-soft">
        Clockwise from one direction to the other{two ? ', on the right bank; the left bank’s is the mirror image' : ''}
        : an oil jet, a port in the wall, whatever this engine has.
      </p>
      <ul className="mb-2 divide-y divide-line">
        {sectors.map((s, i) => (
          <li key={i} className="flex items-center gap-3">
            <span className="flex-1">
              {s.words || 'kept free'}, <b className="figures">{Math.round(s.from)}°</b> to{' '}
              <b className="figures">{Math.round(s.to)}°</b>
            </span>
            <Button
              kind="quiet"
              aria-label={`Take away ${s.words || 'the sector'} from ${Math.round(s.from)}°`}
              onClick={() => onChange(sectors.filter((_, k) => k !== i))}
            >
              <Trash2 size={18} aria-hidden />
            </Button>
          </li>
        ))}
      </ul>
      {sectors.length < 8 && (
        <form
          key={round}
          aria-label="A sector"
          className="grid max-w-3xl items-start gap-3 sm:grid-cols-4"
          onSubmit={(event) => {
            event.preventDefault();
            if (wrong) return;
            onChange([...sectors, draft]);
            setDraft(NO_SECTOR);
            setRound((n) => n + 1);
          }}
        >
          <TextField
            label="What is there"
            maxLength={80}
            value={draft.words}
            onChange={(text) => setDraft((d) => ({ ...d, words: text }))}
          />
          <AngleField
            label="From"
            value={draft.from}
            onFault={fault('from')}
            onChange={(from) => setDraft((d) => ({ ...d, from }))}
          />
          <AngleField
            label="To"
            value={draft.to}
            onFault={fault('to')}
            onChange={(to) => setDraft((d) => ({ ...d, to }))}
          />
          <Button type="submit" kind="accent" className="sm:mt-7" disabled={wrong}>
            Keep it free
          </Button>
        </form>
      )}
    </section>
  );
}
