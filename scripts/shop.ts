/** What is done to the shop's data as a whole, from the command line: copies, one archive of open files, people. */
import { createWriteStream, existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { addPerson, everybody, setSecret } from '../src/people/people';
import { ROLES } from '../src/people/rules';
import { archiveOf, readIn } from '../src/store/archive';
import { noteDone } from '../src/store/audit';
import { backUp, backUpNightly, backupFolder, copyName, restore } from '../src/store/backup';
import { StoreRefused } from '../src/store/open';
import { database, databaseUrl } from '../src/store/store';

const tell = (line: string): void => void process.stdout.write(`${line}\n`);
const [command = '', ...args] = process.argv.slice(2);
const url = databaseUrl();
const [file] = args;

const needed = (value: string | undefined, usage: string): string => {
  if (value === undefined || value === '') throw new RangeError(`Say which: ${usage}`);
  return value;
};
const note = async (act: string, of: string, says: string): Promise<void> =>
  noteDone(await database(), act, { of, says }, { by: '', asking: { person: null } });

const commands: Record<string, () => Promise<void>> = {
  backup: async () => {
    if (file?.startsWith('--nightly')) {
      const made = await backUpNightly(url, Number(file.split('=')[1] ?? 14));
      tell(made ?? 'Tonight’s copy is there already.');
      return;
    }
    const to = file ?? join(backupFolder(url), copyName());
    const { builds, entries } = await backUp(url, to);
    tell(`${to}: ${builds} builds, ${entries} entries.`);
  },
  restore: async () => {
    const { restored, kept } = await restore(url, needed(file, 'npm run restore FILE'), backupFolder(url));
    await note(
      'restore',
      file ?? '',
      `Everything put back from a copy: ${restored.builds} builds, ${restored.entries} entries`,
    );
    tell(`Put back: ${restored.builds} builds, ${restored.entries} entries. What was there before is kept in ${kept}.`);
  },
  export: async () => {
    const to = needed(file, 'npm run export FILE.zip');
    if (existsSync(to)) throw new RangeError(`${to} is there already: nothing is written over.`);
    await pipeline(Readable.from(archiveOf(await database())), createWriteStream(to));
    tell(`${to}: the whole shop, as open files.`);
  },
  import: async () => {
    const from = needed(file, 'npm run import FILE.zip');
    const came = await readIn(await database(), readFileSync(from));
    if (typeof came === 'string') throw new RangeError(came);
    const { builds, charts, tools, people, faults } = came;
    const says = `${builds.added} builds added, ${builds.grown} grown, ${builds.same} the same; ${charts} versions of charts, ${tools} tools, ${people} people`;
    await note('import', from, `Read in: ${says}`);
    tell(`${says}.`);
    for (const fault of faults) tell(`Left out: ${fault}`);
  },
  people: async () => {
    const db = await database();
    const [what, initials = '', secret = '', name = '', role = 'owner'] = args;
    if (what === undefined) {
      for (const p of await everybody(db)) tell(`${p.initials}\t${p.role}\t${p.name}${p.hasLeft ? '\tleft' : ''}`);
      return;
    }
    const known = (await everybody(db)).find((p) => p.initials.toLowerCase() === initials.toLowerCase());
    const as = ROLES.find((r) => r === role);
    const done =
      what === 'pin' && known
        ? await setSecret(db, known.id, secret)
        : what === 'add' && as
          ? await addPerson(db, { name: name || initials, initials, role: as, secret })
          : null;
    if (!done) throw new RangeError('Usage: npm run people [-- add INITIALS PIN NAME ROLE | -- pin INITIALS NEW-PIN]');
    if (!done.ok) throw new RangeError(done.faults.join(' '));
    await note(
      `people ${what}`,
      initials,
      what === 'pin' ? 'A new PIN or password' : `${name || initials} added as ${role}`,
    );
    tell('Done.');
  },
};

try {
  const run = commands[command];
  if (!run) throw new RangeError(`${command} is not understood. Accepted: ${Object.keys(commands).join(', ')}.`);
  await run();
  process.exit(0);
} catch (error) {
  const isPlain = error instanceof RangeError || error instanceof StoreRefused;
  process.stderr.write(
    `\n${isPlain ? error.message : error instanceof Error ? (error.stack ?? error.message) : String(error)}\n`,
  );
  process.exit(1);
}
