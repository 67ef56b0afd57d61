/** Sheet: every figure on paper. It has nothing to be done. */
import { type Stage, SILENT } from '../contract/stage';

export const sheet = { ...SILENT, words: 'Sheet', deck: false } satisfies Stage;
