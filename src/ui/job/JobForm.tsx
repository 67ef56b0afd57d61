'use client';

import { type ChangeEvent, useEffect, useState } from 'react';
import type { ParseContext } from '@/core/foundation/quantity/readingField';
import { usePersistedDraft } from '../shared/persistedDraft';
import { type Layout, type Numbering, cylindersOf, hasTwoBanks } from '@/core/foundation/engine/engine';
import { engineFaults } from '@/core/foundation/engine/engineFaults';
import type { Chart } from '@/core/models/charts/chart';
import { PistonField } from '../service/PistonField';
import { ServiceFields } from '../service/ServiceFields';
import { SurfaceField } from '../service/SurfaceField';
import { Button } from '../shared/Button';
import { Field } from '../shared/Field';
import { LengthField } from '../shared/LengthField';
import { Segmented } from '../shared/Segmented';
import { SHOP_UNITS } from '../shared/shopUnits';
import type { Job } from '@/core/record/jobCard';
import type { StageId } from '@/core/judge/registry';
import { STAGE_IDS, covers, stageOf } from '@/core/judge/stageTables';
import { type JobWords, jobFaults } from '@/core/stages/job/jobFaults';
import { Term } from '../shared/Term';

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
/** As many cylinders as an engine of a layout most often has. */
const MOST_OFTEN: Record<Layout, number> = { single: 1, inline: 4, vee: 8, flat: 4 };

/** How many cylinders an engine of another layout has: as many as it had where that can be, but a four is seldom a V. */
function cylindersFor(layout: Layout, before: number): number {
  if (layout === 'single') return 1;
  const fits = before >= 2 && (layout === 'inline' || before % 2 === 0);
  return fits && !(layout === 'vee' && before === MOST_OFTEN.inline) ? before : MOST_OFTEN[layout];
}

/** The engine as another layout, keeping what still makes sense. */
function relaid(engine: Job['engine'], layout: Layout): Job['engine'] {
  const two = hasTwoBanks(layout);
  const scheme =
    two === (engine.numbering.scheme === 'sequence') ? (two ? 'alternate' : 'sequence') : engine.numbering.scheme;
  const cylinders = cylindersFor(layout, engine.cylinders);
  const bankAngle =
    layout === 'vee'
      ? engine.bankAngle > 0 && engine.bankAngle < 180
        ? engine.bankAngle
        : 90
      : layout === 'flat'
        ? 180
        : 0;
  return { ...engine, layout, cylinders, bankAngle, numbering: { ...engine.numbering, scheme } };
}

