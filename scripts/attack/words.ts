/** Every place of builds, charts and tools that takes words, found by trying, and filled with what would run as a page. */
import { laterWorkshopChart } from '../demoCharts';
import { demoRecords } from '../demoRecords';
import type { BuildRecord } from '../../src/core/judge/buildRecord';
import type { Chart } from '../../src/core/models/charts/chart';
import type { Instrument } from '../../src/core/foundation/uncertainty/instrument';
import { STARTING_INSTRUMENTS } from '../../src/core/foundation/uncertainty/startingInstruments';
import { readBuildFile, writeBuildFile } from '../../src/files/buildFile';
import { entrySchema } from '../../src/files/schema';
import { instrumentSchema } from '../../src/files/shapes/instrument';
import { chartSchema } from '../../src/files/shapes/targets';

/** What becomes an element `xss`, and a script, wherever it is not taken as words; the short one for short places. */
export const PAYLOADS = [`'"></script><img id=xss src=x onerror=window.xss=1>`, '<i id=xss>'] as const;

/** Where in a value words stand, as paths. */
function wordsIn(value: unknown, path: readonly string[] = []): (readonly string[])[] {
  if (typeof value === 'string') return [path];
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, below]) => wordsIn(below, [...path, key]));
}

function put(value: unknown, path: readonly string[], words: string): unknown {
  const [key, ...rest] = path;
  if (key === undefined) return words;
  if (Array.isArray(value)) return value.map((v, i): unknown => (String(i) === key ? put(v, rest, words) : v));
  const parts = value as Record<string, unknown>;
  return { ...parts, [key]: put(parts[key], rest, words) };
}

/** A value with payloads in every place that takes them, and how many those were. */
function filled<T>(value: T, fits: (value: unknown) => boolean): { value: T; places: number } {
  let now: unknown = value;
  let places = 0;
  for (const path of wordsIn(value)) {
    const found = PAYLOADS.map((words) => put(now, path, words)).find(fits);
    if (found === undefined) continue;
    now = found;
    places += 1;
  }
  return { value: now as T, places };
}

export interface FilledShop {
  builds: BuildRecord[];
  chart: Chart;
  tools: Instrument[];
  /** How many places took them. */
  places: number;
}

/** The demo's shop with payloads in it. */
export function filledShop(): FilledShop {
  let places = 0;
  const counted = <T>({ value, places: more }: { value: T; places: number }): T => {
    places += more;
    return value;
  };
  const builds = demoRecords().map((record) => {
    const fits = (entries: BuildRecord['entries']): boolean =>
      readBuildFile(JSON.stringify(writeBuildFile({ ...record, entries }))).ok;
    const entries = record.entries.map((entry) => counted(filled(entry, (e) => entrySchema.safeParse(e).success)));
    if (!fits(entries)) throw new Error(`${record.id} with payloads in it is no build any more`);
    return { ...record, entries };
  });
  const chart = counted(filled(laterWorkshopChart, (c) => chartSchema.safeParse(c).success));
  const tools = STARTING_INSTRUMENTS.map((tool) => counted(filled(tool, (t) => instrumentSchema.safeParse(t).success)));
  return { builds, chart, tools, places };
}
