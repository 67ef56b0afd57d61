'use client';

import { useState } from 'react';
import type { Field as Kind } from '@/core/quantity/bench';
import { printLength } from '@/core/quantity/print';
import { type Papers, type SecondSchool, type Target, type TargetChoices, SECOND_SCHOOL_REASON } from '@/core/targets/target';
import { useBench } from '../bench/Bench';
import { Button } from '../shared/Button';
import { Field } from '../shared/Field';
import { LengthField } from '../shared/LengthField';
import { Segmented } from '../shared/Segmented';
import { Findings } from '../stages/Findings';
import { Frame } from '../stages/Frame';
import { Why } from '../stages/Why';
import { PaperForm } from './PaperForm';

type Figure = 'top' | 'second' | 'rails' | 'clearance';

const FIGURES: { figure: Figure; words: string; kind: Kind }[] = [
  { figure: 'top', words: 'Top ring gap', kind: 'gap' },
  { figure: 'second', words: 'Second ring gap', kind: 'gap' },
  { figure: 'rails', words: 'Oil rail gaps', kind: 'rail' },
  { figure: 'clearance', words: 'Piston to wall', kind: 'clearance' },
];

const SCHOOL_OPTIONS = [
  ['larger', 'larger than the top'],
  ['equalOrTighter', 'equal or tighter'],
] as const satisfies readonly (readonly [SecondSchool, string])[];

const STEPS = [
  [25_400, '1 thou (0.001 in)'],
  [12_700, '½ thou (0.0005 in)'],
  [10_000, '0.01 mm'],
  [50_000, '0.05 mm'],
] as const;

const papersOf = (choices: TargetChoices, figure: Figure): Papers => (figure === 'clearance' ? choices.clearance : choices.gaps[figure]);

function withPapers(choices: TargetChoices, figure: Figure, papers: Papers): TargetChoices {
  return figure === 'clearance' ? { ...choices, clearance: papers } : { ...choices, gaps: { ...choices.gaps, [figure]: papers } };
}

const STANDING_WORDS = { sheet: 'sheet', manual: 'manual', chart: 'chart, not confirmed', rule: 'common practice' };

/** What each gap and clearance must be for this engine, from which paper, and why. */
export function TargetsStage() {
  const { judgement, cylinder, length, choose } = useBench();
  const { targets: choices, planned } = judgement;
  const [shown, setShown] = useState<Figure>('top');
  if (!cylinder || !planned) return null;
  const of = (figure: Figure): Target =>
    figure === 'clearance' ? cylinder.clearance.target : figure === 'rails' ? cylinder.rings.upperRail.target : cylinder.rings[figure].target;
  const current = FIGURES.find((f) => f.figure === shown) ?? FIGURES[0];
  if (!current) return null;
  const papers = papersOf(choices, shown);
  const bore = cylinder.targetBore;

  return (
    <Frame
      main={
        <>
          <div className="flex flex-wrap items-baseline gap-x-4">
            <h1>Targets, cylinder {cylinder.label}</h1>
            <p className="text-[1.0625rem] text-soft">{bore ? `worked from the ${bore.measured ? 'measured' : 'planned'} bore, ${length(bore.nm, 'size')}` : 'no bore planned or measured yet'}</p>
          </div>
          <div role="group" aria-label="Figures" className="mt-3 divide-y divide-line border-y border-line">
            {FIGURES.map(({ figure, words }) => {
              const target = of(figure);
              return (
                <button
                  key={figure}
                  type="button"
                  aria-pressed={shown === figure}
                  onClick={() => setShown(figure)}
                  className="grid w-full grid-cols-[10.5rem_1fr_auto] items-baseline gap-x-4 py-2.5 pl-3 text-left aria-pressed:shadow-[inset_5px_0_0_var(--blue)] max-sm:grid-cols-1"
                >
                  <span className="text-lg font-bold">{words}</span>
                  {target.set ? (
                    <>
                      <Figure target={target} clearance={figure === 'clearance'} />
                      <span className="text-right text-sm text-soft max-sm:text-left">
                        {target.inForce.limit !== null && target.inForce.limit !== target.inForce.aimTo && <>limit {length(target.inForce.limit, figure === 'clearance' ? 'clearance' : 'fine')} · </>}
                        {STANDING_WORDS[target.inForce.rank]}
                      </span>
                    </>
                  ) : (
                    <span className="col-span-2 text-short">{target.ask}</span>
                  )}
                </button>
              );
            })}
          </div>
          <section className="mt-4" aria-label="Papers">
            <h2>
              {current.words}: what the papers say
            </h2>
            <p className="mt-0.5 mb-2 text-soft">The sheet packed with these parts is trusted first, then the engine’s manual, then the chart.</p>
            <div className="flex flex-wrap gap-3">
              {(['sheet', 'manual'] as const).map((paper) => (
                <PaperForm
                  key={`${shown}-${paper}`}
                  what={current.words}
                  paper={paper}
                  kind={current.kind}
                  given={papers[paper]}
                  onSave={(given) => choose('targets', withPapers(choices, shown, { ...papers, [paper]: given }))}
                />
              ))}
            </div>
          </section>
          <section className="mt-5 grid gap-4" aria-label="How targets are set">
            <div>
              <h2 className="mb-1">Second ring against the top</h2>
              <Segmented label="Second ring against the top" value={choices.secondSchool} options={SCHOOL_OPTIONS} onChange={(secondSchool) => choose('targets', { ...choices, secondSchool })} />
              <p className="mt-1 max-w-prose text-sm text-soft">{SECOND_SCHOOL_REASON[choices.secondSchool]}</p>
            </div>
            <Widths key={[choices.feelerStep, choices.gapWindow, choices.gapLimit, choices.clearanceWindow, choices.clearanceLimit].join()} choices={choices} />
          </section>
        </>
      }
      aside={
        <>
          <h2 className="mb-1">Why, {current.words.toLowerCase()}</h2>
          <Why target={of(shown)} />
          <h2 className="mt-5 mb-2">To know</h2>
          <Findings findings={judgement.findings.filter((f) => f.stage === 'targets' || f.stage === 'job')} empty="Nothing stands against these targets." />
          <p className="mt-5 text-soft">A thou too loose costs a little oil. A thou too tight can cost the engine. What the parts’ makers say comes first.</p>
        </>
      }
    />
  );
}

