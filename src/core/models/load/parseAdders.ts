/**
 * What adds power, as it is said at the bench: `1.4 bar + 150 hp nitrous`, `10 psi blower, water injection`. Where two
 * meanings are possible the answer is a question, never a guess. Common practice, no source, for every convention here.
 */
import { HP_PER_KW } from './parsePowerAndAltitude';
import { type PressureUnit, fromPressure, parsePressure, toPressure } from '../../foundation/quantity/pressure';
import { type Adders, type Boost, type Nitrous, NO_ADDERS, shotSum } from './service';
import { type Blower, BLOWER_WORDS, MOST_SHARE } from './serviceWords';

export type ParsedAdders =
  | { kind: 'empty' }
  | { kind: 'understood'; adders: Adders }
  | { kind: 'question'; ask: string; options: { adders: Adders; words: string }[] }
  | { kind: 'refused'; why: string };

const ACCEPTED =
  'Accepted: 14 psi, 1.4 bar turbo + 150 hp nitrous, 100+75 hp nitrous, 2.1 bar absolute, water injection, none.';
/** Most stages, and most power of all of them, hp. From memory. */
const MOST_SHOTS = { stages: 6, sum: 5_000 };
/** The longest entry that is read at all, characters. */
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
const INJECTION =
  /\b(water(?: ?[/&]? ?(?:meth|methanol|alcohol))?|alcohol|meth|methanol|ethanol)\b(?: (?:injection|spray))?/;
const COUNTED = /\b(?:(not) )?counted(?: on)?\b/;
const FED = /\b(?:in|on|to|into|for|across|over) (?:all )?(\d{1,2}) cyl(?:s|inders?)?\b/;
const ALL_FED = /\b(?:in|on|to|into|for|across|over) all(?: (?:of )?(?:the )?cyl(?:s|inders?)?)?\b/;
/** Words that say nothing more. */
const FILLERS = /\b(?:of|at|boost|gauge|over|a|the|with|max|injection|spray)\b/g;

class NotHeard extends Error {}

const plain = (text: string): string =>
  text
    .trim()
    .toLowerCase()
    .replace(/(\d),(\d)/g, '$1.$2')
    .replace(/\s+/g, ' ');

/** What was typed between two separators, less what was understood of it. */
class Part {
  constructor(private left: string) {}

  has(pattern: RegExp): boolean {
    return pattern.test(this.left);
  }

  /** The first match, taken out; null for none. */
  take(pattern: RegExp): RegExpExecArray | null {
    const found = pattern.exec(this.left);
    if (found) this.left = `${this.left.slice(0, found.index)} ${this.left.slice(found.index + found[0].length)}`;
    return found;
  }

  /** The words that nothing was made of. */
  rest(): string {
    return this.left.replace(FILLERS, ' ').replace(/\s+/g, ' ').trim();
  }
}

function injectionOf(part: Part): Adders['injection'] {
  const isSprayed = part.has(/\bwater\b|\b(?:injection|spray)\b/);
  const found = isSprayed ? part.take(INJECTION) : null;
  if (!found) return null;
  const counted = part.take(COUNTED);
  return {
    what: found[1]?.startsWith('water') ? 'water' : 'alcohol',
    counted: counted !== null && counted[1] === undefined,
  };
}

/** A share or a power of nitrous: the figure of this part, or null for nitrous of no figure. */
function nitrousOf(part: Part, before: number[]): Nitrous {
  const fed = part.take(FED);
  if (!fed) part.take(ALL_FED);
  const cylinders = fed ? Number(fed[1]) : null;
  const found = part.take(POWER) ?? part.take(NUMBER);
  if (!found) return { shots: before, share: null, cylinders };
  const value = Number(found[1]);
  if (found[2] === '%') {
    if (!(value > 0 && value / 100 <= MOST_SHARE)) throw new NotHeard(`${value} % is no share of the base power.`);
    return { shots: [], share: value / 100, cylinders };
  }
  const shots = [...before, found[2] === 'kw' ? Math.round(value * HP_PER_KW) : value];
  if (shots.length > MOST_SHOTS.stages || shots.some((hp) => hp <= 0) || shotSum({ shots }) > MOST_SHOTS.sum)
    throw new NotHeard(
      `“${shots.join(' + ')} hp” is no nitrous shot: at most ${MOST_SHOTS.sum} hp, in ${MOST_SHOTS.stages} stages.`,
    );
  return { shots, share: null, cylinders };
}

