'use client';

/** The thing in hand stands in the address, so that reload, Back and a link lead to the very ring. */
import { type Dispatch, type SetStateAction, useEffect, useRef } from 'react';
import type { Judgement } from '@/core/judge/judgement';
import { placeFrom, placeText } from '@/core/stages/contract/place';
import type { ListId } from '@/core/judge/registry';
import { LISTS_OF, STAGE_IDS, SUBJECT_IDS, stageOf } from '@/core/judge/stageTables';
import { moveTo, usePath, useWord, withWords, wordOf } from '../shared/address';
import type { Cursor } from './contexts';
import { handAt, movedTo } from './cursor';

/** What is in hand on stages where nothing is read. */
const ELSEWHERE: ListId = 'rings';

/** The stage of an address and its list: of several the one that the view is named after, else its first. */
export function listShown(path: string | null, view: string | null): { list: ListId; isRead: boolean } | null {
  const stage = STAGE_IDS.find((id) => id === path?.split('/')[3]);
  if (!stage || !stageOf(stage).deck) return null;
  const lists = LISTS_OF[stage];
  const list = lists.find((id) => id === view) ?? lists[0];
  return { list: list ?? ELSEWHERE, isRead: list !== undefined };
}

/** The kind of work that the stage in sight is: what is taken there is taken of it; null where nothing is read. */
export function useWork(): ListId | null {
  const shown = listShown(usePath(), useWord('view'));
  return shown?.isRead ? shown.list : null;
}

/** The kind of work in sight, as the address says now. */
export function listInSight(): ListId | null {
  const shown = listShown(window.location.pathname, wordOf('view'));
  return shown?.isRead ? shown.list : null;
}

/** All that an address may name. */
const placesOf = ({ cylinders, places }: Judgement) => [...cylinders, ...places];

export function useAddress(cursor: Cursor, setCursor: Dispatch<SetStateAction<Cursor>>, judgement: Judgement): void {
  const path = usePath();
  const view = useWord('view');
  const list = listShown(path, view)?.list;
  const latest = useRef(judgement);
  useEffect(() => {
    latest.current = judgement;
  });
  useEffect(() => {
    const read = (): void => {
      const at = placeFrom(wordOf('at') ?? '', placesOf(latest.current), SUBJECT_IDS);
      if (at) setCursor((before) => movedTo(before, at, true));
    };
    read();
    window.addEventListener('popstate', read);
    return () => window.removeEventListener('popstate', read);
  }, [setCursor]);
  const subject = list && cursor.inHand[list];
  const isFirst = useRef(true);
  useEffect(() => {
    // what the address said is taken first
    const wasFirst = isFirst.current;
    isFirst.current = false;
    if (!subject || (wasFirst && wordOf('at') !== null)) return;
    moveTo(withWords({ at: placeText(handAt(cursor, subject), placesOf(latest.current)) }), 'replace');
  }, [path, view, subject, cursor]);
}
