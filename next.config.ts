import type { NextConfig } from 'next';
import { API_POLICY, HEADERS } from './src/server/headers';

const config: NextConfig = {
  poweredByHeader: false,
  experimental: {
    // each page is loaded when it is first asked for: the server answers sooner
    preloadEntriesOnStart: false,
    // a page of a build is mostly the first that is opened: few large chunks compress better than many small ones
    turbopackChunking: {
      firstPageLoadPriority: 1,
      priorityRoutes: [/^\/builds/],
      priorityBoost: 100,
      requestCost: 1_000_000,
      minChunkSize: 200_000,
      maxMergeChunkSize: 4_000_000,
      maxChunkCountPerGroup: 10,
    },
    turbopackCjsTreeShaking: true,
    turbopackCrossModuleConstants: true,
  },
  // Types are checked by `npm test`, those of tests and scripts with them.
  typescript: { ignoreBuildErrors: true },
  serverExternalPackages: ['@libsql/client', 'libsql'],
  allowedDevOrigins: ['127.0.0.1'],
  headers: () =>
    Promise.resolve([
      {
        source: '/:path*',
        headers: Object.entries(HEADERS).map(([key, value]) => ({ key, value })),
      },
      { source: '/api/:path*', headers: [{ key: 'content-security-policy', value: API_POLICY }] },
    ]),
};

export default config;
