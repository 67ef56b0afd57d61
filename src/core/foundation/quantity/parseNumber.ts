/** A number without a unit, as it is typed. */
export interface NumberRange {
  least: number;
  most: number;
  whole?: boolean;
  /** Whether the field may be empty. */
  optional?: boolean;
}

/** A figure as it was understood. */
export type ParsedFigure = { kind: 'empty' } | { kind: 'understood'; value: number } | { kind: 'refused'; why: string };

/**
 * What was typed as a number of a range, with a point or a comma. Never throws.
 *
 * @example parseNumber('1,5', { least: 1, most: 2 }) // { kind: 'understood', value: 1.5 }
 */
export function parseNumber(text: string, { least, most, whole = false, optional = false }: NumberRange): ParsedFigure {
  const entry = text.trim().replace(',', '.').replace('−', '-');
  if (entry === '' && optional) return { kind: 'empty' };
  const value = /^-?(?:\d+\.?\d*|\.\d+)$/.test(entry) ? Number(entry) : NaN;
  return value >= least && value <= most && (!whole || Number.isInteger(value))
    ? { kind: 'understood', value }
    : { kind: 'refused', why: `Enter a ${whole ? 'whole ' : ''}number from ${least} to ${most}.` };
}
