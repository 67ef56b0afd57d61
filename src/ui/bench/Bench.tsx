'use client';

/** What every screen of one build shares: the live record, its judgement, the units, who works, and where. */
import { type ReactNode, createContext, useCallback, useContext, useMemo, useRef, useState } from 'react';
import { type JudgedCylinder, type Judgement, judge, ringsOnRoute } from '@/core/build/judge';
import { type ChoiceKind, type Entry, type ReadingEntry, type Subject } from '@/core/build/record';
import { nextTask } from '@/core/build/work';
import { type Nm, type Units } from '@/core/quantity/length';
import { type LengthStyle, lengthText, rangeText } from '@/core/quantity/print';
import { type Saying, sayingText } from '@/core/quantity/saying';
import type { Ring } from '@/core/ring/ring';
import { useKept } from '../shared/kept';
import { type LiveRecord, useRecord } from './useRecord';

export type SizeSubject = 'bore' | 'piston';

/** The cylinder in hand, and what of it is in hand on the sizes and the rings screen. */
export interface Cursor {
  cylinder: string;
  size: SizeSubject;
  ring: Ring;
  /** Whether someone went there on purpose: then a change of stage stays there. */
  chosen: boolean;
}

type ValueOf<K extends ChoiceKind> = Extract<Entry, { kind: K }>['value'];

interface Bench {
  live: LiveRecord;
  judgement: Judgement;
  units: Units;
  setUnits: (units: Units) => void;
  by: string;
  setBy: (by: string) => void;
  cursor: Cursor;
  cylinder: JudgedCylinder | null;
  /** Goes to a cylinder or a subject because someone chose it. */
  moveTo: (to: Partial<Cursor>) => void;
  /** Goes where the work leads. */
  follow: (task: { cylinder: string; subject: Subject }) => void;
  choose: <K extends ChoiceKind>(kind: K, value: ValueOf<K>) => void;
  read: (reading: Pick<ReadingEntry, 'cylinder' | 'subject' | 'value' | 'upTo' | 'typed'>) => void;
  /** Whether a reading was made at this bench: by these initials, or on this page. */
  isOwn: (reading: ReadingEntry) => boolean;
  strike: (id: string, reason: string) => void;
  tick: (cylinder: string) => void;
  length: (nm: Nm, style?: LengthStyle) => string;
  range: (from: Nm, to: Nm | null) => string;
  text: (saying: Saying) => string;
}

const Context = createContext<Bench | null>(null);

export function useBench(): Bench {
  const bench = useContext(Context);
  if (!bench) throw new Error('useBench outside a build');
  return bench;
}

interface Props {
  buildId: string;
  initial: Entry[];
  seq: number;
  children: ReactNode;
}

const isSize = (subject: Subject): subject is SizeSubject => subject === 'bore' || subject === 'piston';

function startingCursor({ tasks, cylinders, bench }: Judgement): Cursor {
  const first = cylinders[0]?.id ?? '';
  const ring = nextTask(tasks.rings, null);
  const size = nextTask(tasks.sizes, null);
  const begun = tasks.rings.some((t) => t.done);
  const cylinder = (begun ? ring?.cylinder : size?.cylinder) ?? ring?.cylinder ?? first;
  const ringSubject = ring && ring.cylinder === cylinder && !isSize(ring.subject) ? ring.subject : (ringsOnRoute(bench)[0] ?? 'top');
  return { cylinder, size: size?.cylinder === cylinder && size.subject === 'piston' ? 'piston' : 'bore', ring: ringSubject, chosen: false };
}

export function BenchProvider({ buildId, initial, seq, children }: Props) {
  const live = useRecord(buildId, initial, seq);
  const { record, append } = live;
  const judgement = useMemo(() => judge(record), [record]);
  const [keptUnits, setUnits] = useKept(`spatium-units:${buildId}`, judgement.job?.units ?? 'metric');
  const units: Units = keptUnits === 'imperial' ? 'imperial' : 'metric';
  const [by, setBy] = useKept('spatium-by', '');
  const [cursor, setCursor] = useState(() => startingCursor(judgement));
  const cylinder = judgement.cylinders.find((c) => c.id === cursor.cylinder) ?? judgement.cylinders[0] ?? null;

  const own = useRef(new Set<string>());
  const stamp = useCallback(() => ({ id: crypto.randomUUID(), at: new Date().toISOString(), by }), [by]);
  const moveTo = useCallback((to: Partial<Cursor>) => setCursor((before) => ({ ...before, chosen: true, ...to })), []);
  const follow = useCallback(
    ({ cylinder: at, subject }: { cylinder: string; subject: Subject }) =>
      setCursor((before) => ({ ...before, cylinder: at, chosen: false, ...(isSize(subject) ? { size: subject } : { ring: subject }) })),
    [],
  );

  const choose = useCallback(
    <K extends ChoiceKind>(kind: K, value: ValueOf<K>) => {
      const replaces = record.entries.findLast((e) => e.kind === kind)?.id ?? null;
      append([{ ...stamp(), kind, replaces, value } as Entry]);
    },
    [append, record, stamp],
  );

  const value = useMemo<Bench>(
    () => ({
      live,
      judgement,
      units,
      setUnits,
      by,
      setBy,
      cursor,
      cylinder,
      moveTo,
      follow,
      choose,
      read: (reading) => {
        const stamped = stamp();
        own.current.add(stamped.id);
        append([{ ...stamped, kind: 'reading', ...reading, instrument: null, temperature: null }]);
      },
      isOwn: (reading) => own.current.has(reading.id) || (by !== '' && reading.by === by),
      strike: (id, reason) => append([{ ...stamp(), kind: 'void', of: id, reason }]),
      tick: (at) => append([{ ...stamp(), kind: 'joints', cylinder: at }]),
      length: (nm, style = 'fine') => lengthText(nm, units, style),
      range: (from, to) => rangeText(from, to, units),
      text: (saying) => sayingText(saying, units),
    }),
    [live, judgement, units, setUnits, by, setBy, cursor, cylinder, moveTo, follow, choose, append, stamp],
  );
  return <Context.Provider value={value}>{children}</Context.Provider>;
}
