'use client';

import { finishOrdersOf, sizePlanOf, type FinishOrder, type SizePlan } from '@/core/stages/pistons/oversize';
import { useJudgement, useWords } from '../openBuild/contexts';
import { Explain } from '../shared/Explain';
import { StateMark } from '../shared/StateMark';
import { Table, unseen } from '../shared/Table';
import { SizingForm } from './SizingForm';

const PLAN_STANDING =
  'Take the smallest oversize that cleans up every cylinder: common practice, no source. Oversizes and stocks are set below; the starting ones are typical figures, no source.';
const ORDER_STANDING =
  'Buy the pistons first, then hone each bore to its piston plus the clearance: common practice, no source. The clearance is the middle of this cylinder’s window.';

/** A cylinder as the engine labels it. */
function useLabels(): (id: string) => string {
  const { labels } = useJudgement();
  return (id) => labels.get(id) ?? id;
}

/** The next size: which oversize cleans them all, what comes off, and the order to bore and hone. */
export function Oversize() {
  const judgement = useJudgement();
  const plan = sizePlanOf(judgement);
  const orders = finishOrdersOf(judgement);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6 pt-3">
      <section aria-label="Oversize">
        {!plan && (
          <p className="text-lg">
            Give the standard bore below, or the planned bore on the job card: oversizes count from it.
          </p>
        )}
        {plan && plan.cylinders.length === 0 && (
          <p className="text-lg text-soft">
            No bores measured yet. The smallest oversize that cleans up every bore appears here.
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
  const labelOf = useLabels();
  const { units, number, unit } = useWords();
  return (
    <section aria-label="The order to bore and hone">
      <h2 className="text-lg">The order to bore and hone</h2>
      {orders.length === 0 ? (
        <p className="text-soft">
          Measure the pistons that were bought, and each bore’s finish size stands here: its own piston plus its
          clearance.
        </p>
      ) : (
        <Table
          caption="Finish bore for each piston"
          className="mt-1"
          rows={orders}
          keyOf={(o) => o.cylinder}
          columns={[
            ['cylinder', (o) => labelOf(o.cylinder)],
            [`piston, ${unit('size')}`, (o) => number(o.piston, 'size'), 'num'],
            [`bore to, ${unit('size')}`, (o) => number(o.bore, 'size'), 'num'],
            [
              `hone to, ${unit('size')}`,
              ({ hone }) => (
                <>
                  <b className="text-lg">{number(hone.aim, 'size')}</b>
                  <span className="block text-xs text-soft">
                    {number(hone.least, 'size')}–{number(hone.most, 'size')}
                  </span>
                </>
              ),
              'num',
            ],
            [`still off, ${unit('fine')}`, (o) => <StillOff order={o} />, 'num'],
            [
              unseen('why'),
              (o) => (
                <Explain
                  what={`finish bore of cylinder ${labelOf(o.cylinder)}`}
                  working={o.working}
                  standing={ORDER_STANDING}
                  units={units}
                />
              ),
            ],
          ]}
        />
      )}
    </section>
  );
}

function StillOff({ order: { tooWide, done, off } }: { order: FinishOrder }) {
  const { number } = useWords();
  if (tooWide) return <span className="font-bold text-over">too wide already</span>;
  return done ? 'in its range' : number(off, 'fine');
}

/** The oversize that cleans them, and the sleeves that are due. */
function OversizeHead({ plan }: { plan: SizePlan }) {
  const labelOf = useLabels();
  const { length, number, unit } = useWords();
  return (
    <>
      <p className="flex flex-wrap items-baseline gap-x-4">
        {plan.oversize === null ? (
          <b className="text-2xl text-over">No oversize on the list cleans up any bore.</b>
        ) : (
          <>
            <span className="figures text-[3rem] leading-none font-bold">
              {number(plan.oversize, 'fine')}
              <span className="text-xl"> {unit('fine')} over</span>
            </span>
            <span className="text-lg">
              cleans up{' '}
              {plan.sleeves.length === 0
                ? `all ${plan.cylinders.length} measured`
                : `${plan.cylinders.length - plan.sleeves.length} of ${plan.cylinders.length}`}
              : bore {plan.bore === null ? '' : length(plan.bore, 'size')}
            </span>
          </>
        )}
      </p>
      {plan.sleeves.length > 0 && (
        <p className="mt-1 font-bold text-over">
          A sleeve is due in cylinder {plan.sleeves.map(labelOf).join(', ')}: no oversize on the list cleans it up.
        </p>
      )}
    </>
  );
}

/** What each bore needs. */
function NeededTable({ plan }: { plan: SizePlan }) {
  const labelOf = useLabels();
  const { units, number, unit } = useWords();
  const fine = (nm: number): string => number(nm, 'fine');
  return (
    <Table
      caption="Oversize each bore needs"
      className="mt-2"
      rows={plan.cylinders}
      keyOf={(c) => c.cylinder}
      columns={[
        ['cylinder', (c) => labelOf(c.cylinder)],
        [`needs, ${unit('fine')} over`, (c) => fine(c.needed), 'num'],
        ['on its own', (c) => (c.alone === null ? 'a sleeve' : fine(c.alone)), 'num'],
        [`off the diameter, ${unit('fine')}`, (c) => (c.off ? `${fine(c.off.least)}–${fine(c.off.most)}` : '–'), 'num'],
        [
          unseen('why'),
          (c) => (
            <>
              {c.unproven && <StateMark state="not proven" />}{' '}
              <Explain
                what={`oversize cylinder ${labelOf(c.cylinder)} needs`}
                working={c.working}
                standing={PLAN_STANDING}
                units={units}
              />
            </>
          ),
        ],
      ]}
    />
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
      <Table
        caption="Grade of each bore and piston"
        className="mt-1"
        rows={cylinders}
        keyOf={(c) => c.id}
        columns={[
          ['cylinder', (c) => c.label],
          ['bore', (c) => words(c.grades?.bore), 'figures'],
          [
            'its piston',
            (c) => (
              <>
                {words(c.grades?.piston)} <span className="font-sans text-soft">(piston {c.piston.label})</span>
              </>
            ),
            'figures',
          ],
        ]}
      />
    </section>
  );
}
