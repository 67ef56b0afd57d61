'use client';

import { inEither } from '../stages/trialWords';
import { useState } from 'react';
import { useJudgement, useLive, useLogging } from '../openBuild/contexts';
import { Button, buttonLook } from '../shared/Button';
import { dropDraft } from '../shared/useForm';
import { Link } from '../shared/Link';
import { onDemand } from '../shared/onDemand';
import { When } from '../shared/When';
import { Frame } from '../stages/Frame';
import { JobForm } from './JobForm';
import { expectedPlan } from '@/core/stages/bores/stage';

const JobFindings = onDemand(() => import('./JobFindings').then((m) => m.JobFindings), 'at rest');

/** What its draft is kept under. */
const DRAFT = 'job';

/** What to try here with the trial engine. */
export const TRIAL = inEither(
  'This is the job card. Everything follows from it: change the use, and watch the heat load. Then go to Targets.',
);

/** The job card of a build that is on the shelf already. */
export function JobStage() {
  const judgement = useJudgement();
  const { choose } = useLogging();
  const live = useLive();
  const { job } = judgement;
  const newest = live.record.entries.findLast((e) => e.kind === 'job');
  /** The card that the form is over: another one on record does not change what is being filled in. */
  const [base, setBase] = useState({ id: newest?.id, job });
  const [generation, setGeneration] = useState(0);
  const [saving, setSaving] = useState(false);
  const [saved, setSaved] = useState(false);
  if (!job || !newest) return null;
  if (saving && newest.id !== base.id) {
    setSaving(false);
    setBase({ id: newest.id, job });
  }
  const differs = newest.id !== base.id && !saving;
  const showRecorded = (): void => {
    dropDraft(DRAFT);
    setBase({ id: newest.id, job });
    setGeneration(generation + 1);
    setSaved(false);
  };
  return (
    <Frame
      main={
        <>
          <h1 className="mb-4">Job card</h1>
          {differs && (
            <div
              role="status"
              className="mb-4 flex flex-wrap items-center gap-4 border-y border-line bg-steel px-4 py-2"
            >
              <p className="flex-1">
                <b>The card on record is another one</b> ({newest.by || 'no initials'}, <When at={newest.at} />
                ). What you have here is not lost; saving it replaces the one on record.
              </p>
              <Button onClick={showRecorded}>Show the one on record</Button>
            </div>
          )}
          <JobForm
            key={generation}
            draftName={DRAFT}
            initial={base.job ?? job}
            chart={judgement.choices.chart}
            expectedBore={expectedPlan(judgement)}
            submit="Save job card"
            saved={saved && !differs}
            onTouch={() => setSaved(false)}
            onSave={(next) => {
              choose('job', next);
              setSaving(true);
              setSaved(true);
              return [];
            }}
          />
        </>
      }
      aside={
        <>
          <h2 className="mb-2">Summary</h2>
          <JobFindings />
          <p className="mt-5">
            <Link href={`/new?from=${judgement.id}`} className={buttonLook()}>
              Copy build
            </Link>
          </p>
          <h2 className="mt-5 mb-1">Safety at the bench</h2>
          <p className="text-soft">
            Lift and turn a block with a stand and a second pair of hands. The parts’ own sheets and the engine’s manual
            come first; machining and certified work stay with licensed people.
          </p>
        </>
      }
    />
  );
}
