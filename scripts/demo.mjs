// npm run demo: an invented workshop to look round in. `-- --fresh` starts its data anew.
import { existsSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ROOT, build, install, run, serve } from './setup.mjs';

install();
build();
const file = join(ROOT, 'data', 'demo.db');
const url = pathToFileURL(file).href;
if (process.argv.includes('--fresh'))
  for (const tail of ['', '-wal', '-shm', '-journal', '.filled']) rmSync(file + tail, { force: true });
if (!existsSync(`${file}.filled`)) {
  run(process.execPath, ['--import', 'tsx', 'scripts/seed-demo.ts'], { DATABASE_URL: url });
  writeFileSync(`${file}.filled`, '');
}
await serve(url);
