/** What a dial shows, from what its gauge was zeroed at. */
import { lengthText } from './format';
import { type Nm, fromDecimal, NM_PER_MM, NM_PER_THOU } from './length';
import { type Take, type UnitName, question, asMeaning, unknownUnit, unitNamed, take } from './parseLength';
import {
  type ParseContext,
  type ParsedReading,
  type Meaning,
  acceptedBy,
  isFine,
  isGauged,
  NAMES,
  isUsual,
} from './readingField';

/** No bore is this far from what its gauge was zeroed at: a small bare figure is then the dial. From memory. */
const DIAL_REACH = 5 * NM_PER_MM;

/** What a dial is called out as: three digits before the point, and two behind it unless it is under one. A size has more behind it. */
const DIAL_FIGURE = /^(?:\d{1,3}(?:\.\d{0,2})?|0?\.\d+)$/;

/** What keeps a field from taking the dial; null where it can. */
function noDial({ field, units, setting, settingAsk }: ParseContext): ParsedReading | null {
  const accepted = acceptedBy(field, units);
  if (isFine(field))
    return { kind: 'refused', why: 'A gap has no sign: only a bore gauge reads plus or minus.', accepted };
  if (!isGauged(field))
    return {
      kind: 'refused',
      why: `Plus and minus are for a bore gauge; a ${NAMES[field]} is read in the micrometer.`,
      accepted,
    };
  if (setting === null)
    return {
      kind: 'refused',
      why: settingAsk ?? 'Plus and minus count from the gauge setting, and none is given yet.',
      accepted: field === 'housing' ? NO_SETTING.housing : NO_SETTING.bore,
    };
  return null;
}
const NO_SETTING = {
  bore: 'first the setting, e.g. "set 4.060"',
  housing: 'first the setting, e.g. "set journal"',
};

/** As far from its zero as a bore is read without a question, as a worn one is within itself: 6 thou. From memory. */
const USUAL_OFF = 6 * NM_PER_THOU;

/** What the dial shows from a zero that has no size yet. */
function dialFromUnsizedZero(
  steps: Take,
  direction: 1 | -1,
  zero: string,
  { units, field }: ParseContext,
): ParsedReading {
  const meaning: Meaning = {
    value: direction * steps.value,
    upTo: null,
    dial: true,
    zero,
    taken: `dial ${direction < 0 ? '\u2212' : '+'}${steps.taken}`,
  };
  if (steps.value <= USUAL_OFF) return { kind: 'understood', meaning };
  const stated = `${lengthText(steps.value, units, 'fine')} from the zero`;
  return steps.value <= DIAL_REACH
    ? { kind: 'question', ask: `${stated}: is that right?`, options: [{ ...meaning, taken: 'as typed' }] }
    : { kind: 'refused', why: `${stated}: no gauge reaches that far.`, accepted: acceptedBy(field, units) };
}

/** The bore that a departure of the dial stands for, if it can be right. */
function dialReading(steps: Take, direction: 1 | -1, context: ParseContext): ParsedReading {
  if (typeof context.setting === 'string') return dialFromUnsizedZero(steps, direction, context.setting, context);
  const setting = context.setting ?? 0;
  const meant: Take = {
    value: setting + direction * steps.value,
    dial: true,
    taken: `gauge set ${lengthText(setting, context.units, 'size')}, dial ${direction < 0 ? '\u2212' : '+'}${steps.taken}`,
  };
  if (isUsual(meant.value, context)) return { kind: 'understood', meaning: asMeaning(meant) };
  return question(meant, [], context, context.units);
}

/** `+6`, `-1.5`: the dial, from what the gauge was set to. */
export function parseDial(sign: string, numeral: string, word: string, context: ParseContext): ParsedReading {
  const cannot = noDial(context);
  if (cannot) return cannot;
  const unit = word === '' ? null : unitNamed(word);
  if (word !== '' && unit === null) return unknownUnit(word, context);
  const direction = sign === '-' ? -1 : 1;
  const { units, dial } = context;
  const amount = Number(numeral);
  const divisions = unit === null && units === 'metric' && (amount >= 1 || !numeral.includes('.')) && amount !== 0;
  if (divisions && dial)
    return dialReading(
      {
        value: fromDecimal(numeral, dial.division),
        taken: `${numeral} divisions of ${lengthText(dial.division, units, 'fine')}`,
      },
      direction,
      context,
    );
  if (divisions) {
    const micrometres = dialReading(take(numeral, 'µm'), direction, context);
    const hundredths = dialReading(
      { value: fromDecimal(numeral, NM_PER_MM / 100), taken: `${numeral} hundredths` },
      direction,
      context,
    );
    const options = [micrometres, hundredths].flatMap((h) =>
      h.kind === 'understood' ? [h.meaning] : h.kind === 'question' ? h.options.slice(-1) : [],
    );
    const [small, large] = options.map((o) => lengthText(o.value, 'metric', 'size'));
    return {
      kind: 'question',
      ask: `Is the dial at ${numeral} µm (${small ?? 'no bore'}) or at ${numeral} hundredths (${large ?? 'no bore'})?`,
      options,
    };
  }
  const byDefault: UnitName = units === 'metric' ? 'mm' : amount > 0 && amount < 0.1 ? 'in' : 'thou';
  return dialReading(take(numeral, unit ?? byDefault), direction, context);
}

/** `1t6`, `-1t4`: whole turns of the dial, and what it shows past them. */
export function parseTurns(sign: string, turns: string, rest: string, context: ParseContext): ParsedReading {
  const cannot = noDial(context);
  if (cannot) return cannot;
  const { dial, units } = context;
  if (!dial)
    return {
      kind: 'refused',
      why: 'How much one turn of the dial is depends on the gauge, and none is named.',
      accepted: 'a bore gauge in hand, named beside the grid',
    };
  const past =
    units === 'metric' && !rest.includes('.')
      ? fromDecimal(rest, dial.division)
      : fromDecimal(rest, units === 'metric' ? NM_PER_MM : NM_PER_THOU);
  const words = `${turns} ${turns === '1' ? 'turn' : 'turns'} of ${lengthText(dial.turn, units, 'fine')} and ${lengthText(past, units, 'fine')}`;
  return dialReading({ value: Number(turns) * dial.turn + past, taken: words }, sign === '-' ? -1 : 1, context);
}

/**
 * A bare figure as the dial of a gauge that was zeroed: where as a size it would be out of the gauge's reach, or
 * cannot be right and the dial can.
 */
export function asDial(numeral: string, asSize: Nm, context: ParseContext): ParsedReading | null {
  const { field, setting } = context;
  if (!isGauged(field) || setting === null || !DIAL_FIGURE.test(numeral)) return null;
  const dial = parseDial('+', numeral, '', context);
  if (typeof setting === 'string') {
    // of no size yet: a figure that the planned bore does not speak for is the dial's
    const { bore } = context;
    return bore !== null && Math.abs(asSize - bore) <= DIAL_REACH && isUsual(asSize, context) ? null : dial;
  }
  if (Math.abs(asSize - setting) > DIAL_REACH) return dial;
  return !isUsual(asSize, context) && dial.kind === 'understood' ? dial : null;
}
