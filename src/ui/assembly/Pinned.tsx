'use client';

import { PIN_PART_WORDS } from '@/core/record/pinParts';
import { STEP_WORDS } from '@/core/stages/assembly/stepNames';
import type { PinEntry } from '@/core/record/reading';
import { useLogging } from '../openBuild/contexts';
import { Button } from '../shared/Button';
import { When } from '../shared/When';

/** Reminders, each with the way to take it off. */
export function Pinned({ pins }: { pins: readonly PinEntry[] }) {
  const { strike } = useLogging();
  if (pins.length === 0) return null;
  return (
    <ul aria-label="Reminders" className="grid gap-2">
      {pins.map(({ id, text, by, at, check, part }) => (
        <li key={id} className="flex flex-wrap items-center gap-x-3 border-l-4 border-short pl-3">
          <p className="min-w-48 flex-1">
            <b className="text-short">
              ◣ Reminder{part && `, ${PIN_PART_WORDS[part]}`}
              {check && `, ${STEP_WORDS[check].toLowerCase()}`}:
            </b>{' '}
            “{text}”{' '}
            <span className="text-soft">
              {by || 'no initials'}, <When at={at} />. Not ready until it is taken off.
            </span>
          </p>
          <Button onClick={() => strike(id, 'done with')}>Remove</Button>
        </li>
      ))}
    </ul>
  );
}
