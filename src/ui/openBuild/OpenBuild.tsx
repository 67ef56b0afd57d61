'use client';

/** One build, open at this bench: the live record, its judgement, the units, who works, what is in hand, and where. */
import { type ReactNode, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { atBench } from '@/core/judge/route';
import { type IncrementalJudge, incrementalJudge } from '@/core/judge/judge';
import type { Judgement } from '@/core/judge/judgement';
import type { Units } from '@/core/foundation/quantity/length';
import { lengthText, lengthUnit, printLength, rangeText } from '@/core/foundation/quantity/format';
import { type Message, messageText } from '@/core/foundation/quantity/message';
import type { Entry } from '@/core/judge/buildRecord';
import { usePersisted } from '../shared/persisted';
import {
  type Changes,
  type Moving,
  type Words,
  ChangesContext,
  HandsContext,
  InitialsContext,
  JudgementContext,
  LiveContext,
  LoggingContext,
  MovingContext,
  OwnRouteContext,
  WordsContext,
} from './contexts';
import { movedTo, resumedCursor, startingCursor, withSubject } from './cursor';
import { listInSight, useAddress } from './useAddress';
import { useToolInHandState, useUnits } from './useToolInHand';
import { useLoggingOf } from './useLoggingOf';
import { type OwnRoute, useOwnRoute } from './ownRoute';
import { type LiveRecord, useSync } from './useSync';
import { useTools } from './useTools';

/** Kinds of entry whose effect elsewhere is told. */
const TOLD: readonly Entry['kind'][] = ['reading', 'void', 'renewed', 'pairing', 'placing', 'cut', 'clocking'];

function useChangesIn(judgement: Judgement, entries: readonly Entry[]): Changes {
  const [changes, setChanges] = useState<Message[]>([]);
  const before = useRef({ judgement, count: entries.length });
  useEffect(() => {
    const last = before.current;
    before.current = { judgement, count: entries.length };
    if (!entries.slice(last.count).some((e) => TOLD.includes(e.kind))) return;
    // loaded with the first entry that is told; where the server is gone by then, the entry stands without it
    import('@/core/judge/diff').then(
      ({ judgementDiff: changesOf }) => {
        const found = changesOf(last.judgement, judgement);
        setChanges((shown) => (found.length === 0 && shown.length === 0 ? shown : found));
      },
      () => undefined,
    );
  }, [judgement, entries]);
  const seenChanges = useCallback(() => setChanges([]), []);
  return useMemo(() => ({ changes, seenChanges }), [changes, seenChanges]);
}

const useWordsIn = (units: Units, setUnits: (units: Units) => void): Words =>
  useMemo(
    () => ({
      units,
      setUnits,
      length: (nm, style = 'fine') => lengthText(nm, units, style),
      number: (nm, style) => (nm == null ? '–' : printLength(nm, units, style).number),
      unit: (style) => lengthUnit(units, style),
      range: (from, to) => rangeText(from, to, units),
      text: (saying) => messageText(saying, units),
    }),
    [units, setUnits],
  );

/** The judge, as this bench works through what it finds: in its own order, past what others took. */
function useJudging({ rings, bores }: OwnRoute, { others }: LiveRecord): IncrementalJudge {
  const [kept] = useState(incrementalJudge);
  const taken = JSON.stringify(others.flatMap((o) => o.mine).sort());
  return useMemo(() => {
    const route = { rings, bores, taken: JSON.parse(taken) as string[] };
    const known = new WeakMap<Judgement, Judgement>();
    return {
      of: (record) => {
        const judged = kept.of(record);
        const found = known.get(judged) ?? atBench(judged, route);
        known.set(judged, found);
        return found;
      },
      preview: (record, more) => atBench(kept.preview(record, more), route),
    };
  }, [kept, rings, bores, taken]);
}

function useMovingIn(judgement: Judgement, isRestored: boolean): Moving {
  const [begun] = useState(judgement);
  const [cursor, setCursor] = useState(() => startingCursor(judgement));
  const [isStarted, setStarted] = useState(isRestored);
  // what this browser kept unsent was done already: the work goes on after it
  if (isRestored && !isStarted) {
    setStarted(true);
    if (!cursor.chosen && judgement !== begun) setCursor(resumedCursor(judgement, listInSight()));
  }
  useAddress(cursor, setCursor, judgement);
  const cylinder = judgement.cylinders.find((c) => c.id === cursor.cylinder) ?? judgement.cylinders[0] ?? null;
  const moves = useMemo<Omit<Moving, 'cursor' | 'cylinder'>>(
    () => ({
      toCylinder: (id) => setCursor((before) => ({ ...before, chosen: true, cylinder: id, place: null })),
      toSubject: (subject) =>
        setCursor((before) => ({ ...before, chosen: true, inHand: withSubject(before.inHand, subject) })),
      goTo: (at, chosen = false) => setCursor((before) => movedTo(before, at, chosen)),
      // a press may come between the drawing of a stage and its beginning
      beginAt: (at) => setCursor((before) => (before.chosen ? before : movedTo(before, at, false))),
    }),
    [],
  );
  return useMemo(() => ({ cursor, cylinder, ...moves }), [cursor, cylinder, moves]);
}

interface Props {
  buildId: string;
  initial: Entry[];
  seq: number;
  children: ReactNode;
}

export function OpenBuild({ buildId, initial, seq, children }: Props) {
  const live = useSync(buildId, initial, seq);
  const own = useOwnRoute(buildId);
  const judging = useJudging(own, live);
  const judgement = useMemo(() => judging.of(live.record), [judging, live.record]);
  const [units, setUnits] = useUnits(buildId, judgement.job?.units ?? 'metric');
  const [by, setBy] = usePersisted('spatium-by', '');
  const shop = useTools(buildId, judgement.log.tools, units);
  const hands = useToolInHandState(buildId, shop);
  const words = useWordsIn(units, setUnits);
  const initials = useMemo(() => ({ by, setBy }), [by, setBy]);
  const { filer } = hands;
  const gauge = shop.inHand('bore');
  const logging = useLoggingOf({ judging, judgement, live, by, shop, gauge, filer });
  const moving = useMovingIn(judgement, live.isRestored);
  const changes = useChangesIn(judgement, live.record.entries);
  return (
    <LiveContext value={live}>
      <OwnRouteContext value={own}>
        <JudgementContext value={judgement}>
          <WordsContext value={words}>
            <InitialsContext value={initials}>
              <HandsContext value={hands}>
                <LoggingContext value={logging}>
                  <MovingContext value={moving}>
                    <ChangesContext value={changes}>{children}</ChangesContext>
                  </MovingContext>
                </LoggingContext>
              </HandsContext>
            </InitialsContext>
          </WordsContext>
        </JudgementContext>
      </OwnRouteContext>
    </LiveContext>
  );
}
