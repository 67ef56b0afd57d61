import { join } from 'node:path';
import { build } from 'esbuild';

const ROOT = process.cwd();

/**
 * A script as one file of plain JavaScript, so that a process that is killed a moment later begins soon.
 *
 * @param name of what is made, besides its source's
 */
export async function bundled(name: string, source: string): Promise<string> {
  const outfile = join(ROOT, 'node_modules', '.cache', `${name}-${source.replace('/', '-')}.mjs`);
  await build({
    ...{ entryPoints: [join(ROOT, 'scripts', `${source}.ts`)], outfile, bundle: true, packages: 'external' },
    ...{ platform: 'node', format: 'esm', target: 'node20', logLevel: 'error' },
  });
  return outfile;
}
