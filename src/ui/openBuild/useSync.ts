'use client';

/** The record of one build as this browser knows it: what the server has, and what still waits to be sent. */
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { EntriesAnswer } from '@/server/answers';
import type { BuildRecord, Entry } from '@/core/judge/buildRecord';
import { addTroubles, addWaiting, clearTroubles, dropWaiting, onWaiting, troublesFor, waitingFor } from './outbox';
import type { Present } from '@/store/presence';
import { wordOf } from '../shared/address';
import { persisted, usePersisted } from '../shared/persisted';
import { mineOf } from './ownRoute';
import { poll } from './poll';
import { type Link, ANSWER, AT_ONCE, linkOf, send } from './send';
import { type RejectedEntry, CONFLICT } from './rejectedEntry';
import { freshId } from '../shared/freshId';

/** Other benches' entries are seen within two seconds, the way there and back included. */
const LOOK_EVERY = 1_000;
const RETRY_EVERY = 1_500;
/** What is known is kept for a page without a server once nothing was added for so long. */
const KEEP_AFTER = 800;
const NOBODY: readonly Present[] = [];
/** This window, among those on a build: the same one after a reload. */
function benchId(): string {
  const fresh = freshId();
  try {
    const id = sessionStorage.getItem('spatium-bench') ?? fresh;
    sessionStorage.setItem('spatium-bench', id);
    return id;
  } catch {
    return fresh;
  }
}
const bench = typeof window === 'undefined' ? '' : benchId();

/** Where this window is, as it is told to the others. */
const whereabouts = (buildId: string): string =>
  new URLSearchParams({
    bench,
    at: wordOf('at') ?? '',
    by: persisted('spatium-by') ?? '',
    mine: mineOf(buildId).join(','),
  }).toString();

export interface LiveRecord {
  record: BuildRecord;
  waiting: number;
  /** Whether what this browser kept unsent is in: where the work goes on is not known before. */
  isRestored: boolean;
  link: Link;
  troubles: RejectedEntry[];
  /** Other windows on this build, and where they are. */
  others: readonly Present[];
  append: (entries: Entry[]) => void;
  dismiss: () => void;
}

interface Known {
  entries: Entry[];
  seq: number;
}

/**
 * What is known with an answer in. An entry that this page sent stays the object it was, so that its coming back
 * changes nothing that was judged.
 */
function merged(known: Known, answer: EntriesAnswer, own: readonly Entry[]): Known {
  const ids = new Set(known.entries.map((e) => e.id));
  const sent = new Map(own.map((e) => [e.id, e]));
  const fresh = answer.entries.flatMap((e) => (ids.has(e.id) ? [] : [sent.get(e.id) ?? e]));
  if (fresh.length === 0 && answer.seq <= known.seq) return known;
  return { entries: [...known.entries, ...fresh], seq: Math.max(known.seq, answer.seq) };
}

/**
 * Keeps a record live: entries show at once, are sent in order, once each, again after a stop or a reload,
 * and other benches' entries come in while the page is in sight.
 */
