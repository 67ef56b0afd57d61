'use client';

import { useState } from 'react';
import { useBench } from '../bench/Bench';
import { Findings } from '../stages/Findings';
import { Frame } from '../stages/Frame';
import { JobForm } from './JobForm';

/** The job card of a build that is on the shelf already. */
export function JobStage() {
  const { judgement, choose, live } = useBench();
  const [saved, setSaved] = useState(false);
  const { job } = judgement;
  if (!job) return null;
  const newest = live.record.entries.findLast((e) => e.kind === 'job');
  return (
    <Frame
      main={
        <>
          <h1 className="mb-4">Job card</h1>
          <JobForm
            key={newest?.id}
            initial={job}
            submit="Save job card"
            saved={saved}
            onTouch={() => setSaved(false)}
            onSave={(next) => {
              choose('job', next);
              setSaved(true);
              return [];
            }}
          />
        </>
      }
      aside={
        <>
          <h2 className="mb-2">As it stands</h2>
          <Findings findings={judgement.findings.filter((f) => f.stage === 'job' || f.stage === 'targets')} empty="Nothing is missing." />
          <h2 className="mt-5 mb-1">Safety at the bench</h2>
          <p className="text-soft">
            Lift and turn a block with a stand and a second pair of hands. The parts’ own sheets and the engine’s manual come first; machining and certified work stay with licensed people.
          </p>
        </>
      }
    />
  );
}
