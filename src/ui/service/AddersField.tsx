'use client';

import { TextField } from '../shared/TextField';
import { useState } from 'react';
import { addersText, parseAdders } from '@/core/models/load/parseAdders';
import type { Adders } from '@/core/models/load/service';
import { adderWords } from '@/core/models/load/adderWords';
import type { PressureUnit } from '@/core/foundation/quantity/pressure';
import { AmbiguityPicker } from '../shared/AmbiguityPicker';
import { Segmented } from '../shared/Segmented';
import { Tick } from '../shared/Tick';

interface Props {
  label: string;
  hint: string;
  /** What boost is spoken in. */
  unit: PressureUnit;
  /** Null for nothing said. */
  adders: Adders | null;
  onChange: (adders: Adders | null) => void;
  onFault: (fault: string | null) => void;
}

const COOLED = [
  ['cooled', 'cooled'],
  ['hot', 'not cooled'],
  ['unsaid', 'not set'],
] as const;

/** What adds power, in one line as it is said at the bench; what was understood stands under it. */
export function AddersField({ label, hint, unit, adders, onChange, onFault }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const heard = typed === null ? null : parseAdders(typed);
  /** What is typed and not settled yet would be lost by a tap beside it. */
  const isSettled = heard === null || heard.kind === 'understood';
  const put = (said: Adders | null): void => {
    onChange(said);
    onFault(null);
  };
  const type = (text: string): void => {
    setTyped(text);
    const now = parseAdders(text);
    if (now.kind === 'empty') return put(null);
    if (now.kind === 'understood') return put(now.adders);
    onFault(`${label}: “${text}” is not settled yet.`);
  };
  const settle = (said: Adders): void => {
    setTyped(null);
    put(said);
  };
  const said =
    heard?.kind === 'question' ? (
      <AmbiguityPicker
        ask={heard.ask}
        options={heard.options.map(({ adders: option, words }) => ({
          value: option,
          figure: adderWords(option),
          note: words,
        }))}
        onPick={settle}
      />
    ) : adders ? (
      <span className="figures">{adderWords(adders)}</span>
    ) : undefined;
  return (
    <div className="grid content-start gap-2">
      <TextField
        label={label}
        hint={hint}
        error={heard?.kind === 'refused' ? heard.why : undefined}
        said={said}
        maxLength={240}
        value={typed ?? (adders ? addersText(adders, unit) : '')}
        onChange={(text) => type(text)}
      />
      {isSettled && adders?.boost && (
        <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
          <span className="text-sm font-bold">Charge</span>
          <Segmented
            label={`${label}, charge`}
            value={adders.boost.cooled === null ? 'unsaid' : adders.boost.cooled ? 'cooled' : 'hot'}
            options={COOLED}
            onChange={(cooled) =>
              adders.boost &&
              settle({
                ...adders,
                boost: { ...adders.boost, cooled: cooled === 'unsaid' ? null : cooled === 'cooled' },
              })
            }
          />
        </div>
      )}
      {isSettled && adders?.injection && (
        <Tick
          value={adders.injection.counted}
          onChange={(counted) => adders.injection && settle({ ...adders, injection: { ...adders.injection, counted } })}
        >
          Always run with {adders.injection.what}: count its lower heat
        </Tick>
      )}
    </div>
  );
}
