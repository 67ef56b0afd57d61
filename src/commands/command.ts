/** What a command is: what it takes, and what it does. */
import { z } from 'zod';
import type { RequestContext } from '@/people/requestContext';
import type { Database } from '@/store/open';

/** What a command is done with. */
export interface CommandContext {
  db: Database;
  /** Initials of who does it; as they were sent where no people are set up. */
  by: string;
  asking: RequestContext;
  /** What the browser is to keep, as the sign-in library says it. */
  keep: (answer: Headers) => void;
}

/** What is noted of a command in the audit: what it was done to, and in words what. */
export interface AuditNote {
  of: string;
  says: string;
  /** Whose initials it is noted with, where that is not who asked. */
  by?: string;
}

/** Done, or not begun for what is wrong with its arguments. */
export type CommandResult<R> = { ok: true; result: R; noted: AuditNote | null } | { ok: false; error: z.ZodError };

export interface Command<A extends readonly unknown[] = readonly unknown[], R = unknown> {
  /** Bytes that a request for it may have. */
  mostBytes: number;
  /** Does it, if its arguments are what it takes. */
  attempt: (context: CommandContext, args: unknown) => Promise<CommandResult<R>>;
  /** Of its type alone: what it takes. */
  takes?: A;
}

type Schemas = readonly z.ZodType[];
type Given<S extends Schemas> = { -readonly [K in keyof S]: z.output<S[K]> };

/** Bytes that a request may have unless its command says otherwise. */
const MOST_BYTES = 64 * 1024;

/**
 * A command with the schemas of its arguments, as many as there are and no more.
 *
 * @param note what the audit says of it; null where nothing came of it
 */
export const command = <const S extends Schemas, R>(
  schemas: S,
  run: (context: CommandContext, ...args: Given<S>) => Promise<R>,
  note: (result: R, ...args: Given<S>) => AuditNote | null = () => null,
  mostBytes = MOST_BYTES,
): Command<Given<S>, R> => {
  const schema = z.tuple(schemas as unknown as []);
  return {
    mostBytes,
    attempt: async (context, args) => {
      const read = schema.safeParse(args);
      if (!read.success) return { ok: false, error: read.error };
      const given = read.data as Given<S>;
      const result = await run(context, ...given);
      return { ok: true, result, noted: note(result, ...given) };
    },
  };
};

/** What a command takes. */
export type ArgsOf<A> = A extends Command<infer Args> ? Args : never;
/** What a command gives. */
export type ResultOf<A> = A extends Command<readonly unknown[], infer R> ? R : never;
