'use client';

import { Delete } from 'lucide-react';

/** The key for what only this kind of reading needs: a bracket of leaves, or a turn of the dial. */
export type ExtraKey = '/' | 't';

const keysWith = (extra: ExtraKey, cuts: boolean): string[] => [
  '7',
  '8',
  '9',
  cuts ? 'p' : '+',
  '4',
  '5',
  '6',
  cuts ? 'c' : '-',
  '1',
  '2',
  '3',
  extra,
  '.',
  '0',
  'mm',
  'thou',
];

const KEY_WORDS: Record<string, string> = { p: 'passes', c: 'cut' };

interface Props {
  extra: ExtraKey;
  /** Whether rings are read: keys for a cut, and for a leaf that passes, instead of the dial's signs. */
  cuts?: boolean;
  onKey: (key: string) => void;
  onBack: () => void;
  onEnter: () => void;
}

/** Keys for gloves: what bench talk needs and nothing else. */
export function Keypad({ extra, cuts = false, onKey, onBack, onEnter }: Props) {
  const look =
    'figures min-h-14 rounded max-md:min-h-12 border border-edge bg-paper text-2xl font-semibold active:bg-steel';
  return (
    <div
      role="group"
      aria-label="Keypad"
      className="grid grid-cols-[repeat(4,1fr)_1.4fr] gap-1.5 border-t border-line p-2"
    >
      {keysWith(extra, cuts).map((key, i) => (
        <button
          key={key}
          type="button"
          onClick={() => onKey(key)}
          className={`${look} ${(KEY_WORDS[key] ?? key).length > 1 ? 'text-lg' : ''}`}
          style={{ gridColumn: (i % 4) + 1, gridRow: Math.floor(i / 4) + 1 }}
        >
          {KEY_WORDS[key] ?? key}
        </button>
      ))}
      <button
        type="button"
        onClick={onBack}
        className={look}
        style={{ gridColumn: 5, gridRow: 1 }}
        aria-label="Delete the last character"
      >
        <Delete className="mx-auto" aria-hidden />
      </button>
      <button
        type="button"
        onClick={onEnter}
        className="rounded bg-blue text-xl font-bold text-sheet"
        style={{ gridColumn: 5, gridRow: '2 / span 3' }}
      >
        Enter
      </button>
    </div>
  );
}
