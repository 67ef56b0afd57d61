/** What a page weighs: its compressed JavaScript before it listens, and with what comes once it is at rest. */
import { readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import type { Page, Response } from '@playwright/test';

/** What is the framework's alone, and on every page: react-dom, the router. */
const frameworkFiles = (): string[] =>
  (JSON.parse(readFileSync('.next/build-manifest.json', 'utf8')) as { rootMainFiles: string[] }).rootMainFiles;

/** Where a stage listens first of all: its line, or the step of the walk. */
const LINE = '[aria-label="Reading line"] input, [data-step]';

/** What a page leaves for when it is at rest waits at least so long, ms: `onDemand.tsx`, `CurrentUser.tsx`. */
const AT_REST = 600;

export interface Weight {
  /** kB asked for before the line or the step had the focus; on a page with neither, before it was at rest. */
  all: number;
  /** Of that what is not the framework's. */
  ours: number;
  /** kB with all that came since. */
  later: number;
}

/** Watches a page from before it is opened; gives what it weighs so far. */
export async function weighed(page: Page): Promise<() => Promise<Weight>> {
  const framework = frameworkFiles();
  const files: Promise<{ kB: number; ours: boolean; from: number }>[] = [];
  const weigh = (response: Response): void => {
    const { pathname } = new URL(response.url());
    if (!pathname.endsWith('.js')) return;
    const ours = !framework.some((file) => pathname.endsWith(file));
    const from = response.request().timing().startTime;
    files.push(response.body().then((body) => ({ kB: gzipSync(body).length / 1000, ours, from })));
  };
  page.on('response', weigh);
  await page.addInitScript(
    ([line, atRest]) => {
      const wait = window.setTimeout.bind(window);
      window.setTimeout = ((work: (...given: unknown[]) => void, ms = 0, ...given: unknown[]) =>
        wait(() => {
          if (ms >= atRest) document.documentElement.dataset['rests'] ??= `${Date.now()}`;
          work(...given);
        }, ms)) as typeof window.setTimeout;
      window.addEventListener('focusin', ({ target }) => {
        if (target instanceof Element && target.matches(line))
          document.documentElement.dataset['listens'] ??= `${Date.now()}`;
      });
    },
    [LINE, AT_REST] as const,
  );
  return async () => {
    // what comes later may come when the page is closed already
    page.off('response', weigh);
    const listens = await page.evaluate(() => {
      const { dataset } = document.documentElement;
      return Number(dataset['listens'] ?? dataset['rests'] ?? Infinity);
    });
    const found = await Promise.all(files);
    const sum = (some: typeof found): number => some.reduce((all, { kB }) => all + kB, 0);
    const before = found.filter(({ from }) => from <= listens);
    return { all: sum(before), ours: sum(before.filter((file) => file.ours)), later: sum(found) };
  };
}
