// npm run soak: sets up, tries properties, kills and sequences of the tests as often as they may be, then kills,
// copies and loads servers and counts what was lost. `-- --kills 50 --minutes 1` for less.
import { browserForTests } from './chromium.mjs';
import { build, install, run, helpIfAsked } from './setup.mjs';

helpIfAsked(`npm run soak                                     tries all properties, kills and sequences, then kills, copies and loads servers of its own and counts what was lost
npm run soak -- --kills 50 --copies 3 --benches 10 --minutes 1 --builds 50     the same, shorter`);
install();
build();
run(process.execPath, ['node_modules/vitest/vitest.mjs', 'run'], { PROPERTY_SHARE: '1' });
if (browserForTests() === null) throw new Error('The kills and sequences need Chromium: npm test installs it.');
run(process.execPath, ['node_modules/@playwright/test/cli.js', 'test', '-g', 'killed|none is lost'], {
  PROPERTY_SHARE: '1',
  KILLS: '40',
});
run(process.execPath, ['--import', 'tsx', 'scripts/soak.ts', ...process.argv.slice(2)]);
