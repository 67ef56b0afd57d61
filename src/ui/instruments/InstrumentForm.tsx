'use client';

import { useState } from 'react';
import type { Nm, Units } from '@/core/foundation/quantity/length';
import { type GaugeKit, type Instrument, INSTRUMENT_KINDS, isFiler } from '@/core/foundation/uncertainty/instrument';
import { INSTRUMENT_KIND_WORDS } from '@/core/foundation/uncertainty/instrumentWords';
import { STARTING_INSTRUMENTS } from '@/core/foundation/uncertainty/startingInstruments';
import { instrumentFaults } from '@/core/foundation/uncertainty/instrumentFaults';
import { Button } from '../shared/Button';
import { Field } from '../shared/Field';
import { LengthsField } from '../shared/LengthsField';
import { SelectField } from '../shared/SelectField';
import { freshId } from '../shared/freshId';

const NEEDLE = [
  ['anticlockwise', 'anticlockwise, plunger out'],
  ['clockwise', 'clockwise'],
] as const;

/** A tool to begin with: the starting micrometer of the system, without a name. */
export function blankInstrument(units: Units): Instrument {
  const like = startingOf(units, 'micrometer');
  return { ...like, id: freshId(), version: 0, name: '' };
}

function startingOf(units: Units, kind: Instrument['kind']): Instrument {
  const own = STARTING_INSTRUMENTS.filter((i) => i.kind === kind);
  const found = own.find((i) => /mm|metric/.test(i.id) === (units === 'metric')) ?? own[0] ?? STARTING_INSTRUMENTS[0];
  if (!found) throw new Error('there are no starting tools');
  return found;
}

/** A tool made another kind: with the starting figures of that kind where its own cannot stand for it. */
function asKind(draft: Instrument, kind: Instrument['kind'], units: Units): Partial<Instrument> {
  const { from, to, resolution, limit, months, kit } = startingOf(units, kind);
  const figures =
    isFiler({ kind }) !== isFiler(draft)
      ? { from, to, resolution, limit, months: isFiler({ kind }) ? null : months, calibrated: null }
      : {};
  return { ...figures, kind, kit: kind === 'boreGauge' ? (draft.kit ?? kit) : null };
}

interface Props {
  initial: Instrument;
  units: Units;
  /** What the server had against it. */
  faults: string[];
  onSave: (instrument: Instrument) => void;
  onCancel: () => void;
}

/** One tool's figures. */
export function InstrumentForm({ initial, units, faults, onSave, onCancel }: Props) {
  const [draft, setDraft] = useState(initial);
  const [open, setOpen] = useState<Record<string, string | null>>({});
  const fault = (key: string) => (found: string | null) => setOpen((o) => ({ ...o, [key]: found }));
  const set = (change: Partial<Instrument>): void => setDraft((d) => ({ ...d, ...change }));
  const setKit = (change: Partial<GaugeKit>): void =>
    setDraft((d) => (d.kit ? { ...d, kit: { ...d.kit, ...change } } : d));
  const bare = units === 'imperial' ? ('in' as const) : ('mm' as const);
  const own = instrumentFaults(draft);
  const wrong = [
    ...(draft.name.trim() === '' ? ['Give it a name.'] : []),
    ...Object.values(open).flatMap((f) => f ?? []),
    ...own,
    ...faults,
  ];
  const one = (label: string, key: string, value: Nm, onChange: (nm: Nm) => void, hint?: string) => (
    <LengthsField
      key={key + units}
      label={label}
      bare={bare}
      most={1}
      values={[value]}
      onFault={fault(key)}
      onChange={([nm]) => nm !== undefined && onChange(nm)}
      hint={hint}
    />
  );
  const { kit } = draft;
  return (
    <form
      aria-label={initial.name || 'New tool'}
      className="my-3 grid gap-4 border-l-4 border-blue py-2 pl-4 sm:grid-cols-2 lg:grid-cols-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (wrong.length === faults.length) onSave({ ...draft, name: draft.name.trim() });
      }}
    >
      <Field label="Name" hint="As the shop calls it, with its number if it has one.">
        {(props) => (
          <input
            {...props}
            className="field"
            maxLength={80}
            value={draft.name}
            onChange={(event) => set({ name: event.target.value })}
          />
        )}
      </Field>
      <SelectField
        label="Kind"
        value={draft.kind}
        options={INSTRUMENT_KINDS.map((kind) => [kind, INSTRUMENT_KIND_WORDS[kind]] as const)}
        onChange={(kind) => kind && set(asKind(draft, kind, units))}
      />
      <span className="max-lg:hidden" />
      {isFiler(draft) ? (
        <p className="text-soft sm:col-span-2 lg:col-span-3">
          A filer measures nothing. What it takes off is learnt from the cuts that are logged with it. With a new wheel
          or file, add it as another.
        </p>
      ) : (
        <>
          {one('Reaches from', 'from', draft.from, (from) => set({ from }))}
          {one('to', 'to', draft.to, (to) => set({ to }))}
          <span className="max-lg:hidden" />
          {one(
            'Read to',
            'resolution',
            draft.resolution,
            (resolution) => set({ resolution }),
            'The last step it can be read to.',
          )}
          {one(
            'Error limit, ±',
            'limit',
            draft.limit,
            (limit) => set({ limit }),
            'From its certificate; the starting one is from memory.',
          )}
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
          <Field label="Holds, months" hint="Empty: for ever.">
            {(props) => (
              <input
                {...props}
                type="number"
                min={1}
                max={240}
                className="field figures"
                value={draft.months ?? ''}
                onChange={(event) => {
                  const months = event.target.valueAsNumber;
                  if (Number.isNaN(months)) set({ months: null });
                  else if (Number.isInteger(months) && months >= 1 && months <= 240) set({ months });
                }}
              />
            )}
          </Field>
          <span className="max-lg:hidden" />
        </>
      )}
      {kit && (
        <>
          <div className="sm:col-span-2 lg:col-span-3">
            <LengthsField
              key={`rods${units}`}
              label="Extension rods"
              bare={bare}
              most={60}
              values={kit.rods}
              onFault={fault('rods')}
              onChange={(rods) => setKit({ rods })}
              hint="Each length, apart by spaces."
            />
          </div>
          <LengthsField
            key={`washers${units}`}
            label="Washers"
            bare={bare}
            most={16}
            values={kit.washers}
            onFault={fault('washers')}
            onChange={(washers) => setKit({ washers })}
            hint="Each thickness once."
          />
          {one(
            'The gauge itself adds',
            'body',
            kit.body,
            (body) => setKit({ body }),
            'Nothing, where rods are marked with the whole length.',
          )}
          {one('Least preload', 'preload', kit.preload, (preload) => setKit({ preload }))}
          {one('One division', 'division', kit.division, (division) => setKit({ division }))}
          {one('One turn', 'turn', kit.turn, (turn) => setKit({ turn }))}
          <SelectField
            label="A larger bore turns the needle"
            value={kit.larger}
            options={NEEDLE}
            onChange={(larger) => larger && setKit({ larger })}
          />
        </>
      )}
      <div className="flex flex-wrap gap-3 sm:col-span-2 lg:col-span-3">
        <Button kind="strong" type="submit" disabled={wrong.length > faults.length}>
          Save {initial.version === 0 ? 'the tool' : `as version ${initial.version + 1}`}
        </Button>
        <Button onClick={onCancel}>Cancel</Button>
        {wrong.length > 0 && (
          <p role="alert" className="basis-full font-bold text-over">
            {wrong.join(' ')}
          </p>
        )}
      </div>
    </form>
  );
}
