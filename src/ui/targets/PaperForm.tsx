'use client';

import { Dialog } from 'radix-ui';
import { type RefObject, useState } from 'react';
import type { Nm } from '@/core/foundation/quantity/length';
import {
  type GivenDraft,
  type OtherRing,
  type Paper,
  crossedMinimum,
  givenDraft,
  parseGiven,
} from '@/core/models/targets/givenFigure';
import type { Given, Own } from '@/core/models/targets/papers';
import { useMoving, useWords } from '../openBuild/contexts';
import { Button, buttonLook } from '../shared/Button';
import { LengthField } from '../shared/LengthField';
import { Segmented } from '../shared/Segmented';
import { TextField } from '../shared/TextField';
import { Tick } from '../shared/Tick';
import { DraftForm, type Form, useForm } from '../shared/useForm';
import { Fault } from '../shared/Fault';

/** What a figure is read as. */
type Kind = 'gap' | 'rail' | 'clearance';
/** What widths and factors it has. */
const widthsOf = (kind: Kind): 'gap' | 'clearance' => (kind === 'clearance' ? kind : 'gap');

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
  against: OtherRing | null;
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

const PAPER_RANKS: Record<Paper, string> = {
  sheet: 'Copy what the paper says. It ranks above the service manual and the chart.',
  manual: 'Copy what the paper says. It ranks above the chart, and under the packed sheet.',
  own: 'What you want, and why. It ranks under sheet, manual and chart, unless you put it over them.',
};

const SOURCE_WORDS: Record<Paper, { label: string; hint: string }> = {
  sheet: { label: 'Which paper', hint: 'So that the next person can find it.' },
  manual: { label: 'Which paper', hint: 'So that the next person can find it.' },
  own: { label: 'Reason', hint: 'It stays on record with the figure, and is on the sheet.' },
};

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
  const { units } = useWords();
  const bore = useMoving().cylinder?.targetBore?.nm ?? null;
  const [fault, setFault] = useState<string | null>(null);
  const form = useForm<GivenDraft>({
    name: `paper-${what}-${paper}`,
    base: givenDraft(given, paper, { over, units, kind: widthsOf(kind) }),
    onSet: (draft) => {
      const found = parseGiven(draft, paper, widthsOf(kind));
      if ('faults' in found) return setFault(Object.values(found.faults)[0] ?? null);
      onSave({ given: found.given, over: draft.over });
      onClose();
    },
  });
  const set = (part: Partial<GivenDraft>): void => {
    form.set(part);
    setFault(null);
  };
  const { draft } = form;
  const { label, hint } = SOURCE_WORDS[paper];
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
          <DraftForm form={form} className="grid gap-4">
            <div className="overflow-x-auto">
              <Segmented
                label={paper === 'own' ? 'How you give it' : 'How the paper gives it'}
                {...form.field('form')}
                options={FORMS}
              />
            </div>
            <Figures key={form.drawn} form={form} set={set} kind={kind} bore={bore} />
            {against && <Crossed draft={draft} kind={kind} other={against} bore={bore} />}
            <TextField label={label} hint={hint} {...form.field('from')} maxLength={200} />
            {paper === 'own' && (
              <Tick {...form.field('over')}>
                <b>Put it over sheet, manual and chart.</b> They stay in sight, and a figure of yours under theirs is
                called out.
              </Tick>
            )}
            <Fault>{fault ?? (form.isTried ? form.wrong : null)}</Fault>
            <PaperButtons given={given} onSave={onSave} onClose={onClose} />
          </DraftForm>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

interface PaperButtonsProps {
  given: Given | null;
  onSave: (own: Own | null) => void;
  onClose: () => void;
}

function PaperButtons({ given, onSave, onClose }: PaperButtonsProps) {
  return (
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
  );
}

interface FigureProps {
  form: Form<GivenDraft>;
  set: (part: Partial<GivenDraft>) => void;
  kind: Kind;
  bore: Nm | null;
}

const MIN_WORDS: Partial<Record<Given['form'], string>> = { range: 'From', nominal: 'Figure' };

/** The figure in the form that was chosen. */
function Figures({ form, set, kind, bore }: FigureProps) {
  const { units } = useWords();
  const { draft, onFault } = form;
  const shape = draft.form;
  const asFactor = (factor: number): void => {
    for (const field of ['min', 'max'] as const) onFault(field)(null);
    set({ form: 'factor', factor: String(factor) });
  };
  const end = (label: string, key: 'min' | 'max' | 'aimFrom' | 'aimTo') => (
    <LengthField
      label={label}
      kind={kind}
      bore={bore}
      units={units}
      {...form.field(key)}
      {...(kind === 'gap' && (key === 'min' || key === 'max') ? { onFactor: asFactor } : {})}
    />
  );
  const factor = (label: string, key: 'factor' | 'most') => (
    <TextField
      label={label}
      hint="Without a unit: 0.0045 in per inch is 0.0045 mm per mm."
      figures
      inputMode="decimal"
      {...form.field(key)}
    />
  );
  return (
    <>
      {shape === 'factor' || shape === 'factors' ? (
        <div className="grid gap-4 sm:grid-cols-2">
          {factor(shape === 'factor' ? 'Factor' : 'From factor', 'factor')}
          {shape === 'factors' && factor('To factor', 'most')}
        </div>
      ) : (
        <div className="grid gap-4 sm:grid-cols-2">
          {end(MIN_WORDS[shape] ?? 'At least', 'min')}
          {shape === 'nominal' && <LengthField label="±" kind="clearance" units={units} {...form.field('plusMinus')} />}
          {shape === 'range' && end('To', 'max')}
        </div>
      )}
      {(shape === 'range' || shape === 'factors') && (
        <Tick {...form.field('hardTop')}>
          <b>Hard at the top too.</b> A figure over it is guarded as one under it is; else a little over costs a little.
        </Tick>
      )}
      {shape === 'range' && (
        <Tick {...form.field('narrowed')}>
          <b>Aim inside it.</b> The range stays the limit; the filer is told your aim.
        </Tick>
      )}
      {shape === 'range' && draft.narrowed && (
        <div className="grid gap-4 sm:grid-cols-2">
          {end('Aim from', 'aimFrom')}
          {end('Aim to', 'aimTo')}
        </div>
      )}
    </>
  );
}

/** Says that a minimum lies on the wrong side of the other compression ring’s. */
function Crossed({
  draft,
  kind,
  other,
  bore,
}: { draft: GivenDraft; other: OtherRing } & Pick<FigureProps, 'kind' | 'bore'>) {
  const { length } = useWords();
  if (crossedMinimum(draft, widthsOf(kind), other, bore) === null) return null;
  const than = `${other.words}, ${length(other.min)}`;
  return (
    <p role="status" className="font-bold text-short">
      {other.side === 'under'
        ? `That is under ${than}: gas could be trapped between the rings. If the paper says so, go on; if the two are swapped, mend it.`
        : `That is over ${than}. If the paper says so, go on; if the two are swapped, mend it.`}
    </p>
  );
}
