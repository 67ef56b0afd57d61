'use client';

import { useState } from 'react';
import { usePersistedDraft } from '../shared/persistedDraft';
import { type HeatChoices, STARTING_HEAT } from '@/core/models/heat/assess';
import { RING_METAL_WORDS } from '@/core/models/heat/metalWords';
import { RING_METALS } from '@/core/models/heat/metals';
import { useJudgement, useLogging, useMoving, useWords } from '../openBuild/contexts';
import { Button } from '../shared/Button';
import { Field } from '../shared/Field';
import { LengthField } from '../shared/LengthField';
import { SelectField } from '../shared/SelectField';
import { TemperatureField } from '../shared/TemperatureField';

const TEMPERATURES = [
  ['coolant', 'Coolant, or air-cooled barrel', [40, 220]],
  ['top', 'Top ring', [60, 400]],
  ['second', 'Second ring', [60, 400]],
  ['wall', 'Bore wall', [40, 250]],
  ['skirt', 'Piston skirt', [40, 300]],
] as const;

/** What the heat model assumes: each figure from memory unless entered here. */
export function Assumed() {
  const judgement = useJudgement();
  return <Form key={JSON.stringify(judgement.choices.heat)} choices={judgement.choices.heat} />;
}

function Form({ choices }: { choices: HeatChoices }) {
  const { cylinder } = useMoving();
  const { units } = useWords();
  const { choose } = useLogging();
  const [draft, setDraft, left] = usePersistedDraft('heat', choices);
  const [faults, setFaults] = useState<Record<string, string | null>>({});
  const assumed = cylinder?.heat?.temperatures ?? null;
  const unsettled = Object.values(faults).find((f) => f) ?? null;
  const { spread } = draft;
  const coolerWall =
    draft.wall !== null && draft.top !== null && draft.wall >= draft.top
      ? 'The wall is hotter than the top ring: are the two swapped?'
      : null;
  const wrong = unsettled ?? coolerWall;
  const spreadField = (key: 'ring' | 'wall' | 'expansion', label: string, most: number, scale = 1) => (
    <Field label={label} error={faults[key] ?? undefined}>
      {(props) => (
        <input
          {...props}
          type="number"
          min={0}
          max={most}
          step="any"
          className="field figures"
          defaultValue={Number((spread[key] * scale).toFixed(3))}
          onChange={(event) => {
            const n = event.target.valueAsNumber;
            const fine = n >= 0 && n <= most;
            setFaults((f) => ({ ...f, [key]: fine ? null : `0 to ${most} is asked for.` }));
            if (fine) setDraft((d) => ({ ...d, spread: { ...d.spread, [key]: n / scale } }));
          }}
        />
      )}
    </Field>
  );
  return (
    <details open={left !== null || undefined}>
      <summary className="min-h-11 py-2 font-bold">
        What is assumed: temperatures, metals, and how sure they are
      </summary>
      <form
        className="grid max-w-2xl gap-4 pt-2 sm:grid-cols-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (!wrong) choose('heat', draft);
        }}
      >
        {left && <div className="sm:col-span-2">{left}</div>}
        {TEMPERATURES.map(([key, label, usual]) => (
          <TemperatureField
            key={key}
            label={label}
            usual={[usual[0], usual[1]]}
            value={draft[key]}
            placeholder={assumed && draft[key] === null ? `${assumed[key].toFixed(0)}, assumed` : undefined}
            hint={key === 'coolant' ? 'Empty: 90 °C, a barrel 165 °C.' : 'Mean. Empty: by the heat load.'}
            onChange={(value) => setDraft((d) => ({ ...d, [key]: value }))}
            onFault={(f) => setFaults((all) => ({ ...all, [key]: f }))}
          />
        ))}
        <SelectField
          label="Ring metal"
          hint="Of the bore and the piston the job card says."
          value={draft.ringMetal}
          options={RING_METALS.map((metal) => [metal, RING_METAL_WORDS[metal]] as const)}
          onChange={(ringMetal) => ringMetal && setDraft({ ...draft, ringMetal })}
        />
        <LengthField
          label="Feel of the feeler, ±"
          kind="clearance"
          units={units}
          value={draft.feeler}
          onChange={(nm) => nm !== null && setDraft((d) => ({ ...d, feeler: nm }))}
          onFault={(f) => setFaults((all) => ({ ...all, feeler: f }))}
        />
        {spreadField('ring', 'Ring temperature, ± K (k = 2)', 200)}
        {spreadField('wall', 'Wall temperature, ± K (k = 2)', 200)}
        {spreadField('expansion', 'Either expansion, ± % (k = 2)', 50, 100)}
        <div className="flex flex-wrap items-end gap-3 sm:col-span-2">
          <Button
            kind="accent"
            type="submit"
            disabled={wrong !== null || JSON.stringify(draft) === JSON.stringify(choices)}
          >
            Set what is assumed
          </Button>
          {JSON.stringify(choices) !== JSON.stringify(STARTING_HEAT) && (
            <Button onClick={() => choose('heat', STARTING_HEAT)}>Back to what the program assumes</Button>
          )}
          {wrong && <p className="w-full font-bold text-over">{wrong}</p>}
        </div>
      </form>
    </details>
  );
}
