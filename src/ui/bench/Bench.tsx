'use client';

/** What every screen of one build shares: the live record, its judgement, the units, who works, and where. */
import { type ReactNode, createContext, useCallback, useContext, useEffect, useMemo, useRef, useState } from 'react';
import { DEPTHS, type Depth, type Spot } from '@/core/bore/grid';
import { againstOf } from '@/core/build/clocking';
import { changesOf } from '@/core/build/changes';
import {
  type JudgedCylinder,
  type Judgement,
  type LoggedReading,
  judge,
  readingEntryOf,
  ringsOnRoute,
} from '@/core/build/judge';
import { type Hand, type NewReading, previewOf } from '@/core/build/preview';
import {
  type ChoiceKind,
  type Entry,
  type GaugeSetting,
  type GrooveSubject,
  type Part,
  type PistonSubject,
  type Subject,
  isGrooveSubject,
  isPistonSubject,
} from '@/core/build/record';
import { firstSpot } from '@/core/build/sizes';
import { type At, nextTask } from '@/core/build/work';
import { type Check, isJointCheck } from '@/core/clocking/block';
import type { Joints } from '@/core/clocking/joints';
import { type Nm, type Units } from '@/core/quantity/length';
import { type LengthStyle, lengthText, rangeText } from '@/core/quantity/print';
import { type Saying, sayingText } from '@/core/quantity/saying';
import { type Ring, SQUARINGS, type Squaring, isRing } from '@/core/ring/ring';
import { type Instrument, instrumentKey } from '@/core/uncertainty/instrument';
import { useKept } from '../shared/kept';
import { type LiveRecord, useRecord } from './useRecord';
import { type Family, familyOf, useTools } from './useTools';

/** The cylinder in hand, and what of it is in hand on the screens of the bores, the pistons and the rings. */
export interface Cursor {
  cylinder: string;
  spot: Spot;
  piston: PistonSubject;
  ring: Ring;
  groove: GrooveSubject;
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
  /** Goes to a thing to read: because someone chose it, or because the work leads there. */
  goTo: (at: At, chosen?: boolean) => void;
  choose: <K extends ChoiceKind>(kind: K, value: ValueOf<K>) => void;
  read: (reading: NewReading) => void;
  /** The judgement as if a reading were logged. */
  preview: (reading: NewReading) => Judgement;
  /** Tools of the shop and of this build, latest versions. */
  tools: Instrument[];
  /** The tool in hand for a kind of reading; null for none named. */
  toolFor: (subject: Subject) => Instrument | null;
  takeTool: (family: Family, id: string | null) => void;
  /** What is in hand for a kind of reading. */
  handFor: (subject: Subject) => Hand;
  /** Where rings are squared at this bench, and with what; empty where not said. */
  squaring: { depth: string; tool: string };
  setSquaring: (change: Partial<{ depth: string; tool: string }>) => void;
  warmth: Warmth;
  setWarmth: (warmth: Warmth) => void;
  /** The bore gauge in hand was zeroed. */
  setGauge: (to: GaugeSetting) => void;
  /** A bore was machined, or a piston or a ring replaced: of which numbers. */
  renew: (part: Part, numbers: string[]) => void;
  /** A ring was cut with the filer in hand. */
  cut: (number: string, ring: Ring, count: number | null) => void;
  /** The filer in hand; null for none named. */
  filer: Instrument | null;
  /** A gap over its limit is accepted as read. */
  accept: (reading: string, reason: string) => void;
  /** A reading was made in the bore of another cylinder than was noted: it is struck out and noted there. */
  reassign: (reading: LoggedReading, cylinder: string) => void;
  /** What the last readings changed elsewhere. */
  changes: Saying[];
  seenChanges: () => void;
  /** Whether a reading was made at this bench: by these initials, or on this page. */
  isOwn: (entry: { id: string; by: string }) => boolean;
  strike: (id: string, reason: string) => void;
  /** Something was checked at the block of a cylinder; joints that were found elsewhere, and where. */
  tick: (cylinder: string, check: Check, found?: Partial<Joints>) => void;
  length: (nm: Nm, style?: LengthStyle) => string;
  range: (from: Nm, to: Nm | null) => string;
  text: (saying: Saying) => string;
}

