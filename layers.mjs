/**
 * What may import what: each folder only those that stand before it in these lists, values and types alike. A stage
 * sees of another only what that stage's `index.ts` gives. `npm run lint` holds it.
 */
import { readFileSync } from 'node:fs';

/** Stages in the order they are judged in: working order as registered, but bores before targets, which follow the measured bores. */
const registry = readFileSync('src/core/judge/registry.ts', 'utf8');
const stages = /STAGES = \{([^}]+)\}/.exec(registry)[1].match(/\w+/g);
const judged = ['job', 'bores', ...stages.filter((stage) => stage !== 'job' && stage !== 'bores')];

/** Folders of src/core, the lowest first. */
export const CORE = [
  'foundation/quantity',
  'foundation/parts',
  'foundation/engine',
  'foundation/uncertainty',
  'foundation/verdict',
  'models/load',
  'models/charts',
  'models/targets',
  'models/heat',
  'models/gasCycle',
  'models/clearance',
  'record',
  'stages/contract',
  ...judged.map((stage) => `stages/${stage}`),
  'judge',
];

/** Folders of src, the lowest first. */
export const TOP = ['core', 'files', 'store', 'people', 'server', 'commands', 'workers', 'offline', 'ui', 'app'];

const anyOf = (folders) => `(${folders.join('|')})`;

/** Forbids each folder those that stand after it. */
const downward = (root, folders) =>
  folders.slice(0, -1).map((folder, i) => ({
    name: `${folder} imports downward only`,
    severity: 'error',
    from: { path: `^${root}/${folder}/`, pathNot: '\\.test\\.tsx?$' },
    to: { path: `^${root}/${anyOf(folders.slice(i + 1))}/` },
  }));

/** @type {import('dependency-cruiser').IConfiguration} */
export default {
  forbidden: [
    { name: 'no cycles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core imports nothing outside core',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: { pathNot: '^src/core/' },
    },
    {
      name: 'of another stage only its index',
      severity: 'error',
      from: { path: '^src/core/stages/([^/]+)/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/core/stages/', pathNot: '^src/core/stages/($1|contract)/|/index\\.ts$' },
    },
    {
      name: 'every folder of core has its place',
      severity: 'error',
      from: { path: '^src/' },
      to: { path: '^src/core/', pathNot: `^src/core/(${anyOf(CORE)}/|glossary\\.ts$)` },
    },
    ...downward('src/core', CORE),
    ...downward('src', TOP),
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    doNotFollow: { path: 'node_modules' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'require', 'node', 'default'] },
  },
};
