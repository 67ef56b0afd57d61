'use client';

import { Trash2 } from 'lucide-react';
import type { ReactNode } from 'react';
import { MOST_KEPT_FREE, pocketFaults, sectorFaults } from '@/core/stages/clocking/keptFreeFaults';
import type { CrownFacts, OwnSector, Pocket } from '@/core/stages/clocking/surroundings';
import { useJudgement, useWords } from '../openBuild/contexts';
import { AngleField } from '../shared/AngleField';
import { Button } from '../shared/Button';
import { LengthsField } from '../shared/LengthsField';
import { SelectField } from '../shared/SelectField';
import { TextField } from '../shared/TextField';
import { Tick } from '../shared/Tick';
import { DraftForm, useForm } from '../shared/useForm';

interface ListedProps<T> {
  items: readonly T[];
  children: (item: T) => ReactNode;
  /** What one is called when it is taken away. */
  nameOf: (item: T) => string;
  onChange: (items: T[]) => void;
}

/** What is set, each with a button that takes it away. */
function Listed<T>({ items, children, nameOf, onChange }: ListedProps<T>) {
  return (
    <ul className="mb-2 divide-y divide-line">
      {items.map((item, i) => (
        <li key={i} className="flex items-center gap-3">
          <span className="flex-1">{children(item)}</span>
          <Button
            kind="quiet"
            aria-label={`Take away ${nameOf(item)}`}
            onClick={() => onChange(items.filter((_, k) => k !== i))}
          >
            <Trash2 size={18} aria-hidden />
          </Button>
        </li>
      ))}
    </ul>
  );
}

const Degrees = ({ of }: { of: number }) => <b className="figures">{Math.round(of)}°</b>;

interface PocketsProps {
  facts: CrownFacts;
  onChange: (change: Partial<CrownFacts>) => void;
}

/** Valve pockets of the pistons. */
export function Pockets({ facts: { pockets, flipped }, onChange }: PocketsProps) {
  const { cylinders } = useJudgement();
  const { length } = useWords();
  return (
    <section aria-label="Valve pockets">
      <h2 className="text-lg">Valve pockets</h2>
      <p className="mb-2 max-w-prose text-soft">
        As they lie on the right bank or the only one. A pocket is in the way where it crosses nine tenths of the bore’s
        radius.
      </p>
      <Listed
        items={pockets}
        nameOf={(p) => `the ${p.valve} pocket at ${Math.round(p.at)}°`}
        onChange={(left) => onChange({ pockets: left })}
      >
        {(p) => (
          <>
            {p.valve} at <Degrees of={p.at} />, middle {length(p.out, 'size')} out, {length(p.across, 'size')} across
          </>
        )}
      </Listed>
      {pockets.length < MOST_KEPT_FREE && <PocketForm onAdd={(added) => onChange({ pockets: [...pockets, added] })} />}
      {pockets.length > 0 && (
        <fieldset className="mt-3 flex flex-wrap gap-x-4">
          <legend className="font-bold">Pockets the other way front to back, on cylinder</legend>
          {cylinders.map((c) => (
            <Tick
              key={c.id}
              value={flipped.includes(c.id)}
              onChange={(isOn) =>
                onChange({ flipped: isOn ? [...flipped, c.id] : flipped.filter((id) => id !== c.id) })
              }
            >
              {c.label}
            </Tick>
          ))}
        </fieldset>
      )}
    </section>
  );
}

const NO_POCKET: Pocket = { valve: 'intake', at: 90, out: 0, across: 0 };
const VALVES = [
  ['intake', 'intake'],
  ['exhaust', 'exhaust'],
] as const;

function PocketForm({ onAdd }: { onAdd: (pocket: Pocket) => void }) {
  const { standard } = useJudgement();
  const { units } = useWords();
  const bare = units === 'imperial' ? 'in' : 'mm';
  const form = useForm<Pocket>({
    ...{ name: 'pocket', base: NO_POCKET, units },
    faultsOf: (pocket) => pocketFaults(pocket, standard?.bore?.nm ?? null),
    onSet: (pocket) => {
      form.drop();
      onAdd(pocket);
    },
  });
  const { draft, set } = form;
  return (
    <DraftForm
      key={form.drawn}
      form={form}
      label="A pocket"
      className="grid max-w-3xl items-start gap-3 sm:grid-cols-4"
    >
      <SelectField label="Valve" {...form.field('valve')} options={VALVES} />
      <AngleField label="Direction" {...form.field('at')} />
      <LengthsField
        label="Middle out"
        bare={bare}
        most={1}
        values={[draft.out]}
        onFault={form.onFault('out')}
        onChange={([out]) => out !== undefined && set({ out })}
        hint="From the middle of the crown."
      />
      <LengthsField
        label="Across"
        bare={bare}
        most={1}
        values={[draft.across]}
        onFault={form.onFault('across')}
        onChange={([across]) => across !== undefined && set({ across })}
        hint={(draft.across > 0 && form.fault('across')) || 'Its diameter.'}
      />
      <Button type="submit" kind="accent" disabled={form.wrong !== null}>
        Add the pocket
      </Button>
    </DraftForm>
  );
}

interface SectorsProps {
  sectors: OwnSector[];
  onChange: (sectors: OwnSector[]) => void;
  hasTwoBanks: boolean;
}

/** Sectors of the fitter's own that joints are kept out of. */
export function Sectors({ sectors, onChange, hasTwoBanks }: SectorsProps) {
  return (
    <section aria-label="Sectors to be kept free">
      <h2 className="text-lg">Sectors to be kept free</h2>
      <p className="mb-2 max-w-prose text-soft">
        Clockwise from one direction to the other
        {hasTwoBanks ? ', on the right bank; the left bank’s is the mirror image' : ''}: an oil jet, a port in the wall,
        whatever this engine has.
      </p>
      <Listed
        items={sectors}
        nameOf={(s) => `${s.words || 'the sector'} from ${Math.round(s.from)}°`}
        onChange={onChange}
      >
        {(s) => (
          <>
            {s.words || 'kept free'}, <Degrees of={s.from} /> to <Degrees of={s.to} />
          </>
        )}
      </Listed>
      {sectors.length < MOST_KEPT_FREE && <SectorForm onAdd={(sector) => onChange([...sectors, sector])} />}
    </section>
  );
}

const NO_SECTOR: OwnSector = { words: '', from: 0, to: 0 };

function SectorForm({ onAdd }: { onAdd: (sector: OwnSector) => void }) {
  const form = useForm<OwnSector>({
    ...{ name: 'sector', base: NO_SECTOR, faultsOf: sectorFaults },
    onSet: (sector) => {
      form.drop();
      onAdd(sector);
    },
  });
  return (
    <DraftForm
      key={form.drawn}
      form={form}
      label="A sector"
      className="grid max-w-3xl items-start gap-3 sm:grid-cols-4"
    >
      <TextField label="What is there" maxLength={80} {...form.field('words')} />
      <AngleField label="From" {...form.field('from')} />
      <AngleField label="To" {...form.field('to')} />
      <Button type="submit" kind="accent" className="sm:mt-7" disabled={form.wrong !== null}>
        Keep it free
      </Button>
    </DraftForm>
  );
}
