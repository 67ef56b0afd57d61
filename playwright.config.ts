import { defineConfig } from '@playwright/test';
import { browserForTests } from './scripts/chromium.mjs';

export default defineConfig({
  testDir: './e2e',
  timeout: 180_000,
  expect: { timeout: 20_000 },
  workers: 2,
  // each worker has a server of its own; a file whose tests rest on their order says so
  fullyParallel: true,
  retries: 0,
  outputDir: 'test-results/browser',
  use: {
    // what waits for ever says which step it was, and where
    actionTimeout: 60_000,
    navigationTimeout: 60_000,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    // only what is told of it has it: pages are fetched as they are
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: browserForTests() ?? undefined,
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--no-first-run',
      ],
    },
  },
});
