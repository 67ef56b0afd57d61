'use client';

import { useState } from 'react';
import { type Bobweight, type NoBobweight, bobweightsOf, usualShareOf } from '@/core/stages/assembly/weights/bobweight';
import type { JudgedWeights } from '@/core/stages/assembly/weights/weights';
import { gramsText } from '@/core/foundation/quantity/mass';
import { useJudgement, useLogging } from '../openBuild/contexts';
import { Field } from '../shared/Field';
import { GramsField } from './GramsField';

const WHY_NOT: Record<NoBobweight, string> = {
  'sets alone': 'This engine is balanced without a bobweight. Bring all sets to the lightest, and big ends likewise.',
  'no share': 'Enter the share that the balancer gives for this crank, above. No share is usual for this engine.',
  'not weighed': 'Pistons, pins, clips, ring packs and both ends of every rod are to be weighed first.',
  'no shells': 'Weight of one rod’s shells not entered: enter it above.',
};

/** What the crank is balanced with, and how it comes about. */
export function BobweightView({ masses }: { masses: JudgedWeights }) {
  const judgement = useJudgement();
  const { choose } = useLogging();
  const { choices: balance } = masses;
  const found = bobweightsOf(judgement, masses);
  const usual = usualShareOf(judgement);
  const set = (change: Partial<typeof balance>): void => choose('balance', { ...balance, ...change });
  if (found === 'sets alone') return <p className="max-w-prose pt-2 text-lg">{WHY_NOT[found]}</p>;
  return (
    <div className="grid max-w-3xl gap-5">
      <div className="grid items-start gap-4 sm:grid-cols-3">
        <ShareField key={balance.share} value={balance.share} usual={usual} onSet={(share) => set({ share })} />
        <GramsField
          key={`shells ${balance.shells}`}
          label="Shells of one rod"
          hint="both halves together"
          value={balance.shells}
          onSet={(shells) => set({ shells })}
        />
        <GramsField
          key={`oil ${balance.oil}`}
          label="Oil on a throw"
          hint="what the balancer allows; 0 for none"
          value={balance.oil}
          onSet={(oil) => set({ oil: oil ?? 0 })}
        />
      </div>
      {typeof found === 'string' ? (
        <p className="text-lg">{WHY_NOT[found]}</p>
      ) : (
        <>
          <ol className="grid grid-cols-[repeat(auto-fill,minmax(15rem,1fr))] gap-x-8 gap-y-4" aria-label="Bobweights">
            {found.map((b, i) => (
              <OneThrow key={b.labels.join()} bobweight={b} number={i + 1} />
            ))}
          </ol>
          <p className="max-w-prose text-soft">
            Rotating in full and reciprocating by its share. The maker of the crank and the balancer come first: some
            balance above or below the usual share on purpose.
          </p>
        </>
      )}
    </div>
  );
}

function OneThrow({ bobweight: b, number }: { bobweight: Bobweight; number: number }) {
  const line = (words: string, mass: number) => (
    <p className="flex justify-between gap-4">
      <span>{words}</span>
      <span className="figures">{(mass / 1000).toFixed(2)} g</span>
    </p>
  );
  return (
    <li className="border-t-2 border-ink pt-2">
      <h3 className="flex items-baseline justify-between gap-3 text-xl font-bold">
        <span>Throw {number}</span>
        <span className="figures">{(b.mass / 1000).toFixed(2)} g</span>
      </h3>
      <p className="text-soft">
        {b.labels.length > 1 ? `cylinders ${b.labels.join(' and ')}` : `cylinder ${b.labels[0]}`}
      </p>
      {line(b.labels.length > 1 ? 'big ends' : 'big end', b.bigEnds)}
      {line('shells', b.shells)}
      {line('oil', b.oil)}
      {line(`${b.share} % of ${gramsText(b.reciprocating)}`, (b.reciprocating * b.share) / 100)}
    </li>
  );
}

interface ShareProps {
  value: number | null;
  usual: number | null;
  onSet: (share: number | null) => void;
}

function ShareField({ value, usual, onSet }: ShareProps) {
  const [text, setText] = useState(value === null ? '' : String(value));
  const share = Number(text.replace(',', '.').replace('%', ''));
  const isRight = text.trim() === '' || (Number.isFinite(share) && share >= 0 && share <= 100);
  const commit = (): void => {
    const next = text.trim() === '' ? null : share;
    if (isRight && next !== value) onSet(next);
  };
  return (
    <Field
      label="Share, %"
      hint={
        usual === null
          ? 'Of pistons, pins, rings and small ends, as the balancer gives it, e.g. 50.'
          : `Of pistons, pins, rings and small ends. ${usual} % is usual for this engine.`
      }
      error={isRight ? undefined : 'From 0 to 100 %.'}
    >
      {(props) => (
        <input
          {...props}
          className="field figures"
          inputMode="decimal"
          autoComplete="off"
          placeholder={usual === null ? '' : String(usual)}
          value={text}
          onChange={(event) => setText(event.target.value)}
          onBlur={commit}
          onKeyDown={(event) => {
            if (event.key === 'Enter') commit();
          }}
        />
      )}
    </Field>
  );
}
