'use client';

import { useState } from 'react';
import { type SizingChoices, MOST_GRADES } from '@/core/stages/bores/oversizeChoices';
import { usePersistedDraft } from '../shared/persistedDraft';
import { finishOrdersOf, sizePlanOf } from '@/core/stages/pistons/oversize';
import { printLength } from '@/core/foundation/quantity/format';
import { useJudgement, useLogging, useWords } from '../openBuild/contexts';
import { Button } from '../shared/Button';
import { Explain } from '../shared/Explain';
import { Field } from '../shared/Field';
import { LengthField } from '../shared/LengthField';
import { LengthsField } from '../shared/LengthsField';
import { bareOf } from '../shared/shopUnits';
import { StateMark } from '../shared/StateMark';

const PLAN_STANDING =
  'Take the smallest oversize that cleans every cylinder: common practice, no source. Oversizes and stocks as set below; the starting ones are from memory.';
const ORDER_STANDING =
  'Buy the pistons first, then hone each bore to its piston plus the clearance: common practice, no source. The clearance is the middle of this cylinder’s window.';

/** The next size: which oversize cleans them all, what comes off, and the order to bore and hone. */
export function Oversize() {
  const judgement = useJudgement();
  const { units, length } = useWords();
  const { cylinders } = judgement;
  const plan = sizePlanOf(judgement);
  const orders = finishOrdersOf(judgement);
  const { sizing } = judgement.choices;
  const labelOf = (id: string): string => cylinders.find((c) => c.id === id)?.label ?? id;
  const size = (nm: number): string => printLength(nm, units, 'size').number;
  const fine = (nm: number): string => printLength(nm, units, 'fine').number;
  const [sizeUnit, fineUnit] = units === 'imperial' ? ['in', 'thou'] : ['mm', 'mm'];
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6 pt-3">
      <section aria-label="The next size">
        {!plan && (
          <p className="text-lg">
            Give the standard bore below, or the planned bore on the job card: oversizes count from it.
          </p>
        )}
        {plan && plan.cylinders.length === 0 && (
          <p className="text-lg text-soft">
            No bore is read yet. Once they are, the smallest oversize that cleans them all stands here.
          </p>
        )}
        {plan && plan.cylinders.length > 0 && (
          <>
            <p className="flex flex-wrap items-baseline gap-x-4">
              {plan.oversize === null ? (
                <b className="text-2xl text-over">No oversize on the list cleans any of them.</b>
              ) : (
                <>
                  <span className="figures text-[3rem] leading-none font-bold">
                    {fine(plan.oversize)}
                    <span className="text-xl"> {fineUnit} over</span>
                  </span>
                  <span className="text-lg">
                    cleans{' '}
                    {plan.sleeves.length === 0
                      ? `all ${plan.cylinders.length} that are read`
                      : `${plan.cylinders.length - plan.sleeves.length} of ${plan.cylinders.length}`}
                    : bore {plan.bore === null ? '' : length(plan.bore, 'size')}
                  </span>
                </>
              )}
            </p>
            {plan.sleeves.length > 0 && (
              <p className="mt-1 font-bold text-over">
                A sleeve is due in cylinder {plan.sleeves.map(labelOf).join(', ')}: no oversize on the list cleans it.
              </p>
            )}
            <div className="relative overflow-x-auto">
              <table className="ruled mt-2">
                <caption className="sr-only">Oversize each bore needs</caption>
                <thead>
                  <tr>
                    <th scope="col">cylinder</th>
                    <th scope="col" className="num">
                      needs, {fineUnit} over
                    </th>
                    <th scope="col" className="num">
                      alone it takes
                    </th>
                    <th scope="col" className="num">
                      off the diameter, {fineUnit}
                    </th>
                    <th scope="col">
                      <span className="sr-only">why</span>
                    </th>
                  </tr>
                </thead>
                <tbody>
                  {plan.cylinders.map((c) => (
                    <tr key={c.cylinder}>
                      <th scope="row" className="font-bold! text-ink!">
                        {labelOf(c.cylinder)}
                      </th>
                      <td className="num">{fine(c.needed)}</td>
                      <td className="num">{c.alone === null ? 'a sleeve' : fine(c.alone)}</td>
                      <td className="num">{c.off ? `${fine(c.off.least)}–${fine(c.off.most)}` : '–'}</td>
                      <td>
                        {c.unproven && <StateMark state="not proven" />}{' '}
                        <Explain
                          what={`oversize cylinder ${labelOf(c.cylinder)} needs`}
                          working={c.working}
                          standing={PLAN_STANDING}
                          units={units}
                        />
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
          </>
        )}
      </section>
      <section aria-label="The order to bore and hone">
        <h2 className="text-lg">The order to bore and hone</h2>
        {orders.length === 0 ? (
          <p className="text-soft">
            Measure the pistons that were bought, and each bore’s finish size stands here: its own piston plus its
            clearance.
          </p>
        ) : (
          <div className="relative overflow-x-auto">
            <table className="ruled mt-1">
              <caption className="sr-only">Finish bore for each piston</caption>
              <thead>
                <tr>
                  <th scope="col">cylinder</th>
                  <th scope="col" className="num">
                    piston, {sizeUnit}
                  </th>
                  <th scope="col" className="num">
                    bore to, {sizeUnit}
                  </th>
                  <th scope="col" className="num">
                    hone to, {sizeUnit}
                  </th>
                  <th scope="col" className="num">
                    still off, {fineUnit}
                  </th>
                  <th scope="col">
                    <span className="sr-only">why</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                {orders.map((o) => (
                  <tr key={o.cylinder}>
                    <th scope="row" className="font-bold! text-ink!">
                      {labelOf(o.cylinder)}
                    </th>
                    <td className="num">{size(o.piston)}</td>
                    <td className="num">{size(o.bore)}</td>
                    <td className="num">
                      <b className="text-lg">{size(o.hone.aim)}</b>
                      <span className="block text-xs text-soft">
                        {size(o.hone.least)}–{size(o.hone.most)}
                      </span>
                    </td>
                    <td className="num">
                      {o.tooWide ? (
                        <span className="font-bold text-over">too wide already</span>
                      ) : o.done ? (
                        'in its range'
                      ) : o.off === null ? (
                        '–'
                      ) : (
                        fine(o.off)
                      )}
                    </td>
                    <td>
                      <Explain
                        what={`finish bore of cylinder ${labelOf(o.cylinder)}`}
                        working={o.working}
                        standing={ORDER_STANDING}
                        units={units}
                      />
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        )}
      </section>
      <Grades />
      <SizingForm key={JSON.stringify(sizing) + units} />
    </div>
  );
}

/** Classes of bores and pistons where select fits are used: like to like. */
function Grades() {
  const judgement = useJudgement();
  const { cylinders } = judgement;
  const { sizing } = judgement.choices;
  if (!sizing.grades) return null;
  const words = (grade: { letters: string[]; outside: 'under' | 'over' | null } | null | undefined): string =>
    !grade ? '–' : grade.outside ? `${grade.outside} all` : grade.letters.join(' or ');
  return (
    <section aria-label="Select-fit grades">
      <h2 className="text-lg">Grades</h2>
      <p className="text-soft">
        Like to like: an A piston in an A bore. Two letters: the size is too near the line between them for the tools.
      </p>
      <div className="relative overflow-x-auto">
        <table className="ruled mt-1">
          <caption className="sr-only">Grade of each bore and piston</caption>
          <thead>
            <tr>
              <th scope="col">cylinder</th>
              <th scope="col">bore</th>
              <th scope="col">its piston</th>
            </tr>
          </thead>
          <tbody>
            {cylinders.map((c) => (
              <tr key={c.id}>
                <th scope="row" className="font-bold! text-ink!">
                  {c.label}
                </th>
                <td className="figures">{words(c.grades?.bore)}</td>
                <td className="figures">
                  {words(c.grades?.piston)} <span className="font-sans text-soft">(piston {c.piston.label})</span>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

/** What sizes are planned with. */
function SizingForm() {
  const judgement = useJudgement();
  const { units } = useWords();
  const { choose } = useLogging();
  const [draft, setDraft, left] = usePersistedDraft<SizingChoices>('sizing', judgement.choices.sizing);
  const [faults, setFaults] = useState<Record<string, string | null>>({});
  const fault = (key: string) => (found: string | null) => setFaults((f) => ({ ...f, [key]: found }));
  const wrong = Object.values(faults).find((f) => f) ?? null;
  const { grades } = draft;
  const bare = bareOf(units);
  const plain = judgement.job?.plannedBore ?? null;
  const startGrades = (): SizingChoices['grades'] => ({
    bore: draft.standard ?? plain ?? 73_500_000,
    piston: (draft.standard ?? plain ?? 73_500_000) - 40_000,
    step: 10_000,
    count: 3,
  });
  const one = (key: 'cleanUp' | 'honing', label: string, hint: string) => (
    <LengthsField
      label={label}
      bare={bare}
      most={1}
      values={[draft[key]]}
      onFault={fault(key)}
      onChange={([nm]) => nm !== undefined && setDraft((d) => ({ ...d, [key]: nm }))}
      hint={hint}
    />
  );
  return (
    <section aria-label="Sizes and stock">
      <h2 className="mb-1 text-lg">Sizes sold, and stock</h2>
      {left}
      <div className="grid max-w-3xl gap-4 sm:grid-cols-2">
        <LengthField
          label="Standard bore"
          kind="bore"
          units={units}
          value={draft.standard}
          onFault={fault('standard')}
          onChange={(standard) => setDraft((d) => ({ ...d, standard }))}
          hint={`Oversizes count from it. Empty: the planned bore${plain === null ? '' : `, ${printLength(plain, units, 'size').number}`}.`}
        />
        <LengthsField
          label="Oversizes sold"
          bare={bare}
          most={20}
          values={draft.oversizes}
          onFault={fault('oversizes')}
          onChange={(oversizes) => setDraft((d) => ({ ...d, oversizes }))}
          hint="On the diameter, apart by spaces."
        />
        {one('cleanUp', 'Clean-up stock', 'Off the diameter over the largest reading, for a bore to be clean.')}
        {one('honing', 'Left for the hone', 'On the diameter, by the boring bar.')}
        <label className="flex min-h-11 items-center gap-2 sm:col-span-2">
          <input
            type="checkbox"
            className="size-5 accent-blue"
            checked={grades !== null}
            onChange={(event) => setDraft((d) => ({ ...d, grades: event.target.checked ? startGrades() : null }))}
          />
          Sorted by grades (A, B, C …)
        </label>
        {grades && (
          <>
            <LengthField
              label="Bore grade A from"
              kind="bore"
              units={units}
              value={grades.bore}
              onFault={fault('gradeBore')}
              onChange={(bore) =>
                bore !== null && setDraft((d) => ({ ...d, grades: d.grades && { ...d.grades, bore } }))
              }
            />
            <LengthField
              label="Piston grade A from"
              kind="piston"
              units={units}
              value={grades.piston}
              onFault={fault('gradePiston')}
              onChange={(piston) =>
                piston !== null && setDraft((d) => ({ ...d, grades: d.grades && { ...d.grades, piston } }))
              }
            />
            <LengthsField
              label="One grade is"
              bare={bare}
              most={1}
              values={[grades.step]}
              onFault={fault('step')}
              onChange={([step]) =>
                step !== undefined && step > 0 && setDraft((d) => ({ ...d, grades: d.grades && { ...d.grades, step } }))
              }
            />
            <Field label="Grades in all">
              {(props) => (
                <input
                  {...props}
                  type="number"
                  min={1}
                  max={MOST_GRADES}
                  className="field figures"
                  value={grades.count}
                  onChange={(event) => {
                    const count = event.target.valueAsNumber;
                    if (count >= 1 && count <= MOST_GRADES)
                      setDraft((d) => ({ ...d, grades: d.grades && { ...d.grades, count: Math.round(count) } }));
                  }}
                />
              )}
            </Field>
          </>
        )}
        <div className="sm:col-span-2">
          <Button
            kind="accent"
            disabled={wrong !== null || JSON.stringify(draft) === JSON.stringify(judgement.choices.sizing)}
            onClick={() => choose('sizing', draft)}
          >
            Set sizes and stock
          </Button>
          {wrong && <p className="mt-1 font-bold text-over">{wrong}</p>}
        </div>
      </div>
    </section>
  );
}
