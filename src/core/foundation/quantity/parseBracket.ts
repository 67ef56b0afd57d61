/** A feeler bracket: the largest leaf that passes and the first that does not. */
import { lengthText } from './format';
import { parseSingle } from './parseSingle';
import { type ParseContext, type ParsedReading, type Meaning, isFine, acceptedBy } from './readingField';

/** `15/16`, `15-16`, `15 to 16`: the largest leaf that passes and the first that does not. */
export function parseBracket(parts: [string, string, string, string], context: ParseContext): ParsedReading {
  const [lowNumeral, lowWord, highNumeral, highWord] = parts;
  if (!isFine(context.field))
    return {
      kind: 'refused',
      why: 'A bracket (goes / does not go) is for feeler readings of a gap.',
      accepted: acceptedBy(context.field, context.units),
    };
  const word = highWord || lowWord;
  const low = parseSingle(lowNumeral, lowWord || word, context);
  const high = parseSingle(highNumeral, word, context);
  if (low.kind === 'refused') return low;
  if (high.kind === 'refused') return high;
  if (low.kind !== 'understood' || high.kind !== 'understood')
    return {
      kind: 'refused',
      why: 'One side of the bracket can be taken in more than one way.',
      accepted: 'the unit after it, e.g. 15/16 thou or 0.40/0.45 mm',
    };
  const [a, b] = [low.meaning.value, high.meaning.value];
  if (a === b)
    return {
      kind: 'refused',
      why: 'Both ends are the same.',
      accepted: context.field === 'thread' ? '1.5 to 2' : '15/16: 15 goes, 16 does not',
    };
  const isThread = context.field === 'thread';
  const spoken = isThread
    ? `between ${lengthText(Math.min(a, b), context.units, 'fine')} and ${lengthText(Math.max(a, b), context.units, 'fine')}`
    : `${lengthText(Math.min(a, b), context.units, 'fine')} goes, ${lengthText(Math.max(a, b), context.units, 'fine')} does not`;
  const meaning: Meaning = { value: Math.min(a, b), upTo: Math.max(a, b), taken: spoken };
  if (a < b || isThread) return { kind: 'understood', meaning };
  return {
    kind: 'question',
    ask: `A leaf that passes is thinner than one that does not. Did you mean ${spoken}?`,
    options: [meaning],
  };
}
