'use client';

import { useState } from 'react';
import { parseLengths } from '@/core/foundation/quantity/parseLengths';
import { printLength } from '@/core/foundation/quantity/format';
import type { Units } from '@/core/foundation/quantity/length';
import { bothTorques, parseTorques, torqueText } from '@/core/foundation/quantity/torque';
import { type FastenerGroup, MOST_FASTENERS, MOST_USES } from '@/core/stages/assembly/torque/fastenerGroups';
import { useJudgement, useWords } from '../openBuild/contexts';
import { Button } from '../shared/Button';
import { Field } from '../shared/Field';
import { Segmented } from '../shared/Segmented';
import { dropDraft, usePersistedDraft } from '../shared/persistedDraft';

const ON = [
  ['rods', 'on each rod'],
  ['engine', 'once on the engine'],
] as const;

const STATES = [
  ['new', 'new'],
  ['used', 'used'],
  ['unset', 'not set'],
] as const;

/** A group as it is typed. */
interface Typed {
  /** What its figures are typed in, whatever is shown meanwhile. */
  units: Units;
  words: string;
  on: FastenerGroup['on'];
  count: string;
  lubricant: string;
  source: string;
  steps: string;
  angle: string;
  stretch: string;
  order: string;
  measured: boolean;
  /** New, used, or not set; and how often they were tightened before. */
  state: 'new' | 'used' | 'unset';
  used: string;
}

const unitOf = (units: Units): string => (units === 'metric' ? 'N·m' : 'lb·ft');

function typedOf(group: FastenerGroup, units: Units): Typed {
  const bare = (text: string): string => text.replace(/ .*$/, '');
  const fine = (nm: number): string => printLength(nm, units, 'clearance').number;
  return {
    units,
    words: group.words,
    on: group.on,
    count: String(group.count),
    lubricant: group.lubricant,
    source: group.source,
    steps: group.steps.map((s) => bare(torqueText(s, units))).join(' '),
    angle: group.angle === null ? '' : String(group.angle),
    stretch: group.stretch ? `${fine(group.stretch.from)} ${fine(group.stretch.to)}` : '',
    order: group.order?.join(' ') ?? '',
    measured: group.measured,
    state: group.used === undefined ? 'unset' : group.used === 0 ? 'new' : 'used',
    used: group.used === undefined || group.used === 0 ? '' : String(group.used),
  };
}

type Faults = Partial<Record<keyof Typed, string>>;

const numbersIn = (text: string): number[] =>
  text
    .trim()
    .split(/[\s,;]+/)
    .filter(Boolean)
    .map(Number);

/** The group that was typed, and what is wrong with it. */
function heardGroup(typed: Typed, before: FastenerGroup): { group: FastenerGroup; faults: Faults } {
  const faults: Faults = {};
  const { units } = typed;
  const count = Number(typed.count);
  if (!Number.isInteger(count) || count < 1 || count > MOST_FASTENERS) faults.count = `From 1 to ${MOST_FASTENERS}.`;
  if (typed.words.trim() === '') faults.words = 'A name is asked for.';
  if (typed.lubricant.trim() === '') faults.lubricant = 'A figure without its lubricant is not a figure.';
  const torques = parseTorques(typed.steps, units);
  if (!torques.ok) faults.steps = torques.why;
  const steps = torques.ok ? torques.values : [];
  if (steps.length > 8) faults.steps = 'At most 8 steps.';
  else if (steps.some((s, i) => s <= (steps[i - 1] ?? 0))) faults.steps = 'Each step is more than the one before.';
  const angle = typed.angle.trim() === '' ? null : Number(typed.angle.replace('°', '').replace(',', '.'));
  if (angle !== null && !(angle > 0 && angle <= 720)) faults.angle = 'Degrees from 1 to 720.';
  const lengths = parseLengths(typed.stretch.replace(/\s*[–-]\s*/g, ' '), units === 'metric' ? 'mm' : 'thou', 2);
  const [from, to] = lengths.ok ? lengths.values : [];
  const hasStretch = typed.stretch.trim() !== '';
  if (hasStretch && !lengths.ok) faults.stretch = lengths.why;
  else if (hasStretch && (from === undefined || to === undefined || from >= to || to > 5_000_000))
    faults.stretch = 'From the least to the most, two figures.';
  if (hasStretch && angle !== null) faults.angle = 'To an angle or to a stretch, not both.';
  if (torques.ok && steps.length === 0 && !hasStretch) faults.steps ??= 'A torque or a stretch is asked for.';
  const order = numbersIn(typed.order);
  const isAll = order.length === count && order.toSorted((a, b) => a - b).every((n, i) => n === i + 1);
  if (order.length > 0 && !isAll) faults.order = `Each number from 1 to ${typed.count || '…'} once.`;
  const used = Number(typed.used.trim());
  if (typed.state === 'used' && !(Number.isInteger(used) && used >= 1 && used <= MOST_USES))
    faults.used = `How often they were torqued before, from 1 to ${MOST_USES}.`;
  return {
    faults,
    group: {
      id: before.id,
      words: typed.words.trim(),
      on: typed.on,
      count,
      lubricant: typed.lubricant.trim(),
      source: typed.source.trim(),
      steps,
      angle,
      stretch: hasStretch && from !== undefined && to !== undefined ? { from, to } : null,
      order: order.length > 0 ? order : null,
      measured: typed.measured,
      ...(typed.state === 'unset' ? {} : { used: typed.state === 'new' ? 0 : used }),
    },
  };
}

