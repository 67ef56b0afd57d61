'use client';

import { Link2, Printer } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useRef, useState, type Dispatch, type SetStateAction } from 'react';
import { judge } from '@/core/judge/judge';
import { type QuickAsk, quickRecord } from '@/core/judge/quickGap';
import type { Units } from '@/core/foundation/quantity/length';
import type { Chart } from '@/core/models/charts/chart';
import { reasonOf } from '@/core/stages/targets/schoolWords';
import { startingChoices } from '@/core/models/targets/papers';
import { PistonField } from '../service/PistonField';
import { ServiceFields } from '../service/ServiceFields';
import { SurfaceField } from '../service/SurfaceField';
import { Button } from '../shared/Button';
import { MOST_CYLINDERS } from '@/core/foundation/engine/engine';
import { NumberField } from '../shared/NumberField';
import { LengthField } from '../shared/LengthField';
import { Segmented } from '../shared/Segmented';
import { SelectField } from '../shared/SelectField';
import { SHOP_UNITS } from '../shared/shopUnits';
import { useListens } from '../shared/useInBrowser';
import { StepField } from '../targets/StepField';
import { Slip } from './Slip';
import { writeQuick } from '../../files/quickGapUrlParams';
import { runCommand, whyNot } from '../shared/runCommand';
import { freshId } from '../shared/freshId';

interface Props {
  initial: QuickAsk;
  /** The one in use first. */
  charts: [Chart, ...Chart[]];
  /** Whether the address named a chart that is not there. */
  missing: boolean;
  /** Whether it names the chart in steps that links named before there were curves. */
  old: boolean;
}

const SCHOOL_OPTIONS = [
  ['larger', 'larger than the top'],
  ['equalOrTighter', 'equal or tighter'],
] as const;

/** Two versions of one chart may be offered: the one a link names, and the latest. */
const nameOf = ({ id, version }: Chart): string => `${id}@${version}`;

const NOBODY = { at: '1970-01-01T00:00:00.000Z', by: '' };

/** For the person at the counter: bore, duty and piston in; every gap and the clearance out, with the working. */
export function QuickGap({ initial, charts, missing, old }: Props) {
  const router = useRouter();
  const listens = useListens();
  const [ask, setAsk] = useState(initial);
  const [chosen, setChosen] = useState(nameOf(charts[0]));
  const [boreFault, setBoreFault] = useState<string | null>(null);
  const [serviceFault, setServiceFault] = useState<string | null>(null);
  const [said, setSaid] = useState('');
  const chart = charts.find((c) => nameOf(c) === chosen) ?? charts[0];
  const query = writeQuick(ask, chart);
  /** A field that is in fault may not be what the figures are of: none are shown. */
  const fault = boreFault ?? serviceFault;
  const judgement = useMemo(() => judge(quickRecord(ask, chart, 'quick', 'Quick gap', NOBODY)), [ask, chart]);
  const put = (part: Partial<QuickAsk>): void => {
    setAsk((before) => ({ ...before, ...part }));
    setSaid('');
  };
  useEffect(() => {
    if (window.location.search.slice(1) !== query) window.history.replaceState(null, '', `?${query}`);
  }, [query]);

  const copyLink = async (): Promise<void> => {
    try {
      await navigator.clipboard.writeText(window.location.href);
      setSaid('The link is copied.');
    } catch {
      setSaid('The browser would not copy it: take it from the address line.');
    }
  };
  /** One id for one ask: pressing twice begins one build. */
  const begun = useRef({ query: '', id: '' });
  const begin = async (): Promise<void> => {
    try {
      if (begun.current.query !== query) begun.current = { query, id: freshId() };
      const answer = await runCommand('beginQuick', begun.current.id, query);
      if (answer.ok) router.push(`/builds/${answer.id}/job`);
      else setSaid(answer.faults.join(' '));
    } catch (error) {
      setSaid(`${whyNot(error)} Nothing is lost: try again in a moment.`);
    }
  };

  return (
    <main
      id="main"
      tabIndex={-1}
      inert={!listens}
      className="mx-auto grid max-w-[1240px] gap-x-10 gap-y-6 px-6 py-5 lg:grid-cols-[25rem_1fr] print:block print:p-0"
    >
      <AskForm
        missing={missing}
        old={old}
        chart={chart}
        charts={charts}
        ask={ask}
        put={put}
        setBoreFault={setBoreFault}
        setServiceFault={setServiceFault}
        setChosen={setChosen}
      />
      <div className="min-w-0">
        <div className="no-print mb-3 flex flex-wrap items-center gap-3">
          <Button kind="strong" disabled={fault !== null} onClick={() => void begin()}>
            Begin a build with this
          </Button>
          <Button disabled={fault !== null} onClick={() => window.print()}>
            <Printer size={18} aria-hidden /> Print
          </Button>
          <Button disabled={fault !== null} onClick={() => void copyLink()}>
            <Link2 size={18} aria-hidden /> Copy the link
          </Button>
          <span role="status">{said}</span>
        </div>
        {fault === null ? (
          <Slip judgement={judgement} units={ask.units} />
        ) : (
          <p role="alert" className="border border-line bg-sheet px-6 py-5 text-lg font-bold print:hidden">
            {fault} No figures are shown until it is.
          </p>
        )}
      </div>
    </main>
  );
}

