'use client';

import type { JudgedCylinder } from '@/core/judge/judgement';
import type { Subject } from '@/core/judge/registry';
import { stageOf } from '@/core/judge/stageTables';
import { useJudgement, useMoving, useWords } from '../openBuild/contexts';
import { Link } from '../shared/Link';

/** What is missing before a piston is ready to go in, each with the way to where it is cured. */
export function ReadyCheck({ cylinder }: { cylinder: JudgedCylinder }) {
  const { id } = useJudgement();
  const { text } = useWords();
  const { goTo, toCylinder } = useMoving();
  const { is, missing } = cylinder.ready;
  if (is) return <p className="text-soft">This cylinder is ready.</p>;
  return (
    <section aria-label={`What cylinder ${cylinder.label} still needs`}>
      <h2 className="mb-1">Not ready to go in</h2>
      <ul className="divide-y divide-line border-y border-line">
        {missing.map(({ stage, says, subject }, i) => (
          <li key={i}>
            <Link
              href={`/builds/${id}/${stage}`}
              onClick={() =>
                subject
                  ? goTo({ cylinder: cylinder.id, subject: subject as Subject, spot: null }, true)
                  : toCylinder(cylinder.id)
              }
              className="flex min-h-11 items-center justify-between gap-3 py-1 text-blue"
            >
              <span className="underline underline-offset-4">{text(says)}</span>
              <span className="text-sm text-soft">{stageOf(stage).words}</span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
