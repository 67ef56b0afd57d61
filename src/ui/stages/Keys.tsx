'use client';

import { useEffect, useRef, useState } from 'react';
import type { StageId } from '@/core/judge/registry';
import { STAGE_IDS } from '@/core/judge/stageTables';
import { moveTo } from '../shared/address';
import { onDemand } from '../shared/onDemand';

const KeySheet = onDemand(() => import('./KeySheet').then((m) => m.KeySheet));

/** Whether a key pressed there is typed: in a field, unless it is the line with nothing on it. */
function isTyped(at: EventTarget | null): boolean {
  if (!(at instanceof HTMLElement)) return false;
  if (at.closest('[role="dialog"]')) return true;
  if (at instanceof HTMLInputElement && at.closest('[aria-label="Reading line"]')) return at.value !== '';
  return at.closest('input:not([type="checkbox"], [type="radio"], [type="range"]), textarea') !== null;
}

/** The stage that a key leads to; null for none. */
export function stageBy(
  event: Pick<KeyboardEvent, 'key' | 'code' | 'altKey' | 'shiftKey'>,
  stage: StageId,
): StageId | null {
  const at = STAGE_IDS.indexOf(stage);
  if (event.key === '[' || event.key === ']') return STAGE_IDS[at + (event.key === ']' ? 1 : -1)] ?? null;
  const digit = event.altKey && event.shiftKey ? /^Digit(\d)$/.exec(event.code)?.[1] : undefined;
  return digit === undefined ? null : (STAGE_IDS[(Number(digit) + 9) % 10] ?? null);
}

interface Props {
  buildId: string;
  stage: StageId;
}

/** Keys that work on every stage, and the sheet that tells of all of them and of the words used. */
export function Keys({ buildId, stage }: Props) {
  const [open, setOpen] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    const press = (event: KeyboardEvent): void => {
      if (event.ctrlKey || event.metaKey || isTyped(event.target)) return;
      const to = stageBy(event, stage);
      if (to) moveTo(`/builds/${buildId}/${to}`, 'step');
      else if (event.key === '?') setOpen(true);
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', press, true);
    return () => window.removeEventListener('keydown', press, true);
  }, [buildId, stage]);
  return (
    <>
      <button
        ref={button}
        type="button"
        aria-haspopup="dialog"
        aria-label="Keys and words"
        title="Keys and words (?)"
        onClick={() => setOpen(true)}
        className="figures grid size-11 place-items-center rounded font-bold"
      >
        ?
      </button>
      {open && (
        <KeySheet
          onClose={() => {
            setOpen(false);
            button.current?.focus();
          }}
        />
      )}
    </>
  );
}
