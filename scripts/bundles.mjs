// Part of every build: the server and its thread for heavy work as one file each with all that they import, so that
// they start in two thirds of the time; and the service worker, with the list of what the build is made of.
import { join } from 'node:path';
import { build } from 'esbuild';
import { injectManifest } from 'workbox-build';

const [root] = process.argv.slice(2);
const bundled = join(root, '.next', 'worker.js');

for (const [source, outfile] of [
  ['main.ts', 'spatium.mjs'],
  ['worker.ts', 'spatium-worker.mjs'],
])
  await build({
    entryPoints: [join(root, 'src', 'server', source)],
    bundle: true,
    // the framework is loaded by its own rules, the database from its binary
    external: ['next', '@libsql/client', 'libsql'],
    banner: { js: `import { createRequire } from 'node:module';\nconst require = createRequire(import.meta.url);` },
    platform: 'node',
    format: 'esm',
    target: 'node20',
    outfile: join(root, '.next', outfile),
    logLevel: 'error',
  });
await build({
  entryPoints: [join(root, 'src', 'offline', 'worker.ts')],
  bundle: true,
  minify: true,
  format: 'iife',
  target: 'es2022',
  define: { 'process.env.NODE_ENV': '"production"' },
  outfile: bundled,
  logLevel: 'error',
});
const { count, warnings } = await injectManifest({
  swSrc: bundled,
  swDest: join(root, 'public', 'sw.js'),
  globDirectory: root,
  globPatterns: ['.next/static/**/*.{js,css,woff2,svg}', 'public/offline.html', 'public/icons/*.png'],
  modifyURLPrefix: { '.next/': '/_next/', 'public/': '/' },
  // what is built is named by what is in it
  dontCacheBustURLsMatching: /\/_next\/static\//,
  maximumFileSizeToCacheInBytes: 4_000_000,
});
if (count < 10 || warnings.length > 0) {
  console.error(`The service worker lists ${count} files. ${warnings.join(' ')}`);
  process.exit(1);
}
