'use client';

import { Dialog } from 'radix-ui';
import { type ReactNode, type RefObject, useState } from 'react';
import type { Field as Kind } from '@/core/foundation/quantity/readingField';
import type { Nm, Units } from '@/core/foundation/quantity/length';
import { usePersistedDraft } from '../shared/persistedDraft';
import { FACTORS } from '@/core/models/charts/chartEdit';
import { type Own, type Given, statedMinimum, NOMINAL_WITHIN } from '@/core/models/targets/papers';
import { useMoving, useWords } from '../openBuild/contexts';
import { Button, buttonLook } from '../shared/Button';
import { Field } from '../shared/Field';
import { LengthField } from '../shared/LengthField';
import { Segmented } from '../shared/Segmented';

export type Paper = 'sheet' | 'manual' | 'own';

export interface PaperFormProps {
  /** The paper, in words. */
  paperWords: string;
  /** What the figure is for, e.g. `top ring gap`. */
  what: string;
  paper: Paper;
  kind: Kind;
  given: Given | null;
  /** For the builder's own figure: whether it is put over what ranks above it. */
  over: boolean;
  /** The other compression ring's minimum, and whether this one should not be under it or not over it. */
  against: { min: Nm; words: string; side: 'under' | 'over' } | null;
  /** What opened it: it has the focus again after. */
  button: RefObject<HTMLElement | null>;
  onSave: (own: Own | null) => void;
  onClose: () => void;
}

const FORMS = [
  ['range', 'from – to'],
  ['minimum', 'at least'],
  ['nominal', 'one figure ±'],
  ['factor', 'factor × bore'],
  ['factors', 'factors × bore'],
] as const satisfies readonly (readonly [Given['form'], string])[];

interface Draft {
  form: Given['form'];
  min: Nm | null;
  max: Nm | null;
  hardTop: boolean;
  /** What a range is narrowed to: whether it is, and both ends. */
  narrowed: boolean;
  aimFrom: Nm | null;
  aimTo: Nm | null;
  plusMinus: Nm | null;
  factor: string;
  most: string;
  from: string;
  over: boolean;
}

const PAPER_RANKS: Record<Paper, string> = {
  sheet: 'Copy what the paper says. It ranks above the service manual and the chart.',
  manual: 'Copy what the paper says. It ranks above the chart, and under the packed sheet.',
  own: 'What you want, and why. It ranks under sheet, manual and chart, unless you put it over them.',
};

const FROM: Record<Paper, { start: string; label: string; hint: string }> = {
  sheet: { start: 'sheet packed with the parts', label: 'Which paper', hint: 'So that the next person can find it.' },
  manual: { start: 'service manual', label: 'Which paper', hint: 'So that the next person can find it.' },
  own: { start: '', label: 'Reason', hint: 'It stays on record with the figure, and is on the sheet.' },
};

const EMPTY: Omit<Draft, 'form' | 'from' | 'over' | 'plusMinus'> = {
  min: null,
  max: null,
  hardTop: false,
  narrowed: false,
  aimFrom: null,
  aimTo: null,
  factor: '',
  most: '',
};

/** What of a draft a figure fills in. */
function filledBy(given: Given): Partial<Draft> {
  switch (given.form) {
    case 'range': {
      const { min, max, hardTop, aim } = given;
      return { min, max, hardTop, narrowed: aim !== null, aimFrom: aim?.from ?? null, aimTo: aim?.to ?? null };
    }
    case 'minimum':
      return { min: given.min };
    case 'nominal':
      return { min: given.value, plusMinus: given.plusMinus };
    case 'factor':
      return { factor: String(given.factor) };
    case 'factors':
      return { factor: String(given.least), most: String(given.most), hardTop: given.hardTop };
  }
}

const draftOf = (given: Given | null, paper: Paper, over: boolean, units: Units, kind: Kind): Draft => ({
  ...EMPTY,
  form: given?.form ?? (paper === 'own' ? 'minimum' : 'range'),
  plusMinus: NOMINAL_WITHIN[kind === 'clearance' ? 'clearance' : 'gap'][units],
  from: given?.from ?? FROM[paper].start,
  over,
  ...(given ? filledBy(given) : {}),
});

/** A factor as typed, or what is wrong with it. */
function settleFactor(typed: string, kind: Kind): number | string {
  const factor = Number(typed.replace(',', '.'));
  const [least, most] = FACTORS[kind === 'clearance' ? 'clearance' : 'gap'].usual;
  if (!(factor > 0))
    return kind === 'clearance' ? 'A factor such as 0.0010 is asked for.' : 'A factor such as 0.0045 is asked for.';
  return factor > most || factor < least
    ? `${typed} is no factor: one lies between ${least} and ${most}. If it is the ${kind === 'clearance' ? 'clearance' : 'gap'} itself, choose “at least”.`
    : factor;
}

