'use client';

/** What is typed on the line, what it means, and what the record would be with it. */
import { type Dispatch, type SetStateAction, useEffect, useMemo, useState } from 'react';
import { contextFor } from '@/core/judge/context';
import { type Judgement, isCylinder, placeAt } from '@/core/judge/judgement';
import { type Hand, readingOf } from '@/core/judge/preview';
import { isPartialInput } from '@/core/foundation/quantity/partialInput';
import { parseReading } from '@/core/foundation/quantity/parseReading';
import type { ParsedReading, Meaning, ParseContext } from '@/core/foundation/quantity/readingField';
import { isRing } from '@/core/foundation/parts/rings';
import { type At, sameAt } from '@/core/stages/contract/tasks';
import type { ListId, Subject } from '@/core/judge/registry';
import { useToolInHand, useJudgement, useLive, useLogging, useWords } from '../openBuild/contexts';
import { type NotLogged, type SaidIn, keepNotLogged } from './notLogged';

/** What was done to a ring before it is read again. */
export interface Prepared {
  deburred: boolean;
  squared: boolean;
}

const NOT_PREPARED: Prepared = { deburred: false, squared: false };

/** What an entry means for this spot: itself, or the size a gauge was zeroed at in this bore. */
function meaningOf(heard: ParsedReading): Meaning | null {
  if (heard.kind === 'understood') return heard.meaning;
  return heard.kind === 'setting' && heard.read && typeof heard.value === 'number'
    ? { value: heard.value, upTo: null, taken: 'zeroed here' }
    : null;
}

const draftKey = (work: ListId, buildId: string): string => `spatium-line:${buildId}:${work}`;

interface LineDraft extends Omit<NotLogged, 'id'> {
  held: boolean;
}

/** What stood on a line when this window left it; null for nothing. */
function draftOf(work: ListId, buildId: string): LineDraft | null {
  try {
    return JSON.parse(sessionStorage.getItem(draftKey(work, buildId)) ?? 'null') as LineDraft | null;
  } catch {
    return null;
  }
}

function keepDraft(work: ListId, buildId: string, draft: LineDraft): void {
  try {
    if (draft.typed === '') sessionStorage.removeItem(draftKey(work, buildId));
    else sessionStorage.setItem(draftKey(work, buildId), JSON.stringify(draft));
  } catch {
    // Storage forbidden: it lasts as long as the page.
  }
}

export interface Entering {
  typed: string;
  setTyped: Dispatch<SetStateAction<string>>;
  /** What it is said in. */
  saidIn: SaidIn;
  /** Where it was entered as it stands, and asked about or refused: what is typed next begins anew. Null while it was not. */
  held: At<Subject> | null;
  setHeld: (held: At<Subject> | null) => void;
  /** The line is empty again, and what was done to the ring is said anew. */
  clear: () => void;
  /** What the parser is told; null without anything to read. */
  context: ParseContext | null;
  heard: ParsedReading;
  /** Whether it is still being typed: what cannot be right yet may become so. */
  isBegun: boolean;
  meaning: Meaning | null;
  /** The judgement with the entry in; null while it means nothing. */
  preview: Judgement | null;
  hand: Hand;
  prepared: Prepared;
  prepare: (what: keyof Prepared) => void;
  /** Whether a ring is in hand that was read before. */
  isRead: boolean;
}

interface HeldAt {
  at: At<Subject>;
  saidIn: SaidIn;
}

/** What stood on the line when this window left it: here, or kept with what is not logged where it was typed elsewhere. */
function useLineDraft(work: ListId, here: At<Subject>, buildId: string): LineDraft | null {
  const [draft] = useState(() => draftOf(work, buildId));
  const isHere = draft !== null && sameAt(draft.at, here);
  const [isRestored] = useState(isHere);
  useEffect(() => {
    // what was typed at another place is not put on this one
    if (draft && !isHere) keepNotLogged(buildId, draft);
    // On entering the stage only.
    // oxlint-disable-next-line react/exhaustive-deps
  }, []);
  return isRestored ? draft : null;
}

