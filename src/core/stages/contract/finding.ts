/** What a finding is: something the fitter should know about the record as it stands. */
import type { Message } from '../../foundation/quantity/message';

/** `stop` can cost the engine; `mend` is out of its limits or contradicts itself; `note` is worth knowing. */
export type Severity = 'stop' | 'mend' | 'note';

export interface Finding<S extends string = string> {
  severity: Severity;
  /** The stage that it is seen and mended on. */
  stage: S;
  /** The cylinder it is about, or what else of the engine; null for the engine. */
  cylinder: string | null;
  says: Message;
}

/** A finding. */
export const about = <S extends string>(
  severity: Severity,
  stage: S,
  cylinder: string | null,
  says: Message,
): Finding<S> => ({ severity, stage, cylinder, says });

const ORDER: Record<Severity, number> = { stop: 0, mend: 1, note: 2 };

/**
 * Worst first, and otherwise in the order they came.
 *
 * @example
 *   worstFirst([about('note', 'job', null, []), about('stop', 'rings', '1', [])]).map((f) => f.severity)
 *   // [ 'stop', 'note' ]
 */
export const worstFirst = <F extends Finding>(findings: readonly F[]): F[] =>
  findings.toSorted((a, b) => ORDER[a.severity] - ORDER[b.severity]);
