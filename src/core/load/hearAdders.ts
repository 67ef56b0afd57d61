/**
 * What adds power, as it is said at the bench: `1.4 bar + 150 hp nitrous`, `10 psi blower, water injection`. Where two
 * meanings are possible the answer is a question, never a guess. Common practice, no source, for every convention here.
 */
import { HP_PER_KW } from './hearPlace';
import { type PressureUnit, fromPressure, hearPressure, toPressure } from '../quantity/pressure';
import { type Adders, type Boost, type Nitrous, NO_ADDERS, shotSum } from './service';
import { type Blower, BLOWER_WORDS, MOST_SHARE } from './serviceWords';

export type HeardAdders =
  | { kind: 'empty' }
  | { kind: 'understood'; adders: Adders }
  | { kind: 'question'; ask: string; options: { adders: Adders; words: string }[] }
  | { kind: 'refused'; why: string };

const ACCEPTED =
  'Accepted: 14 psi, 1.4 bar turbo + 150 hp nitrous, 100+75 hp nitrous, 2.1 bar absolute, water injection, none.';
/** Most stages, and most power of all of them, hp. */
const MOST_SHOTS = { stages: 6, sum: 5_000 };
const LONGEST = 240;

const NUMBER = /(\d+(?:\.\d+)?|\.\d+)/;
const PRESSURE = new RegExp(`${NUMBER.source} ?(psi|lbs?|bar|kpa)\\b`);
const POWER = new RegExp(`${NUMBER.source} ?(hp|bhp|ps|kw|%)`);
const NITROUS = /\b(?:nitrous|n2o|shot)\b/;
const BLOWERS: [RegExp, Blower][] = [
  [/\b(?:two[- ]?stages?|compound|twin[- ]?charged)\b/, 'twoStage'],
  [/\b(?:supercharger|supercharged|blower|belt)\b/, 'supercharger'],
  [/\b(?:turbos?|turbocharger|turbocharged|twin[- ]?turbo)\b/, 'turbo'],
];
const NOT_COOLED = /\b(?:uncooled|not cooled|no (?:inter|charge )?cooler)\b/;
const COOLED = /\b(?:intercooled|aftercooled|charge[- ]?cooled|cooled)\b/;
const UNITS: Record<string, PressureUnit> = { bar: 'bar', kpa: 'kPa' };
/** Words that say nothing more. */
const FILLERS =
  /\b(?:of|at|boost|gauge|over|absolute|abs|a|the|with|on|in|all|cylinders?|hp|max|injection|spray)\b|[\d.%]/g;

class NotHeard extends Error {}

const plain = (text: string): string =>
  text
    .trim()
    .toLowerCase()
    .replace(/(\d),(\d)/g, '$1.$2')
    .replace(/\s+/g, ' ');

function injectionOf(part: string): Adders['injection'] {
  const counted = /\bcounted\b/.test(part);
  if (/\bwater\b/.test(part)) return { what: 'water', counted };
  return /\b(?:alcohol|meth|methanol|ethanol)\b/.test(part) && /\b(?:injection|spray)\b/.test(part)
    ? { what: 'alcohol', counted }
    : null;
}

function nitrousOf(part: string, before: number[]): Nitrous {
  const found = POWER.exec(part) ?? NUMBER.exec(part);
  const fed = /\bin (\d{1,2}) cylinders?\b/.exec(part);
  const cylinders = fed ? Number(fed[1]) : null;
  if (!found || (fed && found.index > fed.index)) return { shots: before, share: null, cylinders };
  const value = Number(found[1]);
  if (found[2] === '%') {
    if (!(value > 0 && value / 100 <= MOST_SHARE)) throw new NotHeard(`${value} % is no share of the base power.`);
    return { shots: [], share: value / 100, cylinders };
  }
  const shots = [...before, found[2] === 'kw' ? Math.round(value * HP_PER_KW) : value];
  if (shots.length > MOST_SHOTS.stages || shots.some((hp) => hp <= 0) || shotSum({ shots }) > MOST_SHOTS.sum)
    throw new NotHeard(`“${part}” is no nitrous shot: at most ${MOST_SHOTS.sum} hp, in ${MOST_SHOTS.stages} stages.`);
  return { shots, share: null, cylinders };
}