/** The record as it would be with what is typed. */
function usePreview(here: At<Subject>, meaning: Meaning | null, hand: Hand, typed: string): Judgement | null {
  const judgement = useJudgement();
  const { record } = useLive();
  const { previewReading } = useLogging();
  return useMemo(
    () => meaning && previewReading(readingOf(judgement, here, meaning, hand, typed)),
    // Judged anew when the meaning, the record, or what is in hand changes; a new object for the same place or hand is no change.
    // oxlint-disable-next-line react/exhaustive-deps
    [
      meaning,
      record,
      here.cylinder,
      here.subject,
      here.spot?.depth,
      here.spot?.angle,
      hand.instrument,
      hand.temperature,
      hand.gaugeTemperature,
      hand.ring?.depth,
      hand.ring?.deburred,
      hand.ring?.squared,
    ],
  );
}

export function useEntry(work: ListId, here: At<Subject>): Entering {
  const judgement = useJudgement();
  const { units } = useWords();
  const { handFor } = useToolInHand();
  const { subject } = here;
  const place = placeAt(judgement, here.cylinder) ?? null;
  const draft = useLineDraft(work, here, judgement.id);
  const [typed, setTyped] = useState(draft?.typed ?? '');
  const [heldAs, setHeldAs] = useState<HeldAt | null>(draft?.held ? draft : null);
  const [preparedFor, setPreparedFor] = useState<{ at: At<Subject>; what: Prepared } | null>(null);
  const prepared = preparedFor && sameAt(preparedFor.at, here) ? preparedFor.what : NOT_PREPARED;
  const taken = handFor(subject);
  const hand = taken.ring ? { ...taken, ring: { ...taken.ring, ...prepared } } : taken;
  const now = useMemo(
    () => place && contextFor(judgement, place, subject, units, hand.instrument),
    [judgement, place, subject, units, hand.instrument],
  );
  const held = heldAs?.at ?? null;
  const setting = now?.setting ?? null;
  // what was entered means what it meant then, whatever is spoken or set since
  const saidIn = useMemo(() => heldAs?.saidIn ?? { units, setting }, [heldAs, units, setting]);
  const setHeld = (at: At<Subject> | null): void =>
    setHeldAs(at && { at, saidIn: { ...saidIn, hand: saidIn.hand ?? hand } });
  const context = useMemo(() => now && { ...now, ...saidIn }, [now, saidIn]);
  useEffect(
    () => keepDraft(work, judgement.id, { at: held ?? here, typed, saidIn, held: held !== null }),
    [work, judgement.id, here, typed, saidIn, held],
  );
  const isLeft = held !== null && !sameAt(held, here);
  useEffect(() => {
    if (!isLeft) return;
    // what was asked about stays with the thing it was entered for
    keepNotLogged(judgement.id, { at: held, typed, saidIn });
    setTyped('');
    setHeldAs(null);
  }, [isLeft, held, typed, saidIn, judgement.id]);
  const heard = useMemo(() => (context ? parseReading(typed, context) : { kind: 'empty' as const }), [typed, context]);
  const meaning = useMemo(() => meaningOf(heard), [heard]);
  const isOpen = heard.kind === 'question' || heard.kind === 'refused';
  const begun = useMemo(() => isOpen && context !== null && isPartialInput(typed, context), [isOpen, context, typed]);
  return {
    ...{ typed, setTyped, saidIn, held, setHeld, context, heard, meaning, hand, prepared },
    isBegun: begun && held === null,
    clear: () => {
      setTyped('');
      setHeld(null);
      setPreparedFor(null);
    },
    preview: usePreview(here, meaning, hand, typed),
    prepare: (what) => setPreparedFor({ at: here, what: { ...prepared, [what]: !prepared[what] } }),
    isRead: isRing(subject) && place !== null && isCylinder(place) && place.rings[subject].reading !== null,
  };
}
