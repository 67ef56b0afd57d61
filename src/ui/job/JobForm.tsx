'use client';

import { useEffect, useState } from 'react';
import type { ParseContext } from '@/core/foundation/quantity/readingField';
import { type Engine, type Numbering, hasTwoBanks } from '@/core/foundation/engine/engine';
import { numberingWords, changeLayout } from '@/core/foundation/engine/changeLayout';
import { engineFaults } from '@/core/foundation/engine/engineFaults';
import type { Chart } from '@/core/models/charts/chart';
import { PistonField } from '../service/PistonField';
import { ServiceFields } from '../service/ServiceFields';
import { SurfaceField } from '../service/SurfaceField';
import { Tick } from '../shared/Tick';
import { Button } from '../shared/Button';
import { Field } from '../shared/Field';
import { LengthField } from '../shared/LengthField';
import { SelectField } from '../shared/SelectField';
import { TextField } from '../shared/TextField';
import { type Form, useForm } from '../shared/useForm';
import { Segmented } from '../shared/Segmented';
import { SHOP_UNITS } from '../shared/shopUnits';
import type { Job } from '@/core/record/jobCard';
import type { StageId } from '@/core/judge/registry';
import { STAGE_IDS, covers, stageOf } from '@/core/judge/stageTables';
import { jobFaults } from '@/core/stages/job/jobFaults';

interface Props {
  initial: Job;
  /** The chart whose rows and columns are offered. */
  chart: Chart;
  submit: string;
  /** Takes the card; what is wrong with it comes back as sentences. */
  onSave: (job: Job) => Promise<string[]> | string[];
  /** What the planned bore should be near to: the bores read so far. */
  expectedBore?: ParseContext['expected'];
  /** Whether the card as it stands here was just saved. */
  saved?: boolean;
  onTouch?: () => void;
  /** What its draft is kept under. */
  draftName: string;
  /** Told what the card says while it is filled in. */
  onJob?: (job: Job) => void;
}

const LAYOUT_OPTIONS = [
  ['inline', 'in line'],
  ['vee', 'V'],
  ['flat', 'flat'],
  ['single', 'single'],
] as const;

const TWO_BANK_SCHEMES: [Numbering['scheme'], string][] = [
  ['alternate', 'odd one bank, even the other'],
  ['bankByBank', 'one bank, then the other'],
  ['lettered', 'A1, A2 … B1, B2'],
];

const START_OPTIONS = [
  ['front', 'front'],
  ['rear', 'flywheel end'],
] as const;
const BANK_OPTIONS = [
  ['left', 'left bank'],
  ['right', 'right bank'],
] as const;
const ROTATION_OPTIONS = [
  ['clockwise', 'clockwise'],
  ['anticlockwise', 'anticlockwise'],
] as const;
const COVERABLE = STAGE_IDS.filter((id) => stageOf(id).coverage !== 'always');

/** Which stages this job covers: what is left to others is not asked for, and does not count as undone. */
function Covered({
  job,
  onChange,
}: {
  job: Pick<Job, 'elsewhere' | 'also'>;
  onChange: (next: Pick<Job, 'elsewhere' | 'also'>) => void;
}) {
  const { elsewhere, also } = job;
  const change = (id: StageId, covered: boolean): void => {
    const isAdded = stageOf(id).coverage === 'where added';
    const list = isAdded ? also : elsewhere;
    const next = covered === isAdded ? [...list, id] : list.filter((e) => e !== id);
    onChange(isAdded ? { elsewhere, also: next } : { elsewhere: next, also });
  };
  return (
    <fieldset>
      <legend className="font-bold">Stages in this job</legend>
      <p className="text-sm text-soft">
        Take out what is done elsewhere, or not at all: bores measured by a machine shop, a re-ring without clocking.
        Journals are the bearings of crank and rods.
      </p>
      <div className="flex flex-wrap gap-x-5">
        {COVERABLE.map((id) => (
          <Tick key={id} value={covers(job, id)} onChange={(isOn) => change(id, isOn)}>
            {stageOf(id).words}
          </Tick>
        ))}
      </div>
    </fieldset>
  );
}

