/** What is looked for is found by the names of folders and files alone. */
import { existsSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

const rows = [...readFileSync('docs/architecture.md', 'utf8').matchAll(/^\| ([^|`]+) \| `([^`]+)` \|$/gm)].map(
  ([, looked = '', path = '']) => ({ looked, path }),
);

/** Words of at least four letters, by their first four: *fitting* and *fit* are near enough, *ring* and *string* are not. */
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
