'use client';

import { useState } from 'react';
import { type Joint, type Joints, JOINTS, JOINT_MARKS, JOINT_WORDS } from '@/core/foundation/parts/joints';
import { type View, turnOf } from '@/core/stages/clocking/viewpoint';
import { clockHours, parseCrownAngle } from '@/core/stages/clocking/words';
import type { JudgedCylinder } from '@/core/judge/judgement';
import { apart } from '@/core/foundation/quantity/angle';
import { useJudgement } from '../openBuild/contexts';
import { TextField } from '../shared/TextField';
import { Button } from '../shared/Button';

/** Where joints were found that had moved: degrees, an hour as the crown is shown, or words. */
export function MovedGaps({
  cylinder,
  planned,
  view,
  onNote,
}: {
  cylinder: JudgedCylinder;
  planned: Joints;
  view: View;
  onNote: (found: Partial<Joints>) => void;
}) {
  const judgement = useJudgement();
  const { stand, facts } = judgement.choices.clocking;
  const turn = turnOf(view, cylinder.clocking.round, stand, facts.lean);
  const [typed, setTyped] = useState<Partial<Record<Joint, string>>>({});
  const found: Partial<Joints> = {};
  const faults: Partial<Record<Joint, string>> = {};
  for (const joint of JOINTS) {
    const text = typed[joint]?.trim() ?? '';
    if (text === '') continue;
    const heard = parseCrownAngle(text, turn);
    if (heard.ok) found[joint] = heard.degrees;
    else faults[joint] = heard.fault;
  }
  const ready = Object.keys(faults).length === 0 && Object.keys(found).length > 0;
  return (
    <form
      aria-label="Where they are"
      className="mt-2 grid gap-3 border-l-4 border-line pl-4"
      onSubmit={(event) => {
        event.preventDefault();
        if (ready) onNote(found);
      }}
    >
      <p className="text-soft">
        Only those that moved: degrees from the front, an hour as the crown is shown, or words.
      </p>
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-3">
        {JOINTS.map((joint) => {
          const at = found[joint];
          return (
            <TextField
              key={joint}
              label={`${JOINT_MARKS[joint]} ${JOINT_WORDS[joint]}`}
              error={faults[joint]}
              said={
                at === undefined
                  ? `planned ${Math.round(planned[joint]) % 360}°, ${clockHours(planned[joint] + turn)}`
                  : `at ${Math.round(at)}°, ${Math.round(apart(at, planned[joint]))}° from its plan`
              }
              figures
              value={typed[joint] ?? ''}
              onChange={(text) => setTyped((t) => ({ ...t, [joint]: text }))}
            />
          );
        })}
      </div>
      <div>
        <Button type="submit" kind="accent" disabled={!ready}>
          Note where they are
        </Button>
      </div>
    </form>
  );
}
