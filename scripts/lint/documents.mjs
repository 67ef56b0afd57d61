// Holds README and the documents to the words of the screens.
import { readFileSync, readdirSync } from 'node:fs';
import { formerWord } from './formerWords.mjs';

const documents = readdirSync('docs').filter((name) => name.endsWith('.md'));
const faults = ['README.md', 'CONTRIBUTING.md', ...documents.map((name) => `docs/${name}`)].flatMap((file) =>
  readFileSync(file, 'utf8')
    .split('\n')
    .flatMap((line, i) => {
      const former = formerWord(line);
      return former ? [`${file}:${i + 1}: “${former.found}” is a former word. Now: ${former.instead}.`] : [];
    }),
);
for (const fault of faults) console.error(fault);
process.exit(faults.length === 0 ? 0 : 1);
