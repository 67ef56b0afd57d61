// npm test: sets itself up, then types, lint, production build and unit tests, then browser tests.
// The last line counts them all together; any failure makes the exit code non-zero.
import { spawn } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { browserForTests, isLean } from './chromium.mjs';
import { ROOT, install, helpIfAsked } from './setup.mjs';

const RESULTS = join(ROOT, 'test-results');

let passed = 0;
let failed = 0;

/** Runs a command to its end; what it printed comes in one piece when `quiet`, else as it goes. Gives whether it went well. */
function sh(command, args, { quiet = false, env = {} } = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, {
      cwd: ROOT,
      stdio: ['ignore', quiet ? 'pipe' : 'inherit', quiet ? 'pipe' : 'inherit'],
      env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', ...env },
    });
    const said = [];
    for (const stream of [child.stdout, child.stderr]) stream?.on('data', (data) => said.push(data));
    child.on('error', (error) => {
      console.error(error.message);
      resolve(false);
    });
    child.on('close', (code) => {
      process.stdout.write(Buffer.concat(said));
      resolve(code === 0);
    });
  });
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

async function ensureChromium() {
  const env = { DEBIAN_FRONTEND: 'noninteractive' };
  const apt = (...args) => sh('apt-get', ['-qq', '-o', 'Acquire::http::Timeout=20', ...args], { quiet: true, env });
  const add = (name) => apt('install', '-y', '--no-install-recommends', name);
  const isMissing = browserForTests() === null;
  if (isMissing) {
    console.log('Installing Chromium from Debian’s packages …');
    await apt('update');
  }
  // also beside a whole one, where that is allowed: without it the tests take half as long again
  if (!isLean() && (isMissing || process.getuid?.() === 0)) await add('chromium-headless-shell');
  if (browserForTests() === null) await add('chromium');
  if (browserForTests() !== null) return true;
  console.error(
    'The browser tests need Chromium, and it could not be installed. Install it (apt-get install chromium, as root), or name one with CHROMIUM=/path/to/chromium.',
  );
  return false;
}

async function units() {
  const file = join(RESULTS, 'unit.json');
  const ok = await sh('npx', ['vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${file}`], {
    quiet: true,
  });
  const results = readResults(file);
  if (!results) return step('unit tests ran', false);
  console.log(`unit tests: ${results.numPassedTests} passed, ${results.numFailedTests} failed`);
  passed += results.numPassedTests;
  failed += results.numFailedTests;
  if (!ok && results.numFailedTests === 0) step('every unit test file could be run', false);
}

async function browser() {
  const file = join(RESULTS, 'browser.json');
  const ok = await sh('npx', ['playwright', 'test', '--reporter=list,json'], {
    env: { PLAYWRIGHT_JSON_OUTPUT_NAME: file },
  });
  const stats = readResults(file)?.stats;
  if (!stats) return step('browser tests ran', false);
  passed += stats.expected;
  failed += stats.unexpected + stats.flaky;
  if (!ok && stats.unexpected + stats.flaky === 0) step('the browser tests ended well', false);
}

const node = process.execPath;
const quiet = { quiet: true };

async function lintBuildAndUnits() {
  step('types and lint', await sh('npm', ['run', '--silent', 'lint'], quiet));
  const build = ['--input-type=module', '-e', "(await import('./scripts/setup.mjs')).build()"];
  const built = step('production build', await sh(node, build, quiet));
  await units();
  return built;
}

helpIfAsked(
  `npm test     sets itself up, then types, lint, build, unit tests and browser tests; the last line counts them all`,
);
install();
rmSync(RESULTS, { recursive: true, force: true });
mkdirSync(RESULTS, { recursive: true });
const [built, chromium] = await Promise.all([lintBuildAndUnits(), ensureChromium()]);
if (step('Chromium is there', chromium) && built) await browser();
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);
