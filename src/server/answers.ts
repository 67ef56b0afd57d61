/** What the routes answer, as the screens read it. */
import type { ShopRate } from '@/core/record/log';
import type { Entry } from '@/core/judge/buildRecord';
import type { Instrument } from '@/core/foundation/uncertainty/instrument';
import type { Present } from '@/store/presence';
import type { Person } from '@/people/requestContext';

export interface EntriesAnswer {
  /** Position in the log up to which the entries go. */
  seq: number;
  entries: Entry[];
  /** There are more after that position: they are asked for with it. */
  isMore?: true;
  /** Choices that were not added because someone else's came first. */
  conflicts: Entry[];
  /** A copy was put in the place of everything since the page was loaded: what it knows may not hold. */
  isPast?: true;
  /** Why whoever is signed in may enter nothing. */
  barred?: string;
  /** Other windows on this build, and where they are; only in answer to one that said where it is. */
  others?: Present[];
}

export interface ToolsAnswer {
  instruments: Instrument[];
  /** What filers took off on all builds but the one named. */
  rates: ShopRate[];
}

/** Who is signed in on this device. */
export interface MeAnswer {
  /** Whether people are set up; if not, nobody signs in. */
  hasPeople: boolean;
  person: Person | null;
  device: Person[];
  /** Why whoever is signed in may enter nothing; null for who may. */
  barred: string | null;
}