interface Props {
  group: FastenerGroup;
  onSet: (group: FastenerGroup) => void;
  onEnd: () => void;
  /** Takes it off again; null where something was tightened already, or it is new. */
  onRemove: (() => void) | null;
}

/** A group of fasteners with its figure. */
export function FastenerGroupForm({ group, onSet, onEnd, onRemove }: Props) {
  const { units: shown } = useWords();
  const { choices } = useJudgement();
  const name = `fasteners ${group.words}`;
  const [base] = useState(shown);
  const [typed, setTyped, left] = usePersistedDraft(name, {
    ...typedOf(group, base),
    ...(group.lubricant === '' ? { lubricant: choices.walk.oils.threads } : {}),
  });
  const { units } = typed;
  const [isAsked, setAsked] = useState(false);
  const { group: heard, faults } = heardGroup(typed, group);
  const isRight = Object.keys(faults).length === 0;
  const field = (
    key: Exclude<keyof Typed, 'on' | 'measured' | 'units' | 'state'>,
    label: string,
    hint: string,
    said?: string,
    mode: 'text' | 'decimal' = 'text',
  ) => (
    <Field label={label} hint={hint} said={said} error={isAsked || typed[key].trim() !== '' ? faults[key] : undefined}>
      {(props) => (
        <input
          {...props}
          className={`field ${mode === 'decimal' ? 'figures' : ''}`}
          inputMode={mode}
          autoComplete="off"
          maxLength={key === 'order' ? 200 : 60}
          value={typed[key]}
          onChange={(event) => setTyped((before) => ({ ...before, [key]: event.target.value }))}
        />
      )}
    </Field>
  );
  return (
    <form
      aria-label="Group of fasteners"
      className="grid max-w-3xl gap-4 pt-4"
      onSubmit={(event) => {
        event.preventDefault();
        setAsked(true);
        if (!isRight) return;
        dropDraft(name);
        onSet(heard);
      }}
    >
      {left}
      <div className="grid items-start gap-4 lg:grid-cols-[1fr_auto_1fr]">
        {field('words', 'Name', 'e.g. Main caps')}
        <div>
          <p className="mb-1 font-bold">They stand</p>
          <Segmented
            label="Where they stand"
            value={typed.on}
            options={ON}
            onChange={(on) => setTyped((before) => ({ ...before, on }))}
          />
        </div>
        {field(
          'count',
          typed.on === 'rods' ? 'How many on one rod' : 'How many in all',
          'as the printed order numbers them',
          undefined,
          'decimal',
        )}
      </div>
      <div className="grid items-start gap-4 sm:grid-cols-2">
        {field('lubricant', 'Threads and under the heads', 'what the figure is given for: oil, moly, the maker’s own')}
        {field('source', 'Where the figure comes from', 'e.g. manual, page 42')}
      </div>
      <div className="grid items-start gap-4 sm:grid-cols-3">
        {field(
          'steps',
          `Torque in steps, ${unitOf(units)}`,
          units === 'metric' ? 'e.g. 30 60' : 'e.g. 25 45',
          heard.steps.length > 0 ? heard.steps.map((s) => bothTorques(s, units)).join(', then ') : undefined,
        )}
        {field('angle', 'Then an angle, °', 'e.g. 90; empty for none', undefined, 'decimal')}
        {field(
          'stretch',
          `Or to a stretch, ${units === 'metric' ? 'mm' : 'thou'}`,
          units === 'metric' ? 'e.g. 0.127 0.140; empty for none' : 'e.g. 5 5.5; empty for none',
        )}
      </div>
      <div className="flex flex-wrap items-start gap-4">
        <div>
          <p className="mb-1 font-bold">Bolts or nuts</p>
          <Segmented
            label="Bolts or nuts"
            value={typed.state}
            options={STATES}
            onChange={(state) => setTyped((before) => ({ ...before, state }))}
          />
        </div>
        {typed.state === 'used' && field('used', 'Times torqued before', 'e.g. 2', undefined, 'decimal')}
      </div>
      {field('order', 'Printed order', 'e.g. 5 6 3 4 7 8 1 2 9 10; empty for 1, 2, 3 …')}
      <label className="flex min-h-11 items-center gap-2">
        <input
          type="checkbox"
          checked={typed.measured}
          onChange={(event) => setTyped((before) => ({ ...before, measured: event.target.checked }))}
        />
        the length of each is read before it goes in
      </label>
      <div className="flex flex-wrap gap-3">
        <Button type="submit" kind="strong">
          Set this group
        </Button>
        <Button
          onClick={() => {
            dropDraft(name);
            onEnd();
          }}
        >
          Leave it
        </Button>
        {onRemove && (
          <Button kind="quiet" onClick={onRemove}>
            Take this group off
          </Button>
        )}
      </div>
    </form>
  );
}
