/**
 * Who may do what, in one table. `src/server` holds every request against it before anything else sees it, and a test
 * walks all of it as every role and as nobody.
 */
import type { Role } from '@/files/roles';

/**
 * What a request needs: nothing; that one may look; that one may log readings and what was done; that one decides over
 * builds, targets, charts and tools; that the shop is one's own: people, copies of everything, what was done by whom.
 */
export const NEEDS = ['nothing', 'look', 'enter', 'decide', 'own'] as const;
export type Need = (typeof NEEDS)[number];

const MAY: Record<Role, readonly Need[]> = {
  owner: NEEDS,
  builder: ['nothing', 'look', 'enter', 'decide'],
  fitter: ['nothing', 'look', 'enter'],
  reader: ['nothing', 'look'],
};

/** Whether a role, or nobody, may do what needs something. */
export const may = (role: Role | null, need: Need): boolean =>
  need === 'nothing' || (role !== null && MAY[role].includes(need));

/** Of what is done by `POST /api/commands/NAME`. */
export const COMMAND_NEEDS = {
  beginBuild: 'decide',
  beginQuick: 'decide',
  beginTrial: 'enter',
  endTrial: 'enter',
  removeBuilds: 'decide',
  restoreBuilds: 'decide',
  saveChartVersion: 'decide',
  copyChart: 'decide',
  putChartAway: 'decide',
  makeStandard: 'decide',
  saveTool: 'enter',
  putToolAway: 'decide',
  signIn: 'nothing',
  signInByCode: 'nothing',
  switchTo: 'nothing',
  signOut: 'nothing',
  setUpPeople: 'own',
  addPerson: 'own',
  changePerson: 'own',
  setSecret: 'own',
  changeOwnSecret: 'look',
  setLeft: 'own',
  endSession: 'own',
  deviceCode: 'own',
  copyNow: 'own',
} as const satisfies Record<string, Need>;
export type CommandName = keyof typeof COMMAND_NEEDS;

/** Every page and route; `:x` stands for one segment of a path. */
export const ROUTES: readonly (readonly [method: 'GET' | 'POST', path: string, need: Need])[] = [
  ['GET', '/', 'look'],
  ['GET', '/new', 'decide'],
  ['GET', '/gap', 'look'],
  ['GET', '/archived', 'look'],
  ['GET', '/charts', 'look'],
  ['GET', '/charts/:id', 'look'],
  ['GET', '/instruments', 'look'],
  ['GET', '/builds/:id', 'look'],
  ['GET', '/builds/:id/:stage', 'look'],
  ['GET', '/api/builds', 'look'],
  ['POST', '/api/builds', 'decide'],
  ['GET', '/api/builds/:id', 'look'],
  ['GET', '/api/builds/:id/csv', 'look'],
  ['GET', '/api/builds/:id/quarantine', 'look'],
  ['GET', '/api/builds/:id/crowns', 'look'],
  ['GET', '/api/builds/:id/entries', 'look'],
  ['POST', '/api/builds/:id/entries', 'enter'],
  ['GET', '/api/charts', 'look'],
  ['POST', '/api/charts', 'decide'],
  ['GET', '/api/charts/:id', 'look'],
  ['GET', '/api/charts/:id/csv', 'look'],
  ['GET', '/api/instruments', 'look'],
  ['GET', '/api/gap-history', 'look'],
  ['GET', '/api/torque-history', 'look'],
  ['GET', '/api/me', 'nothing'],
  ['GET', '/api/health', 'nothing'],
  ['GET', '/api/audit', 'own'],
  ['GET', '/api/quarantine', 'look'],
  ['GET', '/api/backups/:name', 'own'],
  ['GET', '/api/archive', 'own'],
  ['POST', '/api/archive', 'own'],
  ['GET', '/shop', 'own'],
  ['GET', '/sign-in', 'nothing'],
  ['GET', '/icon.svg', 'nothing'],
  ['GET', '/manifest.webmanifest', 'nothing'],
];

const patterns = ROUTES.map(([method, path, need]) => ({ method, need, parts: path.slice(1).split('/') }));

/**
 * What a request needs; a path that is not in the table needs the owner, whatever becomes of it. Files that were built
 * need nothing and are listed by the server (`src/server/builtFiles.ts`).
 *
 * @param segments of the path, decoded
 * @example needOf('GET', ['builds', 'x', 'rings']) // 'look'
 */
export function needOf(method: string, segments: readonly string[]): Need {
  const asked = method === 'HEAD' ? 'GET' : method;
  const [first, second, name = ''] = segments;
  if (
    first === 'api' &&
    second === 'commands' &&
    segments.length === 3 &&
    asked === 'POST' &&
    Object.hasOwn(COMMAND_NEEDS, name)
  )
    return COMMAND_NEEDS[name as CommandName];
  const found = patterns.find(
    ({ method: of, parts }) =>
      of === asked &&
      parts.length === segments.length &&
      parts.every((part, i) => part.startsWith(':') || part === segments[i]),
  );
  return found?.need ?? 'own';
}

/**
 * Choices that a fitter leaves to a builder: what the engine is, what its gaps and clearances are to be, and how
 * strictly they are judged.
 */
export const DECIDED_KINDS: readonly string[] = ['job', 'chart', 'targets', 'heat', 'deciding'];
