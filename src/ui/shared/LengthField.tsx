'use client';

import { useState } from 'react';
import { type FormMeaning, parseFormLength } from '@/core/foundation/quantity/formLength';
import { type ParseContext, type Field as Kind, isFine } from '@/core/foundation/quantity/readingField';
import type { Nm, Units } from '@/core/foundation/quantity/length';
import { bothText, printLength } from '@/core/foundation/quantity/format';
import { Field } from './Field';
import { AmbiguityPicker } from './AmbiguityPicker';

interface Props {
  label: string;
  /** Whether the label is heard and not seen. */
  isUnseen?: boolean;
  kind: Kind;
  units: Units;
  value: Nm | null;
  /** Called with a length, or null for an empty field; not called while what is typed is no length. */
  onChange: (value: Nm | null) => void;
  /** Told whether what is typed can be used as it stands. */
  onFault?: (fault: string | null) => void;
  hint?: string;
  /** The engine's bore, where it is known: says what size a gap can be. */
  bore?: Nm | null;
  /** What a size should be near to, where that is known. */
  expected?: ParseContext['expected'];
  /** Takes what was typed as a factor instead: a figure that looks like one is then asked about. */
  onFactor?: (factor: number) => void;
}

/** A length in a form: bench talk in, both systems said back, what cannot be right asked about. */
export function LengthField({
  label,
  isUnseen = false,
  kind,
  units,
  value,
  onChange,
  onFault,
  hint,
  bore = null,
  expected = null,
  onFactor,
}: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const style = isFine(kind) ? 'fine' : 'size';
  const parse = (text: string) =>
    parseFormLength(text, { field: kind, units, bore, expected, mayBeFactor: onFactor !== undefined });
  const heard = typed === null ? null : parse(typed);
  const type = (text: string): void => {
    setTyped(text);
    const now = parse(text);
    if (now.kind === 'empty') onChange(null);
    if (now.kind === 'understood') onChange(now.value);
    const isSettled = now.kind === 'empty' || now.kind === 'understood';
    onFault?.(isSettled ? null : `${label}: “${text}” is not settled yet.`);
  };
  const take = (meant: FormMeaning): void => {
    if ('factor' in meant) return onFactor?.(meant.factor);
    setTyped(null);
    onChange(meant.nm);
    onFault?.(null);
  };
  const said =
    heard?.kind === 'question' ? (
      <AmbiguityPicker ask={heard.ask} options={heard.options} onPick={take} />
    ) : value !== null ? (
      <span className="figures">{bothText(value, style, units)}</span>
    ) : undefined;

  return (
    <Field
      label={label}
      isUnseen={isUnseen}
      hint={hint}
      error={heard?.kind === 'refused' ? heard.why : undefined}
      said={said}
    >
      {(props) => (
        <input
          {...props}
          value={typed ?? (value === null ? '' : printLength(value, units, style).number)}
          onChange={(event) => type(event.target.value)}
          inputMode="decimal"
          autoComplete="off"
          className="field figures"
        />
      )}
    </Field>
  );
}