export function useSync(buildId: string, initial: Entry[], initialSeq: number): LiveRecord {
  const [known, setKnown] = useState<Known>({ entries: initial, seq: initialSeq });
  const [pending, setPending] = useState<Entry[]>([]);
  const [isRestored, setRestored] = useState(false);
  const [link, setLink] = useState<Link>('up');
  const [troubles, setTroubles] = useState<RejectedEntry[]>([]);
  const [others, setOthers] = useState<readonly Present[]>(NOBODY);
  /** Takes what came meanwhile, a page of it; whether there is more. */
  const catchUp = useRef(() => Promise.resolve(false));
  const state = useRef({ seq: initialSeq, pending: [] as Entry[], sending: false, barred: '' });

  const settle = useCallback(
    (ids: Set<string>) => {
      dropWaiting(buildId, ids);
      state.current.pending = state.current.pending.filter((e) => !ids.has(e.id));
      setPending(state.current.pending);
    },
    [buildId],
  );

  const bar = useCallback((why: string) => {
    state.current.barred = why;
    setLink(why ? 'barred' : 'up');
  }, []);

  // before the server says so, and as soon as somebody else has the tablet in hand
  const [barred] = usePersisted('spatium-barred', '');
  useEffect(() => bar(barred), [bar, barred]);

  const take = useCallback((answer: EntriesAnswer) => {
    if (answer.isPast) location.reload();
    state.current.seq = Math.max(state.current.seq, answer.seq);
    const own = state.current.pending;
    setKnown((before) => merged(before, answer, own));
    if (answer.others) {
      const found = answer.others;
      setOthers((before) => (JSON.stringify(before) === JSON.stringify(found) ? before : found));
    }
  }, []);

  const report = useCallback(
    (found: RejectedEntry[]) => {
      if (found.length === 0) return;
      addTroubles(buildId, found);
      setTroubles((before) => [...before, ...found]);
    },
    [buildId],
  );

  /** One request's worth; a batch that is refused is sent again one by one, so that only the culprit stays out. */
  const sendSome = useCallback(
    async (entries: Entry[]): Promise<boolean> => {
      const sent = await send(buildId, entries, state.current.seq);
      if (sent.kind === 'unreached') {
        setLink(sent.link);
        return false;
      }
      if (sent.kind === 'taken') {
        take(sent.answer);
        // what was sent comes with the rest of what this page is behind
        while (sent.answer.isMore && (await catchUp.current())) continue;
        bar('');
        settle(new Set(entries.map((e) => e.id)));
        const lost = sent.answer.conflicts;
        report(lost.map((entry) => ({ entry, why: CONFLICT })));
        return true;
      }
      if (entries.length > 1) {
        for (const entry of entries) if (!(await sendSome([entry]))) return false;
        return true;
      }
      settle(new Set(entries.map((e) => e.id)));
      report(entries.map((entry) => ({ entry, why: sent.faults.join(' ') })));
      return true;
    },
    [bar, buildId, report, settle, take],
  );

  const flush = useCallback(async () => {
    if (state.current.sending) return;
    state.current.sending = true;
    try {
      while (state.current.pending.length > 0) if (!(await sendSome(state.current.pending.slice(0, AT_ONCE)))) break;
    } finally {
      state.current.sending = false;
    }
  }, [sendSome]);

  const append = useCallback(
    (entries: Entry[]) => {
      const why = state.current.barred;
      if (why) return report(entries.map((entry) => ({ entry, why })));
      addWaiting(buildId, entries);
      state.current.pending = [...state.current.pending, ...entries];
      setPending(state.current.pending);
      // It is kept by now; sending it can wait until it is in sight.
      setTimeout(() => void flush());
    },
    [buildId, flush, report],
  );

  useEffect(() => {
    let taken = false;
    const takeUp = async (): Promise<void> => {
      try {
        const [waiting, refused] = await Promise.all([waitingFor(buildId), troublesFor(buildId)]);
        if (taken) return;
        taken = true;
        const begun = new Set(state.current.pending.map((e) => e.id));
        state.current.pending = [...waiting.filter((e) => !begun.has(e.id)), ...state.current.pending];
        setPending(state.current.pending);
        setRestored(true);
        setTroubles((before) => [...refused, ...before]);
      } catch {
        setLink('down');
      }
      void flush();
    };
    void takeUp();
    const retry = setInterval(() => void (taken ? flush() : takeUp()), RETRY_EVERY);
    return () => {
      taken = true;
      clearInterval(retry);
    };
  }, [buildId, flush]);

  // what another window of this browser entered is shown here as well, and sent by whichever gets there first
  useEffect(
    () =>
      onWaiting(buildId, () => {
        void waitingFor(buildId).then((waiting) => {
          const begun = new Set(state.current.pending.map((e) => e.id));
          state.current.pending = [...state.current.pending, ...waiting.filter((e) => !begun.has(e.id))];
          setPending(state.current.pending);
        });
      }),
    [buildId],
  );

  // a page that is opened without the server may be older than what was known here last
  useEffect(() => {
    void import('../offline/persistedRecord')
      .then(({ persistedRecord: keptRecord }) => keptRecord(buildId, state.current.seq))
      .then((last) => last && take({ ...last, conflicts: [] }))
      .catch(() => undefined);
  }, [buildId, take]);
  useEffect(() => {
    const keeping = setTimeout(() => {
      void import('../offline/persistedRecord')
        .then(({ persistRecord: keepRecord }) => keepRecord(buildId, known))
        .catch(() => undefined);
    }, KEEP_AFTER);
    return () => clearTimeout(keeping);
  }, [buildId, known]);

  useEffect(() => {
    catchUp.current = async () => {
      const response = await fetch(
        `/api/builds/${buildId}/entries?since=${state.current.seq}&${whereabouts(buildId)}`,
        {
          signal: AbortSignal.timeout(ANSWER),
        },
      );
      if (!response.ok) {
        setLink(linkOf(response));
        return false;
      }
      const answer = (await response.json()) as EntriesAnswer;
      take(answer);
      bar(answer.barred ?? '');
      return answer.isMore ?? false;
    };
    return poll(async () => {
      if (document.hidden || state.current.sending) return false;
      try {
        return await catchUp.current();
      } catch {
        setLink('down');
        return false;
      }
    }, LOOK_EVERY);
  }, [bar, buildId, take]);

  const dismiss = useCallback(() => {
    clearTroubles(buildId);
    setTroubles([]);
  }, [buildId]);

  const record = useMemo(() => {
    const ids = new Set(known.entries.map((e) => e.id));
    return { id: buildId, entries: [...known.entries, ...pending.filter((e) => !ids.has(e.id))] };
  }, [buildId, known, pending]);

  return useMemo(
    () => ({ record, waiting: pending.length, isRestored, link, troubles, others, append, dismiss }),
    [record, pending.length, isRestored, link, troubles, others, append, dismiss],
  );
}
