'use client';

import { type ReactNode, useDeferredValue } from 'react';
import { JudgementContext, LoggingContext, MovingContext, useJudgement, useLogging, useMoving } from './contexts';

/**
 * What may follow a frame after the verdict: the reasons beside it, the readings below it. In between it shows
 * what it showed before, all of it.
 */
export function Deferred({ children }: { children: ReactNode }) {
  const judgement = useDeferredValue(useJudgement());
  const moving = useDeferredValue(useMoving());
  const logging = useDeferredValue(useLogging());
  const shown = useDeferredValue(children);
  return (
    <JudgementContext value={judgement}>
      <MovingContext value={moving}>
        <LoggingContext value={logging}>{shown}</LoggingContext>
      </MovingContext>
    </JudgementContext>
  );
}
