'use client';

/** The thing in hand stands in the address, so that reload, Back and a link lead to the very ring. */
import { type Dispatch, type SetStateAction, useEffect, useRef } from 'react';
import { type Judgement, isWhole } from '@/core/judge/judgement';
import { placeFrom, placeText } from '@/core/stage/place';
import { type ListId, STAGES, type StageId, SUBJECT_IDS } from '@/core/stages';
import { moveTo, usePath, useWord, withWords, wordOf } from '../shared/address';
import type { Cursor } from './contexts';
import { handAt, movedTo } from './cursor';

/** The list whose thing in hand an address tells of; null where nothing is in hand. */
function listShown(path: string | null, view: string | null): ListId | null {
  const stage = path?.split('/')[3] as StageId | undefined;
  if (!stage || !(stage in STAGES) || !STAGES[stage].deck) return null;
  const lists: ListId[] = ['bores', 'pistons', 'journals', 'play', 'rings', 'grooves'];
  return lists.find((list) => list === view) ?? lists.find((list) => list === stage) ?? 'rings';
}

/** The kind of work that the stage in sight is: what is taken there is taken of it; null where nothing is read. */
export function useWork(): ListId | null {
  const list = listShown(usePath(), useWord('view'));
  const stage = usePath()?.split('/')[3];
  return list === stage || list === 'grooves' || list === 'play' ? list : null;
}

/** All that an address may name. */
const placesOf = ({ cylinders, places }: Judgement) => [...cylinders, ...places];

export function useAddress(cursor: Cursor, setCursor: Dispatch<SetStateAction<Cursor>>, judgement: Judgement): void {
  const path = usePath();
  const view = useWord('view');
  const list = listShown(path, view);
  const latest = useRef(judgement);
  useEffect(() => {
    latest.current = judgement;
  });
  const all = isWhole(judgement);
  const isTaken = useRef(false);
  useEffect(() => {
    const read = (): boolean => {
      const at = placeFrom(wordOf('at') ?? '', placesOf(latest.current), SUBJECT_IDS);
      if (at) setCursor((before) => movedTo(before, at, true));
      return at !== null;
    };
    // what is read of the engine beside its cylinders may come later than the page: then it is taken then
    if (!isTaken.current) isTaken.current = read() || wordOf('at') === null || all;
    window.addEventListener('popstate', read);
    return () => window.removeEventListener('popstate', read);
  }, [setCursor, all]);
  const subject = list && cursor.inHand[list];
  const isFirst = useRef(true);
  useEffect(() => {
    // what the address said is taken first
    const wasFirst = isFirst.current;
    isFirst.current = false;
    if (!subject || !isTaken.current || (wasFirst && wordOf('at') !== null)) return;
    moveTo(withWords({ at: placeText(handAt(cursor, subject), placesOf(latest.current)) }), 'replace');
  }, [path, view, subject, cursor]);
}
