'use client';

import type { Bare } from '@/core/foundation/quantity/parseLengths';
import { printLength } from '@/core/foundation/quantity/format';
import { sizingFaults } from '@/core/stages/bores/boreFaults';
import { type GradeChoices, type SizingChoices, MOST_GRADES, standardBore } from '@/core/stages/bores/oversizeChoices';
import { startingGrades } from '@/core/stages/bores/startingGrades';
import { useJudgement, useLogging, useWords } from '../openBuild/contexts';
import { LengthField } from '../shared/LengthField';
import { BareLengthField, LengthsField } from '../shared/LengthsField';
import { NumberField } from '../shared/NumberField';
import { Tick } from '../shared/Tick';
import { bareOf } from '../shared/shopUnits';
import { DraftForm, type Form, FormFoot, useForm } from '../shared/useForm';

/** What sizes are planned with. */
export function SizingForm() {
  const { choices, job } = useJudgement();
  const { units } = useWords();
  const { choose } = useLogging();
  const form = useForm({
    ...{ name: 'sizing', base: choices.sizing, units, faultsOf: sizingFaults },
    onSet: (sizing) => choose('sizing', sizing),
  });
  const { grades } = form.draft;
  const bare = bareOf(units);
  const planned = job?.plannedBore ?? null;
  const setGrades = (change: Partial<GradeChoices>): void =>
    form.set((d) => ({ ...d, grades: d.grades && { ...d.grades, ...change } }));
  const setGraded = (isOn: boolean): void =>
    form.set((d) => ({ ...d, grades: isOn ? startingGrades(standardBore({ choices: { sizing: d }, job })) : null }));
  return (
    <DraftForm
      key={form.drawn}
      title={<h2 className="mb-1 text-lg">Sizes sold, and stock</h2>}
      form={form}
      label="Sizes and stock"
    >
      <div className="grid max-w-3xl gap-4 sm:grid-cols-2">
        <LengthField
          label="Standard bore"
          kind="bore"
          units={units}
          {...form.field('standard')}
          hint={`Oversizes count from it. Empty: the planned bore${planned === null ? '' : `, ${printLength(planned, units, 'size').number}`}.`}
        />
        <LengthsField
          label="Oversizes sold"
          bare={bare}
          most={20}
          values={form.draft.oversizes}
          onFault={form.onFault('oversizes')}
          onChange={(oversizes) => form.set({ oversizes })}
          hint="On the diameter, apart by spaces."
        />
        <BareLengthField
          label="Clean-up stock"
          bare={bare}
          {...form.field('cleanUp')}
          hint="Off the diameter over the largest reading, for a bore to be clean."
        />
        <BareLengthField
          label="Left for the hone"
          bare={bare}
          {...form.field('honing')}
          hint="On the diameter, by the boring bar."
        />
        <Tick className="sm:col-span-2" value={grades !== null} onChange={setGraded}>
          Sorted by grades (A, B, C …)
        </Tick>
        {grades && <GradeFields grades={grades} form={form} setGrades={setGrades} bare={bare} />}
        <FormFoot form={form} words="Set sizes and stock" />
      </div>
    </DraftForm>
  );
}

interface GradeFieldsProps {
  grades: GradeChoices;
  form: Form<SizingChoices>;
  setGrades: (change: Partial<GradeChoices>) => void;
  bare: Bare;
}

/** Where the classes of bores and pistons begin. */
function GradeFields({ grades, form, setGrades, bare }: GradeFieldsProps) {
  const { units } = useWords();
  return (
    <>
      <LengthField
        label="Bore grade A from"
        kind="bore"
        units={units}
        value={grades.bore}
        onFault={form.onFault('grades.bore')}
        onChange={(bore) => bore !== null && setGrades({ bore })}
      />
      <LengthField
        label="Piston grade A from"
        kind="piston"
        units={units}
        value={grades.piston}
        onFault={form.onFault('grades.piston')}
        onChange={(piston) => piston !== null && setGrades({ piston })}
      />
      <BareLengthField
        label="One grade is"
        bare={bare}
        value={grades.step}
        onFault={form.onFault('grades.step')}
        onChange={(step) => step > 0 && setGrades({ step })}
      />
      <NumberField
        label="Grades in all"
        least={1}
        most={MOST_GRADES}
        whole
        value={grades.count}
        onFault={form.onFault('grades.count')}
        onChange={(count) => count !== null && setGrades({ count })}
      />
    </>
  );
}
