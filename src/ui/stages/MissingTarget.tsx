'use client';

import { Link } from '../shared/Link';
import { useJudgement } from '../openBuild/contexts';
import { buttonLook } from '../shared/Button';

/** Where a target is missing: what is asked for, and the way there. */
export function MissingTarget({ ask }: { ask: string }) {
  const judgement = useJudgement();
  return (
    <div className="my-3 border-y border-line py-3">
      <p className="max-w-prose text-lg">
        <b className="text-short">No target yet.</b> {ask}
      </p>
      <div className="mt-2 flex flex-wrap gap-3">
        <Link href={`/builds/${judgement.id}/job`} className={buttonLook('accent')}>
          Job card
        </Link>
        <Link href={`/builds/${judgement.id}/targets`} className={buttonLook()}>
          Enter a figure from the sheet
        </Link>
      </div>
    </div>
  );
}
