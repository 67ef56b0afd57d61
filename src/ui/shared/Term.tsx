'use client';

import type { ReactNode } from 'react';
import type { Word } from '@/core/glossary';
import { Popup } from './Popup';
import { onDemand } from './onDemand';

const GlossaryEntry = onDemand(() => import('./GlossaryEntry').then((m) => m.GlossaryEntry));

/** A word of the trade where it stands: pressed, it says what it means. */
export function Term({ word, children = word }: { word: Word; children?: ReactNode }) {
  return (
    <Popup
      label={`What ${word} means`}
      look="no-print underline decoration-dotted decoration-1 underline-offset-4 pointer-coarse:min-h-11 pointer-coarse:min-w-11"
      width="w-72"
      trigger={
        <>
          {children}
          <span className="sr-only">: what it means</span>
        </>
      }
    >
      {() => <GlossaryEntry word={word} />}
    </Popup>
  );
}
