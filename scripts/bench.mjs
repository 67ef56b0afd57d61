// npm run bench: sets up, then prints the figures the project holds itself to.
import { build, install, run } from './setup.mjs';

install();
build();
run(process.execPath, ['--import', 'tsx', 'scripts/bench.ts']);