interface HeardBoost {
  boost: Boost;
  /** Where the figure only makes sense otherwise, or has no unit. */
  instead: { ask: string; options: { pressure: number; words: string }[] } | null;
}

/** A boost of no unit: psi or bar, where only one can be it is that. */
function unitless(numeral: string): { pressure: number | null; instead: HeardBoost['instead'] } {
  const options = (['psi', 'bar'] as const).flatMap((unit) => {
    const heard = parsePressure(numeral, unit);
    return heard.kind === 'understood' ? [{ pressure: heard.value, words: `${numeral} ${unit} of boost` }] : [];
  });
  const [only, other] = options;
  if (!only) throw new NotHeard(`“${numeral}” is not a boost in psi or in bar. ${ACCEPTED}`);
  return other
    ? { pressure: null, instead: { ask: `A boost of ${numeral}: psi or bar?`, options } }
    : { pressure: only.pressure, instead: null };
}

/** The pressure of a part: as said with its unit, else the one figure that stands by itself. */
function pressureOf(
  part: Part,
  said: RegExpExecArray | null,
): { pressure: number | null; instead: HeardBoost['instead'] } {
  if (!said) {
    const bare = part.has(NITROUS) || part.has(POWER) ? null : part.take(NUMBER);
    return bare ? unitless(bare[1] ?? '') : { pressure: null, instead: null };
  }
  const heard = parsePressure(said[1] ?? '', UNITS[said[2] ?? ''] ?? 'psi');
  if (heard.kind === 'refused') throw new NotHeard(heard.why);
  if (heard.kind === 'understood') return { pressure: heard.value, instead: null };
  if (heard.kind === 'empty') return { pressure: null, instead: null };
  const options = heard.options.map(({ value, words }) => ({ pressure: value, words }));
  return { pressure: null, instead: { ask: heard.ask, options } };
}

/** Whether the charge is cooled, as a part says; null where it does not. */
function coolingOf(part: Part): boolean | null {
  if (part.take(NOT_COOLED)) return false;
  return part.take(COOLED) ? true : null;
}

function boostOf(part: Part): HeardBoost | null {
  const isNamed = part.has(/\bboost\b/);
  const said = part.take(PRESSURE);
  let by: Blower | null = null;
  for (const [pattern, blower] of BLOWERS) if (part.take(pattern)) by ??= blower;
  if (!by && !said && !isNamed) return null;
  const cooled = coolingOf(part);
  const absolute = part.take(/\babs(?:olute)?\b/) !== null;
  const { pressure, instead } = pressureOf(part, said);
  return { boost: { by: by ?? 'turbo', pressure, cooled, absolute }, instead };
}

