// What every command needs before it can run, done once: dependencies as locked, and a production build.
// Plain JavaScript on Node alone, since nothing is installed yet when it runs.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));
const HOST = '127.0.0.1';
const USUAL_PORT = 4400;

const BUILT_FROM = [
  'src',
  'public/offline.html',
  'public/icons',
  'scripts/bundles.mjs',
  'next.config.ts',
  'postcss.config.mjs',
  'tsconfig.json',
  'package.json',
  'package-lock.json',
];

function filesUnder(path) {
  if (!statSync(path).isDirectory()) return [path];
  return readdirSync(path)
    .sort()
    .flatMap((name) => filesUnder(join(path, name)));
}

function fingerprint(paths) {
  const hash = createHash('sha256');
  for (const file of paths.flatMap((path) => filesUnder(join(ROOT, path))))
    if (!/\.test\.tsx?$/.test(file)) hash.update(file.slice(ROOT.length)).update(readFileSync(file));
  return hash.digest('hex');
}

/** Prints what a command does and ends, where that is asked for with --help. */
export function helpIfAsked(help) {
  if (!process.argv.includes('--help') && !process.argv.includes('-h')) return;
  console.log(help);
  process.exit(0);
}

/** Runs a command to its end, its output shown; ends the program when it fails. */
export function run(command, args, env = {}) {
  const result = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...env } });
  if (result.status !== 0) {
    console.error(`\n${command} ${args.join(' ')} failed.`);
    process.exit(result.status ?? 1);
  }
}

const LOCK = join(ROOT, 'data', 'setup.lock');

function isAlive(pid) {
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
}

/** Waits while another command sets up, so that two started at once do not install or build over each other. */
function alone(work) {
  mkdirSync(dirname(LOCK), { recursive: true });
  for (let told = false; ; told = true) {
    try {
      writeFileSync(LOCK, String(process.pid), { flag: 'wx' });
      break;
    } catch {
      const holder = existsSync(LOCK) ? Number(readFileSync(LOCK, 'utf8')) : 0;
      if (holder > 0 && !isAlive(holder)) rmSync(LOCK, { force: true });
      else if (!told) console.log('Waiting for another command that is setting up …');
      Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 250);
    }
  }
  const free = () => rmSync(LOCK, { force: true });
  process.once('exit', free);
  work();
  process.off('exit', free);
  free();
}

function onceFor(stampFile, mark, work) {
  const stamp = join(ROOT, stampFile);
  const isDone = () => existsSync(stamp) && readFileSync(stamp, 'utf8') === mark;
  if (isDone()) return;
  alone(() => {
    if (isDone()) return;
    work();
    mkdirSync(dirname(stamp), { recursive: true });
    writeFileSync(stamp, mark);
  });
}

/** Installs the locked dependencies unless they are there already. */
export function install() {
  onceFor('node_modules/.spatium-installed', fingerprint(['package-lock.json']), () => {
    console.log('Installing the locked dependencies …');
    // with what builds it, also where the environment says production
    run('npm', ['ci', '--include=dev', '--no-audit', '--no-fund', '--loglevel=error']);
  });
}

/** Builds for production unless the build there is of these sources. */
export function build() {
  onceFor('.next/spatium-built', fingerprint(BUILT_FROM), () => {
    console.log('Building …');
    run(process.execPath, ['node_modules/next/dist/bin/next', 'build'], { NEXT_TELEMETRY_DISABLED: '1' });
    run(process.execPath, ['scripts/bundles.mjs', ROOT]);
  });
}

function listens(port) {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(null));
    probe.listen({ port, host: HOST }, () => {
      const { port: got } = probe.address();
      probe.close(() => resolve(got));
    });
  });
}

/** The port asked for with PORT, or the usual one; when it is taken, a free one. */
export async function freePort() {
  const asked = process.env.PORT ? Number(process.env.PORT) : USUAL_PORT;
  if (!Number.isInteger(asked) || asked < 0 || asked > 65_535) {
    console.error(`PORT is ${process.env.PORT}: a number from 0 to 65535 is wanted.`);
    process.exit(1);
  }
  const got = await listens(asked);
  if (got !== null) return got;
  const other = await listens(0);
  console.log(`Port ${asked} is taken; using ${other}.`);
  return other;
}

/** Starts the server, which prints its address once it answers, and stays until it is ended. */
export async function serve(databaseUrl, args = []) {
  const port = await freePort();
  const env = {
    ...process.env,
    NEXT_TELEMETRY_DISABLED: '1',
    NODE_ENV: 'production',
    PORT: String(port),
    ...(databaseUrl ? { DATABASE_URL: databaseUrl } : {}),
  };
  const server = spawn(process.execPath, ['.next/spatium.mjs', ...args], {
    cwd: ROOT,
    env,
    stdio: ['ignore', 'inherit', 'inherit'],
  });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
  server.on('exit', (code) => process.exit(code ?? 0));
}

/** A stand-in for a database server, on a file; its address once it answers. It ends with this command. */
export function standIn(file) {
  mkdirSync(dirname(file), { recursive: true });
  const server = spawn(process.execPath, ['--import', 'tsx', 'scripts/standIn.ts', file], {
    cwd: ROOT,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  process.once('exit', () => server.kill());
  return new Promise((resolve, reject) => {
    server.once('exit', () => reject(new Error('the stand-in for a database server ended')));
    server.stdout.once('data', (line) => resolve(String(line).trim()));
  });
}
