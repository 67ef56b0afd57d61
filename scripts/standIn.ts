/** A stand-in for a libSQL server on a database file, for `npm run demo -- --remote`: prints its address, and stays. */
import { LibsqlServer } from '../src/fixtures/libsqlServer';

const [file] = process.argv.slice(2);
if (!file) throw new RangeError('which file?');
const server = new LibsqlServer(file);
await server.start();
process.stdout.write(`${server.url}\n`);
