'use client';

import { useBench } from '../bench/Bench';

/** Who is at the bench: stands beside every reading. */
export function Initials() {
  const { by, setBy } = useBench();
  return (
    <label className="flex items-center gap-2 text-sm text-soft">
      <span className="max-sm:sr-only">Initials</span>
      <input
        value={by}
        onChange={(event) => setBy(event.target.value.slice(0, 12))}
        placeholder="who?"
        className="figures min-h-11 w-16 rounded max-sm:w-14 border border-edge bg-sheet px-2 text-base text-ink uppercase placeholder:text-soft placeholder:normal-case"
        autoComplete="off"
        spellCheck={false}
      />
    </label>
  );
}