/** A figure without a unit: boost in one of two, or nitrous. */
function bareQuestion(numeral: string, rest: Adders): ParsedAdders {
  const value = Number(numeral);
  const boosts = (['psi', 'bar'] as const).flatMap((unit) => {
    const heard = parsePressure(numeral, unit);
    if (heard.kind !== 'understood') return [];
    const blown = rest.boost ?? { by: 'turbo', absolute: false, cooled: null };
    return [{ adders: { ...rest, boost: { ...blown, pressure: heard.value } }, words: `${numeral} ${unit} of boost` }];
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

/**
 * What was typed of the power adders. Never throws.
 *
 * @example parseAdders('1.4 bar + 150 hp nitrous').kind // 'understood'
 */
export function parseAdders(text: string): ParsedAdders {
  const entry = plain(text);
  if (entry === '') return { kind: 'empty' };
  if (entry.length > LONGEST) return { kind: 'refused', why: `At most ${LONGEST} letters. ${ACCEPTED}` };
  if (/^(?:none|no|na|n\/a|nothing|naturally aspirated|no adders?)$/.test(entry))
    return { kind: 'understood', adders: NO_ADDERS };
  try {
    const heard = new Heard();
    for (const part of entry.split(/\s*(?:\+|;|,|&|\band\b|\bplus\b)\s*/)) if (part) heard.add(part);
    return heard.ended();
  } catch (error) {
    if (error instanceof NotHeard) return { kind: 'refused', why: error.message };
    throw error;
  }
}

/** Of a power that nothing says is nitrous: asked about, since it may be the engine's own. */
const powerQuestion = (adders: Adders, { shots, share }: Nitrous): ParsedAdders => {
  const amount = share === null ? `${shots.join(' + ')} hp` : `${Number((share * 100).toFixed(2))} %`;
  return {
    kind: 'question',
    ask: `${amount} of nitrous, or the engine’s own power?`,
    options: [
      { adders, words: `${amount} of nitrous` },
      { adders: { ...adders, nitrous: null }, words: 'own power: enter it under base power' },
    ],
  };
};

/** What was heard so far. */
class Heard {
  private adders = NO_ADDERS;
  private instead: HeardBoost['instead'] = null;
  /** Figures without a unit, which may be stages of the nitrous that follows. */
  private stages: number[] = [];
  /** Whether what may be nitrous is called that. */
  private isNamed = true;

  add(typed: string): void {
    if (/^\d+(?:\.\d+)?$/.test(typed)) {
      this.stages = [...this.stages, Number(typed)];
      return;
    }
    const part = new Part(typed);
    const before = part.rest();
    const injection = injectionOf(part);
    if (injection) this.adders = { ...this.adders, injection };
    const isBoost = this.addBoost(part);
    this.addNitrous(part);
    const left = part.rest();
    if (left === before && !isBoost)
      throw new NotHeard(`“${typed.slice(0, 40)}” is no power adder known here. ${ACCEPTED}`);
    if (left) throw new NotHeard(`“${left.slice(0, 40)}” is not understood here. ${ACCEPTED}`);
  }

  private addBoost(part: Part): boolean {
    const known = this.adders.boost;
    const heard = boostOf(part);
    if (heard) {
      if (known?.pressure != null && (heard.boost.pressure !== null || heard.instead))
        throw new NotHeard('Boost is entered twice. For two stages, enter their combined pressure.');
      this.adders = { ...this.adders, boost: heard.boost };
      this.instead = heard.instead;
      return true;
    }
    const cooled = known ? coolingOf(part) : null;
    if (known && cooled !== null) this.adders = { ...this.adders, boost: { ...known, cooled } };
    return false;
  }

  private addNitrous(part: Part): void {
    const named = part.take(NITROUS);
    if (!named && !part.has(POWER)) return;
    if (this.adders.nitrous) throw new NotHeard(`Nitrous is said twice. ${ACCEPTED}`);
    this.adders = { ...this.adders, nitrous: nitrousOf(part, this.stages) };
    part.take(NITROUS);
    this.isNamed = named !== null;
    this.stages = [];
  }

  ended(): ParsedAdders {
    const { adders, instead, stages, isNamed } = this;
    const { boost, nitrous } = adders;
    if (instead && boost) {
      if (!isNamed) throw new NotHeard(`Say which figure is nitrous and what the boost is in. ${ACCEPTED}`);
      const options = instead.options.map(({ pressure, words }) => ({
        adders: { ...adders, boost: { ...boost, pressure } },
        words,
      }));
      return { kind: 'question', ask: instead.ask, options };
    }
    const [stage, ...others] = stages;
    if (others.length > 0) return { kind: 'refused', why: `“${stages.join(' + ')}”: of what? ${ACCEPTED}` };
    if (stage !== undefined) return bareQuestion(String(stage), adders);
    return nitrous && !isNamed ? powerQuestion(adders, nitrous) : { kind: 'understood', adders };
  }
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
 * @example
 *   addersText({ boost: null, nitrous: { shots: [150, 100], share: null, cylinders: 4 }, injection: null }, 'psi')
 *   // '150+100 hp nitrous in 4 cylinders'
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
