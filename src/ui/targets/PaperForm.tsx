'use client';

import { Dialog } from 'radix-ui';
import { useState } from 'react';
import type { Field as Kind } from '@/core/quantity/bench';
import type { Nm } from '@/core/quantity/length';
import type { Given } from '@/core/targets/target';
import { useBench } from '../bench/Bench';
import { Button, buttonLook } from '../shared/Button';
import { Field } from '../shared/Field';
import { LengthField } from '../shared/LengthField';
import { Segmented } from '../shared/Segmented';

interface Props {
  /** What the figure is for, e.g. `top ring gap`. */
  what: string;
  paper: 'sheet' | 'manual';
  kind: Kind;
  given: Given | null;
  onSave: (given: Given | null) => void;
}

const FORMS = [
  ['range', 'from – to'],
  ['minimum', 'at least'],
  ['factor', 'factor × bore'],
] as const;

/** Above this a factor is more likely a gap typed in its place. */
const MOST_FACTOR = 0.02;

interface Draft {
  form: Given['form'];
  min: Nm | null;
  max: Nm | null;
  factor: string;
  from: string;
}

const PAPER_WORDS = { sheet: 'packed sheet', manual: 'service manual' };

function draftOf(given: Given | null, paper: 'sheet' | 'manual'): Draft {
  return {
    form: given?.form ?? 'range',
    min: given && given.form !== 'factor' ? given.min : null,
    max: given?.form === 'range' ? given.max : null,
    factor: given?.form === 'factor' ? String(given.factor) : '',
    from: given?.from ?? (paper === 'sheet' ? 'sheet packed with the parts' : 'service manual'),
  };
}

/** The draft as a figure, or what is wrong with it. */
function settle(draft: Draft): Given | string {
  const from = draft.from.trim();
  if (draft.form === 'factor') {
    const factor = Number(draft.factor.replace(',', '.'));
    if (!(factor > 0)) return 'A factor such as 0.0045 is asked for.';
    if (factor > MOST_FACTOR) return `${draft.factor} is no factor: a factor is about 0.004 to 0.008. If it is the gap itself, choose “at least”.`;
    return { form: 'factor', factor, from };
  }
  if (draft.min === null) return 'The lower figure is asked for.';
  if (draft.form === 'minimum') return { form: 'minimum', min: draft.min, from };
  if (draft.max === null) return 'The upper figure is asked for; with a lower one only, choose “at least”.';
  if (draft.max < draft.min) return 'The upper figure is under the lower one: are they swapped?';
  return { form: 'range', min: draft.min, max: draft.max, from };
}

/** Enters what a sheet or a manual says of one figure. */
export function PaperForm({ what, paper, kind, given, onSave }: Props) {
  const { units, cylinder } = useBench();
  const bore = cylinder?.targetBore?.nm ?? null;
  const [open, setOpen] = useState(false);
  const [draft, setDraft] = useState<Draft>(() => draftOf(given, paper));
  const [fault, setFault] = useState<string | null>(null);
  const [typing, setTyping] = useState<Record<string, string | null>>({});
  const set = (part: Partial<Draft>): void => {
    setDraft((d) => ({ ...d, ...part }));
    setFault(null);
  };
  const reopen = (next: boolean): void => {
    setOpen(next);
    setFault(null);
    setTyping({});
    if (next) setDraft(draftOf(given, paper));
  };
  const save = (): void => {
    const unsettled = draft.form === 'factor' ? undefined : Object.values(typing).find((f) => f);
    const settled = unsettled ?? settle(draft);
    if (typeof settled === 'string') return setFault(settled);
    onSave(settled);
    setOpen(false);
  };

  return (
    <Dialog.Root open={open} onOpenChange={reopen}>
      <Dialog.Trigger className={buttonLook()}>{given ? `Change ${PAPER_WORDS[paper]}` : `Enter ${PAPER_WORDS[paper]}`}</Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/50" />
        <Dialog.Content className="fixed top-1/2 left-1/2 z-50 max-h-[92dvh] w-[min(94vw,34rem)] -translate-1/2 overflow-y-auto rounded-md border border-ink bg-sheet p-6 text-ink">
          <Dialog.Title className="text-xl font-bold">
            {what}, {PAPER_WORDS[paper]}
          </Dialog.Title>
          <Dialog.Description className="mt-1 mb-4 text-soft">
            Copy what the paper says. It ranks above {paper === 'sheet' ? 'the service manual and the chart' : 'the chart, and under the packed sheet'}.
          </Dialog.Description>
          <form
            className="grid gap-4"
            onSubmit={(event) => {
              event.preventDefault();
              save();
            }}
          >
            <div>
              <Segmented label="How the paper gives it" value={draft.form} options={FORMS} onChange={(form) => set({ form })} />
            </div>
            {draft.form === 'factor' ? (
              <Field label="Factor" hint="Without a unit: 0.0045 in per inch is 0.0045 mm per mm.">
                {(props) => <input {...props} className="field figures" inputMode="decimal" value={draft.factor} onChange={(event) => set({ factor: event.target.value })} />}
              </Field>
            ) : (
              <div className="grid gap-4 sm:grid-cols-2">
                <LengthField label={draft.form === 'range' ? 'From' : 'At least'} kind={kind} bore={bore} units={units} value={draft.min} onChange={(min) => set({ min })} onFault={(f) => setTyping((t) => ({ ...t, min: f }))} />
                {draft.form === 'range' && (
                  <LengthField label="To" kind={kind} bore={bore} units={units} value={draft.max} onChange={(max) => set({ max })} onFault={(f) => setTyping((t) => ({ ...t, max: f }))} />
                )}
              </div>
            )}
            <Field label="Which paper" hint="So that the next person can find it.">
              {(props) => <input {...props} className="field" value={draft.from} maxLength={200} onChange={(event) => set({ from: event.target.value })} />}
            </Field>
            {fault && (
              <p role="alert" className="font-bold text-over">
                {fault}
              </p>
            )}
            <div className="flex flex-wrap justify-end gap-3">
              {given && (
                <Button
                  className="mr-auto"
                  onClick={() => {
                    onSave(null);
                    setOpen(false);
                  }}
                >
                  Take it out
                </Button>
              )}
              <Dialog.Close className={buttonLook()}>Cancel</Dialog.Close>
              <Button kind="strong" type="submit">
                Put in force
              </Button>
            </div>
          </form>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
