'use client';

import { schoolFaults } from '@/core/stages/clocking/schoolFaults';
import type { ClockingChoices } from '@/core/stages/clocking/choices';
import { DraftForm, useForm } from '../shared/useForm';
import { withoutOwn } from '@/core/stages/clocking/moves';
import { JOINTS, JOINT_MARKS, JOINT_WORDS } from '@/core/foundation/parts/joints';
import { type School, type SchoolSettings, SCHOOLS } from '@/core/stages/clocking/schools';
import { SCHOOL_REASONS, SCHOOL_WORDS } from '@/core/stages/clocking/schoolWords';
import { type TypedSheet, parseSheet, typedSheet } from '@/core/stages/clocking/typedJoints';
import { hasTwoBanks } from '@/core/foundation/engine/engine';
import { arcAngle } from '@/core/foundation/quantity/angle';
import { useJudgement, useWords } from '../openBuild/contexts';
import { AngleField } from '../shared/AngleField';
import { Tick } from '../shared/Tick';
import { TextField } from '../shared/TextField';
import { Button } from '../shared/Button';
import { BareLengthField } from '../shared/LengthsField';
import { Segmented } from '../shared/Segmented';
import { unitOf } from '../shared/shopUnits';
import { SelectField } from '../shared/SelectField';
import { Term } from '../shared/Term';

const SCHOOL_OPTIONS = SCHOOLS.map((school) => [school, SCHOOL_WORDS[school]] as const);

/** What can be set of each school. */
const SETTINGS: Record<School, readonly (keyof SchoolSettings)[]> = {
  sheet: [],
  diagonals: ['offPin'],
  frontAndBack: ['railArc'],
  highAndLow: ['railArc'],
  thirds: ['thirdsFrom'],
  tenTwoSix: ['twelve', 'railArc'],
  across: ['acrossTop', 'acrossRail'],
};

const SETTING_WORDS: Record<Exclude<keyof SchoolSettings, 'railArc'>, string> = {
  offPin: 'Top gap, off the pin',
  thirdsFrom: 'Upper rail gap at',
  twelve: 'Twelve o’clock at',
  acrossTop: 'Top gap at',
  acrossRail: 'Upper rail gap at',
};

interface Props {
  choices: ClockingChoices;
  set: (choices: ClockingChoices) => void;
  bore: number | null;
  onSheet: () => void;
}

/** Which school all cylinders follow, why, and its own figures. A school that is chosen goes to all: joints moved singly go back. */
export function SchoolChoice({ choices, set, bore, onSheet }: Props) {
  const judgement = useJudgement();
  const { job, clockingChosen } = judgement;
  const { school } = choices;
  const singly = choices.own.length;
  return (
    <section aria-label="School">
      <SelectField
        label="School"
        value={school}
        options={SCHOOL_OPTIONS}
        onChange={(next) => set(withoutOwn({ ...choices, school: next }))}
      />
      <p className="text-soft">
        {SCHOOL_REASONS[school]} <Term word="school">What a school is</Term>; <Term word="crown">the crown</Term>.
      </p>
      <details className="mb-1" hidden={SETTINGS[school].length === 0}>
        <summary className="min-h-11 py-2.5 text-blue underline underline-offset-4">The school’s own figures</summary>
        <Settings key={school} choices={choices} set={set} bore={bore} />
      </details>
      {school === 'sheet' && (
        <Button onClick={onSheet}>{choices.sheet ? 'The sheet’s angles' : 'Enter the sheet’s angles'}</Button>
      )}
      {job && hasTwoBanks(job.engine.layout) && (
        <Tick value={choices.mirrorLeft} onChange={(isOn) => set({ ...choices, mirrorLeft: isOn })}>
          Mirrored on the left bank
        </Tick>
      )}
      {!clockingChosen && (
        <div className="mt-1 mb-2">
          <p className="text-soft">Proposed, not chosen yet.</p>
          <Button kind="strong" onClick={() => set(choices)}>
            Clock all cylinders so
          </Button>
        </div>
      )}
      {singly > 0 && (
        <Button kind="quiet" className="px-0!" onClick={() => set(withoutOwn(choices))}>
          All joints back to the school ({singly} {singly === 1 ? 'cylinder' : 'cylinders'})
        </Button>
      )}
    </section>
  );
}

