'use client';

import {
  type KindAdvice,
  type ShellAdvice,
  shellAsk,
  sided,
  toBuy,
  verdictWith,
} from '@/core/stages/journals/shellAdvice';
import { type BearingKind, type FittedShells, type ShellChoices, KINDS, givenBy } from '@/core/stages/journals/choices';
import { KIND_WORDS } from '@/core/stages/journals/words';
import { useInitials, useJudgement, useLogging, useWords } from '../openBuild/contexts';
import { Button } from '../shared/Button';
import { Segmented } from '../shared/Segmented';
import { StateMark, StateShape } from '../shared/StateMark';
import { Table, unseen } from '../shared/Table';
import { When } from '../shared/When';
import { useWorkerResult } from '../shared/useWorkerResult';
import { StockForm } from './StockForm';

const begin = (): Worker => new Worker(new URL('../../workers/shells.ts', import.meta.url), { type: 'module' });

const PREFERS = [
  ['even', 'most even'],
  ['aim', 'closest to aim'],
] as const;
const SIDES = [
  ['upper', 'block or rod'],
  ['lower', 'cap'],
] as const;

/** Which half shells bring the bearings in: to buy, ordered, fitted and measured again. */
export function ShellsView() {
  const judgement = useJudgement();
  const { choose } = useLogging();
  const { shells } = judgement.choices;
  const ask = shellAsk(judgement);
  const found = useWorkerResult<ShellAdvice>(ask, begin);
  const set = (change: Partial<ShellChoices>): void => choose('shells', { ...shells, ...change });
  const advice = found.state === 'done' ? found.result : null;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-4 pt-3">
      <div className="flex flex-wrap items-center gap-x-6 gap-y-2">
        <Segmented
          heading="First"
          label="What comes first"
          value={shells.prefer}
          options={PREFERS}
          onChange={(prefer) => set({ prefer })}
        />
        <Segmented
          heading="Thinner half in the"
          label="Where thinner halves stand"
          value={shells.thinner}
          options={SIDES}
          onChange={(thinner) => set({ thinner })}
        />
        <span className="self-center text-soft">+ is thinner: more clearance</span>
      </div>
      {ask.kinds.length === 0 && (
        <p className="text-lg">
          <b>Nothing to work from yet.</b> Clearances come first, and the manual’s limits: what is read and has limits
          is brought in here.
        </p>
      )}
      {found.state === 'running' && ask.kinds.length > 0 && <p className="text-lg text-soft">Working it out …</p>}
      {found.state === 'failed' && <p className="text-lg text-over">It could not be worked out in this browser.</p>}
      {advice?.isInOrder === false && (
        <p className="text-lg text-short">
          No shells in this stock bring every main to no more than every rod: each kind is brought in by itself.
        </p>
      )}
      {advice?.kinds.map((kind) => (
        <Kind key={kind.kind} advice={kind} />
      ))}
      <Planned />
      <StockForm />
      {ask.kinds.length > 0 && (
        <p className="max-w-prose text-soft">
          Exact: as few tight as can be, then as few out of their limits, then the fewest part numbers, then{' '}
          {shells.prefer === 'even'
            ? 'as even as possible, then closest to aim'
            : 'closest to aim, then as even as possible'}
          {ask.inOrder ? '; no main looser than any rod' : ''}. “In” is what these tools can show, so the least that is
          counted on lies a little over the manual’s. Common practice, no source: one half of another grade gives half
          of what a pair gives; the odd half stands on the same side in all.
        </p>
      )}
    </div>
  );
}

/** A half shell: the upper arched, the lower hanging; thicker in the line where it is no standard one. */
function Half({ upper, odd }: { upper: boolean; odd: boolean }) {
  return (
    <svg viewBox="0 0 60 34" className="inline-block h-6 w-11 align-middle" aria-hidden>
      <path
        d={upper ? 'M6 31A24 24 0 0 1 54 31' : 'M6 3A24 24 0 0 0 54 3'}
        fill="none"
        stroke={odd ? 'var(--blue)' : 'var(--soft)'}
        strokeWidth={odd ? 5 : 9}
      />
    </svg>
  );
}

