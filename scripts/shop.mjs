// npm run backup [FILE], restore FILE, export FILE, import FILE, people: what is done to the shop's data as a whole.
import { install, run } from './setup.mjs';

install();
run(process.execPath, ['--import', 'tsx', 'scripts/shop.ts', ...process.argv.slice(2)]);
