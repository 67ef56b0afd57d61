'use client';

/** The thing in hand stands in the address, so that reload, Back and a link lead to the very ring. */
import { type Dispatch, type SetStateAction, useEffect, useRef } from 'react';
import type { Judgement } from '@/core/judge/judgement';
import { placeFrom, placeText } from '@/core/stage/place';
import { type ListId, STAGES, type StageId, SUBJECTS, SUBJECT_IDS } from '@/core/stages';
import { moveTo, usePath, useWord, withWords, wordOf } from '../shared/address';
import type { Cursor } from './contexts';
import { movedTo } from './cursor';

/** The list whose thing in hand an address tells of; null where nothing is in hand. */
function listShown(path: string | null, view: string | null): ListId | null {
  const stage = path?.split('/')[3] as StageId | undefined;
  if (!stage || !(stage in STAGES) || !STAGES[stage].deck) return null;
  const lists: ListId[] = ['bores', 'pistons', 'rings', 'grooves'];
  return lists.find((list) => list === view) ?? lists.find((list) => list === stage) ?? 'rings';
}

/** The kind of work that the stage in sight is: what is taken there is taken of it; null where nothing is read. */
export function useWork(): ListId | null {
  const list = listShown(usePath(), useWord('view'));
  const stage = usePath()?.split('/')[3];
  return list === stage || list === 'grooves' ? list : null;
}

export function useAddress(cursor: Cursor, setCursor: Dispatch<SetStateAction<Cursor>>, judgement: Judgement): void {
  const path = usePath();
  const view = useWord('view');
  const list = listShown(path, view);
  const latest = useRef(judgement);
  useEffect(() => {
    latest.current = judgement;
  });
  useEffect(() => {
    const read = (): void => {
      const at = placeFrom(wordOf('at') ?? '', latest.current.cylinders, SUBJECT_IDS);
      if (at) setCursor((before) => movedTo(before, at, true));
    };
    read();
    window.addEventListener('popstate', read);
    return () => window.removeEventListener('popstate', read);
  }, [setCursor]);
  const { cylinder, spot, inHand } = cursor;
  const subject = list && inHand[list];
  const isFirst = useRef(true);
  useEffect(() => {
    // what the address said is taken first
    const wasFirst = isFirst.current;
    isFirst.current = false;
    if (!subject || (wasFirst && wordOf('at') !== null)) return;
    const at = { cylinder, subject, spot: SUBJECTS[subject].spots ? spot : null };
    moveTo(withWords({ at: placeText(at, latest.current.cylinders) }), 'replace');
  }, [path, view, subject, cylinder, spot]);
}
