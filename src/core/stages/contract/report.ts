/** What a stage puts on paper and into a table, without a word of how either is laid out. */
import type { Nm } from '../../foundation/quantity/length';
import type { LengthStyle } from '../../foundation/quantity/format';
import type { Message } from '../../foundation/quantity/message';
import type { State } from '../../foundation/verdict/state';

/** One piece of a table's cell. */
export type Piece =
  | { kind: 'text'; text: string; look?: 'small' | 'below' }
  /** A length whose unit stands in the heading, or `–` for none; with an upper end, both. */
  | { kind: 'number'; nm: Nm | null; as: LengthStyle; to?: Nm | null; joint?: '/' | '–'; atLeast?: boolean }
  | { kind: 'said'; says: Message }
  /** A range with its unit. */
  | { kind: 'range'; from: Nm; to: Nm | null }
  | { kind: 'state'; state: State };

/**
 * A cell of words.
 *
 * @example words('to do') // [ { kind: 'text', text: 'to do' } ]
 */
export const words = (text: string): Piece[] => [{ kind: 'text', text }];

/** A cell with one length. */
export const number = (nm: Nm | null | undefined, as: LengthStyle): Piece[] => [{ kind: 'number', nm: nm ?? null, as }];

export interface Column {
  words: string;
  /** The style its lengths are printed in, where the heading says their unit. */
  unit?: LengthStyle;
  /** Whether figures stand in it. */
  figures?: boolean;
}

export interface Table {
  columns: Column[];
  /** The first cell of each heads its row. */
  rows: Piece[][][];
}

/** One part of the build sheet. */
export interface SheetPart {
  heading: Message;
  /** The style whose unit stands in the heading, where the columns do not say it. */
  unit?: LengthStyle;
  /** Under another part's heading, as a smaller one. */
  minor?: boolean;
  before: Message[];
  table: Table | null;
  after: Message[];
}

/** What the table of readings and results has, a column each; a row leaves out what it has not. */
export const ROW_COLUMNS = [
  'cylinder',
  'place',
  'what',
  'depth',
  'direction_deg',
  'entry',
  'value_mm',
  'value_in',
  'uncertainty_mm',
  'not_passing_mm',
  'typed',
  'by',
  'at_utc',
  'instrument',
  'temperature_c',
  'gauge_temperature_c',
  'torque_plate',
  'ring',
  'deburred',
  'squared',
  'count',
  'in_force',
  'void_reason',
  'state',
  'accepted',
  'target_least_mm',
  'target_aim_from_mm',
  'target_aim_to_mm',
  'target_most_mm',
  'target_most_is_hard',
  'target_from',
  'mass_g',
  'torque_nm',
  'angle_deg',
  'note',
] as const;

export type Row = Partial<Record<(typeof ROW_COLUMNS)[number], string>>;
