import type { CheckState } from '@/core/stages/assembly/cylinderSteps';

/** What a step is in, in words and by sign. */
export const STATE_WORDS: Record<CheckState, string> = {
  'to do': 'To do',
  right: 'Right',
  moved: 'Moved, within the rules',
  against: 'Moved, against a rule',
  again: 'Check again',
};
export const STATE_LOOKS: Record<CheckState, { sign: string; colour: string }> = {
  'to do': { sign: '○', colour: 'text-soft' },
  right: { sign: '●', colour: 'text-ok' },
  moved: { sign: '◐', colour: 'text-blue' },
  against: { sign: '▲', colour: 'text-short' },
  again: { sign: '▲', colour: 'text-short' },
};
