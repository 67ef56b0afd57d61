'use client';

import { type PinPart, PIN_PARTS, PIN_PART_WORDS } from '@/core/record/pinParts';
import type { Step } from '@/core/record/stepIds';
import { isCylinderId } from '@/core/foundation/engine/places';
import { useLogging } from '../openBuild/contexts';
import { Button } from '../shared/Button';
import { Field } from '../shared/Field';
import { SelectField } from '../shared/SelectField';
import { dropDraft, usePersistedDraft } from '../shared/persistedDraft';

const LONGEST = 200;

interface FormProps {
  at: { place: string; step: Step | null };
  label: string;
  onEnd: () => void;
}

/** Pins a reminder on a cylinder, or on a step. */
export function PinForm({ at, label, onEnd }: FormProps) {
  const { pin } = useLogging();
  const draft = `pin ${at.place} ${at.step ?? ''}`;
  const [{ text, part }, set, left] = usePersistedDraft<{ text: string; part: PinPart | null }>(draft, {
    text: '',
    part: null,
  });
  const words = text.trim();
  const hasParts = at.step === null && isCylinderId(at.place);
  const isLong = words.length > LONGEST;
  return (
    <form
      aria-label={label}
      className="flex flex-wrap items-end gap-3 border-l-4 border-short pl-4"
      onSubmit={(event) => {
        event.preventDefault();
        if (words === '' || isLong) return;
        pin({ cylinder: at.place, check: at.step, part, text: words });
        dropDraft(draft);
        onEnd();
      }}
      onKeyDown={(event) => event.key === 'Escape' && onEnd()}
    >
      {left}
      <div className="min-w-64 flex-1">
        <Field
          label={label}
          error={isLong ? `at most ${LONGEST} characters` : undefined}
          hint="It is pinned on, and keeps this from being ready until it is taken off."
        >
          {(props) => (
            <input
              {...props}
              className="field"
              autoComplete="off"
              autoFocus
              value={text}
              onChange={(e) => set({ text: e.target.value, part })}
            />
          )}
        </Field>
      </div>
      {hasParts && (
        <div className="w-44 pb-6">
          <SelectField
            label="On which part"
            value={part}
            none="the cylinder"
            options={PIN_PARTS.map((p) => [p, PIN_PART_WORDS[p]] as const)}
            onChange={(value) => set({ text, part: value })}
          />
        </div>
      )}
      <div className="flex gap-2 pb-6">
        <Button type="submit" kind="accent" disabled={words === '' || isLong}>
          Pin it on
        </Button>
        <Button onClick={onEnd}>Leave it</Button>
      </div>
    </form>
  );
}
