'use client';

import { DraftForm, FormFoot, useForm } from '../shared/useForm';
import { useJudgement, useLogging, useRoute, useWords } from '../openBuild/contexts';
import { Tick } from '../shared/Tick';
import { usePersisted } from '../shared/persisted';
import { BareLengthField } from '../shared/LengthsField';
import { NumberField } from '../shared/NumberField';
import { Segmented } from '../shared/Segmented';
import { bareOf } from '../shared/shopUnits';
import { type Feedback, FEEDBACKS, feedbackKey } from './feedback';
import { ROUTES, readsRails } from '@/core/stages/rings/choices';
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
        <Tick value={bench.rails} onChange={(isOn) => choose('bench', { ...bench, rails: isOn })}>
          Include rails in the measuring order
        </Tick>
        <p className="text-soft">
          {readsRails(judgement.choices) && !bench.rails
            ? 'They are: a sheet or a manual gives their gap.'
            : 'Otherwise the sheet says that they are not measured here.'}
        </p>
      </section>
      <Limits />
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
    <Tick value={on === 'on'} onChange={(isOn) => setOn(isOn ? 'on' : 'off')}>
      {FEEDBACK_WORDS[feedback]}
    </Tick>
  );
}

/** What is asked of readings and of advice. Set in one step. */
function Limits() {
  const { bench } = useJudgement().choices;
  const { choose } = useLogging();
  const { units } = useWords();
  const form = useForm({ name: 'bench', base: bench, units, onSet: (next) => choose('bench', next) });
  return (
    <DraftForm
      key={form.drawn}
      form={form}
      label="What is asked of readings"
      className="grid max-w-3xl gap-4 sm:grid-cols-2"
    >
      <BareLengthField
        label="Readings repeat within"
        bare={bareOf(units)}
        {...form.field('repeat')}
        hint="Further apart, with no cut between: square it again. Never less than one leaf."
      />
      <BareLengthField
        label="Gaps of one kind lie within"
        bare={bareOf(units)}
        {...form.field('spread')}
        hint="Even gaps matter more than the last half thou."
      />
      <NumberField
        label="Chance of cutting too far, %"
        hint="What an advised cut may risk at most."
        least={0.1}
        most={40}
        value={Number((form.draft.chance * 100).toFixed(3))}
        onFault={form.onFault('chance')}
        onChange={(percent) => percent !== null && form.set({ chance: percent / 100 })}
      />
      <FormFoot form={form} words="Set what is asked" />
    </DraftForm>
  );
}
