/** One figure: a length, or what a dial shows. */
import { lengthText } from './format';
import type { Nm, Units } from './length';
import { asDial } from './parseDial';
import {
  type UnitName,
  type Take,
  take,
  unknownUnit,
  unitNamed,
  tenTimes,
  takesOf,
  question,
  asMeaning,
} from './parseLength';
import { type ParseContext, type ParsedReading, isUsual, isFine } from './readingField';
import { suggestionsFor } from './suggestions';

const otherUnits = (numeral: string, unit: UnitName): Take[] =>
  (['mm', 'in', 'thou'] as const).filter((u) => u !== unit).map((u) => take(numeral, u));
const spokenIn = (unit: UnitName | null, units: Units): Units =>
  unit === null ? units : unit === 'mm' || unit === 'µm' ? 'metric' : 'imperial';

/** Whether of two meanings the shop's own is taken unasked: where it lies in the window, or the other does not either. */
function isNearer(own: Nm, rival: Nm, { window }: ParseContext): boolean {
  if (!window) return false;
  const within = (nm: Nm): boolean => nm >= window.least && nm <= window.most;
  return within(own) || !within(rival);
}

/** One numeral with its unit, or in the field’s own where it has none: read, asked about or refused. */
export function parseSingle(numeral: string, word: string, context: ParseContext): ParsedReading {
  const unit = word === '' ? null : unitNamed(word);
  if (word !== '' && unit === null) return unknownUnit(word, context);
  const spoken = spokenIn(unit, context.units);
  const { first, rivals, equal } = unit
    ? { first: take(numeral, unit), rivals: otherUnits(numeral, unit), equal: false }
    : takesOf(numeral, context);
  const dial = unit === null ? asDial(numeral, first.value, context) : null;
  if (dial) return dial;
  const likelyRivals = rivals.filter((r) => isUsual(r.value, context));
  if (isUsual(first.value, context)) {
    const rival = likelyRivals[0];
    if (!equal || !rival || isNearer(first.value, rival.value, context))
      return { kind: 'understood', meaning: asMeaning(first) };
    return {
      kind: 'question',
      ask: `${first.taken} (${lengthText(first.value, 'metric', 'fine')}), or ${rival.taken} (${lengthText(rival.value, 'metric', 'fine')})?`,
      options: [asMeaning(first), asMeaning(rival)],
    };
  }
  if (equal && likelyRivals[0]) return { kind: 'understood', meaning: asMeaning(likelyRivals[0]) };
  const slips =
    context.expected && !isFine(context.field) ? suggestionsFor(numeral, first.value, context.expected) : [];
  return question(
    first,
    [...slips, ...rivals, ...tenTimes(first.value), ...rivals.flatMap((r) => tenTimes(r.value, `${r.taken}, `))],
    context,
    spoken,
  );
}