/** The draft as a figure, or what is wrong with it. */
function settle(draft: Draft, paper: Paper, kind: Kind): Given | string {
  const from = draft.from.trim();
  if (paper === 'own' && from === '') return 'The reason for your own figure is asked for.';
  if (draft.form === 'factor' || draft.form === 'factors') {
    const factor = settleFactor(draft.factor, kind);
    if (typeof factor === 'string' || draft.form === 'factor')
      return typeof factor === 'string' ? factor : { form: 'factor', factor, from };
    const most = settleFactor(draft.most, kind);
    if (typeof most === 'string') return most;
    if (most < factor) return 'The upper factor is under the lower one: are they swapped?';
    return { form: 'factors', least: factor, most, hardTop: draft.hardTop, from };
  }
  if (draft.min === null)
    return draft.form === 'nominal' ? 'The figure is asked for.' : 'The lower figure is asked for.';
  if (draft.form === 'nominal') {
    if (draft.plusMinus === null) return 'How far from it is still it? Half a thou, 0.01 mm, or 0.';
    if (draft.plusMinus >= draft.min) return 'The ± is as large as the figure itself.';
    return { form: 'nominal', value: draft.min, plusMinus: draft.plusMinus, from };
  }
  if (draft.form === 'minimum') return { form: 'minimum', min: draft.min, from };
  if (draft.max === null) return 'The upper figure is asked for; with a lower one only, choose “at least”.';
  if (draft.max < draft.min) return 'The upper figure is under the lower one: are they swapped?';
  const { min, max, hardTop, narrowed, aimFrom, aimTo } = draft;
  if (!narrowed) return { form: 'range', min, max, hardTop, aim: null, from };
  if (aimFrom === null || aimTo === null) return 'Both ends of the aim are asked for.';
  if (aimTo < aimFrom) return 'The aim’s upper end is under its lower one: are they swapped?';
  if (aimFrom < min || aimTo > max) return 'The aim lies outside the range that the paper gives.';
  return { form: 'range', min, max, hardTop, aim: { from: aimFrom, to: aimTo }, from };
}

function FactorField({ label, value, onChange }: { label: string; value: string; onChange: (value: string) => void }) {
  return (
    <Field label={label} hint="Without a unit: 0.0045 in per inch is 0.0045 mm per mm.">
      {(props) => (
        <input
          {...props}
          className="field figures"
          inputMode="decimal"
          value={value}
          onChange={(event) => onChange(event.target.value)}
        />
      )}
    </Field>
  );
}

interface TickProps {
  checked: boolean;
  onChange: (checked: boolean) => void;
  children: ReactNode;
}

function Tick({ checked, onChange, children }: TickProps) {
  return (
    <label className="flex min-h-11 items-start gap-2">
      <input
        type="checkbox"
        className="mt-0.5 size-5 shrink-0 accent-(--blue)"
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
      />
      <span>{children}</span>
    </label>
  );
}

