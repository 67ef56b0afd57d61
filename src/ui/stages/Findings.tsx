'use client';

import type { Finding, Severity } from '@/core/stages/contract/finding';
import { useWords } from '../openBuild/contexts';

const WORDS: Record<Severity, string> = { stop: 'Stop', mend: 'Fix', note: 'Note' };
const COLOURS: Record<Severity, string> = { stop: 'text-over', mend: 'text-short', note: 'text-soft' };
const SHAPES: Record<Severity, string> = { stop: 'M-5-5 5 5M5-5-5 5', mend: 'M-5-5V5H5Z', note: 'M0-5V5M-5 0H5' };

function Shape({ severity }: { severity: Severity }) {
  return (
    <svg viewBox="-7 -7 14 14" className="mr-1.5 inline size-3.5" aria-hidden>
      <path
        d={SHAPES[severity]}
        fill={severity === 'mend' ? 'currentColor' : 'none'}
        stroke="currentColor"
        strokeWidth="2.5"
      />
    </svg>
  );
}

/** A severity as word, shape and colour. */
export function SeverityMark({ severity }: { severity: Severity }) {
  return (
    <span className={`font-bold ${COLOURS[severity]}`}>
      <Shape severity={severity} />
      {WORDS[severity]}.
    </span>
  );
}

/** Findings, each with its severity as word, shape and colour. */
export function Findings({ findings, empty }: { findings: Finding[]; empty?: string }) {
  const { text } = useWords();
  if (findings.length === 0) return empty ? <p className="text-soft">{empty}</p> : null;
  return (
    <ul className="grid gap-2.5" aria-label="Findings">
      {findings.map((finding, i) => (
        <li key={i}>
          <SeverityMark severity={finding.severity} /> {text(finding.says)}
        </li>
      ))}
    </ul>
  );
}

/** What belongs in sight on a stage: the cylinder's own findings and those of the whole engine. */
export const findingsFor = (
  findings: readonly Finding[],
  stages: Finding['stage'][],
  cylinder: string | null,
): Finding[] => findings.filter((f) => stages.includes(f.stage) && (f.cylinder === null || f.cylinder === cylinder));