interface HeardBoost {
  boost: Boost;
  /** Where the figure only makes sense otherwise. */
  instead: { ask: string; options: { pressure: number; words: string }[] } | null;
}

function boostOf(part: string): HeardBoost | null {
  const by = BLOWERS.find(([pattern]) => pattern.test(part))?.[1];
  const found = PRESSURE.exec(part);
  if (!by && !found) return null;
  const cooled = NOT_COOLED.test(part) ? false : COOLED.test(part) ? true : null;
  const boost: Boost = { by: by ?? 'turbo', pressure: null, absolute: /\babs(?:olute)?\b/.test(part), cooled };
  if (!found) return { boost, instead: null };
  const heard = hearPressure(found[1] ?? '', UNITS[found[2] ?? ''] ?? 'psi');
  if (heard.kind === 'refused') throw new NotHeard(heard.why);
  if (heard.kind === 'understood') return { boost: { ...boost, pressure: heard.value }, instead: null };
  if (heard.kind === 'empty') return { boost, instead: null };
  return {
    boost,
    instead: { ask: heard.ask, options: heard.options.map(({ value, words }) => ({ pressure: value, words })) },
  };
}

/** A figure without a unit: boost in one of two, or nitrous. */
function bareQuestion(numeral: string, rest: Adders): HeardAdders {
  const value = Number(numeral);
  const boosts = (['psi', 'bar'] as const).flatMap((unit) => {
    const heard = hearPressure(numeral, unit);
    if (heard.kind !== 'understood') return [];
    const boost: Boost = { by: 'turbo', pressure: heard.value, absolute: false, cooled: null };
    return [{ adders: { ...rest, boost }, words: `${numeral} ${unit} of boost` }];
  });
  const shot = {
    adders: { ...rest, nitrous: { shots: [value], share: null, cylinders: null } },
    words: `${numeral} hp of nitrous`,
  };
  const options = [...boosts, ...(value >= 20 && value <= MOST_SHOTS.sum ? [shot] : [])];
  if (options.length === 0)
    return { kind: 'refused', why: `“${numeral}” without its unit says nothing here. ${ACCEPTED}` };
  return { kind: 'question', ask: `${numeral} of what?`, options };
}

const leftOver = (part: string): string =>
  [PRESSURE, POWER, NITROUS, NOT_COOLED, COOLED, ...BLOWERS.map(([p]) => p)]
    .reduce((text, pattern) => text.replace(pattern, ' '), part)
    .replace(FILLERS, ' ')
    .trim();

/**
 * What was typed of the power adders. Never throws.
 *
 * @example hearAdders('1.4 bar + 150 hp nitrous').kind // 'understood'
 */
export function hearAdders(text: string): HeardAdders {
  const entry = plain(text);
  if (entry === '') return { kind: 'empty' };
  if (entry.length > LONGEST) return { kind: 'refused', why: `At most ${LONGEST} letters. ${ACCEPTED}` };
  if (/^(?:none|no|na|n\/a|nothing|naturally aspirated|no adders?)$/.test(entry))
    return { kind: 'understood', adders: NO_ADDERS };
  try {
    return heardParts(entry.split(/\s*(?:\+|;|,|&|\band\b|\bplus\b)\s*/).filter(Boolean));
  } catch (error) {
    if (error instanceof NotHeard) return { kind: 'refused', why: error.message };
    throw error;
  }
}

