'use client';

import { ruleWords } from '@/core/foundation/verdict/ruleWords';
import {
  type TargetChoices,
  type SecondBy,
  type SecondSchool,
  SECOND_SCHOOL_REASON,
} from '@/core/models/targets/papers';
import { startingSecond, widthFaults } from '@/core/models/targets/targetEntry';
import { useJudgement, useLogging, useWords } from '../openBuild/contexts';
import { NumberField } from '../shared/NumberField';
import { LengthField } from '../shared/LengthField';
import { DraftForm, FormFoot, useForm } from '../shared/useForm';
import { SelectField } from '../shared/SelectField';
import { Segmented } from '../shared/Segmented';
import { Allowances } from './Allowances';
import { StepField } from './StepField';
import { Term } from '../shared/Term';

const SCHOOL_OPTIONS = [
  ['larger', 'larger than the top'],
  ['equalOrTighter', 'equal or tighter'],
] as const satisfies readonly (readonly [SecondSchool, string])[];

/** The school of the second ring, rounding, the widths of the windows, and cylinders fitted looser on purpose. */
export function Windows() {
  const judgement = useJudgement();
  const { choose } = useLogging();
  const { targets: choices } = judgement.choices;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6 pt-4">
      <section aria-label="Second ring against the top">
        <h2 className="mb-1 text-lg">Second ring against the top</h2>
        <Segmented
          label="Second ring against the top"
          value={choices.secondSchool}
          options={SCHOOL_OPTIONS}
          onChange={(secondSchool) => choose('targets', { ...choices, secondSchool })}
        />
        <dl className="mt-2 grid max-w-prose gap-1.5 text-soft">
          {SCHOOL_OPTIONS.map(([school, words]) => (
            <div key={school} className={choices.secondSchool === school ? 'text-ink' : ''}>
              <dt className="inline font-bold">{words}: </dt>
              <dd className="inline">{SECOND_SCHOOL_REASON[school]}</dd>
            </div>
          ))}
        </dl>
        {choices.secondSchool === 'larger' && <HowMuchLarger choices={choices} />}
      </section>
      <Widths choices={choices} />
      <Deciding />
      <Allowances />
    </div>
  );
}

const SECOND_BY_OPTIONS = [
  ['factor', 'its own factor'],
  ['difference', 'so much over the top'],
  ['ratio', 'so many times the top'],
] as const satisfies readonly (readonly [SecondBy['by'], string])[];

/** By what a second ring is larger than the top. */
function HowMuchLarger({ choices }: { choices: TargetChoices }) {
  const { units } = useWords();
  const { choose } = useLogging();
  const set = (secondBy: SecondBy): void => choose('targets', { ...choices, secondBy });
  const form = useForm<SecondBy>({ name: 'second-ring', base: choices.secondBy, units, onSet: set });
  const { draft } = form;
  const pick = (by: SecondBy['by']): void => {
    if (by !== 'factor') return form.set(() => startingSecond(by, units));
    form.drop();
    set({ by });
  };
  return (
    <div className="mt-3 grid max-w-2xl justify-items-start gap-3">
      <div className="w-full max-w-sm">
        <SelectField label="How much larger" value={draft.by} options={SECOND_BY_OPTIONS} onChange={(by) => pick(by)} />
      </div>
      {draft.by !== 'factor' && (
        <DraftForm key={form.drawn} form={form} className="flex flex-wrap items-end gap-4">
          {draft.by === 'difference' ? (
            <LengthField
              label="Over the top ring"
              kind="clearance"
              units={units}
              value={draft.over}
              onChange={(over) => over !== null && form.set(() => ({ by: 'difference', over }))}
              onFault={form.onFault('over')}
            />
          ) : (
            <NumberField
              label="Times the top ring"
              least={1}
              most={2}
              value={draft.ratio}
              onFault={form.onFault('ratio')}
              onChange={(ratio) => ratio !== null && form.set(() => ({ by: 'ratio', ratio }))}
            />
          )}
          <FormFoot form={form} words="Set how much larger" />
        </DraftForm>
      )}
    </div>
  );
}

const SURE_OPTIONS = [
  ['0.9', '90 %'],
  ['0.95', '95 %'],
  ['0.99', '99 %'],
] as const;

