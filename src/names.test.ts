/** What is looked for is found by the names of folders and files alone. */
import { existsSync, readFileSync, readdirSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

const rows = [...readFileSync('docs/architecture.md', 'utf8').matchAll(/^\| ([^|`]+) \| `([^`]+)` \|$/gm)].map(
  ([, looked = '', path = '']) => ({ looked, path }),
);

/** The words of a text or of a name, by their first four letters: *weights* and *weighing* are near enough, *ring* and *string* are not. */
const stems = (text: string): Set<string> =>
  new Set(
    (text.match(/[A-Z]?[a-z]+|[A-Z]{2,}/g) ?? []).map((w) => w.toLowerCase().slice(0, 4)).filter((w) => w.length > 2),
  );

describe('where to look', () => {
  it('names forty places, each once', () => {
    expect(rows).toHaveLength(40);
    expect(new Set(rows.map(({ path }) => path)).size).toBe(40);
  });

  it.each(rows)('$looked: $path', ({ looked, path }) => {
    expect(existsSync(path)).toBe(true);
    const file = stems(path.replace(/^.*\//, '').replace(/\.tsx?$/, ''));
    expect([...stems(looked)].filter((stem) => file.has(stem))).not.toEqual([]);
  });
});

describe('the documents', () => {
  const files = (folder: string): string[] =>
    readdirSync(folder, { withFileTypes: true, recursive: true }).flatMap((file) =>
      file.isFile() ? [`${file.parentPath}/${file.name}`] : [],
    );
  const all = ['src', 'scripts', 'e2e', 'docs'].flatMap(files).concat(readdirSync('.'));

  it.each(['README.md', 'CONTRIBUTING.md', ...files('docs').filter((file) => file.endsWith('.md'))])(
    '%s names no source file or folder that is gone',
    (document) => {
      const named = [...readFileSync(document, 'utf8').matchAll(/`([\w/.-]+\.(?:tsx?|mjs)|src\/[\w/-]+)`/g)];
      const gone = named.flatMap(([, path = '']) =>
        existsSync(path) || all.some((file) => file === path || file.endsWith(`/${path}`)) ? [] : [path],
      );
      expect(gone).toEqual([]);
    },
  );
});