function heardParts(parts: string[]): HeardAdders {
  let adders = NO_ADDERS;
  let instead: HeardBoost['instead'] = null;
  let stages: number[] = [];
  for (const part of parts) {
    const bare = /^\d+(?:\.\d+)?$/.exec(part);
    if (bare) {
      stages = [...stages, Number(part)];
      continue;
    }
    const injection = injectionOf(part);
    const boost = injection ? null : boostOf(part);
    if (injection) adders = { ...adders, injection };
    else if (NITROUS.test(part) || (!boost && POWER.test(part))) {
      if (adders.nitrous) throw new NotHeard(`Nitrous is said twice. ${ACCEPTED}`);
      adders = { ...adders, nitrous: nitrousOf(part, stages) };
      stages = [];
    } else if (boost) {
      if (adders.boost?.pressure != null && boost.boost.pressure !== null)
        throw new NotHeard('Boost is said twice: of two stages, say the one pressure that they come to.');
      adders = { ...adders, boost: boost.boost };
      instead = boost.instead;
    } else if (adders.boost && (NOT_COOLED.test(part) || COOLED.test(part)))
      adders = { ...adders, boost: { ...adders.boost, cooled: !NOT_COOLED.test(part) } };
    else throw new NotHeard(`“${part.slice(0, 40)}” is no power adder known here. ${ACCEPTED}`);
    const left = injection ? '' : leftOver(part);
    if (left) throw new NotHeard(`“${left.slice(0, 40)}” is not understood here. ${ACCEPTED}`);
  }
  const { boost } = adders;
  if (instead && boost)
    return {
      kind: 'question',
      ask: instead.ask,
      options: instead.options.map(({ pressure, words }) => ({
        adders: { ...adders, boost: { ...boost, pressure } },
        words,
      })),
    };
  if (stages.length > 1) return { kind: 'refused', why: `“${stages.join(' + ')}”: of what? ${ACCEPTED}` };
  if (stages.length === 1) return bareQuestion(String(stages[0]), adders);
  return { kind: 'understood', adders };
}

/** The shortest figure that stands for a pressure in some unit. */
function shortest(pressure: number, unit: PressureUnit): string {
  const exact = toPressure(pressure, unit);
  for (let decimals = 0; decimals < 5; decimals += 1) {
    const text = exact.toFixed(decimals);
    if (fromPressure(Number(text), unit) === pressure) return text;
  }
  return exact.toFixed(5);
}

const decimalsOf = (figure: string): number => figure.split('.')[1]?.length ?? 0;

/** A pressure in the unit that is spoken, unless it was plainly said in another: in that it has two decimals at the most. */
function pressureAsSaid(pressure: number, spoken: PressureUnit): string {
  const units: PressureUnit[] = [spoken, 'bar', 'psi', 'kPa'];
  const unit = units.find((u) => decimalsOf(shortest(pressure, u)) <= 2) ?? spoken;
  return `${shortest(pressure, unit)} ${unit}`;
}

/**
 * Adders as one would type them; it is heard as the same.
 *
 * @param unit that boost is spoken in
 * @example addersText({ boost: null, nitrous: null, injection: null }, 'psi') // ''
 */
export function addersText({ boost, nitrous, injection }: Adders, unit: PressureUnit): string {
  const blown = boost
    ? [
        ...(boost.pressure === null
          ? []
          : [`${pressureAsSaid(boost.pressure, unit)}${boost.absolute ? ' absolute' : ''}`]),
        BLOWER_WORDS[boost.by],
        ...(boost.cooled === null ? [] : [boost.cooled ? 'cooled' : 'not cooled']),
      ].join(' ')
    : '';
  const fed = nitrous?.cylinders == null ? '' : ` in ${nitrous.cylinders} cylinders`;
  const shot = nitrous
    ? `${nitrous.share === null ? (nitrous.shots.length > 0 ? `${nitrous.shots.join('+')} hp ` : '') : `${Number((nitrous.share * 100).toFixed(2))}% `}nitrous${fed}`
    : '';
  const sprayed = injection ? `${injection.what} injection${injection.counted ? ' counted on' : ''}` : '';
  return [blown, shot, sprayed].filter(Boolean).join(' + ');
}
