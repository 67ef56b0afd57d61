/**
 * A stage: one leg of the work from job card to build sheet, as a plug. What it says of itself here is all that the
 * rest of the program knows of it; `judge/registry.ts` lists them, and docs/adding-a-stage.md has the recipe.
 */
import type { Joints } from '../../foundation/parts/joints';
import type { Cylinder } from '../../foundation/engine/engine';
import type { Job } from '../../record/jobCard';
import type { Expected, Field } from '../../foundation/quantity/readingField';
import type { Units } from '../../foundation/quantity/length';
import type { LengthStyle } from '../../foundation/quantity/format';
import type { Message } from '../../foundation/quantity/message';
import type { Log } from '../../record/log';
import type { Family } from '../../foundation/uncertainty/instrument';
import type { Finding } from './finding';
import type { Memo } from './memo';
import type { Row, SheetPart } from './report';
import type { State } from '../../foundation/verdict/state';
import type { Task } from './tasks';

/** What is to be known of one thing that can be read. */
export interface SubjectFacts {
  words: string;
  /** The list of things to read that it is on. */
  list: string;
  /** How an entry is understood. */
  field: Field;
  /** What kind of tool it is read with. */
  tool: Family;
  /** Whose number it is filed under. A bearing is a main or, by its cylinder, a rod's; a rod is filed under its cylinder. */
  number: 'cylinder' | 'piston' | 'ring' | 'bearing' | 'rod' | 'crank' | 'other';
  style: LengthStyle;
  /** Whether the temperatures of part and tool are noted with it. */
  warm: boolean;
  /** What is machined or replaced when its readings no longer hold; null for what is only checked. */
  part: string | null;
  /** Whether it is read at places in the bore, or at places of a bearing; null for neither. */
  spots: 'bore' | 'bearing' | null;
  /** Whether it is squared in its bore, and filed: a ring. */
  fitted: boolean;
}

/** What every stage is judged from. */
export interface EngineContext<Choices = unknown> {
  id: string;
  /** Null until the job card is filled in; there are no cylinders then. */
  job: Job | null;
  choices: Choices;
  log: Log;
  /** What the cylinders are called, by id. */
  labels: ReadonlyMap<string, string>;
}

/** What a stage found: of each cylinder by its id, and of the engine. */
export interface StageResult<Part extends object, Made extends object> {
  cylinders: ReadonlyMap<string, Part>;
  engine: Made;
}

export interface Progress {
  done: number;
  /** Zero for a stage that has nothing to be done. */
  total: number;
}

/** Something of the engine that is read and is no cylinder: a main bearing, the crank. */
export interface Place {
  id: string;
  /** What an address calls it. */
  label: string;
  words: string;
}

/** What a bore on the deck says of a cylinder: a word, and a figure. */
export interface Caption {
  state: State;
  word: string;
  figure: Message;
}

/** What a cylinder still lacks before its piston goes in. */
export interface Missing {
  says: Message;
  /** What is to be read; null where it is not a reading. */
  subject: string | null;
}

/** What a cylinder comes to with a reading in: a few words, the verdict or a strong word, and what to do. */
export interface Outcome {
  says: Message;
  state: State | null;
  strong: string | null;
  soft: Message;
}

/** What was chosen, of a frame. */
export type ChoicesOf<J> = J extends { choices: infer Choices } ? Choices : never;

/**
 * @typeParam E what the stage is judged from: the frame, and what was found of the engine before it
 * @typeParam C of a cylinder: the cylinder, and what was found of it before
 * @typeParam J what the rest reads of the engine, once all is judged
 * @typeParam K of a cylinder
 */
export interface Stage<
  E = EngineContext,
  C extends Cylinder = Cylinder,
  Part extends object = object,
  Made extends object = object,
  J = E & Made,
  K extends Cylinder = C & Part,
> {
  words: string;
  /** Whether the deck stands beside it. */
  deck: boolean;
  /** Whether every job covers it, each that does not leave it to others, or each that adds it. */
  coverage: 'always' | 'unless left out' | 'where added';
  /** What can be chosen, by kind of entry: what holds until someone chooses. */
  choices: Record<string, (units: Units) => unknown>;
  /** What can be read. */
  subjects: Record<string, SubjectFacts>;
  judge: (engine: E, cylinders: readonly C[], memo: Memo) => StageResult<Part, Made>;
  /** What there is to read, each list in the order of its route. */
  lists: (engine: J, cylinders: readonly K[]) => Record<string, Task[]>;
  progress: (engine: J, cylinders: readonly K[]) => Progress;
  /** What a cylinder lacks on this stage to be ready: neither done nor accepted, or with a stop against it. */
  missing: (choices: ChoicesOf<J>, cylinder: K) => Missing[];
  /** What the deck shows of a cylinder on this stage. */
  caption: (cylinder: K) => Caption;
  /** Where the deck draws a cylinder's joints on this stage; null for where they are planned. */
  joints: (cylinder: K) => Joints | null;
  /** The size an entry is held against for slips; null where nothing leads one to expect any. */
  expected: (engine: J, cylinder: K, subject: string, units: Units) => Expected | null;
  /** What a subject of a cylinder comes to, said back before Enter. */
  outcome: (engine: J, cylinder: K, subject: string) => Outcome;
  /** What is read on it that is no cylinder, and what the two above say of it. */
  places: (engine: J) => readonly Place[];
  expectedAt: (engine: J, place: Place, subject: string, units: Units) => Expected | null;
  outcomeAt: (engine: J, place: Place, subject: string) => Outcome;
  /** What is to be known of it: out of its limits, contradicting itself, worth a look. */
  findings: (engine: J, cylinders: readonly K[]) => Finding[];
  /** What it puts on paper and into the table: loaded when that is asked for, since no bench shows it. */
  report: () => Promise<Partial<Report<J, K>>>;
}

/** Of a stage, on paper and in the table. */
export interface Report<J = EngineContext, K extends Cylinder = Cylinder> {
  /** Readings and results of one cylinder for the table. */
  rows: (engine: J, cylinder: K) => Row[];
  /** The same of what is no cylinder, and of what is known once all cylinders are: which set is the lightest. */
  placeRows: (engine: J, cylinders: readonly K[]) => Row[];
  sheet: (engine: J, cylinders: readonly K[]) => SheetPart[];
}

const NO_PLACES: readonly Place[] = [];

const NOTHING: StageResult<object, object> = { cylinders: new Map(), engine: {} };

/** What a stage does that says nothing of it. */
export const SILENT = {
  deck: true,
  coverage: 'always',
  choices: {},
  subjects: {},
  judge: () => NOTHING,
  lists: () => ({}),
  progress: () => ({ done: 0, total: 0 }),
  missing: (): Missing[] => [],
  caption: (): Caption => ({ state: 'to do', word: 'to do', figure: [] }),
  joints: (): Joints | null => null,
  expected: () => null,
  outcome: (): Outcome => ({ says: [], state: null, strong: null, soft: [] }),
  places: (): readonly Place[] => NO_PLACES,
  expectedAt: () => null,
  outcomeAt: (): Outcome => ({ says: [], state: null, strong: null, soft: [] }),
  findings: (): Finding[] => [],
  report: () => Promise.resolve({}),
} satisfies Omit<Stage, 'words'>;

/**
 * How many of some flags are up.
 *
 * @example counted([true, false]) // { done: 1, total: 2 }
 */
export const counted = (flags: readonly boolean[]): Progress => ({
  done: flags.filter(Boolean).length,
  total: flags.length,
});
