'use client';

import { usePersisted } from './persisted';

/** Who is at the bench: stands beside everything that is entered. */
export function Initials({ by, onChange }: { by: string; onChange: (by: string) => void }) {
  // who is signed in stands beside it then
  const [me] = usePersisted('spatium-me', '');
  if (me !== '') return null;
  return (
    <label className="flex items-center gap-2 text-sm text-soft">
      <span className="max-lg:sr-only">Initials</span>
      <input
        value={by}
        onChange={(event) => onChange(event.target.value.slice(0, 12))}
        placeholder="who?"
        className="figures min-h-11 w-16 rounded max-sm:w-14 border border-edge bg-sheet px-2 text-base text-ink uppercase placeholder:text-soft placeholder:normal-case"
        autoComplete="off"
        spellCheck={false}
      />
    </label>
  );
}
