'use client';

import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import type { BeginWith } from '@/commands/commands';
import type { Job } from '@/core/record/jobCard';
import { NO_SERVICE } from '@/core/models/load/service';
import type { Entry } from '@/core/judge/buildRecord';
import type { Chart } from '@/core/models/charts/chart';
import { reasonOf } from '@/core/stages/targets/schoolWords';
import { dropDraft } from '../shared/useForm';
import { onDemand } from '../shared/onDemand';
import { useListens } from '../shared/useInBrowser';
import { SelectField } from '../shared/SelectField';
import { runCommand, whyNot } from '../shared/runCommand';
import { freshId } from '../shared/freshId';

// drawn in the browser alone, where what was filled in before is kept
const JobForm = onDemand(() => import('./JobForm').then((m) => m.JobForm));
const JobPreview = onDemand(() => import('./JobPreview').then((m) => m.JobPreview), 'at rest');

const BLANK: Job = {
  name: '',
  customer: '',
  description: '',
  notes: '',
  engine: {
    layout: 'inline',
    cylinders: 4,
    bankAngle: 0,
    rotation: 'clockwise',
    numbering: { scheme: 'sequence', start: 'front', firstBank: 'left' },
  },
  units: 'imperial',
  plannedBore: null,
  service: NO_SERVICE,
  duty: null,
  construction: null,
  surface: null,
  elsewhere: [],
  also: [],
};

/** An earlier build that this one begins like: its job card, and what else was chosen in it. */
export interface Earlier {
  id: string;
  name: string;
  job: Job;
  chart: Chart;
  choices: Entry[];
}

interface Props {
  /** The shop's charts, the one new builds begin with first. */
  charts: [Chart, ...Chart[]];
  /** Builds that this one can begin like, by name. */
  others: { id: string; name: string }[];
  earlier: Earlier | null;
}

const COPY = 'Begins like an earlier build, without its readings.';
const COPIED = 'Its chart, sheets, ring set, grid, rules and clocking come along; no readings.';

/** A new build begins with its job card, and with the latest version of a chart, or with all that was chosen in an earlier build. */
export function NewBuild({ charts, others, earlier }: Props) {
  const router = useRouter();
  const listens = useListens();
  const [chosen, setChosen] = useState(charts[0].id);
  const [job, setJob] = useState<Job | null>(null);
  const chart = earlier?.chart ?? charts.find((c) => c.id === chosen) ?? charts[0];
  const draftName = earlier ? `like-${earlier.id}` : 'new';
  const id = useRef<string>(undefined);
  const begin = async (card: Job): Promise<string[]> => {
    id.current ??= freshId();
    const beginWith: BeginWith = earlier ? { build: earlier.id } : { chart: { id: chart.id, version: chart.version } };
    try {
      const begun = await runCommand('beginBuild', id.current, card, beginWith);
      if (!begun.ok) return begun.faults;
      dropDraft(draftName);
      router.push(`/builds/${begun.id}/targets`);
      return [];
    } catch (error) {
      return [`${whyNot(error)} Nothing is lost: try again in a moment.`];
    }
  };
  return (
    <div inert={!listens} className="grid items-start gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1fr)_18rem]">
      <div>
        <div className="mb-6 grid max-w-3xl gap-4 sm:grid-cols-2">
          {others.length > 0 && (
            <SelectField
              label="Copy of"
              hint={earlier ? COPIED : COPY}
              none="a new engine"
              value={earlier?.id ?? null}
              options={others.map((o) => [o.id, o.name] as const)}
              onChange={(from) => router.push(from ? `/new?from=${encodeURIComponent(from)}` : '/new')}
            />
          )}
          {!earlier && charts.length > 1 && (
            <SelectField
              label="Chart"
              hint={`${reasonOf(chart) ?? 'Its rows and columns are offered below.'} It can be changed later.`}
              value={chart.id}
              options={charts.map((c) => [c.id, `${c.name}, version ${c.version}`] as const)}
              onChange={setChosen}
            />
          )}
        </div>
        <JobForm
          key={earlier?.id ?? ''}
          draftName={draftName}
          initial={earlier ? { ...earlier.job, name: '', customer: '' } : BLANK}
          chart={chart}
          submit="Begin this build"
          onJob={setJob}
          onSave={begin}
        />
      </div>
      {job && <JobPreview job={job} chart={chart} choices={earlier?.choices ?? []} />}
    </div>
  );
}
