/**
 * Every `@example expression // value` in core gives that value; it may run over several lines. In scope: what the
 * module exports, lengths, and `record`, a large one, its `judgement` and the first `cylinder` of it; `demoRecord` and `demo`,
 * its judgement, a five with all stages begun.
 */
import { readFileSync, readdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { createContext, runInContext } from 'node:vm';
import { describe, expect, it } from 'vitest';
import { largeRecord } from '@/fixtures/records';
import { demoRecords } from '../../scripts/demoRecords';
import { judge } from './judge/judge';
import * as lengths from './foundation/quantity/length';

const core = fileURLToPath(new URL('.', import.meta.url));
const record = largeRecord(200);
const judgement = judge(record);
const demoRecord = demoRecords().find(({ id }) => id === 'demo-tarn-five') ?? record;
const demo = judge(demoRecord);
const shared = { ...lengths, record, judgement, cylinder: judgement.cylinders[0], demoRecord, demo };

const modules = readdirSync(core, { recursive: true, encoding: 'utf8' }).filter(
  (file) => file.endsWith('.ts') && !file.endsWith('.test.ts'),
);
/** Examples of a module: each is what stands after `@example` on its line and on lines that are indented under it. */
const examplesIn = (file: string) =>
  [...readFileSync(core + file, 'utf8').matchAll(/@example(.*(?:\n *\* {3}.*)*)/g)].map(([, text = '']) => {
    const [expression = '', value = ''] = text
      .replace(/\n *\*/g, ' ')
      .replace(/\*\/$/, '')
      .split(/ \/\/ /);
    return { file, expression: expression.trim(), value: value.trim() };
  });
const examples = modules.flatMap(examplesIn);

describe('examples', () => {
  it('are there for most modules', () => {
    expect(new Set(examples.map((e) => e.file)).size).toBeGreaterThan(90);
  });

  it.each(examples)('$file: $expression', async ({ file, expression, value }) => {
    const module = (await import(`./${file}`)) as object;
    const run = (code: string): unknown =>
      runInContext(`(${code})`, createContext({ ...shared, ...module, Math, Map }));
    expect(run(expression)).toEqual(run(value));
  });
});
