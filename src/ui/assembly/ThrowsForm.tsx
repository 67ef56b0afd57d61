'use client';

import { useState } from 'react';
import { usualThrows } from '@/core/stages/assembly/throws';
import { useJudgement, useLogging } from '../openBuild/contexts';
import { TextField } from '../shared/TextField';
import { Button } from '../shared/Button';

/** Degrees as typed, one for each throw; a sentence where they cannot be. */
function heard(text: string, count: number): { throws: number[] } | { fault: string } {
  const words = text
    .trim()
    .split(/[\s,;°]+/)
    .filter(Boolean);
  const throws = words.map(Number);
  if (throws.some((t) => !Number.isFinite(t) || t < 0 || t >= 360))
    return { fault: 'Degrees from 0 to under 360, one for each throw.' };
  if (throws.length !== count) return { fault: `${count} throws, and ${throws.length} figures.` };
  if (throws[0] !== 0) return { fault: 'The first throw counts as 0.' };
  return { throws };
}

/** How the throws of this crank stand. */
export function ThrowsForm() {
  const judgement = useJudgement();
  const { choose } = useLogging();
  const { walk } = judgement.choices;
  const count = new Set(judgement.cylinders.map((c) => c.clocking.rod.throw)).size;
  const usual = judgement.job && usualThrows(judgement.job.engine, count);
  const set = walk.throws ?? usual ?? [];
  const [text, setText] = useState(set.join(' '));
  const found = heard(text, count);
  const isSame = text.trim() === set.join(' ');
  return (
    <form
      aria-label="Throws of the crank"
      className="flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if ('throws' in found) choose('walk', { ...walk, throws: found.throws });
      }}
    >
      <div className="w-80 max-w-full">
        <TextField
          label={`Throws from the front, degrees clockwise (${count})`}
          error={text.trim() !== '' && 'fault' in found ? found.fault : undefined}
          hint={
            walk.throws
              ? 'as set for this crank'
              : usual
                ? 'usual for this layout, from memory: the crank on the stand decides'
                : 'e.g. 0 90 270 180'
          }
          figures
          inputMode="decimal"
          value={text}
          onChange={(text) => setText(text)}
        />
      </div>
      <div className="flex gap-2 pb-6">
        <Button type="submit" kind="accent" disabled={isSame || 'fault' in found}>
          Set the throws
        </Button>
        {walk.throws && usual && <Button onClick={() => choose('walk', { ...walk, throws: null })}>As is usual</Button>}
      </div>
    </form>
  );
}
