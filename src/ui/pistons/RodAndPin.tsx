'use client';

import { useMoving } from '../openBuild/contexts';
import { CheckRow } from '../assembly/BlockChecks';
import { HANGING_CHECKS } from '@/core/stages/assembly/checks';

/** Hanging a piston on its rod: which way both face is looked at here, before any ring is on. The same two checks stand at the block. */
export function RodAndPin() {
  const { cylinder } = useMoving();
  if (!cylinder) return null;
  const checks = cylinder.block.checks.filter((c) => HANGING_CHECKS.some((h) => h === c.check));
  return (
    <div className="max-w-prose pt-3">
      <p className="mb-2 text-soft">
        Front mark and chamfer are decided here, before any ring is on: at the block rings and retainers are in the way.
        Pin oiled, slid into the piston first, then the rod offered up. A last look that no retainer is missing.
      </p>
      <ol aria-label="Hung on its rod" className="divide-y divide-line border-y border-line">
        {checks.map((check) => (
          <CheckRow key={check.check} cylinder={cylinder} check={check} view="bench" />
        ))}
      </ol>
    </div>
  );
}
