'use client';

import { type ReactNode, type RefObject, useRef, useState } from 'react';
import { buttonLook } from './Button';

interface Props {
  /** Loads what it opens, asked for as soon as it is about to be pressed. */
  load: () => Promise<unknown>;
  /** What stands on it. */
  trigger: ReactNode;
  look?: string;
  /** What it opens, given the button to stand beside and what closes it. */
  children: (button: RefObject<HTMLButtonElement | null>, close: () => void) => ReactNode;
}

/** A button that opens a panel, and closes it when pressed again. */
export function Opener({ load, trigger, look = buttonLook(), children }: Props) {
  const [open, setOpen] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  return (
    <>
      <button
        ref={button}
        type="button"
        aria-haspopup="dialog"
        aria-expanded={open}
        onPointerEnter={() => void load()}
        onFocus={() => void load()}
        onClick={() => setOpen(!open)}
        className={look}
      >
        {trigger}
      </button>
      {open && children(button, () => setOpen(false))}
    </>
  );
}
