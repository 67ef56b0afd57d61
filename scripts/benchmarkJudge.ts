/** What the bench runs inside the browser: the judge on a large record, whole and one reading at a time. */
import { judge, incrementalJudge } from '../src/core/judge/judge';
import type { BuildRecord, Entry } from '../src/core/judge/buildRecord';
import { gap, griddedRecord, largeRecord } from '../src/fixtures/records';

const median = (times: number[]): number => times.toSorted((a, b) => a - b)[Math.floor(times.length / 2)] ?? 0;

function timed(work: () => unknown, times: number): number {
  for (let i = 0; i < 20; i += 1) work();
  const took = Array.from({ length: times }, () => {
    const start = performance.now();
    for (let i = 0; i < 5; i += 1) work();
    return (performance.now() - start) / 5;
  });
  return median(took);
}

/** One reading more on a record that was judged, again and again: preview and logged alike. */
function oneMore(record: BuildRecord, times: number): number {
  const judging = incrementalJudge();
  let { entries } = record;
  judging.of(record);
  let n = 0;
  const more = (): void => {
    n += 1;
    const next: Entry = gap(`more-${n}`, `${n % 2 ? 'R' : 'L'}${(n % 8) + 1}`, n % 3 ? 'top' : 'second', 18 + (n % 9));
    entries = [...entries, next];
    judging.of({ id: record.id, entries });
  };
  for (let i = 0; i < 20; i += 1) more();
  return median(
    Array.from({ length: times }, () => {
      const start = performance.now();
      for (let i = 0; i < 5; i += 1) more();
      return (performance.now() - start) / 5;
    }),
  );
}

/** Milliseconds, medians. */
export interface JudgeTimes {
  whole: number;
  gridded: number;
  oneMore: number;
  /** JSON out and in of the same record, in the same run. */
  json: number;
}

export function judgeTimes(): JudgeTimes {
  const large = largeRecord(1_000);
  const gridded = griddedRecord(6);
  return {
    whole: timed(() => judge(large), 40),
    gridded: timed(() => judge(gridded), 40),
    oneMore: oneMore(large, 60),
    json: timed(() => JSON.parse(JSON.stringify(large)) as unknown, 40),
  };
}
