import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

/** Tests of the store: run on a file with all the others, and a second time on a stand-in for a database server. */
const STORE = [
  'store',
  'charts',
  'instruments',
  'rates',
  'fitted',
  'aside',
  'archive',
  'backup',
  'turning',
  'presenceShared',
  'audit',
].map((name) => `src/store/${name}.test.ts`);
/** Tests that put something else in a module's or a global's place: these get modules of their own. */
const ALONE = ['src/core/judge/registry.test.ts', 'src/server/answering.test.ts', 'src/ui/openBuild/outbox.test.ts'];

const path = (of: string): string => fileURLToPath(new URL(of, import.meta.url));

export default defineConfig({
  resolve: { alias: { '@': path('./src') } },
  test: {
    testTimeout: 60_000,
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
        oxc: { jsx: { runtime: 'automatic' } },
        test: {
          name: 'screens',
          environment: 'jsdom',
          include: ['src/ui/**/*.test.tsx'],
          setupFiles: 'src/ui/testing/setup.ts',
          unstubGlobals: true,
        },
      },
      {
        extends: true,
        test: { name: 'on a server', include: STORE, env: { SPATIUM_STORE: 'server' }, isolate: false },
      },
    ],
  },
});