function numberingWords(engine: Job['engine']): string {
  if (engineFaults(engine).length > 0) return '';
  const words = (bank: string): string =>
    cylindersOf(engine)
      .filter((c) => c.bank === bank)
      .sort((a, b) => a.row - b.row)
      .map((c) => c.label)
      .join(' ');
  return hasTwoBanks(engine.layout)
    ? `From the front: left bank ${words('left')}; right bank ${words('right')}.`
    : `From the front: ${words('only')}.`;
}

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
      <legend className="font-bold">What this job covers</legend>
      <p className="text-sm text-soft">
        Take out what is done elsewhere, or not at all: bores measured by a machine shop, a re-ring without clocking.
        Journals are the bearings of crank and rods.
      </p>
      <div className="flex flex-wrap gap-x-5">
        {COVERABLE.map((id) => (
          <label key={id} className="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="size-5 accent-blue"
              checked={covers(job, id)}
              onChange={(event) => change(id, event.target.checked)}
            />
            {stageOf(id).words}
          </label>
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
  const [generation, setGeneration] = useState(0);
  const [job, setJob, left] = usePersistedDraft(draftName, initial, () => setGeneration((g) => g + 1));
  useEffect(() => onJob?.(job), [onJob, job]);
  const [tried, setTried] = useState(false);
  const [saving, setSaving] = useState(false);
  const [faults, setFaults] = useState<string[]>([]);
  const [boreFault, setBoreFault] = useState<string | null>(null);
  const [serviceFault, setServiceFault] = useState<string | null>(null);
  const { engine, units, service, duty } = job;
  const wrong = jobFaults(job);
  const shown = tried ? wrong : {};
  const engineErrors = engineFaults(engine);
  const two = hasTwoBanks(engine.layout);

  const set = <K extends keyof Job>(field: K, value: Job[K]): void => {
    setJob((before) => ({ ...before, [field]: value }));
    onTouch?.();
  };
  const setCovered = (covered: Pick<Job, 'elsewhere' | 'also'>): void => setJob({ ...job, ...covered });
  const setEngine = (next: Job['engine']): void => set('engine', next);
  const words = (field: JobWords) => ({
    value: job[field],
    onChange: (event: ChangeEvent<HTMLInputElement | HTMLTextAreaElement>): void => set(field, event.target.value),
    className: 'field',
  });

  const save = async (): Promise<void> => {
    setTried(true);
    const unsettled = [boreFault, serviceFault].flatMap((fault) => fault ?? []);
    if (unsettled.length > 0 || Object.keys(wrong).length > 0) {
      setFaults(unsettled);
      return;
    }
    setSaving(true);
    setFaults(await onSave({ ...job, name: job.name.trim() }));
    setSaving(false);
  };

  return (
    <form
      key={generation}
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
      onChange={onTouch}
      noValidate
      className="grid max-w-3xl gap-8"
    >
      {left}
      <fieldset className="grid gap-4 sm:grid-cols-2">
        <legend className="mb-2 text-lg font-bold">
          What is on the <Term word="stand" />
        </legend>
        <Field label="Name of the build" error={shown.name} hint="How the shop will look it up.">
          {(props) => <input {...props} {...words('name')} autoComplete="off" autoFocus={initial.name === ''} />}
        </Field>
        <Field label="Customer" error={shown.customer} hint="Or stock.">
          {(props) => <input {...props} {...words('customer')} autoComplete="off" />}
        </Field>
        <Field
          label="Engine and parts"
          error={shown.description}
          hint="Block, ring set, pistons: what the next one like it will be looked up by."
        >
          {(props) => <input {...props} {...words('description')} autoComplete="off" />}
        </Field>
        <div>
          <span className="mb-1 block font-bold">The shop speaks</span>
          <Segmented
            label="The shop speaks"
            value={units}
            options={SHOP_UNITS}
            onChange={(next) => set('units', next)}
          />
          <p className="mt-1 text-sm text-soft">What a bare number means. It can be switched at any time.</p>
        </div>
      </fieldset>

      <fieldset className="grid gap-4 sm:grid-cols-2">
        <legend className="mb-2 text-lg font-bold">The block</legend>
        <div>
          <span className="mb-1 block font-bold">Layout</span>
          <Segmented
            label="Layout"
            value={engine.layout}
            options={LAYOUT_OPTIONS}
            onChange={(layout) => setEngine(relaid(engine, layout))}
          />
        </div>
        <Field label="Cylinders" error={engineErrors.find((e) => /cylinder/i.test(e))} hint="1 to 16">
          {(props) => (
            <input
              {...props}
              type="number"
              min={1}
              max={16}
              value={Number.isNaN(engine.cylinders) ? '' : engine.cylinders}
              disabled={engine.layout === 'single'}
              onChange={(event) => setEngine({ ...engine, cylinders: event.target.valueAsNumber })}
              className="field figures"
            />
          )}
        </Field>
        {engine.layout === 'vee' && (
          <Field
            label="Bank angle, degrees"
            error={engineErrors.find((e) => e.startsWith('Bank angle'))}
            hint="Between the banks"
          >
            {(props) => (
              <input
                {...props}
                type="number"
                value={Number.isNaN(engine.bankAngle) ? '' : engine.bankAngle}
                onChange={(event) => setEngine({ ...engine, bankAngle: event.target.valueAsNumber })}
                className="field figures"
              />
            )}
          </Field>
        )}
        {two && (
          <Field label="Numbering">
            {(props) => (
              <select
                {...props}
                className="field"
                value={engine.numbering.scheme}
                onChange={(event) =>
                  setEngine({
                    ...engine,
                    numbering: { ...engine.numbering, scheme: event.target.value as Numbering['scheme'] },
                  })
                }
              >
                {TWO_BANK_SCHEMES.map(([scheme, words]) => (
                  <option key={scheme} value={scheme}>
                    {words}
                  </option>
                ))}
              </select>
            )}
          </Field>
        )}
        <div>
          <span className="mb-1 block font-bold">
            Cylinder {engine.numbering.scheme === 'lettered' ? 'A1' : '1'} is at the
          </span>
          <div className="flex flex-wrap gap-2">
            <Segmented
              label="Cylinder 1 is at"
              value={engine.numbering.start}
              options={START_OPTIONS}
              onChange={(start) => setEngine({ ...engine, numbering: { ...engine.numbering, start } })}
            />
            {two && (
              <Segmented
                label="Cylinder 1 is in"
                value={engine.numbering.firstBank}
                options={BANK_OPTIONS}
                onChange={(firstBank) => setEngine({ ...engine, numbering: { ...engine.numbering, firstBank } })}
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
            onChange={(rotation) => setEngine({ ...engine, rotation })}
          />
          <p className="mt-1 text-sm text-soft">It decides which side is the major thrust face.</p>
        </div>
      </fieldset>

      <fieldset className="grid gap-4 sm:grid-cols-2">
        <legend className="mb-2 text-lg font-bold">What the targets rest on</legend>
        <LengthField
          key={units}
          label="Planned finished bore"
          kind="bore"
          units={units}
          value={job.plannedBore}
          onChange={(next) => set('plannedBore', next)}
          onFault={setBoreFault}
          expected={expectedBore}
          hint="Not the catalogue’s: what it will be honed to. Measured bores take over as they come."
        />
        <PistonField chart={chart} value={job.construction} onChange={(next) => set('construction', next)} />
        <ServiceFields
          service={service}
          duty={duty}
          chart={chart}
          engine={{ cylinders: Number.isInteger(engine.cylinders) ? engine.cylinders : 1, bore: job.plannedBore }}
          units={units}
          drawn
          onChange={(next) => set('service', next)}
          onDuty={(next) => set('duty', next)}
          onFault={setServiceFault}
        />
        <SurfaceField value={job.surface} onChange={(next) => set('surface', next)} />
        <Covered job={job} onChange={setCovered} />
        <Field label="Notes" error={shown.notes} hint="Anything the next person at the bench should know.">
          {(props) => <textarea {...props} {...words('notes')} rows={3} />}
        </Field>
      </fieldset>

      <div className="flex flex-wrap items-center gap-4">
        <Button kind="strong" type="submit" disabled={saving}>
          {submit}
        </Button>
        <div role="status">
          {faults.length > 0 && <p className="font-bold text-over">{faults.join(' ')}</p>}
          {saved && <p className="font-bold text-ok">Saved.</p>}
          {Object.keys(shown).length > 0 && (
            <p className="font-bold text-over">Something above is missing or wrong: see beside the field.</p>
          )}
        </div>
      </div>
    </form>
  );
}
