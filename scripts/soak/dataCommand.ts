/** A process that does one thing to a shop's data as a whole, to be killed while it does: `dataCommand WHAT URL FILE FOLDER`. */
import { importArchive } from '../../src/store/archive';
import { backUp, restore } from '../../src/store/backup';
import { openDatabase } from '../../src/store/open';
import { updateDatabase } from '../../src/store/update';

const [what = '', url = '', file = '', folder = ''] = process.argv.slice(2);

const DOES: Record<string, () => Promise<unknown>> = {
  backup: () => backUp(url, file),
  restore: () => restore(url, file, folder),
  import: async () => importArchive(await openDatabase(url), file, folder),
  update: () => updateDatabase(url, () => undefined),
};

process.stdout.write('begun\n');
await DOES[what]?.();
process.exit(0);
