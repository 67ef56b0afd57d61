import type { State } from '@/core/foundation/verdict/state';

/** Each state has a word, a shape and a colour of its own. */
const COLOURS: Record<State, string> = {
  'to do': 'var(--soft)',
  short: 'var(--short)',
  tight: 'var(--short)',
  'in window': 'var(--ok)',
  loose: 'var(--loose)',
  over: 'var(--over)',
  'not proven': 'var(--blue)',
  'no target': 'var(--soft)',
  'part read': 'var(--soft)',
  within: 'var(--ok)',
  hone: 'var(--short)',
  'next size': 'var(--loose)',
  out: 'var(--over)',
  below: 'var(--ok)',
  proud: 'var(--over)',
};

const SHAPES: Record<State, React.ReactNode> = {
  'to do': <circle r="4.5" fill="none" stroke="currentColor" strokeWidth="1.5" />,
  short: <path d="M-5-5V5H5Z" fill="currentColor" />,
  tight: <path d="M-5-5V5H5Z" fill="currentColor" />,
  'in window': <circle r="5" fill="currentColor" />,
  loose: <path d="M0-6 6 0 0 6-6 0Z" fill="none" stroke="currentColor" strokeWidth="2" />,
  over: <path d="M-4.5-4.5 4.5 4.5M4.5-4.5-4.5 4.5" stroke="currentColor" strokeWidth="2.5" />,
  'not proven': (
    <>
      <circle r="5" fill="none" stroke="currentColor" strokeWidth="1.5" />
      <path d="M0-5A5 5 0 0 1 0 5Z" fill="currentColor" />
    </>
  ),
  'no target': <path d="M-5 0H5" stroke="currentColor" strokeWidth="2" />,
  'part read': <path d="M-4.5 0A4.5 4.5 0 0 1 4.5 0" fill="none" stroke="currentColor" strokeWidth="2" />,
  within: <circle r="5" fill="currentColor" />,
  hone: <path d="M-5 5 5-5M-5-5 5 5M0-6V6" stroke="currentColor" strokeWidth="1.8" />,
  'next size': <path d="M-5 5V-5H5V5ZM-2 2V-2H2V2Z" fill="none" stroke="currentColor" strokeWidth="1.8" />,
  out: <path d="M-4.5-4.5 4.5 4.5M4.5-4.5-4.5 4.5" stroke="currentColor" strokeWidth="2.5" />,
  below: <circle r="5" fill="currentColor" />,
  proud: <path d="M-4.5-4.5 4.5 4.5M4.5-4.5-4.5 4.5" stroke="currentColor" strokeWidth="2.5" />,
};

export const stateColour = (state: State): string => COLOURS[state];

export function StateShape({ state, size = 14 }: { state: State; size?: number }) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="-7 -7 14 14"
      aria-hidden
      style={{ color: COLOURS[state] }}
      className="inline-block shrink-0 align-[-0.1em]"
    >
      {SHAPES[state]}
    </svg>
  );
}

/** Shape and word of a state. */
export function StateMark({ state, word = state }: { state: State; word?: string }) {
  return (
    <span className="inline-flex items-center gap-1.5 font-bold whitespace-nowrap" style={{ color: COLOURS[state] }}>
      <StateShape state={state} />
      {word}
    </span>
  );
}
