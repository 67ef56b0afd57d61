'use client';

import { useState } from 'react';
import type { Nm } from '@/core/foundation/quantity/length';
import { type Bare, type ParsedLengths, parseLengths, listText } from '@/core/foundation/quantity/parseLengths';
import { Field } from './Field';

interface Props {
  label: string;
  /** What a number without a unit means here. */
  bare: Bare;
  values: Nm[];
  /** As many as are taken; with 1 it is one length. */
  most: number;
  onChange: (values: Nm[]) => void;
  /** Told what is wrong with the entry as it stands, or null. */
  onFault: (fault: string | null) => void;
  hint?: string | undefined;
}

const BARE_WORDS: Record<Bare, string> = { thou: 'thou', in: 'in', mm: 'mm' };

/** One length or several, in a unit that is said on the label. */
export function LengthsField({ label, bare, values, most, onChange, onFault, hint }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const hear = (text: string): ParsedLengths =>
    most === 1 && text.trim() === '' ? { ok: false, why: 'Enter a length.' } : parseLengths(text, bare, most);
  const heard = typed === null ? null : hear(typed);
  const type = (text: string): void => {
    setTyped(text);
    const now = hear(text);
    if (now.ok) onChange(now.values);
    onFault(now.ok ? null : `${label}: ${now.why}`);
  };
  return (
    <Field label={`${label}, ${BARE_WORDS[bare]}`} hint={hint} error={heard && !heard.ok ? heard.why : undefined}>
      {(props) => (
        <input
          {...props}
          className="field figures"
          autoComplete="off"
          spellCheck={false}
          value={typed ?? listText(values, bare)}
          onChange={(event) => type(event.target.value)}
        />
      )}
    </Field>
  );
}

interface OneProps extends Pick<Props, 'label' | 'bare' | 'onFault' | 'hint'> {
  value: Nm;
  onChange: (value: Nm) => void;
}

/** One length, in a unit that is said on the label. */
export function BareLengthField({ value, onChange, ...field }: OneProps) {
  return <LengthsField {...field} most={1} values={[value]} onChange={([nm]) => nm !== undefined && onChange(nm)} />;
}
