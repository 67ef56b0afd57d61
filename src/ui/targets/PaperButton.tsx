'use client';

import dynamic from 'next/dynamic';
import { useRef, useState } from 'react';
import { buttonLook } from '../shared/Button';
import { Loaded } from '../shared/Loaded';
import type { Paper, PaperFormProps } from './PaperForm';

const load = () => import('./PaperForm').then((m) => m.PaperForm);
/** Loaded when one is about to be opened. */
const PaperForm = dynamic(load, { ssr: false });

const PAPER_WORDS: Record<Paper, string> = {
  sheet: 'packed sheet',
  manual: 'service manual',
  own: 'own figure',
};

/** Opens the form for what one paper says of a figure. */
export function PaperButton(props: Omit<PaperFormProps, 'button' | 'paperWords' | 'onClose'>) {
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
        onClick={() => setOpen(true)}
        className={buttonLook()}
      >
        {props.given ? 'Change' : 'Enter'} <span className="sr-only">{PAPER_WORDS[props.paper]}</span>
      </button>
      {open && (
        <Loaded>
          <PaperForm {...props} paperWords={PAPER_WORDS[props.paper]} button={button} onClose={() => setOpen(false)} />
        </Loaded>
      )}
    </>
  );
}
