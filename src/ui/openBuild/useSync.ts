'use client';

/** The record of one build as this browser knows it: what the server has, and what still waits to be sent. */
import { type RefObject, useCallback, useEffect, useMemo, useRef, useState } from 'react';
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

/** How the server stands, and why whoever is signed in may enter nothing; empty for who may. */
function useLink() {
  const [link, setLink] = useState<Link>('up');
  const why = useRef('');
  const bar = useCallback((says: string) => {
    why.current = says;
    setLink(says ? 'barred' : 'up');
  }, []);
  // before the server says so, and as soon as somebody else has the tablet in hand
  const [barred] = usePersisted('spatium-barred', '');
  useEffect(() => bar(barred), [bar, barred]);
  return { link, setLink, bar, why };
}

/** What the server is known to have, kept for a page that is opened without it, and who else is there. */
function useKnown(buildId: string, initial: Entry[], initialSeq: number) {
  const [known, setKnown] = useState<Known>({ entries: initial, seq: initialSeq });
  const [others, setOthers] = useState<readonly Present[]>(NOBODY);
  const seq = useRef(initialSeq);
  /** What this page sent, and has not settled. */
  const own = useRef<Entry[]>([]);
  const take = useCallback((answer: EntriesAnswer) => {
    if (answer.isPast) location.reload();
    seq.current = Math.max(seq.current, answer.seq);
    const sent = own.current;
    setKnown((before) => merged(before, answer, sent));
    if (answer.others) {
      const found = answer.others;
      setOthers((before) => (JSON.stringify(before) === JSON.stringify(found) ? before : found));
    }
  }, []);
  // a page that is opened without the server may be older than what was known here last
  useEffect(() => {
    void import('../offline/persistedRecord')
      .then(({ persistedRecord }) => persistedRecord(buildId, seq.current))
      .then((last) => last && take({ ...last, conflicts: [] }))
      .catch(() => undefined);
  }, [buildId, take]);
  useEffect(() => {
    const keeping = setTimeout(() => {
      void import('../offline/persistedRecord')
        .then(({ persistRecord }) => persistRecord(buildId, known))
        .catch(() => undefined);
    }, KEEP_AFTER);
    return () => clearTimeout(keeping);
  }, [buildId, known]);
  return { known, others, take, seq, own };
}

/** What the server would not have, until someone has seen why. */
function useTroubles(buildId: string) {
  const [troubles, setTroubles] = useState<RejectedEntry[]>([]);
  const report = useCallback(
    (found: RejectedEntry[]) => {
      if (found.length === 0) return;
      addTroubles(buildId, found);
      setTroubles((before) => [...before, ...found]);
    },
    [buildId],
  );
  const restore = useCallback((kept: RejectedEntry[]) => setTroubles((before) => [...kept, ...before]), []);
  const dismiss = useCallback(() => {
    clearTroubles(buildId);
    setTroubles([]);
  }, [buildId]);
  return { troubles, report, restore, dismiss };
}

/** What waits to be sent; the ref is the latest, for what goes on beside the page. */
function usePending(buildId: string, own: RefObject<Entry[]>) {
  const [pending, setPending] = useState<Entry[]>([]);
  const put = useCallback(
    (entries: Entry[]) => {
      own.current = entries;
      setPending(entries);
    },
    [own],
  );
  /** Adds what is not in yet: before all else, or after it. */
  const add = useCallback(
    (entries: Entry[], where: 'before' | 'after') => {
      const begun = new Set(own.current.map((e) => e.id));
      const fresh = entries.filter((e) => !begun.has(e.id));
      put(where === 'before' ? [...fresh, ...own.current] : [...own.current, ...fresh]);
    },
    [own, put],
  );
  const settle = useCallback(
    (entries: Entry[]) => {
      const ids = new Set(entries.map((e) => e.id));
      dropWaiting(buildId, ids);
      put(own.current.filter((e) => !ids.has(e.id)));
    },
    [buildId, own, put],
  );
  // what another window of this browser entered is shown here as well, and sent by whichever gets there first
  useEffect(
    () => onWaiting(buildId, () => void waitingFor(buildId).then((waiting) => add(waiting, 'after'))),
    [buildId, add],
  );
  return { pending, add, settle };
}

type Parts = Readonly<{
  link: ReturnType<typeof useLink>;
  known: ReturnType<typeof useKnown>;
  troubles: ReturnType<typeof useTroubles>;
  pending: ReturnType<typeof usePending>;
}>;

