/** axe, run in the page: what it finds wrong, and nothing else, which is what takes it long. */
import type { Page } from '@playwright/test';
import axe, { type AxeResults, type RunOptions } from 'axe-core';
import { expect } from './server';

const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

interface Asked {
  /** What changed since axe last looked at the page; else all of it. */
  within?: string;
  /** Rules to be held to; else those of WCAG A and AA and best practice. */
  rules?: string[];
}

/** Fails with what axe finds wrong, rule by rule and node by node. */
export async function axeFindsNothing(page: Page, what: string, { within, rules }: Asked = {}): Promise<void> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source);
  const options: RunOptions = {
    runOnly: rules ? { type: 'rule', values: rules } : { type: 'tag', values: TAGS },
    resultTypes: ['violations'],
    preload: false,
  };
  const { violations, passes } = await page.evaluate(
    ([include, asked]) =>
      (window as unknown as { axe: { run: (in_: unknown, options: RunOptions) => Promise<AxeResults> } }).axe.run(
        include ? { include: [include] } : document,
        asked,
      ),
    [within, options] as const,
  );
  expect(passes.length, `${what}: rules that axe could ask`).toBeGreaterThan(0);
  expect(violations.map((v) => `${what}: ${v.id} ${v.nodes.map((n) => n.target.join(' ')).join(' | ')}`)).toEqual([]);
}
