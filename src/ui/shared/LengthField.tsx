'use client';

import { useState } from 'react';
import { factorIn, parseField } from '@/core/foundation/quantity/parseReading';
import { type ParseContext, type Field as Kind, isFine, acceptedBy } from '@/core/foundation/quantity/readingField';
import type { Nm, Units } from '@/core/foundation/quantity/length';
import { type LengthStyle, bothText, printLength } from '@/core/foundation/quantity/format';
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

const styleOf = (kind: Kind): LengthStyle => (isFine(kind) ? 'fine' : 'size');

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
  const style = styleOf(kind);
  const shown = typed ?? (value === null ? '' : printLength(value, units, style).number);
  const heard = typed === null ? null : parseField(typed, kind, units, bore, expected);
  const factor = typed === null || !onFactor ? null : factorIn(typed);
  const error =
    heard?.kind === 'refused'
      ? `${heard.why} Accepted: ${heard.accepted}.`
      : heard?.kind === 'setting' || (heard?.kind === 'understood' && heard.meaning.upTo !== null)
        ? `Enter one length: ${acceptedBy(kind, units)}.`
        : undefined;

  const type = (text: string): void => {
    setTyped(text);
    const now = parseField(text, kind, units, bore, expected);
    const asked = onFactor !== undefined && factorIn(text) !== null;
    if (now.kind === 'empty') onChange(null);
    if (now.kind === 'understood' && now.meaning.upTo === null && !asked) onChange(now.meaning.value);
    const usable = asked ? false : now.kind === 'empty' || (now.kind === 'understood' && now.meaning.upTo === null);
    onFault?.(usable ? null : `${label}: “${text}” is not settled yet.`);
  };
  const pick = (nm: Nm): void => {
    setTyped(null);
    onChange(nm);
    onFault?.(null);
  };

  const asTyped =
    heard?.kind === 'understood'
      ? heard.meaning.value
      : heard?.kind === 'question'
        ? heard.options.find((o) => o.taken === 'as typed')?.value
        : undefined;
  /** As a length, or as a factor where it looks like one. */
  const take = (meant: { nm: Nm } | { factor: number }): void =>
    'nm' in meant ? pick(meant.nm) : onFactor?.(meant.factor);
  const said =
    factor !== null ? (
      <AmbiguityPicker
        ask={`${factor} looks like a factor, not a gap. Is it factor × bore?`}
        options={[
          { value: { factor }, figure: `${factor} × bore`, note: '' },
          ...(asTyped === undefined
            ? []
            : [{ value: { nm: asTyped }, figure: bothText(asTyped, style, units), note: 'as typed' }]),
        ]}
        onPick={take}
      />
    ) : heard?.kind === 'question' ? (
      <AmbiguityPicker
        ask={heard.ask}
        options={heard.options.map(({ value: nm, taken }) => ({
          value: nm,
          figure: bothText(nm, style, units),
          note: taken,
        }))}
        onPick={pick}
      />
    ) : value !== null ? (
      <span className="figures">{bothText(value, style, units)}</span>
    ) : undefined;

  return (
    <Field label={label} isUnseen={isUnseen} hint={hint} error={error} said={said}>
      {(props) => (
        <input
          {...props}
          value={shown}
          onChange={(event) => type(event.target.value)}
          inputMode="decimal"
          autoComplete="off"
          className="field figures"
        />
      )}
    </Field>
  );
}
