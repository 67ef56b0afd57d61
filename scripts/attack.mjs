// npm run attack: sets up, then tries what somebody who means harm would. `-- --requests 5000` for fewer.
import { build, install, run, helpIfAsked } from './setup.mjs';

helpIfAsked(`npm run attack                                   tries what somebody who means harm would, on servers of its own
npm run attack -- --requests 5000 --seconds 10 --seed 7     fewer requests, others by another seed`);
install();
build();
run(process.execPath, ['--import', 'tsx', 'scripts/attack.ts', ...process.argv.slice(2)]);
