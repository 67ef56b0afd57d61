/** Files that hold the shop's data: readable by the account that Spatium runs as and by nobody else. */
import {
  chmodSync,
  closeSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  openSync,
  readdirSync,
  rmSync,
  statSync,
} from 'node:fs';
import { basename, join, resolve } from 'node:path';

const [FILE, FOLDER] = [0o600, 0o700];

/** Changes a mode where it differs and the file is ours; another account's file stays as it is. */
function setMode(path: string, mode: number): void {
  const found = statSync(path, { throwIfNoEntry: false });
  if (!found || (found.mode & 0o777) === mode || found.uid !== process.getuid?.()) return;
  chmodSync(path, mode);
}

/**
 * Makes a folder that only this account may read. One that is there already keeps its mode, unless it is the
 * program's own `data` or `backups`.
 */
export function privateFolder(folder: string): void {
  mkdirSync(folder, { recursive: true, mode: FOLDER });
  if (resolve(folder) === resolve('data') || basename(folder) === 'backups') setMode(folder, FOLDER);
}

/** Makes a file private, and what SQLite writes beside it; with `isMade`, creates an empty one where there is none. */
export function privateFile(file: string, isMade = false): void {
  if (isMade && !existsSync(file)) closeSync(openSync(file, 'a', FILE));
  for (const end of ['', '-wal', '-shm']) setMode(file + end, FILE);
}

const WORK = /^\.work-(\d+)-/;
/** Longer than any backup or restore takes, ms: a process id may have been given to another program since. */
const LEFT = 6 * 3_600_000;

function isRunning(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
}

/** Removes what killed processes left in a folder. */
export function sweepWork(folder: string): void {
  if (!existsSync(folder)) return;
  for (const name of readdirSync(folder)) {
    const [, pid] = WORK.exec(name) ?? [];
    if (pid === undefined) continue;
    const path = join(folder, name);
    const age = Date.now() - (statSync(path, { throwIfNoEntry: false })?.mtimeMs ?? 0);
    if (!isRunning(Number(pid)) || age > LEFT) rmSync(path, { recursive: true, force: true });
  }
}

/** Does work in a folder of its own inside another one; it is removed afterwards, or by `sweepWork` after a kill. */
export async function withWorkFolder<T>(folder: string, work: (own: string) => Promise<T>): Promise<T> {
  privateFolder(folder);
  sweepWork(folder);
  const own = mkdtempSync(join(folder, `.work-${process.pid}-`));
  try {
    return await work(own);
  } finally {
    rmSync(own, { recursive: true, force: true });
  }
}
