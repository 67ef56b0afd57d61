// npm run soak: sets up, tries the properties of the unit tests as often as they may be, then kills, copies and loads servers and counts what was lost. `-- --kills 50 --minutes 1` for less.
import { build, install, run, helpIfAsked } from './setup.mjs';

helpIfAsked(`npm run soak                                     tries all properties, then kills, copies and loads servers of its own and counts what was lost
npm run soak -- --kills 50 --copies 3 --benches 10 --minutes 1 --builds 50     the same, shorter`);
install();
build();
run(process.execPath, ['node_modules/vitest/vitest.mjs', 'run'], { PROPERTY_SHARE: '1' });
run(process.execPath, ['--import', 'tsx', 'scripts/soak.ts', ...process.argv.slice(2)]);