/** Sends what waits, in order; one page of it at a time. */
function useSending(buildId: string, { link, known, troubles, pending }: Parts, catchUp: RefObject<CatchUp>) {
  const { bar, setLink } = link;
  const { take, seq, own } = known;
  const { report } = troubles;
  const { settle } = pending;
  const isSending = useRef(false);

  /** One request's worth; a batch that is refused is sent again one by one, so that only the culprit stays out. */
  const sendSome = useCallback(
    async (entries: Entry[]): Promise<boolean> => {
      const sent = await send(buildId, entries, seq.current);
      if (sent.kind === 'unreached') {
        setLink(sent.link);
        return false;
      }
      if (sent.kind === 'taken') {
        take(sent.answer);
        // what was sent comes with the rest of what this page is behind
        while (sent.answer.isMore && (await catchUp.current())) continue;
        bar('');
        settle(entries);
        report(sent.answer.conflicts.map((entry) => ({ entry, why: CONFLICT })));
        return true;
      }
      if (entries.length > 1) {
        for (const entry of entries) if (!(await sendSome([entry]))) return false;
        return true;
      }
      settle(entries);
      report(entries.map((entry) => ({ entry, why: sent.faults.join(' ') })));
      return true;
    },
    [bar, buildId, catchUp, report, seq, setLink, settle, take],
  );

  const flush = useCallback(async () => {
    if (isSending.current) return;
    isSending.current = true;
    try {
      while (own.current.length > 0) if (!(await sendSome(own.current.slice(0, AT_ONCE)))) break;
    } finally {
      isSending.current = false;
    }
  }, [own, sendSome]);
  return { flush, isSending };
}

/** Takes up what this browser kept unsent, and goes on sending what waits; whether it is in. */
function useRestored(buildId: string, { link, troubles, pending }: Parts, flush: () => Promise<void>): boolean {
  const [isRestored, setRestored] = useState(false);
  const { setLink } = link;
  const { restore } = troubles;
  const { add } = pending;
  useEffect(() => {
    let taken = false;
    const takeUp = async (): Promise<void> => {
      try {
        const [waiting, refused] = await Promise.all([waitingFor(buildId), troublesFor(buildId)]);
        if (taken) return;
        taken = true;
        add(waiting, 'before');
        setRestored(true);
        restore(refused);
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
  }, [add, buildId, flush, restore, setLink]);
  return isRestored;
}

type CatchUp = () => Promise<boolean>;

/** Asks what others entered, while the page is in sight and nothing is being sent. */
function usePolling(
  buildId: string,
  { link, known }: Parts,
  catchUp: RefObject<CatchUp>,
  isSending: RefObject<boolean>,
) {
  const { bar, setLink } = link;
  const { take, seq } = known;
  useEffect(() => {
    catchUp.current = async () => {
      const response = await fetch(`/api/builds/${buildId}/entries?since=${seq.current}&${whereabouts(buildId)}`, {
        signal: AbortSignal.timeout(ANSWER),
      });
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
      if (document.hidden || isSending.current) return false;
      try {
        return await catchUp.current();
      } catch {
        setLink('down');
        return false;
      }
    }, LOOK_EVERY);
  }, [bar, buildId, catchUp, isSending, seq, setLink, take]);
}

/**
 * Keeps a record live: entries show at once, are sent in order, once each, again after a stop or a reload,
 * and other benches' entries come in while the page is in sight.
 */
export function useSync(buildId: string, initial: Entry[], initialSeq: number): LiveRecord {
  const link = useLink();
  const known = useKnown(buildId, initial, initialSeq);
  const troubles = useTroubles(buildId);
  const waiting = usePending(buildId, known.own);
  const parts = { link, known, troubles, pending: waiting };
  /** Takes what came meanwhile, a page of it; whether there is more. */
  const catchUp = useRef<CatchUp>(() => Promise.resolve(false));
  const { flush, isSending } = useSending(buildId, parts, catchUp);
  const isRestored = useRestored(buildId, parts, flush);
  usePolling(buildId, parts, catchUp, isSending);

  const { report } = troubles;
  const { add, pending } = waiting;
  const { why } = link;
  const append = useCallback(
    (entries: Entry[]) => {
      const barred = why.current;
      if (barred) return report(entries.map((entry) => ({ entry, why: barred })));
      addWaiting(buildId, entries);
      add(entries, 'after');
      // It is kept by now; sending it can wait until it is in sight.
      setTimeout(() => void flush());
    },
    [add, buildId, flush, report, why],
  );

  const record = useMemo(() => {
    const ids = new Set(known.known.entries.map((e) => e.id));
    return { id: buildId, entries: [...known.known.entries, ...pending.filter((e) => !ids.has(e.id))] };
  }, [buildId, known.known, pending]);
  const { others } = known;
  const { dismiss } = troubles;
  return useMemo(
    () => ({
      ...{ record, waiting: pending.length, isRestored, link: link.link, troubles: troubles.troubles },
      ...{ others, append, dismiss },
    }),
    [record, pending.length, isRestored, link.link, troubles.troubles, others, append, dismiss],
  );
}
