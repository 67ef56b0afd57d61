/** The files of the build that anybody may load: pages need them before somebody has signed in. */
import { readdirSync } from 'node:fs';
import { join, relative, sep } from 'node:path';

const filesUnder = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true, recursive: true })
    .filter((entry) => entry.isFile())
    .map((entry) => relative(folder, join(entry.parentPath, entry.name)).split(sep).join('/'));

/**
 * Their paths without the first slash, each by name: no pattern, so that nothing else is reached by one.
 *
 * @param root folder that the program was built in
 */
export const builtFiles = (root: string): ReadonlySet<string> =>
  new Set([
    ...filesUnder(join(root, '.next', 'static')).map((path) => `_next/static/${path}`),
    ...filesUnder(join(root, 'public')),
  ]);
