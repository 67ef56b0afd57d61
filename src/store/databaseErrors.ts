/** What is wrong with the database, told apart: in use, full, out of reach. */

interface Cause {
  code: string;
  name: string;
  message: string;
}

/** An error and what it came of, the outermost first. */
export function causesOf(error: unknown): Cause[] {
  const causes: Cause[] = [];
  for (let e = error; e instanceof Error && causes.length < 10; e = e.cause) {
    const { code } = e as { code?: unknown };
    causes.push({ code: typeof code === 'string' ? code : '', name: e.name, message: e.message });
  }
  return causes;
}

/** What to answer, and what to say. */
export interface DatabaseError {
  status: 503 | 507;
  says: string;
}

const FULL: DatabaseError = {
  status: 507,
  says: 'The disk of the server is full. Make room there: what was entered is kept here until then.',
};
const IN_USE: DatabaseError = { status: 503, says: 'The database is in use by another program. It is tried again.' };
const AWAY: DatabaseError = { status: 503, says: 'The database does not answer. It is tried again.' };

const byCode = (code: string): DatabaseError | null => {
  if (code === 'SQLITE_FULL' || code === 'ENOSPC') return FULL;
  if (code === 'SQLITE_BUSY' || code === 'SQLITE_LOCKED' || code === 'TRANSACTION_ACTIVE') return IN_USE;
  if (
    /^(SQLITE_(IOERR|CANTOPEN|READONLY|NOTADB|CORRUPT)|HRANA_|SERVER_ERROR|CLIENT_CLOSED|ECONN|ENOTFOUND|EAI_|ETIMEDOUT|UND_ERR)/.test(
      code,
    )
  )
    return AWAY;
  return null;
};

/** What an error says of the database; null where it says nothing of it, and is a fault of the program. */
export function databaseErrorOf(error: unknown): DatabaseError | null {
  for (const { code, name, message } of causesOf(error)) {
    if (name === 'StoreRefused' || name === 'TimeoutError' || name === 'AbortError') return AWAY;
    if (/database or disk is full/.test(message)) return FULL;
    if (message === 'fetch failed') return AWAY;
    const found = byCode(code);
    if (found) return found;
  }
  return null;
}
