'use client';

import { Link } from '../shared/Link';
import type { Target } from '@/core/targets/target';
import { useJudgement } from '../openBuild/contexts';
import { buttonLook } from '../shared/Button';

/** Where a target is missing: what is asked for, and the way there. Nothing where it is set. */
export function Ask({ target }: { target: Target }) {
  const judgement = useJudgement();
  if (target.set) return null;
  return (
    <div className="my-3 border-y border-line py-3">
      <p className="max-w-prose text-lg">
        <b className="text-short">No target yet.</b> {target.ask}
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
