// npm run demo: an invented workshop to look round in. `-- --fresh` starts its data anew; `-- --remote` keeps it on a
// stand-in for a database server.
import { existsSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ROOT, build, install, run, serve, standIn, helpIfAsked } from './setup.mjs';

helpIfAsked(`npm run demo                an invented workshop with seven engines to look round in
npm run demo -- --fresh     with its data begun anew
npm run demo -- --remote    its data on a stand-in for a database server`);
install();
build();
const file = join(ROOT, 'data', process.argv.includes('--remote') ? 'demo-server.db' : 'demo.db');
if (process.argv.includes('--fresh'))
  for (const tail of ['', '-wal', '-shm', '-journal', '.filled']) rmSync(file + tail, { force: true });
const url = process.argv.includes('--remote') ? await standIn(file) : pathToFileURL(file).href;
if (!existsSync(`${file}.filled`)) {
  run(process.execPath, ['--import', 'tsx', 'scripts/seed-demo.ts'], { DATABASE_URL: url });
  writeFileSync(`${file}.filled`, '');
}
await serve(url);
