import { expect, it } from 'vitest';
import { STARTING_STRICTNESS } from './decide';
import { ruleWords } from './ruleWords';

it('names ISO 14253-1 only where no limit is moved by a grace', () => {
  const strict = { sure: 0.95, gapGrace: 0, clearanceGrace: 0 };
  expect(ruleWords(strict)).toMatch(/^The rule of ISO 14253-1/);
  expect(ruleWords({ ...strict, clearanceGrace: 2_540 })).toMatch(/^Relaxed acceptance in the sense of JCGM 106/);
  expect(ruleWords(STARTING_STRICTNESS)).toMatch(/^Relaxed acceptance/);
});
