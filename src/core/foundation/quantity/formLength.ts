/** A length typed into a form: one length, or asked about, or refused. */
import { type LengthStyle, bothText } from './format';
import type { Nm, Units } from './length';
import { factorIn, parseField } from './parseReading';
import { type Field, type ParseContext, acceptedBy, isFine } from './readingField';

export interface FormLengthContext {
  field: Field;
  units: Units;
  /** The engine's bore, where it is known: says what size a gap can be. */
  bore: Nm | null;
  /** What a size should be near to, where that is known. */
  expected: ParseContext['expected'];
  /** Whether a factor may be meant: a figure that looks like one is then asked about. */
  mayBeFactor: boolean;
}

/** What may be meant by a figure: a length, or a factor of the bore. */
export type FormMeaning = { nm: Nm } | { factor: number };

export type FormLength =
  | { kind: 'empty' }
  | { kind: 'understood'; value: Nm }
  | { kind: 'question'; ask: string; options: { value: FormMeaning; figure: string; note: string }[] }
  | { kind: 'refused'; why: string };

/**
 * What a length typed into a form means. Never throws.
 *
 * @example
 *   parseFormLength('22', { field: 'gap', units: 'imperial', bore: null, expected: null, mayBeFactor: false })
 *   // { kind: 'understood', value: 558800 }
 */
export function parseFormLength(text: string, context: FormLengthContext): FormLength {
  const { field, units, bore, expected, mayBeFactor } = context;
  const style: LengthStyle = isFine(field) ? 'fine' : 'size';
  const option = ({ value, taken }: { value: Nm; taken: string }) => ({
    ...{ value: { nm: value }, figure: bothText(value, style, units), note: taken },
  });
  const heard = parseField(text, field, units, bore, expected);
  const factor = mayBeFactor ? factorIn(text) : null;
  if (factor !== null) {
    const asTyped =
      heard.kind === 'understood'
        ? [{ value: heard.meaning.value, taken: 'as typed' }]
        : heard.kind === 'question'
          ? heard.options.filter((o) => o.taken === 'as typed')
          : [];
    return {
      kind: 'question',
      ask: `${factor} looks like a factor, not a gap. Is it factor × bore?`,
      options: [{ value: { factor }, figure: `${factor} × bore`, note: '' }, ...asTyped.map(option)],
    };
  }
  if (heard.kind === 'empty') return { kind: 'empty' };
  if (heard.kind === 'refused') return { kind: 'refused', why: `${heard.why} Accepted: ${heard.accepted}.` };
  if (heard.kind === 'question') return { kind: 'question', ask: heard.ask, options: heard.options.map(option) };
  return heard.kind === 'understood' && heard.meaning.upTo === null
    ? { kind: 'understood', value: heard.meaning.value }
    : { kind: 'refused', why: `Enter one length: ${acceptedBy(field, units)}.` };
}
