'use client';

import { useState } from 'react';
import { usePersistedDraft } from '../shared/persistedDraft';
import { useJudgement, useLogging, useRoute, useWords } from '../openBuild/contexts';
import { Button } from '../shared/Button';
import { Field } from '../shared/Field';
import { usePersisted } from '../shared/persisted';
import { LengthsField } from '../shared/LengthsField';
import { Segmented } from '../shared/Segmented';
import { bareOf } from '../shared/shopUnits';
import { type Feedback, FEEDBACKS, feedbackKey } from './feedback';
import { type BenchChoices, ROUTES, readsRails } from '@/core/stages/rings/choices';
import { Term } from '../shared/Term';

const ROUTE_WORDS = {
  byCylinder: 'cylinder by cylinder',
  byRing: 'ring by ring',
  byBank: 'bank by bank',
  free: 'free',
};
const FEEDBACK_WORDS: Record<Feedback, string> = {
  sound: 'A tone for each verdict',
  shake: 'Vibration for each verdict, where the tablet can',
  voice: 'The reading and its verdict spoken, where the browser can',
};

/** How this engine's rings are worked through, what is asked of readings, and how this bench tells of a verdict. */
export function Setup() {
  const judgement = useJudgement();
  const { choose } = useLogging();
  const { units } = useWords();
  const { setRoute } = useRoute();
  const { bench } = judgement.choices;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6 pt-3">
      <section aria-label="Route">
        <h2 className="mb-2 text-lg">
          <Term word="route">Route</Term>
        </h2>
        <div className="overflow-x-auto">
          <Segmented
            label="Route"
            value={judgement.ringRoute}
            options={ROUTES.map((r) => [r, ROUTE_WORDS[r]] as const)}
            onChange={(rings) => setRoute({ rings })}
          />
        </div>
        <p className="mt-1 text-soft">
          At this bench; another one takes its own.{' '}
          {judgement.ringRoute === 'free'
            ? 'The line stays where it is: go to any ring; N leads to the next open one.'
            : 'After a ring that is done the line leads to the next open one. N skips; what is skipped comes round again.'}
        </p>
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="size-5 accent-blue"
            checked={bench.rails}
            onChange={(event) => choose('bench', { ...bench, rails: event.target.checked })}
          />
          Rails on the route too
        </label>
        <p className="text-soft">
          {readsRails(judgement.choices) && !bench.rails
            ? 'They are: a sheet or a manual gives their gap.'
            : 'Otherwise the sheet says that they are not measured here.'}
        </p>
      </section>
      <Limits key={JSON.stringify(bench) + units} bench={bench} />
      <section aria-label="At this bench">
        <h2 className="text-lg">At this bench</h2>
        <p className="text-soft">Kept in this browser.</p>
        {FEEDBACKS.map((feedback) => (
          <Toggle key={feedback} feedback={feedback} />
        ))}
      </section>
    </div>
  );
}

function Toggle({ feedback }: { feedback: Feedback }) {
  const [on, setOn] = usePersisted(feedbackKey(feedback), 'off');
  return (
    <label className="flex min-h-11 items-center gap-2">
      <input
        type="checkbox"
        className="size-5 accent-blue"
        checked={on === 'on'}
        onChange={(event) => setOn(event.target.checked ? 'on' : 'off')}
      />
      {FEEDBACK_WORDS[feedback]}
    </label>
  );
}

/** What is asked of readings and of advice. Set in one step. */
function Limits({ bench }: { bench: BenchChoices }) {
  const { choose } = useLogging();
  const { units } = useWords();
  const [draft, setDraft, left] = usePersistedDraft('bench', bench);
  const [faults, setFaults] = useState<Record<string, string | null>>({});
  const [chance, setChance] = useState(String(Number((bench.chance * 100).toFixed(3))));
  const fault = (key: string) => (found: string | null) => setFaults((f) => ({ ...f, [key]: found }));
  const percent = Number(chance);
  const chanceFault =
    chance.trim() === '' || Number.isNaN(percent) || percent < 0.1 || percent > 40
      ? 'From 0.1 to 40 percent.'
      : undefined;
  const wrong = Object.values(faults).find((f) => f) ?? chanceFault ?? null;
  const next = { ...draft, chance: chanceFault ? bench.chance : percent / 100 };
  return (
    <form
      aria-label="What is asked of readings"
      className="grid max-w-3xl gap-4 sm:grid-cols-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (wrong === null) choose('bench', next);
      }}
    >
      {left}
      <LengthsField
        label="Readings repeat within"
        bare={bareOf(units)}
        most={1}
        values={[draft.repeat]}
        onFault={fault('repeat')}
        onChange={([repeat]) => repeat !== undefined && setDraft((d) => ({ ...d, repeat }))}
        hint="Further apart, with no cut between: square it again. Never less than one leaf."
      />
      <LengthsField
        label="Gaps of one kind lie within"
        bare={bareOf(units)}
        most={1}
        values={[draft.spread]}
        onFault={fault('spread')}
        onChange={([spread]) => spread !== undefined && setDraft((d) => ({ ...d, spread }))}
        hint="Even gaps matter more than the last half thou."
      />
      <Field
        label="Chance of a cut to pass the window, %"
        error={chanceFault}
        hint="What an advised cut may risk at most."
      >
        {(props) => (
          <input
            {...props}
            inputMode="decimal"
            className="field figures"
            value={chance}
            onChange={(event) => setChance(event.target.value)}
          />
        )}
      </Field>
      <div className="sm:col-span-2">
        <Button type="submit" kind="accent" disabled={wrong !== null || JSON.stringify(next) === JSON.stringify(bench)}>
          Set what is asked
        </Button>
      </div>
    </form>
  );
}
