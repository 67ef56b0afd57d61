/** A process that appends one entry after the other, and says of each that it was acknowledged: `writer URL NAME FROM`. */
import { appendEntries } from '../../src/store/log';
import { openDatabase } from '../../src/store/open';
import { databaseErrorOf } from '../../src/store/databaseErrors';
import { sentAs } from './sent';

const [url = '', name = '', from = '0'] = process.argv.slice(2);

/** A server that was killed a moment ago is asked again, as a browser would. */
async function again<T>(work: () => Promise<T>): Promise<T> {
  for (;;)
    try {
      return await work();
    } catch (error) {
      if (!databaseErrorOf(error)) throw error;
      await new Promise((resolve) => setTimeout(resolve, 20));
    }
}

const db = await again(() => openDatabase(url));
for (let n = Number(from); ; n += 1) {
  const { build, entry } = sentAs(name, n);
  const appended = await again(() => appendEntries(db, build, [entry]));
  if (!appended.ok || appended.conflicts.length > 0) throw new Error(`${name} ${n}: ${JSON.stringify(appended)}`);
  process.stdout.write(`${n}\n`);
}
