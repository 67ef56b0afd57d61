'use client';

import { create } from 'qrcode';
import { useMemo } from 'react';
import { placeText } from '@/core/stages/contract/place';
import { useJudgement } from '../openBuild/contexts';
import { useInBrowser } from '../shared/useInBrowser';

const PARTS = ['piston, pin, clips', 'rod, cap, shells', 'rings'] as const;

/** A code as one path, a unit a module. */
function Code({ text }: { text: string }) {
  const { path, size } = useMemo(() => {
    const { modules } = create(text, { errorCorrectionLevel: 'M' });
    let d = '';
    for (let y = 0; y < modules.size; y += 1)
      for (let x = 0; x < modules.size; x += 1) if (modules.get(y, x)) d += `M${x} ${y}h1v1h-1z`;
    return { path: d, size: modules.size };
  }, [text]);
  return (
    <svg viewBox={`-4 -4 ${size + 8} ${size + 8}`} className="size-[22mm] shrink-0" role="img" aria-label={text}>
      <rect x={-4} y={-4} width={size + 8} height={size + 8} fill="#fff" />
      <path d={path} fill="#000" />
    </svg>
  );
}

/** Labels for the parts of every cylinder, each with a code that opens that cylinder. */
export function Labels() {
  const { id, job, cylinders } = useJudgement();
  const origin = useInBrowser(
    () => window.location.origin,
    () => '',
  );
  if (!job || origin === '') return null;
  return (
    <ul aria-label="Labels" className="grid grid-cols-[repeat(auto-fill,minmax(62mm,1fr))] gap-[2mm]">
      {cylinders.flatMap((c) =>
        PARTS.map((part) => {
          const at = placeText({ cylinder: c.id, subject: 'top', spot: null }, cylinders);
          return (
            <li
              key={`${c.id} ${part}`}
              className="flex break-inside-avoid items-center gap-[2mm] border border-line p-[2mm] text-ink"
            >
              <Code text={`${origin}/builds/${id}/rings?at=${encodeURIComponent(at)}`} />
              <p className="min-w-0 leading-tight">
                <b className="block text-[9mm]">{c.label}</b>
                <span className="block text-[3.4mm] font-bold">{part}</span>
                <span className="block truncate text-[3mm] text-soft">{job.name}</span>
              </p>
            </li>
          );
        }),
      )}
    </ul>
  );
}
