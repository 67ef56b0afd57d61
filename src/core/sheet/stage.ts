/** Sheet: every figure on paper. It has nothing to be done. */
import { SILENT, type Stage } from '../stage/stage';

export const sheet = { ...SILENT, words: 'Sheet', deck: false } satisfies Stage;
