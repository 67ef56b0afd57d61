import { readFileSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { ALONE, initialsFor, roleOf } from './requestContext';
import { COMMAND_NEEDS, NEEDS, ROUTES, may, needOf } from './permissions';
import { ROLES } from '../files/roles';

const filesIn = (folder: string): string[] =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    return statSync(path).isDirectory() ? filesIn(path) : [path];
  });

/** Every page and route there is, as the table writes them. */
const there = filesIn('src/app').flatMap((file) => {
  const path = file
    .replace(/^src\/app/, '')
    .replace(/\/(page|route)\.tsx?$/, '')
    .replace(/\[(\w+)\]/g, ':$1');
  if (file.endsWith('page.tsx')) return [`GET ${path || '/'}`];
  if (!file.endsWith('route.ts')) return [];
  const text = readFileSync(file, 'utf8');
  const made = /export (?:(?:const|async function|function) |\{[^}]*)\b(GET|POST|PUT|PATCH|DELETE|OPTIONS|HEAD)\b/g;
  const given = /export \{([^}]*)\} from/.exec(text)?.[1]?.split(',') ?? [];
  return [...text.matchAll(made)]
    .map(([, method]) => method ?? '')
    .concat(given.map((name) => name.trim()))
    .filter((method, i, all) => all.indexOf(method) === i)
    .map((method) => `${method} ${path}`);
});

describe('who may do what', () => {
  it('every page and route stands in the table, and nothing else that is a page or route', () => {
    const inTable = ROUTES.filter(([, path]) => !/\.(svg|webmanifest)$/.test(path)).map(
      ([method, path]) => `${method} ${path}`,
    );
    expect([...there].sort()).toEqual([...inTable, 'POST /api/commands/:name'].sort());
  });

  it('each role may what the one below it may, and more', () => {
    const all = ROLES.map((role) => NEEDS.filter((need) => may(role, need)));
    expect(all.map((needs) => needs.length)).toEqual([5, 4, 3, 2]);
    all.slice(1).forEach((needs, i) => expect(needs.every((need) => all[i]?.includes(need))).toBe(true));
    expect(NEEDS.filter((need) => may(null, need))).toEqual(['nothing']);
  });

  it.each([
    ['GET', '/', 'look'],
    ['HEAD', '/', 'look'],
    ['GET', '/builds/x/rings', 'look'],
    ['GET', '/builds/x/rings/y', 'own'],
    ['POST', '/api/builds/x/entries', 'enter'],
    ['POST', '/api/commands/saveTool', 'enter'],
    ['POST', '/api/commands/constructor', 'own'],
    ['POST', '/api/commands/addPerson', 'own'],
    ['GET', '/api/commands/addPerson', 'own'],
    ['GET', '/_next/static/chunks/a.js', 'own'],
    ['GET', '/icons/../shop', 'own'],
    ['GET', '/builds/a%2Fb', 'look'],
    ['GET', '/_next/data/x', 'own'],
    ['GET', '/iconxsvg', 'own'],
    ['GET', '/nowhere', 'own'],
  ])('%s %s needs: %s', (method, path, need) => {
    expect(needOf(method, path.slice(1).split('/'))).toBe(need);
  });

  it('nobody may do anything but sign in', () => {
    const free = Object.entries(COMMAND_NEEDS).filter(([, need]) => need === 'nothing');
    expect(free.map(([name]) => name).sort()).toEqual(['signIn', 'signInByCode', 'signOut', 'switchTo']);
  });
});

describe('whose initials something is noted with', () => {
  const person = (initials: string) => ({ id: initials, name: initials, initials, role: 'fitter' as const });
  const shared = { ...ALONE, hasPeople: true, person: person('AW'), device: [person('AW'), person('KM')] };

  it('as sent where nobody is set up; else only of who is signed in on the device', () => {
    expect(initialsFor(ALONE, 'XX')).toBe('XX');
    expect(initialsFor(ALONE, 7)).toBe('');
    expect(initialsFor(shared, 'AW')).toBe('AW');
    expect(initialsFor(shared, 'KM')).toBe('KM');
    expect(initialsFor(shared, 'XX')).toBe('AW');
    expect(initialsFor({ ...shared, person: null, device: [] }, 'XX')).toBe('');
  });

  it('on a machine alone one is its owner, among people nobody is anybody', () => {
    expect(roleOf(ALONE)).toBe('owner');
    expect(roleOf({ ...ALONE, hasPeople: true })).toBeNull();
    expect(roleOf(shared)).toBe('fitter');
  });
});
