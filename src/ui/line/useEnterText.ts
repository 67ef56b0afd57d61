'use client';

/** Enters what stands on the line: what it means is logged, what is asked about is held until it is answered or typed over. */
import type { RefObject } from 'react';
import { flushSync } from 'react-dom';
import { bothText } from '@/core/foundation/quantity/format';
import { EACH, isEach } from '@/core/foundation/quantity/gaugeSetting';
import type { Units } from '@/core/foundation/quantity/length';
import type { ParsedReading } from '@/core/foundation/quantity/readingField';
import { useJudgement, useLive, useLogging, useWords } from '../openBuild/contexts';
import type { Line } from './line';
import { keepNotLogged } from './notLogged';
import { focusIn } from './useClearOf';
import type { LogReading } from './useLogReading';

type Setting = Extract<ParsedReading, { kind: 'setting' }>;

/** What a gauge was set to, in a sentence. */
function settingWords(
  { value, sizes, read }: Setting & { value: Exclude<Setting['value'], 'here'> },
  units: Units,
): string {
  if (isEach(value)) return `Bore gauge set to ${EACH[value].set}: the dial is ${EACH[value].dial}.`;
  const size = bothText(value, 'size', units);
  if (sizes !== null) return `The zero is ${size}: what was read from it has its size.`;
  return `Bore gauge ${read ? 'zeroed here and read as' : 'set to'} ${size}.`;
}

/**
 * @param options where a question's answers stand
 */
export function useEnterText(
  line: Line,
  log: LogReading,
  options: RefObject<HTMLDivElement | null>,
): (text: string, now: ParsedReading) => void {
  const judgement = useJudgement();
  const { units } = useWords();
  const { link } = useLive();
  const { setGauge } = useLogging();
  const { here, entry, input, tell } = line;
  const { typed, meaning, hand, saidIn, clear } = entry;

  /** Drawn at once, so that what is pressed next finds the answers, or types over what was entered. */
  const hold = (text: string): void => {
    flushSync(() => {
      entry.setTyped(text);
      entry.setHeld(here);
    });
    const answer = options.current?.querySelector('button');
    if (answer) focusIn(answer);
    else input.current?.select();
  };

  const set = (now: Setting, text: string): void => {
    if (now.value === 'here') return log.logZero(text);
    setGauge(now.value, now.sizes);
    if (meaning) log.logText(meaning, text);
    tell(settingWords({ ...now, value: now.value }, units));
    clear();
  };

  return (text, now) => {
    if (link === 'barred' && text !== '') {
      // who only looks logs nothing; what was typed waits for somebody who may
      keepNotLogged(judgement.id, { at: here, typed: text, saidIn: { hand, ...saidIn } });
      return clear();
    }
    switch (now.kind) {
      case 'understood':
        return log.logText(text === typed && meaning ? meaning : now.meaning, text);
      case 'empty':
        return log.growth?.advised ? log.answerFiled?.(true) : undefined;
      case 'cut':
        return now.count === null && log.answerFiled ? log.answerFiled(true) : log.logCut(now.count);
      case 'setting':
        return set(now, text);
      default:
        return hold(text);
    }
  };
}
