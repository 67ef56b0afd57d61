/** Commands on the shop's data as a whole: backup, restore, export and import as open files, people. */
import { createWriteStream, existsSync } from 'node:fs';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { parseArgs } from 'node:util';
import { addPerson, everybody, setSecret } from '../src/people/people';
import { ROLES } from '../src/files/roles';
import { archiveOf, importArchive, longBuilds, tooManyEntries } from '../src/store/archive';
import { importSays } from '../src/store/archiveSays';
import { noteDone } from '../src/store/audit';
import { backUp, backUpNightly, backupFolder, copyName, restore } from '../src/store/backup';
import { StoreRefused } from '../src/store/open';
import { database, databaseUrl } from '../src/store/store';
import { updateDatabase } from '../src/store/update';
import { askSecret } from './askSecret';

const tell = (line: string): void => void process.stdout.write(`${line}\n`);
const url = databaseUrl();

const note = async (act: string, of: string, says: string): Promise<void> =>
  noteDone(await database(), act, { of, says }, { by: '', asking: { person: null } });

interface Given {
  args: string[];
  flags: Record<string, string | boolean | undefined>;
}
interface Command {
  /** How it is written, and what it does. */
  help: string;
  /** How many words it takes besides flags. */
  words: readonly [least: number, most: number];
  flags?: Record<string, { type: 'string' | 'boolean' }>;
  run: (given: Given) => Promise<void>;
}

const PEOPLE_HELP = `npm run people                                  lists who works in the shop
npm run people -- add INITIALS "NAME" ROLE      adds a person; ROLE is ${ROLES.join(', ')}
npm run people -- pin INITIALS                  sets a new PIN

The PIN is asked for, or read from standard input: never written on the command line, where others can see it.`;

const commands: Record<string, Command> = {
  backup: {
    help: `npm run backup                 writes a backup to the folder backups beside the database
npm run backup -- FILE         writes it to FILE, which must not exist

A backup is one file with everything but sessions and secrets. It may be made while the server runs.`,
    words: [0, 1],
    flags: { nightly: { type: 'string' } },
    run: async ({ args: [file], flags: { nightly } }) => {
      if (typeof nightly === 'string') {
        const made = await backUpNightly(url, Number(nightly));
        tell(made ?? 'Tonight’s backup exists already.');
        return;
      }
      const to = file ?? join(backupFolder(url), copyName());
      const { builds, entries } = await backUp(url, to);
      tell(`${to}: ${builds} builds, ${entries} entries.`);
    },
  },
  restore: {
    help: `npm run restore -- FILE                     replaces everything by the backup FILE
npm run restore -- FILE --without-people    also where nobody in it can sign in

What is replaced is kept in the folder backups. Everybody signs in again. It may be done while the server runs.`,
    words: [1, 1],
    flags: { 'without-people': { type: 'boolean' } },
    run: async ({ args: [file = ''], flags }) => {
      const leaveNobody = flags['without-people'] === true;
      const { restored, kept } = await restore(url, file, backupFolder(url), { leaveNobody });
      const { builds, entries } = restored;
      await note('restore', file, `Restored from a backup: ${builds} builds, ${entries} entries`);
      tell(`Restored: ${builds} builds, ${entries} entries. What was there before is kept in ${kept}.`);
    },
  },
  export: {
    help: `npm run export -- FILE.zip     writes the whole shop as open files to FILE.zip, which must not exist`,
    words: [1, 1],
    run: async ({ args: [to = ''] }) => {
      if (existsSync(to)) throw new RangeError(`${to} exists already and is not overwritten.`);
      await pipeline(Readable.from(archiveOf(await database())), createWriteStream(to, { mode: 0o600 }));
      tell(`${to}: the whole shop, as open files.`);
      for (const [id, n] of await longBuilds(await database())) tell(`Build ${id} is not in it: ${tooManyEntries(n)}`);
    },
  },
  import: {
    help: `npm run import -- FILE.zip     adds what an exported shop holds; nothing that exists is changed or doubled`,
    words: [1, 1],
    run: async ({ args: [from = ''] }) => {
      const came = await importArchive(await database(), from, backupFolder(url));
      if (typeof came === 'string') {
        await note('import', from, `Import refused, nothing was changed: ${came}`);
        throw new RangeError(came);
      }
      await note('import', from, importSays(came));
      tell(`${importSays(came)}.`);
      for (const fault of came.faults) tell(`Left out: ${fault}`);
    },
  },
  people: {
    help: PEOPLE_HELP,
    words: [0, 4],
    run: async ({ args: [what, initials = '', name = '', role = 'owner'] }) => {
      const db = await database();
      const all = await everybody(db);
      if (what === undefined) {
        for (const p of all) tell(`${p.initials}\t${p.role}\t${p.name}${p.hasLeft ? '\tdeactivated' : ''}`);
        return;
      }
      const known = all.find((p) => p.initials.toLowerCase() === initials.toLowerCase());
      const as = ROLES.find((r) => r === role);
      const isPin = what === 'pin' && known !== undefined;
      if (!isPin && !(what === 'add' && initials !== '' && as)) throw new RangeError(PEOPLE_HELP);
      const secret = await askSecret(`PIN or password of ${initials}: `);
      const done = isPin
        ? await setSecret(db, known.id, secret)
        : await addPerson(db, { name: name || initials, initials, role: as ?? 'reader', secret });
      if (!done.ok) throw new RangeError(done.faults.join(' '));
      await note(`people ${what}`, initials, isPin ? 'A new PIN or password' : `${name || initials} added as ${role}`);
      tell('Done.');
    },
  },
};

/** Runs a command; whether it is known and its words are as many as it takes. */
async function runCommand(name: string, rest: string[]): Promise<void> {
  const command = commands[name];
  if (!command) throw new RangeError(`${name} is not a command. Accepted: ${Object.keys(commands).join(', ')}.`);
  const { values, positionals } = parseArgs({
    args: rest,
    options: { help: { type: 'boolean', short: 'h' }, ...command.flags },
    allowPositionals: true,
  });
  if (values.help) {
    tell(command.help);
    return;
  }
  const [least, most] = command.words;
  if (positionals.length < least || positionals.length > most) throw new RangeError(command.help);
  await updateDatabase(url, tell);
  await command.run({ args: positionals, flags: values });
}

const isPlain = (error: unknown): error is Error =>
  error instanceof RangeError ||
  error instanceof StoreRefused ||
  (error instanceof TypeError && 'code' in error && String(error.code).startsWith('ERR_PARSE_ARGS'));

try {
  const [name = '', ...rest] = process.argv.slice(2);
  await runCommand(name, rest);
  process.exit(0);
} catch (error) {
  process.stderr.write(
    `\n${isPlain(error) ? error.message : error instanceof Error ? (error.stack ?? error.message) : String(error)}\n`,
  );
  process.exit(1);
}
