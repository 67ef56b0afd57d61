'use client';

import { useState } from 'react';
import { isRight } from '@/core/stages/assembly/cylinderSteps';
import { BLOCK } from '@/core/foundation/engine/places';
import type { JudgedCylinder } from '@/core/judge/judgement';
import { type MilliNm, bothTorques, parseTorque, torqueText } from '@/core/foundation/quantity/torque';
import type { TurnedEntry } from '@/core/record/benchWork';
import { benchedOf } from '@/core/record/countedWork';
import { type JudgedTurning, afterWords } from '@/core/stages/assembly/rotating/rotatingTorque';
import { useJudgement, useLogging, useWords } from '../openBuild/contexts';
import { Segmented } from '../shared/Segmented';
import { type ParsedTorqueFigure, TorqueEntry } from './TorqueEntry';
import { torqueRange } from './rotatingTorqueWords';

/** After what the crank is turned. */
export interface At {
  after: TurnedEntry['after'];
  cylinder: string;
}

const isSame = (a: At, b: At): boolean => a.after === b.after && a.cylinder === b.cylinder;

interface Props {
  judged: JudgedTurning;
  cylinders: readonly JudgedCylinder[];
  /** After what it was turned, where the walk says it. */
  fixed?: At;
  onLogged?: () => void;
}

/** What the crank takes is typed: after the piston that went in last, unless said otherwise. */
export function RotatingTorqueEntry({ judged, cylinders, fixed, onLogged }: Props) {
  const judgement = useJudgement();
  const { bench, strike, isOwn } = useLogging();
  const { units } = useWords();
  const { turns, next } = judged;
  const all: At[] = [
    { after: 'crank', cylinder: BLOCK },
    ...cylinders.map((c): At => ({ after: 'piston', cylinder: c.id })),
    { after: 'all', cylinder: BLOCK },
  ];
  const [chosen, setChosen] = useState<At | null>(null);
  const was = (at: At): boolean => turns.some((t) => isSame(t.entry, at));
  const lastIn = cylinders.findLast((c) => c.block.isIn);
  const isAllIn = cylinders.length > 0 && cylinders.every((c) => c.block.isIn);
  const open = all.find((at) => !was(at));
  const begun: At | undefined =
    lastIn && !was({ after: 'piston', cylinder: lastIn.id })
      ? { after: 'piston', cylinder: lastIn.id }
      : isAllIn
        ? all.at(-1)
        : open;
  const at = fixed ?? chosen ?? begun ?? { after: 'all', cylinder: BLOCK };
  const hear = (text: string): ParsedTorqueFigure<{ value: MilliNm; starts: MilliNm | null }> => {
    const [first = '', second] = text.split('/');
    const [a, b] = [
      parseTorque(second === undefined ? first : second, units),
      second === undefined ? null : parseTorque(first, units),
    ];
    if (a.kind !== 'understood') return a;
    if (b?.kind === 'refused') return b;
    const starts = b?.kind === 'understood' ? b.value : null;
    const value = { value: a.value, starts };
    if (starts !== null && starts < a.value)
      return { kind: 'refused', why: 'To start takes no less than to keep turning: first the one, then the other.' };
    const before = turns.at(-1)?.entry.value;
    const says = `${starts === null ? '' : `${torqueText(starts, units)} to start, `}${bothTorques(a.value, units)} to keep turning`;
    if (before !== undefined && (a.value > 5 * before + 30_000 || a.value > 400_000))
      return {
        kind: 'question',
        ask: `${bothTorques(a.value, units)} after ${torqueText(before, units)}: is it right?`,
        options: [{ value, words: `yes, ${torqueText(a.value, units)}` }],
      };
    return { kind: 'understood', value, says };
  };
  const last = benchedOf(judgement.log, 'turned').findLast(({ entry }) => isOwn(entry))?.entry;
  /** Pistons that went in since it was turned last. */
  const pistonsAt = ({ after }: At): number => {
    if (after !== 'piston') return 0;
    const since = turns.at(-1)?.entry.at ?? '';
    const went = cylinders.filter((c) =>
      c.block.checks.some((s) => s.check === 'pistonIn' && isRight(s.state) && (s.tick?.at ?? '') > since),
    ).length;
    return Math.max(1, went);
  };
  return (
    <TorqueEntry
      lead={
        fixed ? undefined : (
          <div className="flex flex-wrap items-center gap-3 pb-2">
            <b>Turned</b>
            <div className="overflow-x-auto">
              <Segmented
                label="After what the crank was turned"
                value={`${at.after} ${at.cylinder}`}
                options={all.map((a) => [
                  `${a.after} ${a.cylinder}`,
                  a.after === 'piston' ? (judgement.labels.get(a.cylinder) ?? a.cylinder) : afterWords(a, ''),
                ])}
                onChange={(key) => setChosen(all.find((a) => `${a.after} ${a.cylinder}` === key) ?? null)}
              />
            </div>
          </div>
        )
      }
      {...(onLogged ? { onLogged } : {})}
      draft="turning"
      of={`${at.after} ${at.cylinder}`}
      nameOf={(of) => {
        const other = all.find((a) => `${a.after} ${a.cylinder}` === of);
        return other ? afterWords(other, judgement.labels.get(other.cylinder) ?? '') : of;
      }}
      title={afterWords(at, judgement.labels.get(at.cylinder) ?? '').replace(/^./, (c) => c.toUpperCase())}
      unit={units === 'metric' ? 'N·m' : 'lb·ft'}
      padKey="/"
      hear={hear}
      onLog={({ value, starts }, typed) => {
        bench({
          kind: 'turned',
          after: at.after,
          cylinder: at.cylinder,
          pistons: pistonsAt(at),
          value,
          starts,
          typed,
        });
        setChosen(null);
      }}
      undo={
        last
          ? {
              words: `${afterWords(last, judgement.labels.get(last.cylinder) ?? '')}, ${torqueText(last.value, units)}`,
              onUndo: () => {
                strike(last.id, 'taken back');
                setChosen({ after: last.after, cylinder: last.cylinder });
              },
            }
          : null
      }
      onStep={(by) => {
        const i = all.findIndex((a) => isSame(a, at));
        setChosen(all[(i + by + all.length) % all.length] ?? null);
      }}
    >
      {next && at.after === 'piston' && !was(at) ? (
        <>
          Expected, by {next.from}: {torqueRange(next.range, units)}.{' '}
        </>
      ) : null}
      To keep turning, or to start and to keep turning: {units === 'metric' ? '34/28' : '25/21'}.
    </TorqueEntry>
  );
}
