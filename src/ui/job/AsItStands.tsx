'use client';

import { cardFindings } from '@/core/judge/cardFindings';
import { useJudgement } from '../openBuild/contexts';
import { Findings } from '../stages/Findings';

/** What is to be known of job card and targets. */
export function AsItStands() {
  const judgement = useJudgement();
  return <Findings findings={cardFindings(judgement)} empty="Nothing is missing." />;
}