/** Enters what a sheet or a manual says of one figure, or what the builder wants and why. */
export function PaperForm({
  what,
  paper,
  paperWords,
  kind,
  given,
  over,
  against,
  button,
  onSave,
  onClose,
}: PaperFormProps) {
  const { units, length } = useWords();
  const { cylinder } = useMoving();
  const bore = cylinder?.targetBore?.nm ?? null;
  const [base] = useState(() => draftOf(given, paper, over, units, kind));
  const [draft, setDraft, left] = usePersistedDraft<Draft>(`paper-${what}-${paper}`, base);
  const [fault, setFault] = useState<string | null>(null);
  const [typing, setTyping] = useState<Record<string, string | null>>({});
  const set = (part: Partial<Draft>): void => {
    setDraft((d) => ({ ...d, ...part }));
    setFault(null);
  };
  const save = (): void => {
    const byFactor = draft.form === 'factor' || draft.form === 'factors';
    const unsettled = byFactor ? undefined : Object.values(typing).find((f) => f);
    const settled = unsettled ?? settle(draft, paper, kind);
    if (typeof settled === 'string') return setFault(settled);
    onSave({ given: settled, over: draft.over });
    onClose();
  };
  const asFactor =
    kind === 'gap'
      ? (factor: number): void => {
          setTyping({});
          set({ form: 'factor', factor: String(factor) });
        }
      : undefined;
  const drafted = settle({ ...draft, from: draft.from || '?' }, paper, kind);
  const min = typeof drafted === 'string' ? null : statedMinimum(drafted, bore);
  const crossed = against && min !== null && (against.side === 'under' ? min < against.min : min > against.min);
  const { label, hint } = FROM[paper];

  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/50" />
        <Dialog.Content
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            button.current?.focus();
          }}
          onOpenAutoFocus={(event) => {
            event.preventDefault();
            (event.currentTarget as HTMLElement).querySelector('input')?.focus();
          }}
          className="fixed top-1/2 left-1/2 z-50 max-h-[92dvh] w-[min(94vw,34rem)] -translate-1/2 overflow-y-auto rounded-md border border-ink bg-sheet p-6 text-ink"
        >
          <Dialog.Title className="text-xl font-bold">
            {what}, {paperWords}
          </Dialog.Title>
          <Dialog.Description className="mt-1 mb-4 text-soft">{PAPER_RANKS[paper]}</Dialog.Description>
          <form
            className="grid gap-4"
            onSubmit={(event) => {
              event.preventDefault();
              save();
            }}
          >
            {left}
            <div className="overflow-x-auto">
              <Segmented
                label={paper === 'own' ? 'How you give it' : 'How the paper gives it'}
                value={draft.form}
                options={FORMS}
                onChange={(form) => set({ form })}
              />
            </div>
            {draft.form === 'factor' || draft.form === 'factors' ? (
              <div className="grid gap-4 sm:grid-cols-2">
                <FactorField
                  label={draft.form === 'factor' ? 'Factor' : 'From factor'}
                  value={draft.factor}
                  onChange={(factor) => set({ factor })}
                />
                {draft.form === 'factors' && (
                  <FactorField label="To factor" value={draft.most} onChange={(most) => set({ most })} />
                )}
              </div>
            ) : (
              <div className="grid gap-4 sm:grid-cols-2">
                <LengthField
                  label={draft.form === 'range' ? 'From' : draft.form === 'nominal' ? 'Figure' : 'At least'}
                  kind={kind}
                  bore={bore}
                  units={units}
                  value={draft.min}
                  onChange={(nm) => set({ min: nm })}
                  onFault={(f) => setTyping((t) => ({ ...t, min: f }))}
                  onFactor={asFactor}
                />
                {draft.form === 'nominal' && (
                  <LengthField
                    label="±"
                    kind="clearance"
                    units={units}
                    value={draft.plusMinus}
                    onChange={(plusMinus) => set({ plusMinus })}
                    onFault={(f) => setTyping((t) => ({ ...t, plusMinus: f }))}
                  />
                )}
                {draft.form === 'range' && (
                  <LengthField
                    label="To"
                    kind={kind}
                    bore={bore}
                    units={units}
                    value={draft.max}
                    onChange={(max) => set({ max })}
                    onFault={(f) => setTyping((t) => ({ ...t, max: f }))}
                    onFactor={asFactor}
                  />
                )}
              </div>
            )}
            {(draft.form === 'range' || draft.form === 'factors') && (
              <Tick checked={draft.hardTop} onChange={(hardTop) => set({ hardTop })}>
                <b>Hard at the top too.</b> A figure over it is guarded as one under it is; else a little over costs a
                little.
              </Tick>
            )}
            {draft.form === 'range' && (
              <>
                <Tick checked={draft.narrowed} onChange={(narrowed) => set({ narrowed })}>
                  <b>Aim inside it.</b> The range stays the limit; the filer is told your aim.
                </Tick>
                {draft.narrowed && (
                  <div className="grid gap-4 sm:grid-cols-2">
                    {(['aimFrom', 'aimTo'] as const).map((end) => (
                      <LengthField
                        key={end}
                        label={end === 'aimFrom' ? 'Aim from' : 'Aim to'}
                        kind={kind}
                        bore={bore}
                        units={units}
                        value={draft[end]}
                        onChange={(nm) => set({ [end]: nm })}
                        onFault={(f) => setTyping((t) => ({ ...t, [end]: f }))}
                      />
                    ))}
                  </div>
                )}
              </>
            )}
            {crossed && (
              <p role="status" className="font-bold text-short">
                {against.side === 'under'
                  ? `That is under ${against.words}, ${length(against.min)}: gas could be trapped between the rings. If the paper says so, go on; if the two are swapped, mend it.`
                  : `That is over ${against.words}, ${length(against.min)}. If the paper says so, go on; if the two are swapped, mend it.`}
              </p>
            )}
            <Field label={label} hint={hint}>
              {(props) => (
                <input
                  {...props}
                  className="field"
                  value={draft.from}
                  maxLength={200}
                  onChange={(event) => set({ from: event.target.value })}
                />
              )}
            </Field>
            {paper === 'own' && (
              <Tick checked={draft.over} onChange={(checked) => set({ over: checked })}>
                <b>Put it over sheet, manual and chart.</b> They stay in sight, and a figure of yours under theirs is
                called out.
              </Tick>
            )}
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
                    onClose();
                  }}
                >
                  Take it out
                </Button>
              )}
              <Dialog.Close className={buttonLook()}>Cancel</Dialog.Close>
              <Button kind="strong" type="submit">
                Enter it
              </Button>
            </div>
          </form>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
