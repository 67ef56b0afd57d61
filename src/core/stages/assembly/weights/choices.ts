/** How masses are evened out, and what a crank is balanced to. */
import type { Mg } from '../../../foundation/quantity/mass';
import type { WeighedPart } from '../../../record/benchWork';

/** What may be mixed: a piston stays where its clearance put it, a big end goes with its small end. */
export const MIXED = ['pin', 'clips', 'rings', 'rod'] as const;
export type Mixed = (typeof MIXED)[number];

export interface BalanceChoices {
  /** How far above the lightest a set, or a part, may stay. */
  within: Mg;
  /** What is free to go with another piston. */
  mixes: Mixed[];
  /** Single parts that stay where they are: marked, or fitted to their number. */
  stays: { part: Mixed; number: string }[];
  /** The share of what goes up and down that the bobweight has, percent; null for what is usual, where anything is. */
  share: number | null;
  /** Both shells of one rod; null where they are not weighed. */
  shells: Mg | null;
  /** Oil that turns with the throw. */
  oil: Mg;
}

/** Within a gram, stopped at half of one: common practice, no source. Ring packs are fitted to their bores, rods to their journals. */
export const STARTING_BALANCE: BalanceChoices = {
  within: 500,
  mixes: ['pin', 'clips'],
  stays: [],
  share: null,
  shells: null,
  oil: 0,
};

/** Which part went with which cylinder once they were mixed; a part that is not named is at its own number. */
export type SetChoices = Record<Mixed, { number: string; cylinder: string }[]>;

/** Nothing was mixed. */
export const UNMIXED: SetChoices = { pin: [], clips: [], rings: [], rod: [] };

/** The kind that a weighed part is mixed as; null for the piston, which stays. */
export const mixedAs = (part: WeighedPart): Mixed | null =>
  part === 'piston' ? null : part === 'smallEnd' || part === 'bigEnd' ? 'rod' : part;
