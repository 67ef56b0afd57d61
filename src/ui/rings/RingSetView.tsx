'use client';

import { ringSetFaults } from '@/core/stages/rings/ringSetFaults';
import { DraftForm, FormFoot, useForm } from '../shared/useForm';
import { RING_METAL_WORDS } from '@/core/models/heat/metalWords';
import { RING_METALS } from '@/core/models/heat/metals';
import {
  type CompressionRing,
  type GrooveFit,
  type OilPack,
  BEVELS,
  SECTIONS,
  UP_MARKS,
  fromSizes,
} from '@/core/stages/rings/set';
import { ringFaults, upWords } from '@/core/stages/rings/ringOrientation';
import { BEVEL_WORDS, SECTION_WORDS, UP_MARK_WORDS } from '@/core/stages/rings/section';
import { useJudgement, useLogging, useWords } from '../openBuild/contexts';
import { TextField } from '../shared/TextField';
import { NumberField } from '../shared/NumberField';
import { BareLengthField, LengthsField } from '../shared/LengthsField';
import { SelectField } from '../shared/SelectField';
import { bareOf, unitOf } from '../shared/shopUnits';
import { RingSection } from './RingSection';
import { Term } from '../shared/Term';

/** The set of rings: what each is, how it is told from the others, which way up it goes. Set in one step. */
export function RingSetView() {
  const { ringSet } = useJudgement().choices;
  const { choose } = useLogging();
  const { units } = useWords();
  const form = useForm({
    ...{ name: 'ring-set', base: ringSet, units, faultsOf: ringSetFaults },
    onSet: (next) => choose('ringSet', next),
  });
  const { draft, set, onFault } = form;
  const ring = (which: 'top' | 'second', title: string) => (
    <OneRing
      title={title}
      ring={draft[which]}
      onFault={(key) => onFault(which + key)}
      onChange={(change) => set((d) => ({ ...d, [which]: { ...d[which], ...change } }))}
    />
  );
  const side = (which: 'least' | 'most', hint?: string) => (
    <BareLengthField
      label={`Axial clearance, ${which}`}
      bare={bareOf(units)}
      {...form.field(`side.${which}`)}
      hint={hint}
    />
  );
  return (
    <DraftForm key={form.drawn} form={form} className="grid grid-cols-[minmax(0,1fr)] gap-5 pt-3">
      <TextField
        label="Ring set"
        hint="In the shop’s own words, or the number on the packet."
        maxLength={120}
        {...form.field('name')}
      />
      {ring('top', 'Top ring')}
      {ring('second', 'Second ring')}
      <section aria-label="Oil pack">
        <h2 className="text-lg">
          Oil pack: <Term word="expander" /> and <Term word="rail">rails</Term>
        </h2>
        <p className="text-soft">Expander between two rails: its ends butt, never overlap.</p>
        <div className="mt-2 grid gap-4 sm:grid-cols-2 lg:grid-cols-3">
          <Sizes
            ring={draft.oil}
            what="Oil pack"
            onFault={(key) => onFault(`oil${key}`)}
            onChange={(change: Partial<OilPack>) => set((d) => ({ ...d, oil: { ...d.oil, ...change } }))}
          />
        </div>
      </section>
      <section aria-label="Axial clearance asked for" className="grid gap-4 sm:grid-cols-2">
        {side('least', '0.001 to 0.002 in is common practice, no source.')}
        {side('most')}
      </section>
      <FormFoot form={form} words="Set the ring set" />
    </DraftForm>
  );
}

interface RingProps {
  title: string;
  ring: CompressionRing;
  onChange: (change: Partial<CompressionRing>) => void;
  onFault: (key: string) => (fault: string | null) => void;
}

function OneRing({ title, ring, onChange, onFault }: RingProps) {
  return (
    <section aria-label={title}>
      <h2 className="text-lg">{title}</h2>
      <div className="flex flex-wrap items-center gap-4">
        <RingSection ring={ring} label={`Section of the ${title.toLowerCase()}, the right way up`} />
        <div className="min-w-60 flex-1">
          <p className="text-lg font-bold">{upWords(ring)}</p>
          {ringFaults(ring).map((f) => (
            <p key={f} className="font-bold text-over">
              {f}
            </p>
          ))}
        </div>
      </div>
      <div className="mt-2 grid gap-4 sm:grid-cols-2 lg:grid-cols-3">
        <SelectField
          label={`${title}: metal`}
          value={ring.metal}
          none="not set"
          options={RING_METALS.map((m) => [m, RING_METAL_WORDS[m]] as const)}
          onChange={(metal) => onChange({ metal })}
          hint="Filers’ rates are kept by it, and the heat model takes it."
        />
        <SelectField
          label={`${title}: face`}
          value={ring.section}
          options={SECTIONS.map((s) => [s, SECTION_WORDS[s]] as const)}
          onChange={(section) => onChange({ section })}
        />
        <SelectField
          label={`${title}: bevel`}
          value={ring.bevel}
          options={BEVELS.map((b) => [b, BEVEL_WORDS[b]] as const)}
          onChange={(bevel) => onChange({ bevel })}
        />
        <SelectField
          label={`${title}: faces up with`}
          value={ring.mark}
          none="not inspected"
          options={UP_MARKS.map((m) => [m, UP_MARK_WORDS[m]] as const)}
          onChange={(mark) => onChange({ mark })}
        />
        <Sizes ring={ring} what={title} onChange={onChange} onFault={onFault} />
      </div>
    </section>
  );
}

interface SizesProps {
  ring: GrooveFit & { finish: string };
  what: string;
  onChange: (change: Partial<GrooveFit & { finish: string }>) => void;
  onFault: (key: string) => (fault: string | null) => void;
}

function Sizes({ ring, what, onChange, onFault }: SizesProps) {
  const { units, text } = useWords();
  const size = (label: string, key: 'axial' | 'radial' | 'grooveHeight' | 'grooveDepth') => (
    <LengthsField
      label={`${what}: ${label}`}
      bare={unitOf(units)}
      most={2}
      values={ring[key] === null ? [] : [ring[key]]}
      onFault={onFault(key)}
      onChange={([nm]) => onChange({ [key]: nm ?? null })}
    />
  );
  const { side, land } = fromSizes(ring);
  return (
    <>
      <TextField
        label={`${what}: finish`}
        hint="What tells it from the others: shiny, dark, colour."
        maxLength={80}
        value={ring.finish}
        onChange={(text) => onChange({ finish: text })}
      />
      <NumberField
        label={`${what}: mass, g`}
        least={0}
        most={10_000}
        optional
        value={ring.mass === null ? null : ring.mass / 1000}
        onFault={onFault('mass')}
        onChange={(grams) => onChange({ mass: grams === null ? null : Math.round(grams * 1000) })}
      />
      {size('axial height', 'axial')}
      {size('radial width', 'radial')}
      {size('groove height', 'grooveHeight')}
      {size('groove depth', 'grooveDepth')}
      {(side ?? land) && (
        <p className="figures text-sm text-soft sm:col-span-2 lg:col-span-3">
          {[...(side?.working ?? []), ...(land?.working ?? [])].map((line) => text(line)).join('; ')}
        </p>
      )}
    </>
  );
}
