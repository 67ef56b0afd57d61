'use client';

import { type Candidate, type Limits, type Target, standingWords } from '@/core/models/targets/target';
import { useWords } from '../openBuild/contexts';

/** The working of a target: formula with the numbers in it, source, standing, and what it outranks. */
export function Derivation({ target }: { target: Target }) {
  const { range, text } = useWords();
  if (!target.set) return <p className="text-short">{target.ask}</p>;
  const { inForce, outranked, why } = target;
  return (
    <div className="grid gap-2">
      <Working candidate={inForce} />
      <LimitWords limits={inForce} />
      {why.map((saying, i) => (
        <p key={i} className="text-soft">
          {text(saying)}
        </p>
      ))}
      {outranked.map((candidate) => (
        <p key={candidate.rank} className="text-soft">
          Outranked: {range(candidate.aimFrom, candidate.aimTo)} from {candidate.from}.
        </p>
      ))}
    </div>
  );
}

/** The limits where they are not the ends of the aim. */
function LimitWords({ limits: { least, aimFrom, aimTo, most, mostHard } }: { limits: Limits }) {
  const { range } = useWords();
  if (least === aimFrom && (most === aimTo || most === null) && !mostHard) return null;
  return (
    <p>
      Limits {range(least, most)}
      {mostHard ? ', both hard' : most === null ? ', hard' : '; only the lower one is hard'}. Aim{' '}
      {range(aimFrom, aimTo)}.
    </p>
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
        {candidate.from}. <span className="whitespace-nowrap italic">{standingWords(candidate.standing)}.</span>
      </p>
    </>
  );
}
