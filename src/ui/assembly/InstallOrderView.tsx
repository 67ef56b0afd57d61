'use client';

import type { FitStep, Turning } from '@/core/stages/assembly/installOrder';
import { useJudgement, useLogging, useMoving } from '../openBuild/contexts';
import { Segmented } from '../shared/Segmented';
import { Dial, turnWords } from './Dial';
import { ThrowsForm } from './ThrowsForm';
import type { Order } from './useInstallOrder';

const SAVES = [
  ['stand', 'turns of the stand'],
  ['crank', 'turns of the crank'],
] as const;
const WAYS = [
  ['on', 'the way it runs'],
  ['both', 'either way'],
] as const;

const costWords = ({ crank, stand }: Turning, hasBanks: boolean): string =>
  `crank ${Math.round(crank)}°${hasBanks ? `, stand ${stand} ${stand === 1 ? 'turn' : 'turns'}` : ''}`;

/** In which order pistons go in with the fewest turns. */
export function InstallOrderView({ order }: { order: Order }) {
  const judgement = useJudgement();
  const { choose } = useLogging();
  const { walk } = judgement.choices;
  const { found, ask } = order;
  const hasBanks = judgement.cylinders.some((c) => c.bank !== 'only');
  const isFree = ask?.from === null;
  const isBetter = found !== null && (found.crank < found.plain.crank || found.stand < found.plain.stand);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-4 pt-3">
      <div className="flex flex-wrap items-center gap-x-6 gap-y-2">
        {hasBanks && (
          <Segmented
            heading="Save first"
            label="Minimise first"
            value={walk.saves}
            options={SAVES}
            onChange={(saves) => choose('walk', { ...walk, saves })}
          />
        )}
        <Segmented
          heading="Crank turned"
          label="How the crank is turned"
          value={walk.bothWays ? 'both' : 'on'}
          options={WAYS}
          onChange={(way) => choose('walk', { ...walk, bothWays: way === 'both' })}
        />
      </div>
      {order.isAwaited && <p className="text-lg text-soft">Working out the order …</p>}
      {found && found.steps.length > 0 && (
        <>
          <p className="text-lg">
            <b>{costWords(found, hasBanks)}</b>
            {isBetter
              ? `; by the engine’s own numbers it would be ${costWords(found.plain, hasBanks)}.`
              : ': the engine’s own numbers are as good as any.'}
          </p>
          <Steps found={found} isFree={isFree} hasBanks={hasBanks} />
        </>
      )}
      {found?.steps.length === 0 && <p className="text-lg">All pistons are in.</p>}
      {ask === null && (
        <p className="text-lg text-short">
          Crank throws are not set, and this engine has no usual arrangement: look at the crank from the front.
        </p>
      )}
      <ThrowsForm key={JSON.stringify(walk.throws)} />
    </div>
  );
}

interface StepsProps {
  found: NonNullable<Order['found']>;
  /** Whether nothing is in yet: the first throw may be at the bottom anyway. */
  isFree: boolean;
  hasBanks: boolean;
}

/** The pistons in their order, and what is exact about it. */
function Steps({ found, isFree, hasBanks }: StepsProps) {
  const { walk } = useJudgement().choices;
  return (
    <>
      <ol
        className="grid grid-cols-[repeat(auto-fill,minmax(9.5rem,1fr))] gap-x-5 gap-y-3"
        aria-label="Piston install order"
      >
        {found.steps.map((step, i) => (
          <OneStep key={step.id} step={step} number={i + 1} isFirst={isFree && i === 0} hasBanks={hasBanks} />
        ))}
      </ol>
      <p className="max-w-prose text-soft">
        Exact: no order has fewer turns
        {hasBanks && walk.saves === 'stand' ? ' of the stand, and then of the crank' : ''}. Rods on one throw go in one
        after the other. The dial is the crank from the front, with the bore upright. Angles count from where the crank
        stands
        {isFree ? ' once the first throw is at the bottom' : ' after the piston that went in last'}.
      </p>
    </>
  );
}

interface StepProps {
  step: FitStep;
  number: number;
  isFirst: boolean;
  hasBanks: boolean;
}

function OneStep({ step, number, isFirst, hasBanks }: StepProps) {
  const judgement = useJudgement();
  const { toCylinder } = useMoving();
  const cylinder = judgement.cylinders.find((c) => c.id === step.id);
  if (!cylinder) return null;
  return (
    <li className="border-t border-line pt-2">
      <p className="flex items-baseline gap-2">
        <span className="figures text-soft">{number}.</span>
        <button type="button" className="min-h-11 text-xl font-bold" onClick={() => toCylinder(step.id)}>
          Cylinder {cylinder.label}
        </button>
      </p>
      <Dial by={step.by} isFirst={isFirst} isClockwise={judgement.job?.engine.rotation !== 'anticlockwise'} />
      <p className="mt-1">Crank {turnWords(step.by, isFirst)}</p>
      {hasBanks && (
        <p className={step.turnsStand ? 'font-bold' : 'text-soft'}>
          {step.turnsStand ? `stand to the ${cylinder.bank} bank` : `${cylinder.bank} bank`}
        </p>
      )}
    </li>
  );
}
