/** A database file that is in use is waited for, without holding up anything else this process does. */
import type { Client, InArgs, InStatement, ResultSet, Transaction, TransactionMode } from '@libsql/client';
import { causesOf } from './databaseErrors';

/** How long a write waits for another process's write, ms. */
const PATIENCE = 5_000;
/** How long between tries, ms: soon at first, for most writes last no longer. */
const [FIRST, MOST] = [4, 120];

const isInUse = (error: unknown): boolean =>
  causesOf(error).some(({ code }) => code === 'SQLITE_BUSY' || code === 'SQLITE_LOCKED');

type Statement = Parameters<Client['batch']>[0][number];

const sqlOf = (statement: Statement): string =>
  typeof statement === 'string' ? statement : Array.isArray(statement) ? statement[0] : statement.sql;
const isReading = (statement: Statement): boolean => /^\s*(select|pragma|vacuum|explain)\b/i.test(sqlOf(statement));

/** Work that is done one after the other. */
function inTurn(): <T>(work: () => Promise<T>) => Promise<T> {
  let last: Promise<unknown> = Promise.resolve();
  return (work) => {
    const turn = last.then(work, work);
    last = turn.catch(() => null);
    return turn;
  };
}

/**
 * A client of a database file. What reads goes at once. What writes takes its turn in this process, and is tried again
 * while another one writes; a try that failed has changed nothing. The library’s own waiting would stop the whole
 * process, so it is asked to do none; and a statement that failed for another’s writing stays open on its connection,
 * where nothing could be committed any more: that connection is given up.
 *
 * @param make opens a client of the file
 * @param patience ms
 */
export function withBusyRetry(make: () => Client, patience = PATIENCE): Client {
  const reader = make();
  let writer = make();
  const turn = inTurn();
  const tried = async <T>(work: () => Promise<T>): Promise<T> => {
    const until = performance.now() + patience;
    for (let pause = FIRST; ; pause = Math.min(MOST, pause * 2)) {
      try {
        return await work();
      } catch (error) {
        if (!isInUse(error)) throw error;
        writer.close();
        if (!reader.closed) writer = make();
        if (reader.closed || performance.now() + pause > until) throw error;
      }
      await new Promise((resolve) => setTimeout(resolve, pause * (0.5 + Math.random())));
    }
  };
  const writing = <T>(work: () => Promise<T>): Promise<T> => turn(() => tried(work));

  /** A write transaction has its turn until it is over. */
  const transaction = (mode: TransactionMode): Promise<Transaction> => {
    if (mode !== 'write') return reader.transaction(mode);
    return new Promise((resolve, reject) => {
      void turn(async () => {
        let begun: Transaction;
        try {
          begun = await tried(() => writer.transaction('write'));
        } catch (error) {
          reject(error instanceof Error ? error : new Error(String(error)));
          return;
        }
        await new Promise<void>((over) => {
          const ending = new Set<PropertyKey>(['commit', 'rollback', 'close']);
          resolve(
            new Proxy(begun, {
              get(target, name) {
                const value: unknown = Reflect.get(target, name);
                if (typeof value !== 'function') return value;
                const method = value.bind(target) as (...args: unknown[]) => unknown;
                if (!ending.has(name)) return method;
                return (...args: unknown[]) => {
                  const ended = method(...args);
                  if (!(ended instanceof Promise)) over();
                  else
                    ended.then(
                      () => over(),
                      () => over(),
                    );
                  return ended;
                };
              },
            }),
          );
        });
      });
    });
  };
  const own = {
    batch: (statements: InStatement[], mode?: TransactionMode): Promise<ResultSet[]> =>
      statements.every(isReading) ? reader.batch(statements, mode) : writing(() => writer.batch(statements, 'write')),
    execute: (statement: InStatement | string, args?: InArgs): Promise<ResultSet> => {
      const one: InStatement = typeof statement === 'string' ? { sql: statement, args: args ?? [] } : statement;
      return isReading(one) ? reader.execute(one) : writing(() => writer.execute(one));
    },
    migrate: (statements: InStatement[]) => writing(() => writer.migrate(statements)),
    executeMultiple: (sql: string) => writing(() => writer.executeMultiple(sql)),
    transaction: (mode: TransactionMode = 'write') => transaction(mode),
    close: () => {
      reader.close();
      writer.close();
    },
  };
  return new Proxy(reader, {
    get(target, name) {
      const value: unknown = Reflect.get(Object.hasOwn(own, name) ? own : target, name);
      return typeof value === 'function' ? (value.bind(target) as unknown) : value;
    },
  });
}
