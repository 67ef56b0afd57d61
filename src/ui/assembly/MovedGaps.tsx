'use client';

import { type Joints, JOINTS, JOINT_MARKS, JOINT_WORDS } from '@/core/foundation/parts/joints';
import { type View, turnOf } from '@/core/stages/clocking/viewpoint';
import { NO_ANGLES, parseJoints } from '@/core/stages/clocking/typedJoints';
import { clockHours } from '@/core/stages/clocking/words';
import type { JudgedCylinder } from '@/core/judge/judgement';
import { apart } from '@/core/foundation/quantity/angle';
import { useJudgement } from '../openBuild/contexts';
import { TextField } from '../shared/TextField';
import { Button } from '../shared/Button';
import { DraftForm, useForm } from '../shared/useForm';

interface Props {
  cylinder: JudgedCylinder;
  planned: Joints;
  view: View;
  onNote: (found: Partial<Joints>) => void;
}

/** Where joints were found that had moved. */
export function MovedGaps({ cylinder, planned, view, onNote }: Props) {
  const { stand, facts } = useJudgement().choices.clocking;
  const turn = turnOf(view, cylinder.clocking.round, stand, facts.lean);
  const form = useForm({
    // an hour means what it meant in the view it was typed in
    ...{ name: `moved ${cylinder.id} ${turn}`, base: NO_ANGLES },
    faultsOf: (typed) => parseJoints(typed, turn).faults,
    onSet: (typed) => {
      form.drop();
      onNote(parseJoints(typed, turn).joints);
    },
  });
  const { joints: found } = parseJoints(form.draft, turn);
  return (
    <DraftForm form={form} label="Positions" className="mt-2 grid gap-3 border-l-4 border-line pl-4">
      <p className="text-soft">
        Only gaps that moved: degrees from the front, clock position, or words, e.g. 45, 2 o’clock, front.
      </p>
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-3">
        {JOINTS.map((joint) => {
          const at = found[joint];
          return (
            <TextField
              key={joint}
              label={`${JOINT_MARKS[joint]} ${JOINT_WORDS[joint]}`}
              error={form.fault(joint)}
              said={
                at === undefined
                  ? `planned ${Math.round(planned[joint]) % 360}°, ${clockHours(planned[joint] + turn)}`
                  : `at ${Math.round(at)}°, ${Math.round(apart(at, planned[joint]))}° from its plan`
              }
              figures
              value={form.draft[joint]}
              onChange={(text) => form.set({ [joint]: text })}
            />
          );
        })}
      </div>
      <div>
        <Button type="submit" kind="accent" disabled={form.wrong !== null || Object.keys(found).length === 0}>
          Save positions
        </Button>
      </div>
    </DraftForm>
  );
}
