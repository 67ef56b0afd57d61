import { Grid3x3 } from 'lucide-react';

/** Shows the keypad, and puts it away. */
export const KeypadButton = ({ isShown, onToggle }: { isShown: boolean; onToggle: () => void }) => (
  <button
    type="button"
    onClick={onToggle}
    aria-pressed={isShown}
    aria-label="Keypad"
    className="grid size-11 place-items-center rounded border border-edge text-ink aria-pressed:bg-ink aria-pressed:text-sheet"
  >
    <Grid3x3 size={20} aria-hidden />
  </button>
);
