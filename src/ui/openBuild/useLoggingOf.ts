'use client';

/** What is done at the screens of one build, made into entries and put on record. */
import { useCallback, useMemo, useRef } from 'react';
import * as made from '@/core/judge/newEntries';
import type { IncrementalJudge } from '@/core/judge/judge';
import type { Judgement } from '@/core/judge/judgement';
import { asEntry } from '@/core/judge/preview';
import type { Entry } from '@/core/judge/buildRecord';
import { type Instrument, instrumentKey } from '@/core/foundation/uncertainty/instrument';
import type { Logging } from './contexts';
import type { LiveRecord } from './useSync';
import { freshId } from '../shared/freshId';

interface Given {
  judging: IncrementalJudge;
  judgement: Judgement;
  live: LiveRecord;
  by: string;
  shop: made.ShopTools;
  /** The bore gauge and the filer in hand. */
  gauge: Instrument | null;
  filer: Instrument | null;
}

const keyOf = (tool: Instrument | null): string | null => tool && instrumentKey(tool);

export function useLoggingOf({ judging, judgement, live, by, shop, gauge, filer }: Given): Logging {
  const { record, append } = live;
  const own = useRef(new Set<string>());
  const stamp = useCallback<made.Stamping>(() => ({ id: freshId(), at: new Date().toISOString(), by }), [by]);
  return useMemo<Logging>(() => {
    const tool = (key: string | null): Entry[] => made.toolEntries(judgement, key, shop, stamp);
    const preview = (entries: readonly Entry[]): Judgement => judging.preview(record, entries);
    /** Entries of this bench's own hand, which it may undo. */
    const appendOwn = (before: Entry[], entry: Entry): void => {
      own.current.add(entry.id);
      append([...before, entry]);
    };
    return {
      choose: (kind, value) => append([made.choiceEntry(judgement, kind, value, stamp)]),
      read: (reading) => appendOwn(tool(reading.instrument), made.readingEntry(reading, stamp)),
      preview,
      previewReading: (reading) => preview([...tool(reading.instrument), asEntry(reading)]),
      setGauge: (to, sizes = null) =>
        append([...tool(keyOf(gauge)), made.settingEntry(keyOf(gauge), to, sizes, stamp)]),
      zeroHere: (reading) => {
        const [setting, nought] = made.zeroEntries(reading, stamp);
        appendOwn([...tool(reading.instrument), setting], nought);
      },
      renew: (part, numbers) => append(made.renewals(part, numbers, stamp)),
      cut: (number, ring, count) =>
        appendOwn(tool(keyOf(filer)), made.cutEntry(number, ring, keyOf(filer), count, stamp)),
      answerFiled: (reading, was) => {
        const entry = made.filedEntry(reading, was, stamp);
        appendOwn([], entry);
        return preview([entry]);
      },
      accept: (what, reason) => append([made.acceptance(what, reason, stamp)]),
      reassign: (reading, cylinder) => append(made.reassigned(judgement, reading, cylinder, stamp)),
      strike: (ids, reason) => append([ids].flat().map((id) => made.voiding(id, reason, stamp))),
      again: (item) => appendOwn([], made.loggedAgain(item, stamp)),
      tick: (cylinder, check, found = {}) => append([made.checkEntry(judgement, cylinder, check, found, stamp)]),
      pin: (on) => append([made.pinEntry(on, stamp)]),
      bench: (done) => appendOwn([], { ...done, ...stamp() }),
      isOwn: (entry) => own.current.has(entry.id) || (by !== '' && entry.by === by),
    };
  }, [judging, judgement, record, append, by, stamp, shop, gauge, filer]);
}
