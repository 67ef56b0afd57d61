'use client';

import { Delete } from 'lucide-react';

/** The key for what only this kind of reading needs: a bracket of leaves, or a turn of the dial. */
type ExtraKey = '/' | 't';

const padWith = (beside: [string, string, string], last: [string, string, string]): string[] => {
  const [first, second, third] = beside;
  return ['7', '8', '9', first, '4', '5', '6', second, '1', '2', '3', third, last[0], '0', last[1], last[2]];
};

const KEY_WORDS: Record<string, string> = { p: 'passes', c: 'cut', '@': 'at' };

interface Pressed {
  onKey: (key: string) => void;
  onBack: () => void;
  onEnter: () => void;
}

/** Keys for gloves, four to a row; an empty one is left out. */
function Keypad({ keys, onKey, onBack, onEnter }: Pressed & { keys: readonly string[] }) {
  const look =
    'figures min-h-14 rounded max-md:min-h-12 border border-edge bg-paper text-2xl font-semibold active:bg-steel';
  return (
    <div
      role="group"
      aria-label="Keypad"
      className="grid grid-cols-[repeat(4,1fr)_1.4fr] gap-1.5 border-t border-line p-2"
    >
      {keys.map(
        (key, i) =>
          key !== '' && (
            <button
              key={key}
              type="button"
              onClick={() => onKey(key)}
              className={`${look} ${(KEY_WORDS[key] ?? key).length > 1 ? 'text-lg max-sm:text-sm' : ''}`}
              style={{ gridColumn: (i % 4) + 1, gridRow: Math.floor(i / 4) + 1 }}
            >
              {KEY_WORDS[key] ?? key}
            </button>
          ),
      )}
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

/** Keys of the reading line: what bench talk needs and nothing else; for a cut, and a leaf that passes, where rings are read. */
export const ReadingKeypad = ({ extra, cuts, ...pressed }: Pressed & { extra: ExtraKey; cuts: boolean }) => (
  <Keypad {...pressed} keys={padWith(cuts ? ['p', 'c', extra] : ['+', '-', extra], ['.', 'mm', 'thou'])} />
);

/** Keys of a line that takes one figure: digits, and up to three beside them, as the units it may be in. */
export const FigureKeypad = ({ beside, ...pressed }: Pressed & { beside: readonly string[] }) => (
  <Keypad {...pressed} keys={padWith([beside[0] ?? '', beside[1] ?? '', beside[2] ?? ''], ['', '.', ''])} />
);
