/**
 * The block: how its cylinders lie, and what they are called.
 *
 * A cylinder's identity is where it stands in the block (bank, and row counted from the front), never its
 * number: renumbering an engine renames the bores and moves no reading.
 * Banks are left and right as seen from the driver's seat, looking forward. Common practice, no source.
 */

export const LAYOUTS = ['inline', 'vee', 'flat', 'single'] as const;
export type Layout = (typeof LAYOUTS)[number];

export const NUMBERING_SCHEMES = ['sequence', 'alternate', 'bankByBank', 'lettered'] as const;
export type NumberingScheme = (typeof NUMBERING_SCHEMES)[number];

export type Bank = 'only' | 'left' | 'right';

/** Crank rotation, seen from the front of the engine. */
export type Rotation = 'clockwise' | 'anticlockwise';

/** The most cylinders of an engine that is taken. */
export const MOST_CYLINDERS = 16;

export interface Numbering {
  /** `sequence` 1..n along one bank; `alternate` odd and even banks; `bankByBank` 1–4 then 5–8; `lettered` A1.., B1.. */
  scheme: NumberingScheme;
  /** The end that cylinder 1 is at. */
  start: 'front' | 'rear';
  /** The bank that cylinder 1 (or A1) is in. Without meaning on one bank. */
  firstBank: 'left' | 'right';
}

export interface Engine {
  layout: Layout;
  cylinders: number;
  /** Degrees between the banks; 180 for a flat engine, 0 on one bank. */
  bankAngle: number;
  rotation: Rotation;
  numbering: Numbering;
}

export interface Cylinder {
  /** Where it stands in the block: bank, and row from the front, e.g. `L2`, `R1`, or `1` on one bank. */
  id: string;
  /** What the engine's own scheme calls it, e.g. `3` or `B2`. */
  label: string;
  bank: Bank;
  /** Counted from the front of its bank, 1 first. */
  row: number;
  /** Centre of the bore seen from above, front at the top, in bore spacings. */
  deck: { x: number; y: number };
}

/** Whether cylinders stand in two banks. */
export const hasTwoBanks = (layout: Layout): boolean => layout === 'vee' || layout === 'flat';

function labelOf(engine: Engine, first: boolean, index: number, inFirstBank: number): string {
  switch (engine.numbering.scheme) {
    case 'alternate':
      return String(2 * index + (first ? 1 : 2));
    case 'bankByBank':
      return String(first ? index + 1 : inFirstBank + index + 1);
    case 'lettered':
      return `${first ? 'A' : 'B'}${index + 1}`;
    case 'sequence':
      return String(index + 1);
  }
}

function bankOf(
  engine: Engine,
  bank: Bank,
  count: number,
  first: boolean,
  inFirstBank: number,
  forward: Bank,
): Cylinder[] {
  const side = bank === 'left' ? -1 : bank === 'right' ? 1 : 0;
  const reach = engine.layout === 'flat' ? 0.95 : 0.62;
  const stagger = bank === 'only' || bank === forward ? 0 : 0.22;
  return Array.from({ length: count }, (_, i) => {
    const row = i + 1;
    const index = engine.numbering.start === 'front' ? i : count - row;
    return {
      id: bank === 'only' ? String(row) : `${bank === 'left' ? 'L' : 'R'}${row}`,
      label: labelOf(engine, first, index, inFirstBank),
      bank,
      row,
      deck: { x: side * reach, y: i + stagger },
    };
  });
}

const labelOrder = new Intl.Collator('en', { numeric: true });

const byLabel = (a: Cylinder, b: Cylinder): number => labelOrder.compare(a.label, b.label);

/**
 * The cylinders of an engine in the order of its own numbering.
 * An odd count on two banks gives the first bank one more.
 * The rods of a shared journal stand side by side, so one bank sits further forward.
 *
 * @param forward that bank; the one numbering begins in unless said otherwise
 */
export function cylindersOf(engine: Engine, forward: 'left' | 'right' = engine.numbering.firstBank): Cylinder[] {
  if (!hasTwoBanks(engine.layout))
    return bankOf(engine, 'only', engine.cylinders, true, engine.cylinders, 'only').sort(byLabel);
  const first = engine.numbering.firstBank;
  const inFirst = Math.ceil(engine.cylinders / 2);
  const other: Bank = first === 'left' ? 'right' : 'left';
  return [
    ...bankOf(engine, first, inFirst, true, inFirst, forward),
    ...bankOf(engine, other, engine.cylinders - inFirst, false, inFirst, forward),
  ].sort(byLabel);
}

/**
 * The engine in a few words, e.g. `90° V10`, `in-line 5`, `flat 4`, `single`.
 *
 * @example
 *   engineWords({ layout: 'vee', cylinders: 8, bankAngle: 90, rotation: 'clockwise', numbering: { scheme:
 *   'alternate', start: 'front', firstBank: 'left' } }) // '90° V8'
 */
export function engineWords({ layout, cylinders, bankAngle }: Engine): string {
  switch (layout) {
    case 'vee':
      return `${bankAngle}° V${cylinders}`;
    case 'flat':
      return `flat ${cylinders}`;
    case 'inline':
      return `in-line ${cylinders}`;
    case 'single':
      return 'single';
  }
}