/** The job card: what engine, what for, what pistons. */
export function JobForm({
  initial,
  chart,
  submit,
  onSave,
  expectedBore = null,
  saved = false,
  onTouch,
  draftName,
  onJob,
}: Props) {
  const [saving, setSaving] = useState(false);
  const [faults, setFaults] = useState<string[]>([]);
  const save = async (job: Job): Promise<void> => {
    setSaving(true);
    setFaults(await onSave(job));
    setSaving(false);
  };
  const form = useForm<Job>({
    ...{ name: draftName, base: initial, faultsOf: jobFaults },
    onSet: (job) => void save(job),
  });
  const { draft: job } = form;
  useEffect(() => onJob?.(job), [onJob, job]);
  const part: PartProps = {
    form,
    set: (change) => {
      form.set(change);
      onTouch?.();
    },
  };
  return (
    <form key={form.drawn} onSubmit={form.submit} onChange={onTouch} noValidate className="grid max-w-3xl gap-8">
      {form.note}
      <OnTheStand {...part} isNew={initial.name === ''} />
      <Block {...part} />
      <RestsOn {...part} chart={chart} expectedBore={expectedBore} />
      <div className="flex flex-wrap items-center gap-4">
        <Button kind="strong" type="submit" disabled={saving}>
          {submit}
        </Button>
        <div role="status">
          {faults.length > 0 && form.wrong === null && <p className="font-bold text-over">{faults.join(' ')}</p>}
          {saved && <p className="font-bold text-ok">Saved.</p>}
          {form.isTried && form.wrong !== null && (
            <p className="font-bold text-over">
              {form.unsettled ?? 'Something above is missing or wrong: see beside the field.'}
            </p>
          )}
        </div>
      </div>
    </form>
  );
}

interface PartProps {
  form: Form<Job>;
  set: (change: Partial<Job>) => void;
}

/** What is wrong with a field, once the card was to be saved. */
const shown = (form: Form<Job>, field: keyof Job): string | undefined => (form.isTried ? form.fault(field) : undefined);

function OnTheStand({ form, set, isNew }: PartProps & { isNew: boolean }) {
  const { draft: job } = form;
  return (
    <fieldset className="grid gap-4 sm:grid-cols-2">
      <legend className="mb-2 text-lg font-bold">Engine</legend>
      <TextField
        label="Build name"
        error={shown(form, 'name')}
        hint="Shown in the list of builds, e.g. Tarn five."
        autoFocus={isNew}
        value={job.name}
        onChange={(name) => set({ name })}
      />
      <TextField
        label="Customer"
        error={shown(form, 'customer')}
        hint="Customer, or “stock”."
        value={job.customer}
        onChange={(customer) => set({ customer })}
      />
      <TextField
        label="Engine and parts"
        error={shown(form, 'description')}
        hint="Block, ring set, pistons, so that a similar engine is found later."
        value={job.description}
        onChange={(description) => set({ description })}
      />
      <div>
        <span className="mb-1 block font-bold">Units</span>
        <Segmented label="Units" value={job.units} options={SHOP_UNITS} onChange={(units) => set({ units })} />
        <p className="mt-1 text-sm text-soft">Used for a figure typed without a unit. You can change it at any time.</p>
      </div>
    </fieldset>
  );
}

