/** What signing in by PIN and by code share. */
import type { Changed } from '@/people/people';
import { isReachedSecurely } from '@/people/auth';
import { forgetSessions } from '@/people/authenticate';
import { knownCookie } from '@/people/knownDevice';
import { type AuditNote, type CommandContext, command } from './command';

export const refused = (fault: string): Changed => ({ ok: false, faults: [fault] });
/** A command that anybody may ask for, signed in or not: nothing large is read for it. */
export const signInCommand: typeof command = (schemas, run, note) => command(schemas, run, note, 4 * 1024);
export const noteIf = (result: Changed, of: string, says: string): AuditNote | null =>
  result.ok ? { of, says } : null;

/** Somebody is let in: the browser keeps its session, and is known again when they come back. */
export async function letIn(
  { db, asking, keep }: CommandContext,
  initials: string,
  answer: Response,
): Promise<Changed> {
  keep(answer.headers);
  keep(new Headers({ 'set-cookie': await knownCookie(db, asking.headers, initials, isReachedSecurely()) }));
  forgetSessions();
  return { ok: true };
}
