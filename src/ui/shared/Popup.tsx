'use client';

import type { ReactNode } from 'react';
import { Opener } from './Opener';
import { onDemand } from './onDemand';

const load = () => import('./PopupPanel').then((m) => m.PopupPanel);
const PopupPanel = onDemand(load);

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
export function Popup({ label, trigger, look, width = 'w-80', children }: Props) {
  return (
    <Opener load={load} trigger={trigger} look={look}>
      {(button, close) => (
        <PopupPanel button={button} label={label} width={width} onClose={close}>
          {children(close)}
        </PopupPanel>
      )}
    </Opener>
  );
}
