'use client';

import type { WalkChoices } from '@/core/stages/assembly/walkChoices';
import { useJudgement, useLogging } from '../openBuild/contexts';
import { TextField } from '../shared/TextField';
import { DraftForm, FormFoot, useForm } from '../shared/useForm';

const FIELDS: [keyof WalkChoices['oils'], string, string][] = [
  ['bore', 'Bores oiled with', 'e.g. light non-detergent oil'],
  ['bearings', 'Bearings and pins with', 'e.g. assembly oil'],
  ['threads', 'Threads with', 'what the tightening figure is given for, e.g. oil'],
  ['rings', 'Rings and skirts', 'engine oil, light oil, assembly oil, or next to none on the rings'],
];
const STANDING: (typeof FIELDS)[number] = ['standing', 'While stored', 'e.g. preserving oil'];
const LONGEST = 60;

/** What is oiled with what: it is said in the steps, and stands on the sheet. */
export function OilsForm() {
  const { choices } = useJudgement();
  const { choose } = useLogging();
  const { walk } = choices;
  const form = useForm({
    ...{ name: 'oils', base: walk.oils },
    onSet: (oils) => choose('walk', { ...walk, oils }),
  });
  return (
    <DraftForm form={form} label="Oils" className="grid gap-x-5 gap-y-2 sm:grid-cols-2">
      {(walk.stands ? [...FIELDS, STANDING] : FIELDS).map(([key, label, hint]) => (
        <TextField
          key={key}
          label={label}
          hint={hint}
          maxLength={LONGEST}
          value={form.draft[key]}
          onChange={(text) => form.set({ [key]: text })}
        />
      ))}
      <FormFoot form={form} words="Save" />
    </DraftForm>
  );
}
