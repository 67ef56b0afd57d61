/** The shells that can be had, as they are typed. */
import { type Faults, faultsAmong } from '../../foundation/quantity/faults';
import { printLength } from '../../foundation/quantity/format';
import type { Nm, Units } from '../../foundation/quantity/length';
import { parseField } from '../../foundation/quantity/parseReading';
import { type BearingKind, type ShellStock, KINDS } from './choices';
import { KIND_WORDS } from './words';

/** A grade as it is typed. */
export type TypedGrade = Record<'id' | 'name' | 'gives' | 'coat' | 'under' | 'price' | 'drawer', string>;
export type TypedStock = Record<BearingKind, TypedGrade[]>;

/** The thickest coating that is taken for one, nm. From memory. */
export const MOST_COAT: Nm = 100_000;

const isNought = (text: string): boolean => /^0*[.,]?0*$/.test(text.trim());

/**
 * A length typed with or without a sign, in the small unit of the shop; null where it is none.
 *
 * @example parseSigned('-0.5', 'imperial') // -12700
 */
export function parseSigned(text: string, units: Units): Nm | null {
  const match = /^\s*([+\-−–]?)\s*(.+)$/.exec(text);
  if (!match?.[2]) return null;
  if (isNought(match[2])) return 0;
  const heard = parseField(match[2], 'clearance', units);
  const size = heard.kind === 'understood' && heard.meaning.upTo === null ? heard.meaning.value : null;
  return size === null ? null : match[1] && match[1] !== '+' ? -size : size;
}

/** An undersize: 0 for none; null where it is no length. */
function parseUnder(text: string, units: Units): Nm | null {
  if (isNought(text)) return 0;
  const heard = parseField(text, 'land', units);
  return heard.kind === 'understood' ? heard.meaning.value : null;
}

/** A coating: 0 for none; null where it is none. */
function parseCoat(text: string, units: Units): Nm | null {
  if (text.trim() === '') return 0;
  const coat = parseSigned(text, units);
  return coat !== null && coat >= 0 && coat <= MOST_COAT ? coat : null;
}

/** A grade of which nothing is typed yet. */
export const newGrade = (id: string): TypedGrade => ({
  ...{ id, name: '', gives: '', coat: '', under: '', price: '', drawer: '' },
});

type Length = 'gives' | 'coat' | 'under';
const PARSERS: Record<Length, (text: string, units: Units) => Nm | null> = {
  gives: parseSigned,
  coat: parseCoat,
  under: parseUnder,
};

/** The lengths of a grade as a form shows them. */
const printed = ({ gives, coat, under }: ShellStock, units: Units): Pick<TypedGrade, Length> => ({
  gives: printLength(gives, units, 'fine').number,
  coat: coat === 0 ? '' : printLength(coat, units, 'fine').number,
  under: under === 0 ? '' : printLength(under, units, 'fine').number,
});

const typedGrade = (stock: ShellStock, units: Units): TypedGrade => ({
  id: stock.id,
  name: stock.name,
  ...printed(stock, units),
  price: stock.price === null ? '' : String(stock.price),
  drawer: stock.drawer === null ? '' : String(stock.drawer),
});

/** The shells as a form shows them, in the shop's units. */
export const typedStock = (stock: Record<BearingKind, ShellStock[]>, units: Units): TypedStock => ({
  main: stock.main.map((grade) => typedGrade(grade, units)),
  rod: stock.rod.map((grade) => typedGrade(grade, units)),
});

const numberIn = (text: string): number | null => (text.trim() === '' ? null : Number(text.replace(',', '.')));

/** A length that was left as it was shown stays what it was: what is shown is rounded. */
function parseGrade(typed: TypedGrade, units: Units, before: ShellStock | undefined): ShellStock {
  const shown = before && printed(before, units);
  const length = (part: Length): Nm =>
    before && shown?.[part] === typed[part] ? before[part] : (PARSERS[part](typed[part], units) ?? 0);
  return {
    id: typed.id,
    name: typed.name.trim(),
    ...{ gives: length('gives'), coat: length('coat'), under: length('under') },
    ...{ price: numberIn(typed.price), drawer: numberIn(typed.drawer) },
  };
}

/** The shells that were typed, where nothing is wrong with them. */
export const parseStock = (
  typed: TypedStock,
  units: Units,
  before: Record<BearingKind, ShellStock[]>,
): Record<BearingKind, ShellStock[]> => {
  const parsed = (kind: BearingKind): ShellStock[] =>
    typed[kind].map((grade) =>
      parseGrade(
        grade,
        units,
        before[kind].find((b) => b.id === grade.id),
      ),
    );
  return { main: parsed('main'), rod: parsed('rod') };
};

function gradeFaults(grade: TypedGrade, kind: BearingKind, units: Units): Faults {
  const of = `${KIND_WORDS[kind]}, ${grade.name || 'a grade'}`;
  const price = numberIn(grade.price);
  return faultsAmong({
    name: grade.name.trim() === '' && `${KIND_WORDS[kind]}: a grade has no name.`,
    gives:
      parseSigned(grade.gives, units) === null &&
      `${of}: “${grade.gives}” is not a difference in thickness, e.g. 0.5 or −0.5.`,
    coat: parseCoat(grade.coat, units) === null && `${of}: “${grade.coat}” is not the thickness of a coating.`,
    under: parseUnder(grade.under, units) === null && `${of}: “${grade.under}” is not an undersize.`,
    price: price !== null && !(price >= 0) && `${of}: “${grade.price}” is not a price.`,
    drawer:
      grade.drawer.trim() !== '' &&
      !/^\d{1,4}$/.test(grade.drawer.trim()) &&
      `${of}: “${grade.drawer}” is not a number of half shells.`,
  });
}

/**
 * What is wrong with the shells as they are typed, by kind, grade and field.
 *
 * @example
 *   Object.keys(stockFaults({ ...typedStock(judgement.choices.shells.stock, 'metric'), rod: [{ id: 'a', name: 'A',
 *   gives: 'x', coat: '', under: '', price: '', drawer: '' }] }, 'metric')) // [ 'rod.a.gives' ]
 */
export const stockFaults = (typed: TypedStock, units: Units): Faults =>
  Object.fromEntries(
    KINDS.flatMap((kind) =>
      typed[kind].flatMap((grade) =>
        Object.entries(gradeFaults(grade, kind, units)).map(([field, says]) => [`${kind}.${grade.id}.${field}`, says]),
      ),
    ),
  );