/** Tolerances that are offered, in nm. */
const GRACES = {
  gapGrace: [
    ['0', 'none: strict'],
    ['6350', '¼ thou (0.00025 in)'],
    ['10000', '0.01 mm'],
    ['12700', '½ thou (0.0005 in)'],
  ],
  clearanceGrace: [
    ['0', 'none: strict'],
    ['1000', '0.001 mm'],
    ['2540', '0.1 thou (0.0001 in)'],
    ['5080', '0.2 thou (0.0002 in)'],
  ],
} as const;

/** How sure one has to be of a verdict, and how far past a limit still counts as at it. */
function Deciding() {
  const judgement = useJudgement();
  const { choose } = useLogging();
  const { length } = useWords();
  const { deciding } = judgement.choices;
  return (
    <section aria-label="How it is decided">
      <h2 className="mb-1 text-lg">How it is decided</h2>
      <p className="mb-2 max-w-prose text-soft">
        A figure is right once it is this sure not to lie under its minimum by more than the tolerance, and fails once
        it is this sure that it does. A limit is no sharper than its last digit. Of a gap no more than half a leaf
        counts. {ruleWords(deciding)}
      </p>
      <div className="grid max-w-2xl gap-4 sm:grid-cols-2">
        <Segmented
          label="How sure"
          value={String(deciding.sure)}
          options={SURE_OPTIONS}
          onChange={(sure) => choose('deciding', { ...deciding, sure: Number(sure) })}
        />
        <span className="max-sm:hidden" />
        {(['gapGrace', 'clearanceGrace'] as const).map((key) => {
          const value = String(deciding[key]);
          const offered: readonly (readonly [string, string])[] = GRACES[key];
          const known = offered.some(([nm]) => nm === value);
          return (
            <SelectField
              key={key}
              label={key === 'gapGrace' ? 'Tolerance of a gap' : 'Tolerance of a clearance'}
              value={value}
              options={known ? offered : [...offered, [value, length(deciding[key], 'raw')] as const]}
              onChange={(nm) => choose('deciding', { ...deciding, [key]: Number(nm) })}
            />
          );
        })}
      </div>
    </section>
  );
}

type WidthKey = 'gapWindow' | 'gapLimit' | 'clearanceWindow' | 'clearanceLimit';

/** Widths of either window are of a clearance's size, and are heard as one. */
const WIDTHS: [WidthKey, string][] = [
  ['gapWindow', 'Gap: how wide the aim is'],
  ['gapLimit', 'Gap: the most, over the start of the aim'],
  ['clearanceWindow', 'Clearance: how wide the aim is'],
  ['clearanceLimit', 'Clearance: the most, over the start of the aim'],
];

/** The rounding step and the widths of the windows. */
function Widths({ choices }: { choices: TargetChoices }) {
  const { units } = useWords();
  const { choose } = useLogging();
  const { feelerStep, gapWindow, gapLimit, clearanceWindow, clearanceLimit } = choices;
  const form = useForm({
    ...{ name: 'windows', base: { feelerStep, gapWindow, gapLimit, clearanceWindow, clearanceLimit }, units },
    faultsOf: widthFaults,
    onSet: (widths) => choose('targets', { ...choices, ...widths }),
  });
  return (
    <DraftForm
      key={form.drawn}
      title={
        <h2 className="mb-1 text-lg">
          Rounding, <Term word="window">windows</Term>, <Term word="aim" />, <Term word="limit" />
        </h2>
      }
      form={form}
      label="Rounding and windows"
    >
      <p className="mb-2 max-w-prose text-soft">
        Left as they start, widths are for bores of 75 to 115 mm, and go with the bore under and over that; by a chart
        of curves none is under one step.
      </p>
      <div className="grid max-w-2xl gap-4 sm:grid-cols-2">
        <StepField {...form.field('feelerStep')} units={units} />
        <span className="max-sm:hidden" />
        {WIDTHS.map(([key, label]) => (
          <LengthField
            key={key}
            label={label}
            kind="clearance"
            units={units}
            value={form.draft[key]}
            onChange={(nm) => nm !== null && form.set({ [key]: nm })}
            onFault={form.onFault(key)}
          />
        ))}
        <FormFoot form={form} words="Set rounding and windows" />
      </div>
    </DraftForm>
  );
}
