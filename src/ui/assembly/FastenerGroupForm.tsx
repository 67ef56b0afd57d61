'use client';

import { useState } from 'react';
import type { Units } from '@/core/foundation/quantity/length';
import { bothTorques } from '@/core/foundation/quantity/torque';
import { type TypedGroup, parseGroup, typedGroup } from '@/core/stages/assembly/torque/fastenerGroupForm';
import type { FastenerGroup } from '@/core/stages/assembly/torque/fastenerGroups';
import { useJudgement, useWords } from '../openBuild/contexts';
import { Tick } from '../shared/Tick';
import { Button } from '../shared/Button';
import { TextField } from '../shared/TextField';
import { Segmented } from '../shared/Segmented';
import { DraftForm, useForm, type Form } from '../shared/useForm';

const ON = [
  ['rods', 'on each rod'],
  ['engine', 'once on the engine'],
] as const;

const STATES = [
  ['new', 'new'],
  ['used', 'used'],
  ['unset', 'not set'],
] as const;

const unitOf = (units: Units): string => (units === 'metric' ? 'N·m' : 'lb·ft');

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
  const [base] = useState(shown);
  const form = useForm<TypedGroup>({
    name: `fasteners ${group.words}`,
    base: {
      ...typedGroup(group, base),
      ...(group.lubricant === '' ? { lubricant: choices.walk.oils.threads } : {}),
    },
    faultsOf: (draft) => parseGroup(draft, group).faults,
    onSet: (draft) => {
      form.drop();
      onSet(parseGroup(draft, group).group);
    },
  });
  const { draft: typed, set } = form;
  const { units } = typed;
  const heard = parseGroup(typed, group).group;
  const field = (
    key: Exclude<keyof TypedGroup, 'on' | 'measured' | 'units' | 'state'>,
    label: string,
    hint: string,
    said?: string,
    mode: 'text' | 'decimal' = 'text',
  ) => (
    <TextField
      label={label}
      hint={hint}
      said={said}
      error={form.isTried || typed[key].trim() !== '' ? form.fault(key) : undefined}
      figures={mode === 'decimal'}
      inputMode={mode}
      maxLength={key === 'order' ? 200 : 60}
      value={typed[key]}
      onChange={(text) => set({ [key]: text })}
    />
  );
  return (
    <DraftForm form={form} label="Group of fasteners" className="grid max-w-3xl gap-4 pt-4">
      <div className="grid items-start gap-4 lg:grid-cols-[1fr_auto_1fr]">
        {field('words', 'Name', 'e.g. Main caps')}
        <div>
          <p className="mb-1 font-bold">Position</p>
          <Segmented label="Position" value={typed.on} options={ON} onChange={(on) => set({ on })} />
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
          <Segmented label="Bolts or nuts" value={typed.state} options={STATES} onChange={(state) => set({ state })} />
        </div>
        {typed.state === 'used' && field('used', 'Times torqued before', 'e.g. 2', undefined, 'decimal')}
      </div>
      {field('order', 'Printed order', 'e.g. 5 6 3 4 7 8 1 2 9 10; empty for 1, 2, 3 …')}
      <Tick value={typed.measured} onChange={(isOn) => set({ measured: isOn })}>
        the length of each is read before it goes in
      </Tick>
      <FormButtons form={form} onEnd={onEnd} onRemove={onRemove} />
    </DraftForm>
  );
}

interface FormButtonsProps {
  form: Form<TypedGroup>;
  onEnd: () => void;
  onRemove: (() => void) | null;
}

function FormButtons({ form, onEnd, onRemove }: FormButtonsProps) {
  return (
    <div className="flex flex-wrap gap-3">
      <Button type="submit" kind="strong">
        Save group
      </Button>
      <Button
        onClick={() => {
          form.drop();
          onEnd();
        }}
      >
        Leave it
      </Button>
      {onRemove && (
        <Button kind="quiet" onClick={onRemove}>
          Delete group
        </Button>
      )}
    </div>
  );
}
