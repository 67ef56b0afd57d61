/** Stages that show something of all the others: they wait for what works out an optional one. */
import type { StageId } from '@/core/stages';

const NEED_ALL: readonly string[] = ['job', 'journals', 'assembly', 'sheet'] satisfies StageId[];

/**
 * Whether a stage needs everything its job covers.
 *
 * @example needsAll('rings') // false
 */
export const needsAll = (stage: string | undefined): boolean => stage !== undefined && NEED_ALL.includes(stage);