function Kind({ advice: { kind, together, nearest, grinding } }: { advice: KindAdvice }) {
  const judgement = useJudgement();
  const { choose } = useLogging();
  const { length } = useWords();
  const { shells } = judgement.choices;
  const planned = sided(together, shells.thinner);
  const buys = toBuy(planned, shells, kind);
  const cost = buys.some((b) => b.pairs > 0 && b.price === null)
    ? null
    : buys.reduce((sum, b) => sum + (b.price ?? 0), 0);
  const isChange = buys.some((b) => b.pairs > 0) || JSON.stringify(planned) !== JSON.stringify(nowAt(shells, planned));
  const better = nearest.spread > together.spread || nearest.grades.length > together.grades.length;
  const count = together.fitted.length;
  const unread = (kind === 'main' ? judgement.mains : judgement.rods).length - count;
  return (
    <section aria-label={`Shells for the ${KIND_WORDS[kind].toLowerCase()}`}>
      <h2 className="text-lg">
        {KIND_WORDS[kind]}:{' '}
        <span className="font-normal">
          {together.out === 0 ? (
            <b className="text-ok">all {count} in</b>
          ) : (
            <b className="text-over">
              {together.out} of {count} stay out
            </b>
          )}
          , {length(together.spread, 'clearance')} apart, {together.grades.length} part{' '}
          {together.grades.length === 1 ? 'number' : 'numbers'}
          {unread > 0 && `; ${unread} not read yet`}
        </span>
      </h2>
      <div className="relative overflow-x-auto">
        <BeforeAfter kind={kind} planned={planned} advice={{ kind, together, nearest, grinding }} />
      </div>
      {grinding && (
        <p className="mt-1 text-lg text-short">
          <b>No shells bring all of them within limits.</b> Grind all {count} to {length(grinding.from, 'size')}–
          {length(grinding.to, 'size')}, aim {length(grinding.aim, 'size')}: all then need shells{' '}
          {length(grinding.under, 'size')} under.
        </p>
      )}
      {together.out > 0 && !grinding && (
        <p className="mt-1 text-lg text-short">
          <b>No shells in this stock bring all of them within limits.</b> Add the grades or undersizes that can be had
          below, or accept with a reason.
        </p>
      )}
      {better && together.out === nearest.out && (
        <p className="text-soft">
          Each nearest its own aim would take {nearest.grades.length} part numbers and lie{' '}
          {length(nearest.spread, 'clearance')} apart.
        </p>
      )}
      {together.alike > 0 && (
        <p className="text-soft">
          {together.alike} other {together.alike === 1 ? 'set comes' : 'sets come'} out the same; this one stands first
          in the stock.
        </p>
      )}
      <div className="mt-2 flex flex-wrap items-center gap-4">
        <BuyList buys={buys} cost={cost} />
        {isChange && (
          <Button
            kind="strong"
            onClick={() =>
              choose('shells', {
                ...shells,
                planned: [
                  ...shells.planned.filter((p) => !planned.some((q) => q.place === p.place)),
                  ...planned.map((p) => ({ ...p, ordered: null })),
                ],
              })
            }
          >
            Plan these for the {KIND_WORDS[kind].toLowerCase()}
          </Button>
        )}
      </div>
    </section>
  );
}

/** The shells to buy. */
function BuyList({ buys, cost }: { buys: ReturnType<typeof toBuy>; cost: number | null }) {
  return (
    <p>
      {buys.every((b) => b.pairs === 0) ? (
        <b>Nothing to buy.</b>
      ) : (
        <>
          To buy:{' '}
          <b>
            {buys
              .filter((b) => b.pairs > 0)
              .map((b) => `${b.pairs} ${b.pairs === 1 ? 'pair' : 'pairs'} ${b.grade.name}`)
              .join(', ')}
          </b>
          {cost !== null && cost > 0 && `, ${cost.toFixed(2)} in all`}
          {'. '}
          <span className="text-soft">
            {buys
              .filter((b) => b.there > 0)
              .map((b) => `${b.there} of ${b.halves} halves ${b.grade.name} are there`)
              .join(', ')}
          </span>
        </>
      )}
    </p>
  );
}

const nowAt = (shells: ShellChoices, planned: readonly FittedShells[]): FittedShells[] =>
  planned.map(({ place }) => shells.fitted.find((f) => f.place === place) ?? { place, upper: 'std', lower: 'std' });

interface BeforeAfterProps {
  kind: BearingKind;
  planned: FittedShells[];
  advice: KindAdvice;
}

