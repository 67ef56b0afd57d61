'use client';

import { parseThrows } from '@/core/stages/assembly/parseThrows';
import { usualThrows } from '@/core/stages/assembly/throws';
import { useJudgement, useLogging } from '../openBuild/contexts';
import { TextField } from '../shared/TextField';
import { Button } from '../shared/Button';
import { DraftForm, useForm } from '../shared/useForm';

/** How the throws of this crank stand. */
export function ThrowsForm() {
  const judgement = useJudgement();
  const { choose } = useLogging();
  const { walk } = judgement.choices;
  const count = new Set(judgement.cylinders.map((c) => c.clocking.rod.throw)).size;
  const usual = judgement.job && usualThrows(judgement.job.engine, count);
  const set = walk.throws ?? usual ?? [];
  const form = useForm({
    name: 'throws',
    base: { throws: set.join(' ') },
    faultsOf: ({ throws }) => parseThrows(throws, count).faults,
    onSet: ({ throws }) => choose('walk', { ...walk, throws: parseThrows(throws, count).throws }),
  });
  const text = form.draft.throws;
  return (
    <DraftForm form={form} label="Throws of the crank" className="flex flex-wrap items-end gap-3">
      <div className="w-80 max-w-full">
        <TextField
          label={`Throws from the front, degrees clockwise (${count})`}
          error={text.trim() !== '' ? form.fault('throws') : undefined}
          hint={
            walk.throws
              ? 'as set for this crank'
              : usual
                ? 'usual for this layout, no source: check the crank itself'
                : 'e.g. 0 90 270 180'
          }
          figures
          inputMode="decimal"
          value={text}
          onChange={(throws) => form.set({ throws })}
        />
      </div>
      <div className="flex gap-2 pb-6">
        <Button type="submit" kind="accent" disabled={!form.isChanged || form.wrong !== null}>
          Set the throws
        </Button>
        {walk.throws && usual && <Button onClick={() => choose('walk', { ...walk, throws: null })}>As is usual</Button>}
      </div>
    </DraftForm>
  );
}