interface AskFormProps {
  missing: boolean;
  old: boolean;
  chart: Chart;
  charts: [Chart, ...Chart[]];
  ask: QuickAsk;
  put: (part: Partial<QuickAsk>) => void;
  setBoreFault: Dispatch<SetStateAction<string | null>>;
  setServiceFault: Dispatch<SetStateAction<string | null>>;
  setChosen: Dispatch<SetStateAction<string>>;
}

/** What is asked: bore, piston, what it is for. */
function AskForm({ missing, old, chart, charts, ask, put, setBoreFault, setServiceFault, setChosen }: AskFormProps) {
  return (
    <form
      className="no-print grid min-w-0 content-start gap-4"
      onSubmit={(event) => event.preventDefault()}
      aria-label="Quick gap"
    >
      <div>
        <h1>Quick gap</h1>
        <p className="text-soft">One bore, no build. The address holds it all: keep it, pass it on.</p>
      </div>
      {missing && (
        <p className="font-bold text-short">
          The chart this link names is not here. The shop’s own is used instead: the figures may differ.
        </p>
      )}
      {old && chart.id === charts[0].id && (
        <p className="text-soft">
          This link is of {charts[0].name.toLowerCase()}, in steps: its figures are shown as they were. Choose another
          chart below for a curve.
        </p>
      )}
      <div>
        <Segmented
          label="Units"
          value={ask.units}
          options={SHOP_UNITS}
          onChange={(units: Units) => put({ units, feelerStep: startingChoices(units).feelerStep })}
        />
      </div>
      <LengthField
        key={ask.units}
        label="Finished bore"
        kind="bore"
        units={ask.units}
        value={ask.bore}
        onChange={(bore) => put({ bore })}
        onFault={setBoreFault}
        hint="As it is or will be honed, not the catalogue’s."
      />
      <PistonField chart={chart} value={ask.construction} onChange={(construction) => put({ construction })} />
      <ServiceFields
        service={ask.service}
        duty={ask.duty}
        chart={chart}
        engine={{ cylinders: ask.cylinders, bore: ask.bore }}
        units={ask.units}
        drawn={false}
        onChange={(service) => put({ service })}
        onDuty={(duty) => put({ duty })}
        onFault={setServiceFault}
      />
      {(ask.service.now.nitrous !== null || ask.service.later?.nitrous != null) && (
        <NumberField
          label="Cylinders of the engine"
          hint="The shot is shared among them."
          least={1}
          most={MOST_CYLINDERS}
          whole
          value={ask.cylinders}
          onChange={(cylinders) => cylinders !== null && put({ cylinders })}
        />
      )}
      <SurfaceField value={ask.surface} onChange={(surface) => put({ surface })} />
      <div>
        <span className="mb-1 block font-bold">Second ring against the top</span>
        <Segmented
          label="Second ring against the top"
          value={ask.school}
          options={SCHOOL_OPTIONS}
          onChange={(school) => put({ school })}
        />
      </div>
      <StepField value={ask.feelerStep} units={ask.units} onChange={(feelerStep) => put({ feelerStep })} />
      {charts.length > 1 && (
        <SelectField
          label="Chart"
          hint={reasonOf(chart) ?? undefined}
          value={nameOf(chart)}
          options={charts.map((c) => [nameOf(c), `${c.name}, version ${c.version}`] as const)}
          onChange={(name) => name && setChosen(name)}
        />
      )}
    </form>
  );
}
