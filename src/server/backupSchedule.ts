/** Copies are made by a process of their own: a large database is copied in one go, and benches do not wait for it. */
import { execFile } from 'node:child_process';
import { promisify } from 'node:util';
import { log } from './log';
import { backupFolder } from '@/store/backup';
import { sweepWork } from '@/store/privateFiles';
import { databaseUrl } from '@/store/store';

const run = promisify(execFile);
/** How often it is seen whether tonight's copy is due, ms. */
const LOOK = 30 * 60_000;
const FIRST_LOOK = 60_000;

/** Makes a copy now; what the command says of it. */
export async function backUpNow(...args: string[]): Promise<string> {
  const { stdout } = await run(process.execPath, ['--import', 'tsx', 'scripts/shop.ts', 'backup', ...args], {
    cwd: process.cwd(),
    timeout: 30 * 60_000,
  });
  return stdout.trim().split('\n').at(-1) ?? '';
}

/**
 * A copy each night; gives what ends that.
 *
 * @param keep how many are kept; 0 for none made
 */
export function backUpNightly(keep: number): () => void {
  sweepWork(backupFolder(databaseUrl()));
  if (keep < 1) return () => undefined;
  const look = (): void => {
    backUpNow(`--nightly=${keep}`).then(
      (made) => log.info('Nightly backup', { said: made }),
      (error: unknown) => log.error('The nightly backup could not be made', error),
    );
  };
  const first = setTimeout(look, FIRST_LOOK);
  const timer = setInterval(look, LOOK);
  first.unref();
  timer.unref();
  return () => {
    clearTimeout(first);
    clearInterval(timer);
  };
}