/** The school’s own figures, set in one step. */
function Settings({ choices, set, bore }: Omit<Props, 'onSheet'>) {
  const { units } = useWords();
  const keys = SETTINGS[choices.school];
  const form = useForm({
    ...{ name: 'school', base: choices.settings, units, faultsOf: schoolFaults },
    onSet: (settings) => set({ ...choices, settings }),
  });
  const { railArc } = form.draft;
  if (keys.length === 0) return null;
  const isChanged = keys.some((key) => form.draft[key] !== choices.settings[key]);
  return (
    <DraftForm key={form.drawn} form={form} label="The school’s figures" className="mb-2 grid gap-2">
      {keys.map((key) =>
        key === 'railArc' ? (
          <BareLengthField
            key={key}
            label="Rails from the expander ends, arc"
            bare={unitOf(units)}
            {...form.field(key)}
            hint={
              form.fault(key) ?? (bore === null ? undefined : `${arcAngle(railArc, bore).toFixed(1)}° at this bore`)
            }
          />
        ) : (
          <AngleField key={key} label={SETTING_WORDS[key]} {...form.field(key)} />
        ),
      )}
      {(isChanged || form.wrong !== null) && (
        <Button type="submit" kind="accent" disabled={form.wrong !== null}>
          Set for all cylinders
        </Button>
      )}
    </DraftForm>
  );
}

const ZEROS = [
  ['0', 'the front'],
  ['90', 'the right'],
  ['180', 'the rear'],
  ['270', 'the left'],
] as const;
const SENSES = [
  ['clockwise', 'clockwise'],
  ['anticlockwise', 'anticlockwise'],
] as const;

interface SheetFormProps {
  choices: ClockingChoices;
  set: (choices: ClockingChoices) => void;
  onDone: () => void;
}

/** The five angles of a maker's sheet as it prints them, for the right or the only bank. */
export function SheetForm({ choices, set, onDone }: SheetFormProps) {
  const { sheet } = choices;
  const form = useForm<TypedSheet>({
    ...{ name: 'sheet', base: typedSheet(sheet) },
    faultsOf: (typed) => parseSheet(typed).faults,
    onSet: (typed) => {
      form.drop();
      set(withoutOwn({ ...choices, school: 'sheet', sheet: parseSheet(typed).sheet }));
      onDone();
    },
  });
  const { draft, set: change } = form;
  return (
    <DraftForm form={form} label="The maker’s sheet" className="grid max-w-2xl gap-4 pt-3">
      <h2 className="text-lg">The maker’s sheet</h2>
      <p className="max-w-prose text-soft">
        As it is printed, for the right bank or the only one. Say where the sheet’s 0° points on the crown and which way
        it counts; the rest is turned for you.
      </p>
      <SheetZero sheet={draft} onChange={change} />
      <div className="grid gap-3 sm:grid-cols-3">
        {JOINTS.map((joint) => (
          <TextField
            key={joint}
            label={`${JOINT_MARKS[joint]} ${JOINT_WORDS[joint]}, °`}
            error={form.isTried || draft.joints[joint].trim() !== '' ? form.fault(joint) : undefined}
            figures
            value={draft.joints[joint]}
            onChange={(text) => change({ joints: { ...draft.joints, [joint]: text } })}
          />
        ))}
        <TextField
          label="Which sheet"
          hint="e.g. packed with ring set TF-82"
          maxLength={200}
          value={draft.from}
          onChange={(from) => change({ from })}
        />
      </div>
      <div className="flex gap-3">
        <Button type="submit" kind="strong">
          Clock all cylinders by the sheet
        </Button>
        {sheet && (
          <Button
            onClick={() => {
              form.drop();
              onDone();
            }}
          >
            Leave it
          </Button>
        )}
      </div>
    </DraftForm>
  );
}

interface SheetZeroProps {
  sheet: TypedSheet;
  onChange: (change: Partial<TypedSheet>) => void;
}

/** Where the sheet counts from, and which way. */
function SheetZero({ sheet: { zero, sense }, onChange }: SheetZeroProps) {
  return (
    <div className="flex flex-wrap items-end gap-4">
      <div>
        <span className="mb-1 block font-bold">Its 0° points to</span>
        <div className="overflow-x-auto">
          <Segmented
            label="The sheet’s 0° points to"
            value={zero}
            options={ZEROS}
            onChange={(zero) => onChange({ zero })}
          />
        </div>
      </div>
      <div>
        <span className="mb-1 block font-bold">It counts</span>
        <Segmented label="The sheet counts" value={sense} options={SENSES} onChange={(sense) => onChange({ sense })} />
      </div>
    </div>
  );
}