/** Before and after, side by side. */
function BeforeAfter({ kind, planned, advice: { together } }: BeforeAfterProps) {
  const judgement = useJudgement();
  const { number, unit } = useWords();
  const { shells } = judgement.choices;
  const bearings = kind === 'main' ? judgement.mains : judgement.rods;
  const name = (id: string): string => shells.stock[kind].find((s) => s.id === id)?.name ?? id;
  const isOdd = (id: string): boolean =>
    givenBy(shells.stock[kind].find((s) => s.id === id) ?? { gives: 0, coat: 0 }) !== 0;
  const rows = together.fitted.flatMap((fitted, i) => {
    const bearing = bearings.find((b) => b.id === fitted.journal);
    const halves = planned[i];
    return bearing && halves && bearing.clearance.value !== null ? [{ bearing, halves, after: fitted.clearance }] : [];
  });
  const half = (halves: FittedShells, side: 'upper' | 'lower') => {
    const odd = isOdd(halves[side]);
    return (
      <>
        <Half upper={side === 'upper'} odd={odd} />{' '}
        <span className={odd ? 'font-bold text-blue' : 'text-soft'}>{name(halves[side])}</span>
      </>
    );
  };
  return (
    <Table
      caption={`Clearance of the ${KIND_WORDS[kind].toLowerCase()} now, and with these shells`}
      rows={rows}
      keyOf={(row) => row.bearing.id}
      columns={[
        [kind, ({ bearing: { label } }) => (kind === 'main' ? label.slice(1) : label)],
        [
          `now, ${unit('clearance')}`,
          ({ bearing: { clearance } }) => (
            <>
              {number(clearance.value, 'clearance')} <StateShape state={clearance.state} />
              <span className="sr-only"> {clearance.state}</span>
            </>
          ),
          'num',
        ],
        [`half in the ${kind === 'main' ? 'block' : 'rod'}`, (row) => half(row.halves, 'upper'), 'whitespace-nowrap'],
        ['half in the cap', (row) => half(row.halves, 'lower'), 'whitespace-nowrap'],
        ['after', (row) => <b>{number(row.after, 'clearance')}</b>, 'num'],
        [
          unseen('verdict after'),
          ({ bearing, after }) => <StateMark state={verdictWith(bearing, after, judgement.choices.deciding)} />,
        ],
      ]}
    />
  );
}

/** What was decided on: ordered, and then fitted and measured again. */
function Planned() {
  const judgement = useJudgement();
  const { choose, renew } = useLogging();
  const { by } = useInitials();
  const { shells } = judgement.choices;
  if (shells.planned.length === 0) return null;
  const bearings = [...judgement.mains, ...judgement.rods];
  const waiting = shells.planned.flatMap((plan) => {
    const bearing = bearings.find((b) => b.id === plan.place);
    return bearing ? [{ bearing, plan }] : [];
  });
  const name = (kind: BearingKind, id: string): string => shells.stock[kind].find((s) => s.id === id)?.name ?? id;
  const buys = KINDS.flatMap((kind) =>
    toBuy(
      waiting.flatMap(({ bearing, plan }) => (bearing.kind === kind ? [plan] : [])),
      shells,
      kind,
    )
      .filter((b) => b.pairs > 0)
      .map((b) => `${KIND_WORDS[kind].toLowerCase()}: ${b.pairs} ${b.pairs === 1 ? 'pair' : 'pairs'} ${b.grade.name}`),
  );
  const ordered = shells.planned.flatMap((p) => p.ordered ?? []);
  const [first] = ordered;
  const isOrdered = ordered.length === shells.planned.length;
  const fit = (): void => {
    const changed = shells.planned.filter((p) => {
      const [now] = nowAt(shells, [p]);
      return now?.upper !== p.upper || now.lower !== p.lower;
    });
    choose('shells', {
      ...shells,
      fitted: [
        ...shells.fitted.filter((f) => !shells.planned.some((p) => p.place === f.place)),
        ...shells.planned.map(({ place, upper, lower }) => ({ place, upper, lower })),
      ],
      planned: [],
    });
    if (changed.length > 0)
      renew(
        'shells',
        changed.map((p) => p.place),
      );
  };
  const mark = (as: { at: string; by: string } | null): void =>
    choose('shells', { ...shells, planned: shells.planned.map((p) => ({ ...p, ordered: as && (p.ordered ?? as) })) });
  return (
    <section aria-label="Planned shells" className="border-l-4 border-blue pl-4">
      <h2 className="text-lg">
        {isOrdered ? 'Ordered, to be fitted' : first ? 'Planned, some of them ordered' : 'Planned, to be ordered'}
      </h2>
      <ul className="columns-2 gap-8 max-sm:columns-1">
        {waiting.map(({ bearing, plan }) => (
          <li key={bearing.id}>
            <b>{bearing.words}</b>: {name(bearing.kind, plan.upper)} over {name(bearing.kind, plan.lower)}
            {plan.ordered && !isOrdered && ', ordered'}
          </li>
        ))}
      </ul>
      <p className="mt-1">
        {buys.length === 0 ? 'All of them are there.' : `To buy: ${buys.join('; ')}.`}
        {first && (
          <>
            {' '}
            Ordered by {first.by || 'no initials'}, <When at={first.at} />.
          </>
        )}
      </p>
      <div className="mt-2 flex flex-wrap gap-3">
        {!isOrdered && buys.length > 0 && (
          <Button kind="strong" onClick={() => mark({ at: new Date().toISOString(), by })}>
            They are ordered
          </Button>
        )}
        <Button kind="accent" onClick={fit}>
          They are in: measure again
        </Button>
        {first && <Button onClick={() => mark(null)}>Not ordered after all</Button>}
        <Button onClick={() => choose('shells', { ...shells, planned: [] })}>Drop the plan</Button>
      </div>
    </section>
  );
}
