// npm run attack: sets up, then tries what somebody who means harm would. `-- --requests 5000` for fewer.
import { build, install, run } from './setup.mjs';

install();
build();
run(process.execPath, ['--import', 'tsx', 'scripts/attack.ts', ...process.argv.slice(2)]);
