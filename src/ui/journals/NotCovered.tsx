'use client';

import { useJudgement, useLogging } from '../openBuild/contexts';
import { Button } from '../shared/Button';
import { Frame } from '../stages/Frame';

/** A job that leaves the bottom end to others: it can take it on here. */
export function NotCovered() {
  const { job } = useJudgement();
  const { choose } = useLogging();
  return (
    <Frame
      main={
        <div className="max-w-prose">
          <h1>Journals</h1>
          <p className="mt-3 text-lg">
            The bearings of crank and rods: clearances, end play, side clearance, and which half shells cure them.
          </p>
          {job ? (
            <>
              <p className="mt-2 text-soft">This job does not cover them. What it covers stands on its job card.</p>
              <p className="mt-3">
                <Button kind="strong" onClick={() => choose('job', { ...job, also: [...job.also, 'journals'] })}>
                  Cover the bottom end too
                </Button>
              </p>
            </>
          ) : (
            <p className="mt-2 text-soft">First the job card: it says what engine it is.</p>
          )}
        </div>
      }
      aside={null}
    />
  );
}