function Block({ form, set }: PartProps) {
  const { engine } = form.draft;
  const { numbering } = engine;
  const faults = engineFaults(engine);
  const two = hasTwoBanks(engine.layout);
  const setEngine = (change: Partial<Engine>): void => set({ engine: { ...engine, ...change } });
  const number = (change: Partial<Numbering>): void => setEngine({ numbering: { ...numbering, ...change } });
  return (
    <fieldset className="grid gap-4 sm:grid-cols-2">
      <legend className="mb-2 text-lg font-bold">The block</legend>
      <div>
        <span className="mb-1 block font-bold">Layout</span>
        <Segmented
          label="Layout"
          value={engine.layout}
          options={LAYOUT_OPTIONS}
          onChange={(layout) => set({ engine: changeLayout(engine, layout) })}
        />
      </div>
      <Count
        label="Cylinders"
        error={faults.find((e) => /cylinder/i.test(e))}
        hint="1 to 16"
        value={engine.cylinders}
        disabled={engine.layout === 'single'}
        onChange={(cylinders) => setEngine({ cylinders })}
      />
      {engine.layout === 'vee' && (
        <Count
          label="Bank angle, degrees"
          error={faults.find((e) => e.startsWith('Bank angle'))}
          hint="Between the banks"
          value={engine.bankAngle}
          onChange={(bankAngle) => setEngine({ bankAngle })}
        />
      )}
      {two && (
        <SelectField
          label="Numbering"
          value={numbering.scheme}
          options={TWO_BANK_SCHEMES}
          onChange={(scheme) => number({ scheme })}
        />
      )}
      <div>
        <span className="mb-1 block font-bold">Cylinder {numbering.scheme === 'lettered' ? 'A1' : '1'} is at the</span>
        <div className="flex flex-wrap gap-2">
          <Segmented
            label="Cylinder 1 is at"
            value={numbering.start}
            options={START_OPTIONS}
            onChange={(start) => number({ start })}
          />
          {two && (
            <Segmented
              label="Cylinder 1 is in"
              value={numbering.firstBank}
              options={BANK_OPTIONS}
              onChange={(firstBank) => number({ firstBank })}
            />
          )}
        </div>
        <p className="mt-1 text-sm text-soft">
          {numberingWords(engine)} {two && 'Banks as seen from the driver’s seat.'}
        </p>
      </div>
      <div>
        <span className="mb-1 block font-bold">Crank turns, seen from the front</span>
        <Segmented
          label="Crank turns"
          value={engine.rotation}
          options={ROTATION_OPTIONS}
          onChange={(rotation) => setEngine({ rotation })}
        />
        <p className="mt-1 text-sm text-soft">It decides which side is the major thrust face.</p>
      </div>
    </fieldset>
  );
}

interface CountProps {
  label: string;
  hint: string;
  error: string | undefined;
  value: number;
  disabled?: boolean;
  onChange: (value: number) => void;
}

/** A number that may be wrong while it is typed: it says so, and the card is not saved with it. */
function Count({ label, hint, error, value, disabled = false, onChange }: CountProps) {
  return (
    <Field label={label} error={error} hint={hint}>
      {(props) => (
        <input
          {...props}
          type="number"
          className="field figures"
          value={Number.isNaN(value) ? '' : value}
          disabled={disabled}
          onChange={(event) => onChange(event.target.valueAsNumber)}
        />
      )}
    </Field>
  );
}

function RestsOn({ form, set, chart, expectedBore }: PartProps & Pick<Props, 'chart' | 'expectedBore'>) {
  const { draft: job } = form;
  const { engine, units } = job;
  return (
    <fieldset className="grid gap-4 sm:grid-cols-2">
      <legend className="mb-2 text-lg font-bold">Basis of targets</legend>
      <LengthField
        key={units}
        label="Planned finished bore"
        kind="bore"
        units={units}
        value={job.plannedBore}
        onChange={(plannedBore) => set({ plannedBore })}
        onFault={form.onFault('plannedBore')}
        expected={expectedBore}
        hint="Not the catalogue’s: what it will be honed to. Measured bores take over as they come."
      />
      <PistonField chart={chart} value={job.construction} onChange={(construction) => set({ construction })} />
      <ServiceFields
        service={job.service}
        duty={job.duty}
        chart={chart}
        engine={{ cylinders: Number.isInteger(engine.cylinders) ? engine.cylinders : 1, bore: job.plannedBore }}
        units={units}
        drawn
        onChange={(service) => set({ service })}
        onDuty={(duty) => set({ duty })}
        onFault={form.onFault('service')}
      />
      <SurfaceField value={job.surface} onChange={(surface) => set({ surface })} />
      <Covered job={job} onChange={form.set} />
      <Field label="Notes" error={shown(form, 'notes')} hint="Anything the next person at the bench should know.">
        {(props) => (
          <textarea
            {...props}
            className="field"
            rows={3}
            value={job.notes}
            onChange={(event) => set({ notes: event.target.value })}
          />
        )}
      </Field>
    </fieldset>
  );
}
