// npm run soak: sets up, then kills, copies and loads servers and counts what was lost. `-- --kills 50 --minutes 1` for less.
import { build, install, run } from './setup.mjs';

install();
build();
run(process.execPath, ['--import', 'tsx', 'scripts/soak.ts', ...process.argv.slice(2)]);
