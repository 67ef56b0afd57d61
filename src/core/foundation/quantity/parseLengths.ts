/**
 * Several lengths in one entry, such as the oversizes that are sold or the rods of a kit.
 */
import { type Nm, NM_PER_INCH, NM_PER_MICROMETRE, NM_PER_MM, NM_PER_THOU, fromDecimal } from './length';

/** What a number without a unit means: thou from one up and inches under it, inches, or millimetres. */
export type Bare = 'thou' | 'in' | 'mm';

export type ParsedLengths = { ok: true; values: Nm[] } | { ok: false; why: string };

const UNITS: Record<string, number> = {
  mm: NM_PER_MM,
  µm: NM_PER_MICROMETRE,
  um: NM_PER_MICROMETRE,
  in: NM_PER_INCH,
  '"': NM_PER_INCH,
  thou: NM_PER_THOU,
};
const ONE = /^(\d+\.?\d*|\.\d+)(mm|µm|um|in|"|thou)?$/;
/** Longest list that is read at all. */
const LONGEST = 600;

function unitOf(word: string | undefined, numeral: string, bare: Bare): number {
  if (word !== undefined) return UNITS[word] ?? NM_PER_MM;
  if (bare === 'mm') return NM_PER_MM;
  return bare === 'thou' && Number(numeral) >= 1 ? NM_PER_THOU : NM_PER_INCH;
}

/**
 * The lengths in an entry, in the order typed. They are separated by spaces, semicolons, or a comma and a space; a comma
 * between digits is a decimal comma. Never throws.
 *
 * @param most as many lengths as are taken
 */
export function parseLengths(text: string, bare: Bare, most: number): ParsedLengths {
  if (text.length > LONGEST)
    return { ok: false, why: `That is ${text.length} characters; at most ${LONGEST} are read.` };
  const plain = text
    .trim()
    .toLowerCase()
    .replace(/μ/g, 'µ')
    .replace(/ +(?=mm|µm|um|in\b|thou|")/g, '')
    .replace(/,(?=\s|$)/g, ' ')
    .replace(/,/g, '.');
  const parts = plain.split(/[\s;]+/).filter(Boolean);
  const values: Nm[] = [];
  for (const part of parts) {
    const match = ONE.exec(part);
    if (!match?.[1])
      return { ok: false, why: `“${part}” is no length. Lengths stand apart by spaces, e.g. 0.25 0.50 0.75.` };
    values.push(fromDecimal(match[1], unitOf(match[2], match[1], bare)));
  }
  if (values.length > most) return { ok: false, why: most === 1 ? 'Enter one length.' : `At most ${most} lengths.` };
  const twice = values.find((v, i) => values.indexOf(v) !== i);
  return twice === undefined || most === 1
    ? { ok: true, values }
    : { ok: false, why: `“${parts[values.lastIndexOf(twice)] ?? ''}” is there twice.` };
}

/**
 * A length in an entry's own unit, without it: as the entry would be typed.
 *
 * @example listText([fromThou(10), fromThou(20)], 'thou') // '10 20'
 */
export function listText(values: Nm[], bare: Bare): string {
  const each = bare === 'mm' ? NM_PER_MM : bare === 'in' ? NM_PER_INCH : NM_PER_THOU;
  return values.map((v) => String(Number((v / each).toFixed(6)))).join(' ');
}
