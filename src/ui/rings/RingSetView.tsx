'use client';

import { useState } from 'react';
import { usePersistedDraft } from '../shared/persistedDraft';
import { RING_METAL_WORDS } from '@/core/models/heat/metalWords';
import { RING_METALS } from '@/core/models/heat/metals';
import {
  type CompressionRing,
  type GrooveFit,
  type OilPack,
  type RingSet,
  BEVELS,
  SECTIONS,
  UP_MARKS,
  fromSizes,
} from '@/core/stages/rings/set';
import { ringFaults, upWords } from '@/core/stages/rings/ringOrientation';
import { BEVEL_WORDS, SECTION_WORDS, UP_MARK_WORDS } from '@/core/stages/rings/section';
import { useJudgement, useLogging, useWords } from '../openBuild/contexts';
import { Button } from '../shared/Button';
import { Field } from '../shared/Field';
import { LengthsField } from '../shared/LengthsField';
import { SelectField } from '../shared/SelectField';
import { bareOf } from '../shared/shopUnits';
import { RingSection } from './RingSection';
import { Term } from '../shared/Term';

/** The set of rings: what each is, how it is told from the others, which way up it goes. Set in one step. */
export function RingSetView() {
  const judgement = useJudgement();
  const { units } = useWords();
  return <Form key={JSON.stringify(judgement.choices.ringSet) + units} />;
}

function Form() {
  const judgement = useJudgement();
  const { choose } = useLogging();
  const { units } = useWords();
  const { ringSet } = judgement.choices;
  const [draft, setDraft, left] = usePersistedDraft<RingSet>('ring-set', ringSet);
  const [faults, setFaults] = useState<Record<string, string | null>>({});
  const fault = (key: string) => (found: string | null) => setFaults((f) => ({ ...f, [key]: found }));
  const wrong =
    Object.values(faults).find((f) => f) ??
    (draft.side.most < draft.side.least ? 'The most axial clearance is under the least.' : null);
  const side = (change: Partial<RingSet['side']>): void => setDraft((d) => ({ ...d, side: { ...d.side, ...change } }));
  return (
    <form
      className="grid grid-cols-[minmax(0,1fr)] gap-5 pt-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (wrong === null) choose('ringSet', draft);
      }}
    >
      {left}
      <Field label="Ring set" hint="In the shop’s own words, or the number on the packet.">
        {(props) => (
          <input
            {...props}
            className="field"
            maxLength={120}
            value={draft.name}
            onChange={(event) => setDraft({ ...draft, name: event.target.value })}
          />
        )}
      </Field>
      <OneRing
        title="Top ring"
        ring={draft.top}
        onFault={(key, found) => fault(`top${key}`)(found)}
        onChange={(change) => setDraft((d) => ({ ...d, top: { ...d.top, ...change } }))}
      />
      <OneRing
        title="Second ring"
        ring={draft.second}
        onFault={(key, found) => fault(`second${key}`)(found)}
        onChange={(change) => setDraft((d) => ({ ...d, second: { ...d.second, ...change } }))}
      />
      <section aria-label="Oil pack">
        <h2 className="text-lg">
          Oil pack: <Term word="expander" /> and <Term word="rail">rails</Term>
        </h2>
        <p className="text-soft">Expander between two rails: its ends butt, never overlap.</p>
        <div className="mt-2 grid gap-4 sm:grid-cols-2 lg:grid-cols-3">
          <Sizes
            ring={draft.oil}
            what="Oil pack"
            onFault={(key, found) => fault(`oil${key}`)(found)}
            onChange={(change: Partial<OilPack>) => setDraft((d) => ({ ...d, oil: { ...d.oil, ...change } }))}
          />
        </div>
      </section>
      <section aria-label="Axial clearance asked for" className="grid gap-4 sm:grid-cols-2">
        <LengthsField
          label="Axial clearance, least"
          bare={bareOf(units)}
          most={1}
          values={[draft.side.least]}
          onFault={fault('least')}
          onChange={([least]) => least !== undefined && side({ least })}
          hint="0.001 to 0.002 in is common practice, no source."
        />
        <LengthsField
          label="Axial clearance, most"
          bare={bareOf(units)}
          most={1}
          values={[draft.side.most]}
          onFault={fault('most')}
          onChange={([most]) => most !== undefined && side({ most })}
        />
      </section>
      <div>
        <Button
          type="submit"
          kind="strong"
          disabled={wrong !== null || JSON.stringify(draft) === JSON.stringify(ringSet)}
        >
          Set the ring set
        </Button>
        {wrong && <p className="mt-1 font-bold text-over">{wrong}</p>}
      </div>
    </form>
  );
}

interface RingProps {
  title: string;
  ring: CompressionRing;
  onChange: (change: Partial<CompressionRing>) => void;
  onFault: (key: string, fault: string | null) => void;
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
          none="not said"
          options={RING_METALS.map((m) => [m, RING_METAL_WORDS[m]] as const)}
          onChange={(metal) => onChange({ metal })}
          hint="Filers’ rates are kept by it, and the heat model takes it."
        />
        <SelectField
          label={`${title}: face`}
          value={ring.section}
          options={SECTIONS.map((s) => [s, SECTION_WORDS[s]] as const)}
          onChange={(section) => section && onChange({ section })}
        />
        <SelectField
          label={`${title}: bevel`}
          value={ring.bevel}
          options={BEVELS.map((b) => [b, BEVEL_WORDS[b]] as const)}
          onChange={(bevel) => bevel && onChange({ bevel })}
        />
        <SelectField
          label={`${title}: faces up with`}
          value={ring.mark}
          none="not looked at"
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
  onFault: (key: string, fault: string | null) => void;
}

function Sizes({ ring, what, onChange, onFault }: SizesProps) {
  const { units, text } = useWords();
  const bare = units === 'imperial' ? 'in' : 'mm';
  const size = (label: string, key: 'axial' | 'radial' | 'grooveHeight' | 'grooveDepth') => (
    <LengthsField
      label={`${what}: ${label}`}
      bare={bare}
      most={2}
      values={ring[key] === null ? [] : [ring[key]]}
      onFault={(f) => onFault(key, f)}
      onChange={([nm]) => onChange({ [key]: nm ?? null })}
    />
  );
  const { side, land } = fromSizes(ring);
  return (
    <>
      <Field label={`${what}: finish`} hint="What tells it from the others: shiny, dark, colour.">
        {(props) => (
          <input
            {...props}
            className="field"
            maxLength={80}
            value={ring.finish}
            onChange={(event) => onChange({ finish: event.target.value })}
          />
        )}
      </Field>
      <Field label={`${what}: mass, g`}>
        {(props) => (
          <input
            {...props}
            type="number"
            min={0}
            max={10_000}
            step="any"
            className="field figures"
            value={ring.mass === null ? '' : ring.mass / 1000}
            onChange={(event) => {
              const grams = event.target.valueAsNumber;
              onChange({
                mass: Number.isNaN(grams) || grams < 0 ? null : Math.min(10_000_000, Math.round(grams * 1000)),
              });
            }}
          />
        )}
      </Field>
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
