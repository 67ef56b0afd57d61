'use client';

import { Plus } from 'lucide-react';
import { useState } from 'react';
import { inOrder } from '@/core/stages/assembly/walk';
import type { FastenerGroup } from '@/core/stages/assembly/torque/fastenerGroups';
import { GROUP_STARTS, newGroup } from '@/core/stages/assembly/torque/fastenerGroupForm';
import { type JudgedGroup, torqueRecordOf } from '@/core/stages/assembly/torque/torqueRecord';
import { useJudgement, useLogging } from '../openBuild/contexts';
import { Button } from '../shared/Button';
import { Segmented } from '../shared/Segmented';
import { freshId } from '../shared/freshId';
import { onDemand } from '../shared/onDemand';
import { Tightening } from './Tightening';
import type { Order } from './useInstallOrder';

const FastenerGroupForm = onDemand(() => import('./FastenerGroupForm').then((m) => m.FastenerGroupForm));

const NO_GROUPS =
  'Each group of fasteners has its figure: torque in steps, then an angle or a stretch where the manual gives one, in the printed order, and the lubricant. A figure without its lubricant is not a figure. Nothing is filled in: it comes from the manual or the packet.';

/** Every fastener: its figure, what was done, what is next, the second round, and the wrench set back. */
export function TorqueView({ order }: { order: Order }) {
  const judgement = useJudgement();
  const { choose } = useLogging();
  const groups = torqueRecordOf(judgement, inOrder(judgement, order.found));
  const chosen = judgement.choices.fasteners ?? [];
  const [shown, setShown] = useState('');
  const [form, setForm] = useState<FastenerGroup | null>(null);
  const group = groups.find((g) => g.group.id === shown) ?? groups.find((g) => g.next !== null) ?? groups[0];
  const set = (value: FastenerGroup): void => {
    const isKnown = chosen.some((g) => g.id === value.id);
    choose('fasteners', isKnown ? chosen.map((g) => (g.id === value.id ? value : g)) : [...chosen, value]);
    setShown(value.id);
    setForm(null);
  };
  const begin = (start: (typeof GROUP_STARTS)[number]): void =>
    setForm(newGroup(start, freshId(), judgement.mains.length));
  const remove = (id: string): void => {
    choose(
      'fasteners',
      chosen.filter((g) => g.id !== id),
    );
    setForm(null);
  };
  const isUntouched = ({ group: { id }, fasteners }: JudgedGroup): boolean =>
    id === form?.id && fasteners.every((f) => f.made === 0 && f.free === null && f.stretch === null);
  if (form)
    return (
      <FastenerGroupForm
        key={form.id}
        group={form}
        onSet={set}
        onEnd={() => setForm(null)}
        onRemove={groups.some(isUntouched) ? () => remove(form.id) : null}
      />
    );
  return (
    <div className="flex min-h-full flex-col gap-3 pt-3">
      {groups.length === 0 && <p className="max-w-prose text-lg">{NO_GROUPS}</p>}
      <div className="flex shrink-0 flex-wrap items-center gap-3">
        {groups.length > 1 && group && (
          <Segmented
            label="Group of fasteners"
            value={group.group.id}
            options={groups.map((g) => [g.group.id, `${g.group.words} ${g.done}/${g.fasteners.length}`] as const)}
            onChange={setShown}
          />
        )}
        {GROUP_STARTS.filter((b) => b.words === '' || !groups.some((g) => g.group.words === b.words)).map((b) => (
          <Button key={b.words} kind={groups.length === 0 ? 'accent' : 'plain'} onClick={() => begin(b)}>
            <Plus size={16} aria-hidden /> {b.words || 'Another group'}
          </Button>
        ))}
      </div>
      {group && <Tightening key={group.group.id} judged={group} onEdit={() => setForm(group.group)} />}
    </div>
  );
}
