'use client';

import { Popover } from 'radix-ui';
import type { ReactNode, RefObject } from 'react';

interface Props {
  button: RefObject<HTMLButtonElement | null>;
  label: string;
  width: string;
  onClose: () => void;
  children: ReactNode;
}

/** What a popup shows, beside its button. */
export function PopupPanel({ button, label, width, onClose, children }: Props) {
  return (
    <Popover.Root open onOpenChange={(open) => !open && onClose()}>
      <Popover.Anchor virtualRef={button} />
      <Popover.Portal>
        <Popover.Content
          aria-label={label}
          className={`z-50 ${width} rounded-md border border-ink bg-sheet p-4 text-ink`}
          sideOffset={4}
          collisionPadding={8}
          onInteractOutside={(event) => {
            // The button itself closes it.
            if (event.target instanceof Node && button.current?.contains(event.target)) event.preventDefault();
          }}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            button.current?.focus();
          }}
        >
          {children}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
