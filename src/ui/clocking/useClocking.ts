'use client';

/** The plan as it stands, and as it is being moved: what is shown is judged at every move, and set once it rests. */
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { type ClockingChoices, STARTING_CLOCKING } from '@/core/stages/clocking/choices';
import { historyOf, withOwn } from '@/core/stages/clocking/moves';
import type { Joint, Joints } from '@/core/foundation/parts/joints';
import { mirrored } from '@/core/foundation/quantity/angle';
import { useJudgement, useLive, useLogging } from '../openBuild/contexts';
import type { JudgedClocking } from '@/core/stages/clocking/cylinderClocking';
import { asChoice } from '@/core/judge/preview';
import type { JudgedCylinder } from '@/core/judge/judgement';

/** A move from the keys counts as one with those before it until this long after the last, ms. */
const REST = 600;

export interface Move {
  cylinder: string;
  joints: Partial<Joints>;
  school: Joints;
}

export interface Clocking {
  choices: ClockingChoices;
  /** What is judged of each cylinder, by id, with what is being moved. */
  of: (cylinder: JudgedCylinder) => JudgedClocking;
  /** Moves a joint of one cylinder, or of all alike; it is set when `rest` is called, and unless it is held, after a while. */
  move: (cylinder: JudgedCylinder, joint: Joint, to: number, how: { alike: boolean; held: boolean }) => void;
  /** Sets what was moved. */
  rest: () => void;
  /** Drops what was moved and not set. */
  drop: () => void;
  set: (choices: ClockingChoices) => void;
  /** Whether something was moved and is not set yet. */
  pending: boolean;
  undo: (() => void) | null;
  redo: (() => void) | null;
}

const merged = (before: readonly Move[], more: readonly Move[]): Move[] => {
  const all = new Map(before.map((m) => [m.cylinder, m]));
  for (const move of more)
    all.set(move.cylinder, { ...move, joints: { ...all.get(move.cylinder)?.joints, ...move.joints } });
  return [...all.values()];
};

export function useClocking(): Clocking {
  const judgement = useJudgement();
  const { choose, preview } = useLogging();
  const live = useLive();
  const { cylinders, job } = judgement;
  const { clocking: chosen } = judgement.choices;
  const [moves, setMoves] = useState<Move[]>([]);
  const choices = useMemo(() => (moves.length === 0 ? chosen : withOwn(chosen, moves)), [chosen, moves]);
  const judged = useMemo(
    () =>
      moves.length === 0 || !job
        ? null
        : new Map(preview([asChoice('clocking', choices)]).cylinders.map((c) => [c.id, c.clocking])),
    [moves, job, choices, preview],
  );
  const { entries } = live.record;
  // undo steps back from the latest plan, and an entry that was not sent yet may hold it
  const { isRestored } = live;
  const history = useMemo(
    () => historyOf([STARTING_CLOCKING, ...entries.flatMap((e) => (e.kind === 'clocking' ? [e.value] : []))]),
    [entries],
  );

  const latest = useRef({ moves, choices, choose });
  useEffect(() => {
    latest.current = { moves, choices, choose };
  });
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const rest = useCallback(() => {
    if (timer.current) clearTimeout(timer.current);
    timer.current = null;
    const { moves: made, choices: next, choose: put } = latest.current;
    if (made.length === 0) return;
    latest.current = { ...latest.current, moves: [] };
    setMoves([]);
    put('clocking', next);
  }, []);
  useEffect(() => {
    window.addEventListener('pagehide', rest);
    return () => {
      window.removeEventListener('pagehide', rest);
      rest();
    };
  }, [rest]);

  const of = (cylinder: JudgedCylinder): JudgedClocking => judged?.get(cylinder.id) ?? cylinder.clocking;
  return {
    choices,
    of,
    move: (cylinder, joint, to, { alike, held }) => {
      const others = alike ? cylinders : [cylinder];
      const made = others.flatMap((c): Move[] => {
        const { plan } = of(c);
        if (!plan) return [];
        const isMirrored = choices.mirrorLeft && c.bank !== cylinder.bank && c.bank !== 'only';
        return [{ cylinder: c.id, joints: { [joint]: isMirrored ? mirrored(to) : to }, school: plan.school }];
      });
      const next = merged(latest.current.moves, made);
      latest.current = { ...latest.current, moves: next, choices: withOwn(chosen, next) };
      setMoves(next);
      if (timer.current) clearTimeout(timer.current);
      timer.current = held ? null : setTimeout(rest, REST);
    },
    rest,
    drop: () => {
      if (timer.current) clearTimeout(timer.current);
      latest.current = { ...latest.current, moves: [] };
      setMoves([]);
    },
    set: (next) => {
      latest.current = { ...latest.current, moves: [] };
      setMoves([]);
      choose('clocking', next);
    },
    pending: moves.length > 0,
    undo: isRestored && history.before ? () => history.before && choose('clocking', history.before) : null,
    redo: isRestored && history.after ? () => history.after && choose('clocking', history.after) : null,
  };
}
