'use client';

import dynamic from 'next/dynamic';
import { type ReactNode, useRef, useState } from 'react';
import { buttonLook } from './Button';
import { Loaded } from './Loaded';

const load = () => import('./PopupPanel').then((m) => m.PopupPanel);
/** Loaded when one is about to be opened. */
const PopupPanel = dynamic(load, { ssr: false });

interface Props {
  label: string;
  /** What stands on its button. */
  trigger: ReactNode;
  look?: string;
  width?: string;
  /** Given what closes it. */
  children: (close: () => void) => ReactNode;
}

/** A button that opens a small panel beside itself. */
export function Popup({ label, trigger, look = buttonLook(), width = 'w-80', children }: Props) {
  const [open, setOpen] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  const close = (): void => setOpen(false);
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
      {open && (
        <Loaded>
          <PopupPanel button={button} label={label} width={width} onClose={close}>
            <Loaded>{children(close)}</Loaded>
          </PopupPanel>
        </Loaded>
      )}
    </>
  );
}
