// npm run bench: sets up, then prints the figures the project holds itself to.
import { build, install, run, helpIfAsked } from './setup.mjs';

helpIfAsked(`npm run bench     speed and weight, each with what it is held to`);
install();
build();
run(process.execPath, ['--import', 'tsx', 'scripts/benchmark.ts']);
