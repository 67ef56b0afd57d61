'use client';

/** Logs what is entered on the line: a reading, a cut, the zero of a gauge, whether a ring was filed. */
import { isRing } from '@/core/foundation/parts/rings';
import { lengthText, meantText } from '@/core/foundation/quantity/format';
import type { Units } from '@/core/foundation/quantity/length';
import type { Meaning } from '@/core/foundation/quantity/readingField';
import { countWords } from '@/core/foundation/uncertainty/instrument';
import type { Judgement } from '@/core/judge/judgement';
import { stepOn } from '@/core/judge/nextTask';
import { type Hand, readingOf } from '@/core/judge/preview';
import type { Subject } from '@/core/judge/registry';
import { SUBJECTS } from '@/core/judge/stageTables';
import type { RingGrowth } from '@/core/stages/rings/ringGap';
import type { At } from '@/core/stages/contract/tasks';
import { useJudgement, useLogging, useMoving, useToolInHand, useWords } from '../openBuild/contexts';
import { isAnyOn } from '../rings/feedback';
import type { Line } from './line';

export interface LogReading {
  /** Logs what was typed as a reading of the thing in hand, and leads on. */
  logText: (taken: Meaning, text: string) => void;
  /** Logs what was typed earlier at a place of its own, with what was in hand then, and stays. */
  logAt: (at: At<Subject>, taken: Meaning, text: string, hand?: Hand) => void;
  logCut: (count: number | null) => void;
  /** The gauge was zeroed at this spot, of which no size is known yet. */
  logZero: (text: string) => void;
  /** How the gap grew with no cut logged; null where it did not. */
  growth: RingGrowth | null;
  /** Answers whether the ring was filed since it was read narrower; null where that is not asked. */
  answerFiled: ((was: boolean) => void) | null;
}

/** Speaks the verdict of a ring, where that is turned on. */
function speak(after: Judgement, { cylinder, subject }: At<Subject>, { value }: Meaning, units: Units): void {
  if (!isRing(subject) || !isAnyOn()) return;
  const fitted = after.cylinders.find((c) => c.id === cylinder);
  void import('../rings/tell').then(({ tell }) => tell(fitted, subject, value, units));
}

export function useLogReading({ work, here, entry, nameOf, tell, goOn, back, isBarred }: Line): LogReading {
  const judgement = useJudgement();
  const { units } = useWords();
  const { cylinder } = useMoving();
  const { read, previewReading: previewed, zeroHere, cut, answerFiled } = useLogging();
  const { filer, handFor } = useToolInHand();
  const { meaning, preview, hand, clear } = entry;
  const { subject } = here;
  const ring = isRing(subject) ? (cylinder?.rings[subject] ?? null) : null;
  const growth = ring?.growth ?? null;

  const tellLogged = (after: Judgement, at: At<Subject>, taken: Meaning): void => {
    tell(`Logged ${nameOf(at)}: ${meantText(taken, SUBJECTS[at.subject].style, units)}.`);
    speak(after, at, taken, units);
  };

  return {
    growth,
    logText: (taken, text) => {
      const reading = readingOf(judgement, here, taken, hand, text.trim());
      const after = taken === meaning && preview ? preview : previewed(reading);
      read(reading);
      clear();
      tellLogged(after, here, taken);
      goOn(stepOn(after, work, here));
    },
    logAt: (at, taken, text, inHand = handFor(at.subject)) => {
      const reading = readingOf(judgement, at, taken, inHand, text.trim());
      read(reading);
      tellLogged(previewed(reading), at, taken);
      goOn(at, true);
    },
    logCut: (count) => {
      if (!ring) return;
      cut(ring.number, ring.ring, count);
      clear();
      const turns = count === null ? '' : `, ${count} ${filer ? countWords(filer, count) : 'turns'}`;
      tell(`Cut logged: ${nameOf(here)}${turns}. Deburr, square, read again.`);
      back();
    },
    logZero: (text) => {
      const nought = { value: 0, upTo: null, dial: true, taken: 'zeroed here' } as const;
      const reading = readingOf(judgement, here, nought, hand, text.trim());
      zeroHere(reading);
      clear();
      tell(`Gauge zeroed at ${nameOf(here)}: type what the dial shows elsewhere.`);
      goOn(stepOn(previewed(reading), work, here));
    },
    answerFiled:
      growth &&
      ((was) => {
        if (isBarred()) return;
        const after = answerFiled(growth.reading, was);
        clear();
        tell(`${nameOf(here)}: ${was ? 'filed before' : 'not filed before'} ${lengthText(growth.now, units, 'fine')}.`);
        goOn(stepOn(after, work, here));
      }),
  };
}
