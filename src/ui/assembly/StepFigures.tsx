'use client';

import type { Step } from '@/core/record/stepIds';
import { inOrder } from '@/core/stages/assembly/walk';
import { BLOCK, isCylinderId } from '@/core/foundation/engine/places';
import { isTight, torqueRecordOf } from '@/core/stages/assembly/torque/torqueRecord';
import { figureWords } from '@/core/stages/assembly/torque/words';
import { isTurnOpen, turnFaults, rotatingTorqueOf } from '@/core/stages/assembly/rotating/rotatingTorque';
import { useJudgement, useWords } from '../openBuild/contexts';
import { useView } from '../shared/address';
import { Button } from '../shared/Button';
import { RotatingTorqueEntry } from './RotatingTorqueEntry';
import type { Order } from './useInstallOrder';
import { useTorqueHistory } from './useTorqueHistory';

/** Steps at which fasteners are tightened, and those at which the crank is turned. */
const TIGHTENED: readonly Step[] = ['crankIn', 'tightened', 'allTight', 'secondRound', 'wrenchBack'];
const TURNED: readonly Step[] = ['crankTurns', 'turned', 'turnsFree'];

interface Props {
  step: Step;
  place: string;
  order: Order;
  /** Where the focus goes once a figure is logged. */
  onLogged: () => void;
}

/** The figures of a step of the walk: what fasteners there are tightened to, or what the crank takes to turn. */
export function StepFigures({ step, place, order, onLogged }: Props) {
  if (TIGHTENED.includes(step)) return <Fasteners place={place} order={order} />;
  if (TURNED.includes(step)) return <Turned step={step} place={place} order={order} onLogged={onLogged} />;
  return null;
}

function Fasteners({ place, order }: Pick<Props, 'place' | 'order'>) {
  const judgement = useJudgement();
  const { units } = useWords();
  const [, setView] = useView(['walk', 'tightening']);
  const groups = torqueRecordOf(judgement, inOrder(judgement, order.found)).filter(
    ({ group }) => place === BLOCK || group.on === 'rods',
  );
  return (
    <div className="max-w-prose border-t border-line pt-2">
      {groups.map(({ group, fasteners, done, seconded }) => {
        const here = isCylinderId(place) ? fasteners.filter((f) => f.cylinder === place) : fasteners;
        return (
          <p key={group.id} className="text-lg">
            <b>{group.words}</b>: {figureWords(group, units)}.{' '}
            {isCylinderId(place)
              ? `${here.filter(isTight).length} of ${here.length} tight here.`
              : `${done} of ${fasteners.length} tight, ${seconded} gone over twice.`}
          </p>
        );
      })}
      <p>
        <Button onClick={() => setView('tightening')}>
          {groups.length === 0 ? 'Set the figures of the fasteners …' : 'Torque one by one …'}
        </Button>
      </p>
    </div>
  );
}

function Turned({ step, place, order, onLogged }: Props) {
  const judgement = useJudgement();
  const { units, text } = useWords();
  const past = useTorqueHistory(judgement.id);
  const judged = rotatingTorqueOf(judgement, past);
  const after = step === 'turned' ? 'piston' : step === 'turnsFree' ? 'all' : 'crank';
  const here = judged.turns.filter((t) => t.entry.after === after && t.entry.cylinder === place);
  const [open] = here.filter(isTurnOpen);
  return (
    <>
      {open &&
        turnFaults(open, units).map((says, i) => (
          <p key={i} className="text-lg font-bold text-over" role="alert">
            ✕ {text(says)}
          </p>
        ))}
      {here.length > 0 ? null : (
        <RotatingTorqueEntry
          judged={judged}
          cylinders={inOrder(judgement, order.found)}
          fixed={{ after, cylinder: place }}
          onLogged={onLogged}
        />
      )}
    </>
  );
}
