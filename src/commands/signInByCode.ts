/** Signing a device in by a code that the owner shows. */
import { eq } from 'drizzle-orm';
import { z } from 'zod';
import { CODE_HOLDS, auth, oneTimeToken } from '@/people/auth';
import type { Changed } from '@/people/people';
import type { Database } from '@/store/open';
import { people } from '@/store/schema';
import { command } from './command';
import { letIn, refused, signInCommand } from './letIn';

/** The initials of whoever an answer of the sign-in library is of. */
async function initialsIn(db: Database, answer: Response): Promise<string> {
  const { user } = (await answer.clone().json()) as { user: { id: string } };
  const [row] = await db.select({ initials: people.displayUsername }).from(people).where(eq(people.id, user.id));
  return row?.initials ?? '';
}

export const CODE_COMMANDS = {
  /**
   * Signs a device in with a code that the owner shows: once, and not for long. Wrong ones are not counted: a code has
   * 32 random letters (182 bits), and a count would let a stranger keep the right one out.
   */
  signInByCode: signInCommand([z.string().min(8).max(128)], async (context, code): Promise<Changed> => {
    const { api } = await auth();
    const headers = context.asking.headers;
    const answer = await api.magicLinkVerify({ query: { token: code }, headers, asResponse: true });
    if (answer.status !== 200) return refused('This code was used, or is too old: ask for another.');
    return letIn(context, await initialsIn(context.db, answer), answer);
  }),

  /** A code that signs one device in as somebody. */
  deviceCode: command(
    [z.string().min(1).max(64)],
    async ({ db }, id): Promise<{ ok: true; code: string; seconds: number } | { ok: false; faults: string[] }> => {
      const [row] = await db.select().from(people).where(eq(people.id, id));
      if (!row || row.banned) return { ok: false, faults: ['There is nobody of that name any more.'] };
      return { ok: true, code: await oneTimeToken(row.email), seconds: CODE_HOLDS };
    },
    (result, id) => (result.ok ? { of: id, says: 'A code for a device' } : null),
  ),
};
