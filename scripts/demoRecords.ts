/**
 * The demo's builds: an invented workshop, invented customers and engines, none a real maker's model. Between them they
 * show every gap state and every clearance state, in both systems. They are build files as any other: open one in the
 * program, change it and export it to change the demo.
 */
import { readFileSync } from 'node:fs';
import type { BuildRecord } from '../src/core/judge/buildRecord';
import { readBuildFile } from '../src/files/buildFile';

const NAMES = ['combe-flat-four', 'tarn-five', 'corrie-v10', 'scarp-v-twin', 'beck-six', 'linn-triple', 'mere-four'];

function demoRecord(name: string): BuildRecord {
  const read = readBuildFile(readFileSync(new URL(`demo/${name}.json`, import.meta.url), 'utf8'));
  if (!read.ok) throw new Error(`${name}: ${read.faults.join(' ')}`);
  return read.record;
}

let demo: readonly BuildRecord[] | null = null;

/** The builds of the invented workshop, read once. */
export const demoRecords = (): readonly BuildRecord[] => (demo ??= NAMES.map(demoRecord));
