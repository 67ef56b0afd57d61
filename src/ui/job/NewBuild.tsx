'use client';

import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import { beginBuild } from '@/actions';
import type { Chart } from '@/core/targets/chart';
import { NO_SERVICE } from '@/core/load/service';
import { SelectField } from '../shared/SelectField';
import { useKept } from '../shared/kept';
import { JobForm } from './JobForm';
import type { Job } from '@/core/job/job';

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
};

interface Props {
  /** The shop's charts, the one new builds begin with first. */
  charts: [Chart, ...Chart[]];
}

/** A new build begins with its job card, and with the latest version of a chart. */
export function NewBuild({ charts }: Props) {
  const router = useRouter();
  const [by] = useKept('spatium-by', '');
  const [chosen, setChosen] = useState(charts[0].id);
  const chart = charts.find((c) => c.id === chosen) ?? charts[0];
  const id = useRef<string>(undefined);
  const begin = async (job: Job): Promise<string[]> => {
    id.current ??= crypto.randomUUID();
    try {
      const begun = await beginBuild(id.current, job, by, { id: chart.id, version: chart.version });
      if (!begun.ok) return begun.faults;
      router.push(`/builds/${begun.id}/targets`);
      return [];
    } catch {
      return ['The server does not answer. Nothing is lost: try again in a moment.'];
    }
  };
  return (
    <>
      {charts.length > 1 && (
        <div className="mb-6 max-w-md">
          <SelectField
            label="Chart"
            hint="Its rows and columns are offered below. It can be changed later."
            value={chart.id}
            options={charts.map((c) => [c.id, `${c.name}, version ${c.version}`] as const)}
            onChange={(picked) => picked && setChosen(picked)}
          />
        </div>
      )}
      <JobForm initial={BLANK} chart={chart} submit="Begin this build" onSave={begin} />
    </>
  );
}
