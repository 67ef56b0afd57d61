/** What a part weighs, as it is typed. */
import { type Mg, gramsText, parseMass } from '../../../foundation/quantity/mass';
import type { WeighedPart } from '../../../record/benchWork';
import type { BenchFigure } from '../benchFigure';
import { type JudgedWeights, weighedKey } from './weights';

/**
 * What was typed for a part, held against its like: one far from them is asked about. Never throws.
 *
 * @param numbers of the engine
 */
export function parseWeighed(
  text: string,
  { part, number }: { part: WeighedPart; number: string },
  { weighed, lightest }: Pick<JudgedWeights, 'weighed' | 'lightest'>,
  numbers: readonly string[],
): BenchFigure<Mg> {
  const like = numbers.flatMap((n) => (n === number ? [] : (weighed.get(weighedKey(part, n))?.mass ?? [])));
  const heard = parseMass(text, like);
  if (heard.kind === 'question')
    return { ...heard, options: [...heard.options, { value: heard.value, words: `yes, ${gramsText(heard.value)}` }] };
  if (heard.kind !== 'understood') return heard;
  const over = heard.value - Math.min(heard.value, lightest[part] ?? heard.value);
  const against = over === 0 ? 'the lightest' : `${gramsText(over)} over the lightest`;
  return { ...heard, says: like.length === 0 ? gramsText(heard.value) : `${gramsText(heard.value)}, ${against}` };
}

/** The part to weigh after one: the same of the next number, then the next part; from the first that is open where none is given. */
export function nextToWeigh(
  { asks, weighed }: Pick<JudgedWeights, 'asks' | 'weighed'>,
  numbers: readonly string[],
  after: { part: WeighedPart; number: string } | null,
): { part: WeighedPart; number: string } | null {
  const all = asks.flatMap((part) => numbers.map((number) => ({ part, number })));
  const at = after ? all.findIndex((a) => a.part === after.part && a.number === after.number) : -1;
  const turned = [...all.slice(at + 1), ...all.slice(0, at + 1)];
  return turned.find(({ part, number }) => !weighed.has(weighedKey(part, number))) ?? null;
}
