/** The server's log: one line an event, for a person or a collector to read. No secrets: see `clean`. */

const LEVELS = ['error', 'warn', 'info'] as const;
type Level = (typeof LEVELS)[number];
type Fields = Readonly<Record<string, string | number>>;

const most = LEVELS.indexOf((process.env.LOG_LEVEL ?? 'info') as Level);

/** What must not stand in a log, whoever put it in a message: credentials in an address, session cookies, tokens. */
const clean = (text: string): string =>
  text
    .replace(/\/\/[^/@\s]*@/g, '//…@')
    .replace(/(spatium\.[\w-]+=)[^;\s"]+/g, '$1…')
    .replace(/((?:token|password|secret|authorization)\\?"?\s*[=:]\s*\\?"?)[^\s",;&\\]+/gi, '$1…');

/**
 * An event as its line.
 *
 * @example
 *   lineOf('warn', 'slow answer', { ms: 1200 }, new Date(0)) // '1970-01-01T00:00:00.000Z warn slow answer ms=1200'
 */
export const lineOf = (level: Level, event: string, fields: Fields = {}, at = new Date()): string =>
  clean(
    [
      `${at.toISOString()} ${level} ${event}`,
      ...Object.entries(fields).map(
        ([name, value]) => `${name}=${typeof value === 'number' ? value : JSON.stringify(value)}`,
      ),
    ]
      .join(' ')
      .replace(/[\r\n]+\s*/g, ' ⏎ '),
  );

const write = (level: Level, event: string, fields?: Fields): void => {
  if (most >= 0 && LEVELS.indexOf(level) > most) return;
  (level === 'info' ? process.stdout : process.stderr).write(`${lineOf(level, event, fields)}\n`);
};

const stackOf = (error: unknown): string => (error instanceof Error ? (error.stack ?? error.message) : String(error));

export const log = {
  info: (event: string, fields?: Fields): void => write('info', event, fields),
  warn: (event: string, fields?: Fields): void => write('warn', event, fields),
  /** A fault, with where it was. */
  error: (event: string, error: unknown, fields: Fields = {}): void =>
    write('error', event, { ...fields, stack: stackOf(error) }),
};
