'use client';

import type { Units } from '@/core/foundation/quantity/length';
import { type GaugeKit, type Instrument, INSTRUMENT_KINDS, isFiler } from '@/core/foundation/uncertainty/instrument';
import { INSTRUMENT_KIND_WORDS } from '@/core/foundation/uncertainty/instrumentWords';
import { asKind } from '@/core/foundation/uncertainty/newInstrument';
import { instrumentFaults } from '@/core/foundation/uncertainty/instrumentFaults';
import { TextField } from '../shared/TextField';
import { Button } from '../shared/Button';
import { Field } from '../shared/Field';
import { BareLengthField, LengthsField } from '../shared/LengthsField';
import { SelectField } from '../shared/SelectField';
import { NumberField } from '../shared/NumberField';
import { unitOf } from '../shared/shopUnits';
import { DraftForm, type Form, useForm } from '../shared/useForm';
import { Fault } from '../shared/Fault';

const NEEDLE = [
  ['anticlockwise', 'anticlockwise, plunger out'],
  ['clockwise', 'clockwise'],
] as const;

interface Props {
  initial: Instrument;
  units: Units;
  /** What the server had against it. */
  faults: string[];
  onSave: (instrument: Instrument) => void;
  onCancel: () => void;
}

/** One tool’s figures. */
export function InstrumentForm({ initial, units, faults, onSave, onCancel }: Props) {
  const form = useForm<Instrument>({
    ...{ name: null, base: initial, units, faultsOf: instrumentFaults, onSet: onSave },
  });
  const { draft, set } = form;
  const { kit } = draft;
  const says = [...(form.wrong === null ? [] : [form.wrong]), ...faults];
  return (
    <DraftForm
      key={form.drawn}
      form={form}
      label={initial.name || 'New tool'}
      className="my-3 grid gap-4 border-l-4 border-blue py-2 pl-4 sm:grid-cols-2 lg:grid-cols-3"
    >
      <TextField
        label="Name"
        hint="As the shop calls it, with its number if it has one."
        maxLength={80}
        {...form.field('name')}
      />
      <SelectField
        label="Kind"
        value={draft.kind}
        options={INSTRUMENT_KINDS.map((kind) => [kind, INSTRUMENT_KIND_WORDS[kind]] as const)}
        onChange={(kind) => set((tool) => asKind(tool, kind, units))}
      />
      <span className="max-lg:hidden" />
      {isFiler(draft) ? (
        <p className="text-soft sm:col-span-2 lg:col-span-3">
          A filer measures nothing. What it takes off is learnt from the cuts that are logged with it. With a new wheel
          or file, add it as another.
        </p>
      ) : (
        <MeasuringFields form={form} units={units} />
      )}
      {kit && (
        <KitFields
          kit={kit}
          units={units}
          onChange={(change) => set((d) => (d.kit ? { ...d, kit: { ...d.kit, ...change } } : d))}
          onFault={form.onFault}
        />
      )}
      <div className="flex flex-wrap gap-3 sm:col-span-2 lg:col-span-3">
        <Button kind="strong" type="submit" disabled={form.wrong !== null}>
          Save {initial.version === 0 ? 'the tool' : `as version ${initial.version + 1}`}
        </Button>
        <Button onClick={onCancel}>Cancel</Button>
        <Fault className="basis-full">{says.join(' ')}</Fault>
      </div>
    </DraftForm>
  );
}

/** What it reaches, how finely it reads, and its calibration. */
function MeasuringFields({ form, units }: { form: Form<Instrument>; units: Units }) {
  const { draft, set } = form;
  return (
    <>
      <BareLengthField label="Reaches from" bare={unitOf(units)} {...form.field('from')} />
      <BareLengthField label="to" bare={unitOf(units)} {...form.field('to')} />
      <span className="max-lg:hidden" />
      <BareLengthField
        label="Read to"
        bare={unitOf(units)}
        {...form.field('resolution')}
        hint="The last step it can be read to."
      />
      <BareLengthField
        label="Error limit, ±"
        bare={unitOf(units)}
        {...form.field('limit')}
        hint="From its certificate. The starting value is typical, no source."
      />
      <span className="max-lg:hidden" />
      <Field label="Last calibrated" hint="Empty: none on record.">
        {(props) => (
          <input
            {...props}
            type="date"
            className="field figures"
            value={draft.calibrated ?? ''}
            onChange={(event) => set({ calibrated: event.target.value || null })}
          />
        )}
      </Field>
      <NumberField
        label="Holds, months"
        hint="Empty: for ever."
        least={1}
        most={240}
        whole
        optional
        {...form.field('months')}
      />
      <span className="max-lg:hidden" />
    </>
  );
}

interface KitProps {
  kit: GaugeKit;
  units: Units;
  onChange: (change: Partial<GaugeKit>) => void;
  onFault: (part: string) => (fault: string | null) => void;
}

/** Rods, washers and dial of a bore gauge. */
function KitFields({ kit, units, onChange, onFault }: KitProps) {
  const bare = unitOf(units);
  const one = (label: string, key: 'body' | 'preload' | 'division' | 'turn', hint?: string) => (
    <BareLengthField
      label={label}
      bare={bare}
      value={kit[key]}
      onFault={onFault(key)}
      onChange={(nm) => onChange({ [key]: nm })}
      hint={hint}
    />
  );
  return (
    <>
      <div className="sm:col-span-2 lg:col-span-3">
        <LengthsField
          label="Extension rods"
          bare={bare}
          most={60}
          values={kit.rods}
          onFault={onFault('rods')}
          onChange={(rods) => onChange({ rods })}
          hint="Each length, apart by spaces."
        />
      </div>
      <LengthsField
        label="Washers"
        bare={bare}
        most={16}
        values={kit.washers}
        onFault={onFault('washers')}
        onChange={(washers) => onChange({ washers })}
        hint="Each thickness once."
      />
      {one('The gauge itself adds', 'body', 'Nothing, where rods are marked with the whole length.')}
      {one('Least preload', 'preload')}
      {one('One division', 'division')}
      {one('One turn', 'turn')}
      <SelectField
        label="A larger bore turns the needle"
        value={kit.larger}
        options={NEEDLE}
        onChange={(larger) => onChange({ larger })}
      />
    </>
  );
}
