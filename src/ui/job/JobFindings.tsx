'use client';

import { useJudgement } from '../openBuild/contexts';
import { Findings } from '../stages/Findings';

/** What is to be known of job card and targets. */
export function JobFindings() {
  const judgement = useJudgement();
  return (
    <Findings
      findings={judgement.findings.filter((f) => f.stage === 'job' || f.stage === 'targets')}
      empty="Nothing is missing."
    />
  );
}
