/** Opening the database when the server starts. */
import { database } from './store';

/** Opens and migrates the database, or says why not and ends the program with a non-zero code. */
export async function openOrEnd(): Promise<void> {
  try {
    await database();
  } catch (error) {
    process.stderr.write(`\n${error instanceof Error ? error.message : String(error)}\n`);
    process.exit(1);
  }
}