/** °C of the part and of the tools, as noted at this bench; null where not. */
export interface Warmth {
  part: number | null;
  tool: number | null;
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

function startingCursor({ tasks, cylinders, bench, boreChoices }: Judgement): Cursor {
  const ring = nextTask(tasks.rings, null);
  const bore = nextTask(tasks.bores, null);
  const piston = nextTask(tasks.pistons, null);
  const begun = tasks.rings.some((t) => t.done);
  const cylinder = (begun ? ring : (bore ?? piston))?.cylinder ?? ring?.cylinder ?? cylinders[0]?.id ?? '';
  const subject = ring?.cylinder === cylinder ? ring.subject : null;
  return {
    cylinder,
    spot: bore?.cylinder === cylinder && bore.spot ? bore.spot : firstSpot(boreChoices),
    piston: piston?.cylinder === cylinder && isPistonSubject(piston.subject) ? piston.subject : 'piston',
    ring: subject !== null && isRing(subject) ? subject : (ringsOnRoute(bench)[0] ?? 'top'),
    groove: 'topSide',
    chosen: false,
  };
}

/** Kinds of entry whose effect elsewhere is told. */
const TOLD: readonly Entry['kind'][] = ['reading', 'void', 'renewed', 'pairing', 'placing', 'cut', 'clocking'];

/** What the entries that came last changed elsewhere, until someone has seen it. */
function useChanges(judgement: Judgement, entries: readonly Entry[]): [Saying[], () => void] {
  const [changes, setChanges] = useState<Saying[]>([]);
  const before = useRef({ judgement, count: entries.length });
  useEffect(() => {
    const last = before.current;
    before.current = { judgement, count: entries.length };
    if (!entries.slice(last.count).some((e) => TOLD.includes(e.kind))) return;
    setChanges(changesOf(last.judgement, judgement));
  }, [judgement, entries]);
  return [changes, useCallback(() => setChanges([]), [])];
}

const depthFrom = (text: string): Depth | null => DEPTHS.find((d) => d === text) ?? null;
const squaringFrom = (text: string): Squaring | null => SQUARINGS.find((s) => s === text) ?? null;
const number = (text: string): number | null => (text === '' || Number.isNaN(Number(text)) ? null : Number(text));

export function BenchProvider({ buildId, initial, seq, children }: Props) {
  const live = useRecord(buildId, initial, seq);
  const { record, append } = live;
  const judgement = useMemo(() => judge(record), [record]);
  const [keptUnits, setUnits] = useKept(`spatium-units:${buildId}`, judgement.job?.units ?? 'metric');
  const units: Units = keptUnits === 'imperial' ? 'imperial' : 'metric';
  const [by, setBy] = useKept('spatium-by', '');
  const [cursor, setCursor] = useState(() => startingCursor(judgement));
  const cylinder = judgement.cylinders.find((c) => c.id === cursor.cylinder) ?? judgement.cylinders[0] ?? null;

  const [changes, seenChanges] = useChanges(judgement, record.entries);
  const { tools, rates, inHand, takeTool } = useTools(buildId, judgement.instruments, units);
  const [part, setPart] = useKept(`spatium-part:${buildId}`, '');
  const [tool, setTool] = useKept(`spatium-tool:${buildId}`, '');
  const [depth, setDepth] = useKept('spatium-squared-at', '');
  const [squaring, setSquaring] = useKept('spatium-squared-with', '');

  const own = useRef(new Set<string>());
  const stamp = useCallback(() => ({ id: crypto.randomUUID(), at: new Date().toISOString(), by }), [by]);
  const moveTo = useCallback((to: Partial<Cursor>) => setCursor((before) => ({ ...before, chosen: true, ...to })), []);
  const goTo = useCallback(
    ({ cylinder: at, subject, spot }: At, chosen = false) =>
      setCursor((before) => ({
        ...before,
        cylinder: at,
        chosen,
        ...(subject === 'bore'
          ? { spot: spot ?? before.spot }
          : isPistonSubject(subject)
            ? { piston: subject }
            : isGrooveSubject(subject)
              ? { groove: subject }
              : { ring: subject }),
      })),
    [],
  );

  const choose = useCallback(
    <K extends ChoiceKind>(kind: K, value: ValueOf<K>) => {
      const replaces = record.entries.findLast((e) => e.kind === kind)?.id ?? null;
      append([{ ...stamp(), kind, replaces, value } as Entry]);
    },
    [append, record, stamp],
  );

  /** The entry that brings a tool into this build, where it is not in it yet. */
  const named = useCallback(
    (key: string | null): Entry[] => {
      const held =
        key === null || judgement.instruments.some((i) => instrumentKey(i) === key)
          ? undefined
          : tools.find((i) => instrumentKey(i) === key);
      if (!held) return [];
      const learnt = rates
        .filter((r) => r.filer === held.id)
        .map((rate): Entry => ({ ...stamp(), kind: 'rate', ...rate }));
      return [{ ...stamp(), kind: 'instrument', value: held }, ...learnt];
    },
    [judgement.instruments, stamp, tools, rates],
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
      goTo,
      choose,
      read: (reading) => {
        const stamped = stamp();
        own.current.add(stamped.id);
        append([...named(reading.instrument), { ...stamped, kind: 'reading', ...reading }]);
      },
      preview: (reading) => previewOf(record, reading, named(reading.instrument)),
      tools,
      toolFor: (subject) => inHand(familyOf(subject)),
      takeTool,
      handFor: (subject) => {
        const held = inHand(familyOf(subject));
        const warm = subject === 'bore' || (isPistonSubject(subject) && subject !== 'strip');
        const ring = isRing(subject)
          ? { ring: { depth: depthFrom(depth), squaring: squaringFrom(squaring), deburred: false, squared: false } }
          : {};
        return {
          ...ring,
          instrument: held && instrumentKey(held),
          temperature: warm ? number(part) : null,
          gaugeTemperature: warm ? number(tool) : null,
        };
      },
      squaring: { depth, tool: squaring },
      setSquaring: (change) => {
        if (change.depth !== undefined) setDepth(change.depth);
        if (change.tool !== undefined) setSquaring(change.tool);
      },
      warmth: { part: number(part), tool: number(tool) },
      setWarmth: (warmth) => {
        setPart(warmth.part === null ? '' : String(warmth.part));
        setTool(warmth.tool === null ? '' : String(warmth.tool));
      },
      setGauge: (to) => {
        const held = inHand('bore');
        const key = held && instrumentKey(held);
        append([...named(key), { ...stamp(), kind: 'setting', instrument: key, to }]);
      },
      cut: (number, ring, count) => {
        const held = inHand('filing');
        const key = held && instrumentKey(held);
        const stamped = stamp();
        own.current.add(stamped.id);
        append([...named(key), { ...stamped, kind: 'cut', cylinder: number, ring, filer: key, count }]);
      },
      filer: inHand('filing'),
      accept: (of, reason) => append([{ ...stamp(), kind: 'accepted', of, reason }]),
      reassign: (logged, at) => {
        const reading = readingEntryOf(logged);
        const label = judgement.cylinders.find((c) => c.id === at)?.label ?? at;
        append([
          { ...stamp(), kind: 'void', of: reading.id, reason: `it was read in the bore of cylinder ${label}` },
          {
            ...reading,
            ...stamp(),
            cylinder: at,
            fit: {
              depth: null,
              squaring: null,
              deburred: false,
              squared: false,
              open: false,
              ...reading.fit,
              ring: reading.fit?.ring ?? reading.cylinder,
            },
          },
        ]);
      },
      renew: (renewed, cylinders) =>
        append(cylinders.map((at): Entry => ({ ...stamp(), kind: 'renewed', part: renewed, cylinder: at }))),
      changes,
      seenChanges,
      isOwn: (entry) => own.current.has(entry.id) || (by !== '' && entry.by === by),
      strike: (id, reason) => append([{ ...stamp(), kind: 'void', of: id, reason }]),
      tick: (at, check, found = {}) => {
        const of = judgement.cylinders.find((c) => c.id === at);
        const planned = isJointCheck(check) ? (of?.clocking.plan?.joints ?? null) : null;
        append([
          {
            ...stamp(),
            kind: 'check',
            cylinder: at,
            check,
            planned,
            found,
            expected: of ? againstOf(check, of.clocking) : null,
          },
        ]);
      },
      length: (nm, style = 'fine') => lengthText(nm, units, style),
      range: (from, to) => rangeText(from, to, units),
      text: (saying) => sayingText(saying, units),
    }),
    [
      live,
      record,
      judgement,
      units,
      setUnits,
      by,
      setBy,
      cursor,
      cylinder,
      moveTo,
      goTo,
      choose,
      append,
      stamp,
      named,
      tools,
      inHand,
      takeTool,
      part,
      setPart,
      tool,
      setTool,
      depth,
      setDepth,
      squaring,
      setSquaring,
      changes,
      seenChanges,
    ],
  );
  return <Context.Provider value={value}>{children}</Context.Provider>;
}
