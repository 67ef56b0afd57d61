import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

/** Of the store, the tests that open none, or a server's own: the others run a second time on a stand-in for a database server. */
const NO_STORE = ['busyRetry', 'presence', 'remote'].map((name) => `src/store/${name}.test.ts`);
/** Tests that put something else in a module's or a global's place: these get modules of their own. */
const ALONE = ['src/core/judge/registry.test.ts', 'src/server/answering.test.ts', 'src/ui/openBuild/outbox.test.ts'];

const path = (of: string): string => fileURLToPath(new URL(of, import.meta.url));

export default defineConfig({
  resolve: { alias: { '@': path('./src') } },
  test: {
    testTimeout: 60_000,
    maxWorkers: 3,
    projects: [
      { extends: true, test: { name: 'alone', include: ALONE } },
      {
        extends: true,
        test: {
          name: 'together',
          include: ['src/**/*.test.ts', 'scripts/**/*.test.ts'],
          exclude: ALONE,
          isolate: false,
        },
      },
      {
        extends: true,
        resolve: { alias: { 'next/navigation': path('./src/ui/testing/navigation.ts') } },
        oxc: { jsx: { runtime: 'automatic', development: false } },
        test: {
          name: 'screens',
          environment: 'jsdom',
          include: ['src/ui/**/*.test.tsx'],
          env: { NODE_ENV: 'production' },
          setupFiles: ['src/ui/testing/react.ts', 'src/ui/testing/setup.ts'],
          unstubGlobals: true,
          isolate: false,
        },
      },
      {
        extends: true,
        test: {
          name: 'on a server',
          include: ['src/store/*.test.ts'],
          exclude: NO_STORE,
          env: { SPATIUM_STORE: 'server' },
          isolate: false,
        },
      },
    ],
  },
});
