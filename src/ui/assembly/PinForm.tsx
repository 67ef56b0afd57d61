'use client';

import { type PinPart, PIN_PARTS, PIN_PART_WORDS } from '@/core/record/pinParts';
import type { Step } from '@/core/record/stepIds';
import { faultsAmong } from '@/core/foundation/quantity/faults';
import { isCylinderId } from '@/core/foundation/engine/places';
import { useLogging } from '../openBuild/contexts';
import { Button } from '../shared/Button';
import { TextField } from '../shared/TextField';
import { SelectField } from '../shared/SelectField';
import { DraftForm, useForm } from '../shared/useForm';

const LONGEST = 200;

interface Draft {
  text: string;
  part: PinPart | null;
}
const EMPTY: Draft = { text: '', part: null };

interface FormProps {
  at: { place: string; step: Step | null };
  label: string;
  onEnd: () => void;
}

/** Pins a reminder on a cylinder, or on a step. */
export function PinForm({ at, label, onEnd }: FormProps) {
  const { pin } = useLogging();
  const form = useForm<Draft>({
    ...{ name: `pin ${at.place} ${at.step ?? ''}`, base: EMPTY },
    faultsOf: ({ text }) => faultsAmong({ text: text.trim().length > LONGEST && `at most ${LONGEST} characters` }),
    onSet: ({ text, part }) => {
      if (text === '') return;
      pin({ cylinder: at.place, check: at.step, part, text });
      form.drop();
      onEnd();
    },
  });
  const hasParts = at.step === null && isCylinderId(at.place);
  const { text, part } = form.draft;
  return (
    <DraftForm
      form={form}
      label={label}
      className="flex flex-wrap items-end gap-3 border-l-4 border-short pl-4"
      onKeyDown={(event) => event.key === 'Escape' && onEnd()}
    >
      <div className="min-w-64 flex-1">
        <TextField
          label={label}
          error={form.fault('text')}
          hint="The cylinder or engine is not ready until the reminder is taken off."
          autoFocus
          value={text}
          onChange={(words) => form.set({ text: words })}
        />
      </div>
      {hasParts && (
        <div className="w-44 pb-6">
          <SelectField
            label="On which part"
            value={part}
            none="the cylinder"
            options={PIN_PARTS.map((p) => [p, PIN_PART_WORDS[p]] as const)}
            onChange={(value) => form.set({ part: value })}
          />
        </div>
      )}
      <div className="flex gap-2 pb-6">
        <Button type="submit" kind="accent" disabled={text.trim() === '' || form.wrong !== null}>
          Add reminder
        </Button>
        <Button onClick={onEnd}>Cancel</Button>
      </div>
    </DraftForm>
  );
}
