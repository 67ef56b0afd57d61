'use client';

import { useState } from 'react';
import type { JudgedCylinder } from '@/core/judge/judgement';
import { torqueText } from '@/core/foundation/quantity/torque';
import { benchedOf } from '@/core/record/countedWork';
import { type JudgedTurning, afterWords } from '@/core/stages/assembly/rotating/rotatingTorque';
import {
  type TurnedAfter,
  isSameTurn,
  nextTurn,
  parseTurning,
  pistonsSince,
  turnsOf,
} from '@/core/stages/assembly/rotating/parseTurning';
import { useJudgement, useLogging, useWords } from '../openBuild/contexts';
import { Segmented } from '../shared/Segmented';
import { TorqueEntry } from './TorqueEntry';
import { torqueRange } from './rotatingTorqueWords';

const keyOf = ({ after, cylinder }: TurnedAfter): string => `${after} ${cylinder}`;

interface Props {
  judged: JudgedTurning;
  cylinders: readonly JudgedCylinder[];
  /** After what it was turned, where the walk says it. */
  fixed?: TurnedAfter;
  onLogged?: () => void;
}

/** What the crank takes is typed: after the piston that went in last, unless said otherwise. */
export function RotatingTorqueEntry({ judged, cylinders, fixed, onLogged }: Props) {
  const judgement = useJudgement();
  const { bench, strike, isOwn } = useLogging();
  const { units } = useWords();
  const { turns, next } = judged;
  const all = turnsOf(cylinders);
  const [chosen, setChosen] = useState<TurnedAfter | null>(null);
  const at = fixed ?? chosen ?? nextTurn(turns, cylinders);
  const isNew = !turns.some((t) => isSameTurn(t.entry, at));
  const last = benchedOf(judgement.log, 'turned').findLast(({ entry }) => isOwn(entry))?.entry;
  const named = (turn: TurnedAfter): string => afterWords(turn, judgement.labels.get(turn.cylinder) ?? '');
  const byKey = (key: string): TurnedAfter | undefined => all.find((a) => keyOf(a) === key);
  return (
    <TorqueEntry
      lead={
        fixed ? undefined : (
          <div className="flex flex-wrap items-center gap-3 pb-2">
            <b>Turned</b>
            <div className="overflow-x-auto">
              <Segmented
                label="After what the crank was turned"
                value={keyOf(at)}
                options={all.map((a) => [
                  keyOf(a),
                  a.after === 'piston' ? (judgement.labels.get(a.cylinder) ?? a.cylinder) : afterWords(a, ''),
                ])}
                onChange={(key) => setChosen(byKey(key) ?? null)}
              />
            </div>
          </div>
        )
      }
      {...(onLogged ? { onLogged } : {})}
      draft="turning"
      of={keyOf(at)}
      nameOf={(of) => {
        const other = byKey(of);
        return other ? named(other) : of;
      }}
      title={named(at).replace(/^./, (c) => c.toUpperCase())}
      unit={units === 'metric' ? 'N·m' : 'lb·ft'}
      padKey="/"
      hear={(text) => parseTurning(text, turns.at(-1)?.entry.value ?? null, units)}
      onLog={({ value, starts }, typed) => {
        bench({
          kind: 'turned',
          after: at.after,
          cylinder: at.cylinder,
          pistons: pistonsSince(at, turns, cylinders),
          value,
          starts,
          typed,
        });
        setChosen(null);
      }}
      undo={
        last
          ? {
              words: `${named(last)}, ${torqueText(last.value, units)}`,
              onUndo: () => {
                strike(last.id, 'taken back');
                setChosen({ after: last.after, cylinder: last.cylinder });
              },
            }
          : null
      }
      onStep={(by) => {
        const i = all.findIndex((a) => isSameTurn(a, at));
        setChosen(all[(i + by + all.length) % all.length] ?? null);
      }}
    >
      {next && at.after === 'piston' && isNew ? (
        <>
          Expected, by {next.from}: {torqueRange(next.range, units)}.{' '}
        </>
      ) : null}
      To keep turning, or to start and to keep turning: {units === 'metric' ? '34/28' : '25/21'}.
    </TorqueEntry>
  );
}
