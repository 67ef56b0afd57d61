// npm test: sets up what is missing, then type check, lint, unit tests, production build and browser tests.
// The last line counts them all together; any failure makes the exit code non-zero.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, install } from './setup.mjs';

const CHROMIUM = process.env.CHROMIUM ?? '/usr/bin/chromium';
const RESULTS = join(ROOT, 'test-results');

let passed = 0;
let failed = 0;

function sh(command, args, env = {}) {
  return (
    spawnSync(command, args, {
      cwd: ROOT,
      stdio: 'inherit',
      env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', ...env },
    }).status === 0
  );
}

function step(name, ok) {
  console.log(`${ok ? 'passed' : 'FAILED'}: ${name}`);
  if (ok) passed += 1;
  else failed += 1;
  return ok;
}

function readResults(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return null;
  }
}

function ensureChromium() {
  if (existsSync(CHROMIUM)) return true;
  console.log('Installing Chromium from Debian’s packages …');
  sh('apt-get', ['update', '-qq']);
  sh('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium'], { DEBIAN_FRONTEND: 'noninteractive' });
  if (existsSync(CHROMIUM)) return true;
  console.error(
    'The browser tests need Chromium, and it could not be installed. Install it (apt-get install chromium, as root), or name one with CHROMIUM=/path/to/chromium.',
  );
  return false;
}

function units() {
  const file = join(RESULTS, 'unit.json');
  const ok = sh('npx', ['vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${file}`]);
  const results = readResults(file);
  if (!results) return step('unit tests ran', false);
  passed += results.numPassedTests;
  failed += results.numFailedTests;
  if (!ok && results.numFailedTests === 0) step('every unit test file could be run', false);
}

function browser() {
  if (!step('Chromium is there', ensureChromium())) return;
  const file = join(RESULTS, 'browser.json');
  const ok = sh('npx', ['playwright', 'test', '--reporter=list,json'], { PLAYWRIGHT_JSON_OUTPUT_NAME: file, CHROMIUM });
  const stats = readResults(file)?.stats;
  if (!stats) return step('browser tests ran', false);
  passed += stats.expected;
  failed += stats.unexpected + stats.flaky;
  if (!ok && stats.unexpected + stats.flaky === 0) step('the browser tests ended well', false);
}

install();
rmSync(RESULTS, { recursive: true, force: true });
mkdirSync(RESULTS, { recursive: true });
const node = process.execPath;
step('routes have their types', sh(node, ['node_modules/next/dist/bin/next', 'typegen']));
step('type check', sh(node, ['node_modules/typescript/bin/tsc', '--noEmit']));
step('lint', sh('npm', ['run', '--silent', 'lint']));
units();
const built = step(
  'production build',
  sh(node, ['--input-type=module', '-e', "(await import('./scripts/setup.mjs')).build()"]),
);
if (built) browser();
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);
