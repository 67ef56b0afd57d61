'use client';

import { heatFaults } from '@/core/models/heat/heatFaults';
import { DraftForm, type Form, FormFoot, useForm } from '../shared/useForm';
import { type HeatChoices, STARTING_HEAT } from '@/core/models/heat/assess';
import { RING_METAL_WORDS } from '@/core/models/heat/metalWords';
import { RING_METALS } from '@/core/models/heat/metals';
import { useJudgement, useLogging, useMoving, useWords } from '../openBuild/contexts';
import { Button } from '../shared/Button';
import { NumberField } from '../shared/NumberField';
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
  const { heat } = useJudgement().choices;
  const { units } = useWords();
  const { choose } = useLogging();
  const form = useForm({
    ...{ name: 'heat', base: heat, units, faultsOf: heatFaults },
    onSet: (next) => choose('heat', next),
  });
  const { draft, set } = form;
  const spread = (key: 'ring' | 'wall' | 'expansion', label: string, most: number, scale = 1) => (
    <NumberField
      label={label}
      least={0}
      most={most}
      value={Number((draft.spread[key] * scale).toFixed(3))}
      onFault={form.onFault(key)}
      onChange={(n) => n !== null && set((d) => ({ ...d, spread: { ...d.spread, [key]: n / scale } }))}
    />
  );
  return (
    <details open={form.note !== false || undefined}>
      <summary className="min-h-11 py-2 font-bold">
        What is assumed: temperatures, metals, and how sure they are
      </summary>
      <DraftForm key={form.drawn} form={form} className="grid max-w-2xl gap-4 pt-2 sm:grid-cols-2">
        <Temperatures form={form} />
        <SelectField
          label="Ring metal"
          hint="Of the bore and the piston the job card says."
          {...form.field('ringMetal')}
          options={RING_METALS.map((metal) => [metal, RING_METAL_WORDS[metal]] as const)}
        />
        <LengthField
          label="Feel of the feeler, ±"
          kind="clearance"
          units={units}
          value={draft.feeler}
          onChange={(feeler) => feeler !== null && set({ feeler })}
          onFault={form.onFault('feeler')}
        />
        {spread('ring', 'Ring temperature, ± K (k = 2)', 200)}
        {spread('wall', 'Wall temperature, ± K (k = 2)', 200)}
        {spread('expansion', 'Either expansion, ± % (k = 2)', 50, 100)}
        <div className="sm:col-span-2">
          <FormFoot form={form} words="Set what is assumed">
            {JSON.stringify(heat) !== JSON.stringify(STARTING_HEAT) && (
              <Button onClick={() => choose('heat', STARTING_HEAT)}>Back to what the program assumes</Button>
            )}
          </FormFoot>
        </div>
      </DraftForm>
    </details>
  );
}

function Temperatures({ form }: { form: Form<HeatChoices> }) {
  const { cylinder } = useMoving();
  const assumed = cylinder?.heat?.temperatures ?? null;
  return (
    <>
      {TEMPERATURES.map(([key, label, usual]) => (
        <TemperatureField
          key={key}
          label={label}
          usual={[usual[0], usual[1]]}
          placeholder={assumed && form.draft[key] === null ? `${assumed[key].toFixed(0)}, assumed` : undefined}
          hint={key === 'coolant' ? 'Empty: 90 °C, a barrel 165 °C.' : 'Mean. Empty: by the heat load.'}
          {...form.field(key)}
        />
      ))}
    </>
  );
}
