'use client';

import type { Candidate, Target } from '@/core/targets/target';
import { useWords } from '../openBuild/contexts';

/** The working of a target: formula with the numbers in it, source, standing, and what it outranks. */
export function Why({ target }: { target: Target }) {
  const { range, text } = useWords();
  if (!target.set) return <p className="text-short">{target.ask}</p>;
  const { inForce, outranked, why } = target;
  return (
    <div className="grid gap-2">
      <Working candidate={inForce} />
      {why.map((saying, i) => (
        <p key={i} className="text-soft">
          {text(saying)}
        </p>
      ))}
      {outranked.map((candidate) => (
        <p key={candidate.rank} className="text-soft">
          Outranked: {range(candidate.min, candidate.aimTo)} from {candidate.from}.
        </p>
      ))}
    </div>
  );
}

function Working({ candidate }: { candidate: Candidate }) {
  const { text } = useWords();
  return (
    <>
      <div className="figures text-sm leading-relaxed">
        {candidate.working.map((line, i) => (
          <div key={i}>{text(line)}</div>
        ))}
      </div>
      <p className="text-soft">
        {candidate.from}. <span className="whitespace-nowrap italic">{candidate.standing}.</span>
      </p>
    </>
  );
}
