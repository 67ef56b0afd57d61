'use client';

import { Link } from '../shared/Link';
import { useRouter } from 'next/navigation';
import { useState, type Dispatch, type SetStateAction } from 'react';
import type { KeptChart } from '@/store/charts';
import { reasonOf } from '@/core/stages/targets/schoolWords';
import { isBuiltIn } from '@/core/models/charts/startingCurve';
import { Button } from '../shared/Button';
import { When } from '../shared/When';
import { ImportChart } from './ImportChart';
import { runCommand, whyNot } from '../shared/runCommand';
import { Fault } from '../shared/Fault';

/** The shop's charts: what each holds, which one new builds begin with, and how to make another. */
export function ChartList({ charts }: { charts: KeptChart[] }) {
  const router = useRouter();
  const [fault, setFault] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [away, setAway] = useState<{ id: string; name: string } | null>(null);

  const run = async (work: () => Promise<void>): Promise<void> => {
    if (busy) return;
    setBusy(true);
    setFault(null);
    try {
      await work();
      router.refresh();
    } catch (error) {
      setFault(`${whyNot(error)} Nothing was changed.`);
    }
    setBusy(false);
  };
  const copy = ({ chart }: KeptChart): Promise<void> =>
    run(async () => {
      const made = await runCommand(
        'copyChart',
        { id: chart.id, version: chart.version },
        isBuiltIn(chart.id) ? 'Own chart' : chart.name,
      );
      if (made.ok) router.push(`/charts/${made.id}`);
      else setFault(made.faults.join(' '));
    });

  return (
    <>
      <ListHead />
      <Fault className="mt-3">{fault}</Fault>
      {away && (
        <Away
          name={away.name}
          onBack={() =>
            void run(async () => {
              await runCommand('putChartAway', away.id, false);
              setAway(null);
            })
          }
        />
      )}
      <ul className="mt-5 divide-y divide-line border-y border-line">
        {charts.map((kept) => (
          <ChartLine key={kept.chart.id} kept={kept} run={run} copy={copy} setAway={setAway} />
        ))}
      </ul>
      <p className="mt-4 max-w-prose text-soft">
        The starting curves and the starting chart hold typical figures from common practice, no source. Confirm their
        figures against the sheets you have, or copy one and make it your own. A build keeps the version it was set
        with.{' '}
        <Link href="/gap" className="font-bold text-blue underline underline-offset-4">
          Try a figure in Quick gap
        </Link>
      </p>
    </>
  );
}

/** Says that a chart was archived, with the way back. */
function Away({ name, onBack }: { name: string; onBack: () => void }) {
  return (
    <div role="status" className="mt-3 flex items-center gap-4 border-y border-line bg-steel px-4 py-2">
      <p className="flex-1">{name} is archived. Builds set with it keep it.</p>
      <Button onClick={onBack}>Restore</Button>
    </div>
  );
}

interface ChartLineProps {
  run: (work: () => Promise<void>) => Promise<void>;
  copy: ({ chart }: KeptChart) => Promise<void>;
  kept: KeptChart;
  setAway: Dispatch<SetStateAction<{ id: string; name: string } | null>>;
}

/** One chart of the list. */
function ChartLine({ kept, ...acts }: ChartLineProps) {
  const { chart, standard } = kept;
  const confirmed = chart.cells.filter((c) => c.confirmed).length;
  return (
    <li className="grid grid-cols-[1fr_auto] items-center gap-x-4 gap-y-2 py-3 max-sm:grid-cols-1">
      <div>
        <Link href={`/charts/${chart.id}`} className="text-lg font-bold text-blue underline underline-offset-4">
          {chart.name}
        </Link>
        <span className="ml-3 text-soft">
          version {chart.version}
          {chart.saved ? (
            <>
              , {chart.saved.by || 'no initials'}, <When at={chart.saved.at} />
            </>
          ) : (
            ', as the program comes with it'
          )}
        </span>
        <p className="text-soft">
          {chart.rows.length} duties, {chart.columns.length} pistons, {chart.cells.length} figures,{' '}
          <span className={confirmed > 0 ? 'font-bold text-ok' : ''}>{confirmed} confirmed against a sheet</span>
          {chart.copiedFrom && `. Began as a copy of ${chart.copiedFrom.name}, version ${chart.copiedFrom.version}`}
        </p>
        {reasonOf(chart) && <p>{reasonOf(chart)}</p>}
        {standard && <p className="font-bold text-blue">New builds begin with it.</p>}
      </div>
      <ChartButtons kept={kept} {...acts} />
    </li>
  );
}

/** What can be done with a chart. */
function ChartButtons({ kept, run, copy, setAway }: ChartLineProps) {
  const { chart, standard } = kept;
  return (
    <div className="flex flex-wrap justify-end gap-2 max-sm:justify-start">
      {!standard && (
        <Button onClick={() => void run(() => runCommand('makeStandard', chart.id))}>
          Begin builds with it<span className="sr-only"> {chart.name}</span>
        </Button>
      )}
      <Button onClick={() => void copy(kept)}>
        Copy<span className="sr-only"> {chart.name}</span>
      </Button>
      {!isBuiltIn(chart.id) && (
        <Button
          kind="quiet"
          onClick={() =>
            void run(async () => {
              await runCommand('putChartAway', chart.id, true);
              setAway({ id: chart.id, name: chart.name });
            })
          }
        >
          Archive<span className="sr-only"> {chart.name}</span>
        </Button>
      )}
    </div>
  );
}

function ListHead() {
  return (
    <div className="flex flex-wrap items-end gap-4">
      <div className="flex-1">
        <h1>Charts</h1>
        <p className="mt-1 text-lg text-soft">
          Factor × bore by duty and piston. Every figure says where it comes from, and whether someone held it against a
          sheet.
        </p>
      </div>
      <ImportChart />
    </div>
  );
}
