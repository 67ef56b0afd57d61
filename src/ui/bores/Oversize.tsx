'use client';

import { finishOrdersOf, sizePlanOf, type FinishOrder, type SizePlan } from '@/core/stages/pistons/oversize';
import { printLength } from '@/core/foundation/quantity/format';
import { useJudgement, useWords } from '../openBuild/contexts';
import { Explain } from '../shared/Explain';
import { bareOf, unitOf } from '../shared/shopUnits';
import { StateMark } from '../shared/StateMark';
import { SizingForm } from './SizingForm';

const PLAN_STANDING =
  'Take the smallest oversize that cleans every cylinder: common practice, no source. Oversizes and stocks as set below; the starting ones are from memory.';
const ORDER_STANDING =
  'Buy the pistons first, then hone each bore to its piston plus the clearance: common practice, no source. The clearance is the middle of this cylinder’s window.';

/** How this screen prints sizes and names cylinders. */
function useSizes() {
  const { labels } = useJudgement();
  const { units, length } = useWords();
  return {
    ...{ units, length, sizeUnit: unitOf(units), fineUnit: bareOf(units) },
    labelOf: (id: string): string => labels.get(id) ?? id,
    size: (nm: number): string => printLength(nm, units, 'size').number,
    fine: (nm: number): string => printLength(nm, units, 'fine').number,
  };
}

/** The next size: which oversize cleans them all, what comes off, and the order to bore and hone. */
export function Oversize() {
  const judgement = useJudgement();
  const plan = sizePlanOf(judgement);
  const orders = finishOrdersOf(judgement);
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
            <OversizeHead plan={plan} />
            <NeededTable plan={plan} />
          </>
        )}
      </section>
      <FinishOrders orders={orders} />
      <Grades />
      <SizingForm />
    </div>
  );
}

/** What each bore is bored and honed to. */
function FinishOrders({ orders }: { orders: FinishOrder[] }) {
  const { units, labelOf, size, fine, sizeUnit, fineUnit } = useSizes();
  return (
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
  );
}

/** The oversize that cleans them, and the sleeves that are due. */
function OversizeHead({ plan }: { plan: SizePlan }) {
  const { length, labelOf, fine, fineUnit } = useSizes();
  return (
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
    </>
  );
}

/** What each bore needs. */
function NeededTable({ plan }: { plan: SizePlan }) {
  const { units, labelOf, fine, fineUnit } = useSizes();
  return (
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
