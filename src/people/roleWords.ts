/** What a role is called, and may. */
import type { Role } from '../files/roles';

export const ROLE_WORDS: Record<Role, { words: string; may: string }> = {
  owner: { words: 'owner', may: 'does everything, people and copies of the data included.' },
  builder: { words: 'builder', may: 'begins builds, sets targets, charts and tools, and logs.' },
  fitter: { words: 'fitter', may: 'logs what is read and done; targets, charts and people are for others.' },
  reader: { words: 'reader', may: 'looks, and changes nothing.' },
};
