'use client';

import { useState } from 'react';
import { type Adder, hearShots, shotWords } from '@/core/targets/duty';
import { CountField } from '../shared/CountField';
import { Field } from '../shared/Field';
import { Segmented } from '../shared/Segmented';
import { PressureField } from './PressureField';

interface Props {
  label: string;
  adder: Adder;
  cylinders: number;
  onChange: (adder: Adder) => void;
  onFault: (fault: string | null) => void;
}

const KIND_OPTIONS = [
  ['none', 'none'],
  ['turbo', 'turbo'],
  ['supercharger', 'supercharger'],
  ['nitrous', 'nitrous'],
] as const;

/** The adder as another kind, keeping a boost that was said. */
function asKind(adder: Adder, kind: Adder['kind']): Adder {
  if (kind === 'none') return { kind };
  if (kind === 'nitrous') return { kind, shots: [], cylinders: null };
  return { kind, boost: adder.kind === 'turbo' || adder.kind === 'supercharger' ? adder.boost : null };
}

/** What adds power, with as much of it as its row of the chart hangs on. */
export function AdderFields({ label, adder, cylinders, onChange, onFault }: Props) {
  return (
    <div className="grid content-start gap-3">
      <div>
        <span className="mb-1 block font-bold">{label}</span>
        <Segmented
          label={label}
          value={adder.kind}
          options={KIND_OPTIONS}
          onChange={(kind) => {
            onFault(null);
            onChange(asKind(adder, kind));
          }}
        />
      </div>
      {(adder.kind === 'turbo' || adder.kind === 'supercharger') && (
        <PressureField
          label={label === 'Power adder' ? 'Boost' : 'Planned boost'}
          value={adder.boost}
          onChange={(boost) => onChange({ ...adder, boost })}
          onFault={onFault}
        />
      )}
      {adder.kind === 'nitrous' && (
        <NitrousFields
          adder={adder}
          cylinders={cylinders}
          planned={label !== 'Power adder'}
          onChange={onChange}
          onFault={onFault}
        />
      )}
    </div>
  );
}

interface NitrousProps {
  adder: Extract<Adder, { kind: 'nitrous' }>;
  cylinders: number;
  planned: boolean;
  onChange: (adder: Adder) => void;
  onFault: (fault: string | null) => void;
}

function NitrousFields({ adder, cylinders, planned, onChange, onFault }: NitrousProps) {
  const [typed, setTyped] = useState(adder.shots.join(' + '));
  const shots = hearShots(typed);
  const type = (text: string): void => {
    setTyped(text);
    const heard = hearShots(text);
    if (heard) onChange({ ...adder, shots: heard });
    onFault(heard ? null : `“${text}” is no nitrous shot.`);
  };
  const said = shots && shotWords({ ...adder, shots }, cylinders);
  return (
    <div className="grid gap-3 sm:grid-cols-2">
      <Field
        label={planned ? 'Planned shot, hp' : 'Nitrous shot, hp'}
        hint="Stages that run together with a plus: 100+75."
        error={
          shots === null ? 'A shot in hp is asked for, e.g. 150, or 100+75 in two stages. At most 5000 hp.' : undefined
        }
        said={said ? <span className="figures">{said}</span> : undefined}
      >
        {(props) => (
          <input
            {...props}
            className="field figures"
            inputMode="text"
            autoComplete="off"
            value={typed}
            onChange={(event) => type(event.target.value)}
          />
        )}
      </Field>
      <CountField
        label={planned ? 'Planned for cylinders' : 'Fed to cylinders'}
        hint={`Empty: all ${cylinders}.`}
        value={adder.cylinders}
        onChange={(fedTo) => onChange({ ...adder, cylinders: fedTo })}
      />
    </div>
  );
}
