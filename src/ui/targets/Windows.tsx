'use client';

import { ruleWords } from '@/core/foundation/verdict/ruleWords';
import { useState } from 'react';
import type { Units } from '@/core/foundation/quantity/length';
import {
  type TargetChoices,
  type SecondBy,
  type SecondSchool,
  SECOND_SCHOOL_REASON,
} from '@/core/models/targets/papers';
import { useJudgement, useLogging, useWords } from '../openBuild/contexts';
import { Button } from '../shared/Button';
import { Field } from '../shared/Field';
import { LengthField } from '../shared/LengthField';
import { usePersistedDraft } from '../shared/persistedDraft';
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
        {choices.secondSchool === 'larger' && (
          <HowMuchLarger key={JSON.stringify(choices.secondBy)} choices={choices} />
        )}
      </section>
      <Widths
        key={[
          choices.feelerStep,
          choices.gapWindow,
          choices.gapLimit,
          choices.clearanceWindow,
          choices.clearanceLimit,
        ].join()}
        choices={choices}
      />
      <Deciding key={JSON.stringify(judgement.choices.deciding)} />
      <Allowances key={JSON.stringify(choices.allowances)} />
    </div>
  );
}

const SECOND_BY_OPTIONS = [
  ['factor', 'its own factor'],
  ['difference', 'so much over the top'],
  ['ratio', 'so many times the top'],
] as const satisfies readonly (readonly [SecondBy['by'], string])[];

/** What the second ring begins with where it is worked from the top: 4 thou or a tenth of a millimetre more, or a tenth. From memory. */
const startingSecond = (by: SecondBy['by'], units: Units): SecondBy =>
  by === 'difference'
    ? { by, over: units === 'imperial' ? 101_600 : 100_000 }
    : by === 'ratio'
      ? { by, ratio: 1.1 }
      : { by };

/** By what a second ring is larger than the top. */
function HowMuchLarger({ choices }: { choices: TargetChoices }) {
  const { units } = useWords();
  const { choose } = useLogging();
  const [draft, setDraft] = useState(choices.secondBy);
  const [fault, setFault] = useState<string | null>(null);
  const set = (secondBy: SecondBy): void => choose('targets', { ...choices, secondBy });
  return (
    <div className="mt-3 grid max-w-2xl justify-items-start gap-3">
      <div className="w-full max-w-sm">
        <SelectField
          label="How much larger"
          value={draft.by}
          options={SECOND_BY_OPTIONS}
          onChange={(by) => {
            if (by === null) return;
            setFault(null);
            if (by === 'factor') set({ by });
            else setDraft(startingSecond(by, units));
          }}
        />
      </div>
      {draft.by !== 'factor' && (
        <form
          className="flex flex-wrap items-end gap-4"
          onSubmit={(event) => {
            event.preventDefault();
            if (!fault) set(draft);
          }}
        >
          {draft.by === 'difference' ? (
            <LengthField
              label="Over the top ring"
              kind="clearance"
              units={units}
              value={draft.over}
              onChange={(over) => over !== null && setDraft({ by: 'difference', over })}
              onFault={setFault}
            />
          ) : (
            <Field label="Times the top ring" error={fault ?? undefined}>
              {(props) => (
                <input
                  {...props}
                  type="number"
                  min={1}
                  max={2}
                  step="any"
                  className="field figures"
                  defaultValue={draft.ratio}
                  onChange={(event) => {
                    const ratio = event.target.valueAsNumber;
                    const fine = ratio >= 1 && ratio <= 2;
                    setFault(fine ? null : '1 to 2 is asked for.');
                    if (fine) setDraft({ by: 'ratio', ratio });
                  }}
                />
              )}
            </Field>
          )}
          <Button
            kind="accent"
            type="submit"
            disabled={fault !== null || JSON.stringify(draft) === JSON.stringify(choices.secondBy)}
          >
            Set how much larger
          </Button>
        </form>
      )}
    </div>
  );
}

const SURE_OPTIONS = [
  ['0.9', '90 %'],
  ['0.95', '95 %'],
  ['0.99', '99 %'],
] as const;

/** Graces that are offered, in nm. */
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
        A figure is right once it is this sure not to lie under its minimum by more than the grace, and condemned once
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
              label={key === 'gapGrace' ? 'Grace of a gap' : 'Grace of a clearance'}
              value={value}
              options={known ? offered : [...offered, [value, length(deciding[key], 'raw')] as const]}
              onChange={(nm) => nm !== null && choose('deciding', { ...deciding, [key]: Number(nm) })}
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
  const [draft, setDraft, left] = usePersistedDraft('windows', choices);
  const [faults, setFaults] = useState<Partial<Record<WidthKey, string | null>>>({});
  const unsettled = Object.values(faults).find((f) => f);
  const wrong =
    unsettled ??
    (draft.gapLimit < draft.gapWindow || draft.clearanceLimit < draft.clearanceWindow
      ? 'A limit lies inside its aim window: are they swapped?'
      : null);
  const { feelerStep, gapWindow, gapLimit, clearanceWindow, clearanceLimit } = draft;
  const changed = JSON.stringify(draft) !== JSON.stringify(choices);
  return (
    <section aria-label="Rounding and windows">
      <h2 className="mb-1 text-lg">
        Rounding, <Term word="window">windows</Term>, <Term word="aim" />, <Term word="limit" />
      </h2>
      {left}
      <p className="mb-2 max-w-prose text-soft">
        Left as they start, widths are for bores of 75 to 115 mm, and go with the bore under and over that; by a chart
        of curves none is under one step.
      </p>
      <div className="grid max-w-2xl gap-4 sm:grid-cols-2">
        <StepField value={feelerStep} units={units} onChange={(step) => setDraft({ ...draft, feelerStep: step })} />
        <span className="max-sm:hidden" />
        {WIDTHS.map(([key, label]) => (
          <LengthField
            key={`${key}-${units}`}
            label={label}
            kind="clearance"
            units={units}
            value={draft[key]}
            onChange={(nm) => nm !== null && setDraft((d) => ({ ...d, [key]: nm }))}
            onFault={(fault) => setFaults((f) => ({ ...f, [key]: fault }))}
          />
        ))}
        <div className="sm:col-span-2">
          <Button
            kind="accent"
            disabled={wrong !== null || !changed}
            onClick={() =>
              choose('targets', { ...choices, feelerStep, gapWindow, gapLimit, clearanceWindow, clearanceLimit })
            }
          >
            Set rounding and windows
          </Button>
          {wrong && <p className="mt-1 font-bold text-over">{wrong}</p>}
        </div>
      </div>
    </section>
  );
}
