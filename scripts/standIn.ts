/**
 * A stand-in for a libSQL server on a database file, for `npm run demo -- --remote` and `npm run soak`: prints its
 * address, and stays. `standIn FILE [PORT]`.
 */
import { LibsqlServer } from '../src/fixtures/libsqlServer';

const [file, port = '0'] = process.argv.slice(2);
if (!file) throw new RangeError('which file?');
const server = new LibsqlServer(file);
server.port = Number(port);
await server.start();
process.stdout.write(`${server.url}\n`);
