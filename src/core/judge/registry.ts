/**
 * The stages, in working order: the one place where a stage is registered. Everything else goes over this list: what
 * can be read and chosen, the judge, progress, deck, reading line, sheet and table. docs/adding-a-stage.md has the
 * recipe.
 */
import { assembly } from '../stages/assembly/stage';
import { bores } from '../stages/bores/stage';
import { clocking } from '../stages/clocking/stage';
import { job } from '../stages/job/stage';
import { journals } from '../stages/journals/stage';
import { pistons } from '../stages/pistons/stage';
import { rings } from '../stages/rings/stage';
import { sheet } from '../stages/sheet/stage';
import type { StageResult } from '../stages/contract/stage';
import type { Task } from '../stages/contract/tasks';
import { targets } from '../stages/targets/stage';

export const STAGES = { job, targets, bores, pistons, journals, rings, clocking, assembly, sheet };

export type StageId = keyof typeof STAGES;

type Each = (typeof STAGES)[StageId];
type Together<Union> = (Union extends unknown ? (one: Union) => void : never) extends (all: infer All) => void
  ? All
  : never;
type Entries<Union> = Union extends unknown ? keyof Union : never;

/** What can be read, on any stage. */
export type Subject = Entries<Each['subjects']>;
type Lists = Together<ReturnType<Each['lists']>>;
/** Lists of things to read. */
export type ListId = keyof Lists;
/** What stands on a list. */
export type SubjectOn<L extends ListId> = Lists[L] extends readonly Task<infer S>[] ? S : never;

type ChoicesOf<S> = S extends { choices: infer C }
  ? { [K in keyof C]: C[K] extends (...given: never[]) => infer Value ? Value : never }
  : never;
/** What was chosen, by kind of entry: as chosen, else as it starts. */
export type Choices = Together<ChoicesOf<Each>>;
export type ChoiceKind = keyof Choices;

type PartOf<S> = S extends { judge: (...given: never[]) => StageResult<infer Part, object> } ? Part : never;
/** What all stages found of a cylinder. */
export type CylinderResult = Together<PartOf<Each>>;

type MadeOf<S> = S extends { judge: (...given: never[]) => StageResult<object, infer Made> } ? Made : never;
/** What all stages found of the engine. */
export type EngineResult = Together<MadeOf<Each>>;
