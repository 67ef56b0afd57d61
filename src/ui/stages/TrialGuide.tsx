'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { type StageId, STAGES } from '@/core/judge/registry';
import { STAGE_IDS, covers } from '@/core/judge/stageTables';
import { useJudgement, useWords } from '../openBuild/contexts';
import { Button, buttonLook } from '../shared/Button';
import { Link } from '../shared/Link';
import { SCREENS } from './screens';
import type { TrialWords } from './trialWords';
import { runCommand, whyNot } from '../shared/runCommand';
import { Fault } from '../shared/Fault';

/** What to try on this stage of an invented engine, the way on, and the way out. */
export function TrialGuide({ buildId, stage }: { buildId: string; stage: StageId }) {
  const router = useRouter();
  const [said, setSaid] = useState('');
  const { units } = useWords();
  const { job } = useJudgement();
  const [words, setWords] = useState<TrialWords | null>(null);
  useEffect(() => {
    let isShown = true;
    SCREENS[stage].trial().then(
      (trial) => isShown && setWords(trial),
      () => undefined,
    );
    return () => {
      isShown = false;
    };
  }, [stage]);
  const next = STAGE_IDS.slice(STAGE_IDS.indexOf(stage) + 1).find((id) => covers(job, id));
  return (
    <section
      aria-label="Finding your way"
      className="no-print flex flex-wrap items-center gap-x-4 gap-y-1 border-b-2 border-blue bg-sheet px-5 py-1.5"
    >
      <p className="min-w-72 flex-1">
        <b className="text-blue">Try it.</b> {words?.[units]}
      </p>
      {next && (
        <Link href={`/builds/${buildId}/${next}`} className={buttonLook('accent')}>
          On to {STAGES[next].words}
        </Link>
      )}
      <Button
        kind="quiet"
        onClick={() =>
          void runCommand('endTrial', buildId).then(
            () => router.push('/'),
            (error: unknown) => setSaid(whyNot(error)),
          )
        }
      >
        Throw the trial away
      </Button>
      <Fault className="w-full">{said}</Fault>
    </section>
  );
}