/** A target's window in large figures. */
function Figure({ target, clearance }: { target: Extract<Target, { set: true }>; clearance: boolean }) {
  const { units } = useBench();
  const { min, aimTo } = target.inForce;
  const style = clearance ? 'clearance' : 'fine';
  const low = printLength(min, units, style);
  return (
    <span className="figures text-[2rem] leading-tight font-bold whitespace-nowrap">
      {aimTo === null ? `≥ ${low.number}` : `${low.number}–${printLength(aimTo, units, style).number}`}
      <span className="text-lg font-normal"> {low.unit}</span>
    </span>
  );
}

type WidthKey = 'gapWindow' | 'gapLimit' | 'clearanceWindow' | 'clearanceLimit';

/** Widths of either window are of a clearance's size, and are heard as one. */
const WIDTHS: [WidthKey, string][] = [
  ['gapWindow', 'Gap window, over the minimum'],
  ['gapLimit', 'Gap limit, over the minimum'],
  ['clearanceWindow', 'Clearance window, over the minimum'],
  ['clearanceLimit', 'Clearance limit, over the minimum'],
];

/** The rounding step and the widths of the windows. */
function Widths({ choices }: { choices: TargetChoices }) {
  const { units, choose } = useBench();
  const [draft, setDraft] = useState(choices);
  const [faults, setFaults] = useState<Partial<Record<WidthKey, string | null>>>({});
  const unsettled = Object.values(faults).find((f) => f);
  const wrong =
    unsettled ??
    (draft.gapLimit < draft.gapWindow || draft.clearanceLimit < draft.clearanceWindow ? 'A limit lies inside its aim window: are they swapped?' : null);
  const { feelerStep, gapWindow, gapLimit, clearanceWindow, clearanceLimit } = draft;
  return (
    <details>
      <summary className="min-h-11 py-2 font-bold">Rounding and windows</summary>
      <div className="grid max-w-2xl gap-4 pt-2 sm:grid-cols-2">
        <Field label="Gaps go up to the next" hint="Always up, never to the nearest.">
          {(props) => (
            <select {...props} className="field" value={feelerStep} onChange={(event) => setDraft({ ...draft, feelerStep: Number(event.target.value) })}>
              {STEPS.map(([nm, words]) => (
                <option key={nm} value={nm}>
                  {words}
                </option>
              ))}
            </select>
          )}
        </Field>
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
          <Button kind="accent" disabled={wrong !== null} onClick={() => choose('targets', { ...choices, feelerStep, gapWindow, gapLimit, clearanceWindow, clearanceLimit })}>
            Set rounding and windows
          </Button>
          {wrong && <p className="mt-1 font-bold text-over">{wrong}</p>}
        </div>
      </div>
    </details>
  );
}
