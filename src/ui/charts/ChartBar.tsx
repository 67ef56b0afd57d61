'use client';

import { Download } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Chart } from '@/core/models/charts/chart';
import { chartFaults } from '@/core/models/charts/chartEdit';
import { Button, buttonLook } from '../shared/Button';
import { Initials } from '../shared/Initials';
import { Link } from '../shared/Link';
import { ChartChanges } from '../targets/ChartChanges';
import { Versions } from './Versions';
import type { Draft } from './useDraft';
import { runCommand, whyNot } from '../shared/runCommand';

interface Props {
  versions: [Chart, ...Chart[]];
  draft: Draft;
  by: string;
  onBy: (by: string) => void;
}

/** The chart's name and version; what saves it, and what stands against that. */
export function ChartBar({ versions, draft: { draft, changed, set, drop }, by, onBy }: Props) {
  const router = useRouter();
  const [latest] = versions;
  /** What stands against saving, and the draft of which that was said. */
  const [refused, setRefused] = useState<{ draft: Chart; faults: string[] } | null>(null);
  const [saving, setSaving] = useState(false);
  const behind = changed && draft.version !== latest.version;
  const faults = refused?.draft === draft ? refused.faults : [];
  const setFaults = (found: string[]): void => setRefused({ draft, faults: found });

  const save = async (): Promise<void> => {
    const wrong = chartFaults(draft);
    if (wrong.length > 0) {
      setFaults(wrong);
      return;
    }
    setSaving(true);
    try {
      const saved = await runCommand('saveChartVersion', draft, draft.version);
      if (saved.ok) drop();
      else setFaults(saved.faults);
      router.refresh();
    } catch (error) {
      setFaults([`${whyNot(error)} Your changes are kept in this browser: try again in a moment.`]);
    }
    setSaving(false);
  };

  return (
    <>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-line px-5 py-2">
        <Link
          href="/charts"
          className="inline-flex min-h-11 items-center font-bold text-blue underline underline-offset-4"
        >
          Charts
        </Link>
        <h1 className="text-2xl">
          <label className="inline-block">
            <span className="sr-only">Name of the chart</span>
            <input
              className="min-h-11 w-72 border-b border-edge bg-transparent font-bold"
              maxLength={80}
              value={draft.name}
              onChange={(event) => set({ ...draft, name: event.target.value })}
            />
          </label>
        </h1>
        <span className="text-soft">
          version {latest.version}
          {changed && ', changed here and not saved'}
        </span>
        <span className="flex-1" />
        <a className={buttonLook()} href={`/api/charts/${latest.id}`} download>
          <Download size={18} aria-hidden /> JSON
        </a>
        <a className={buttonLook()} href={`/api/charts/${latest.id}/csv`} download>
          <Download size={18} aria-hidden /> CSV
        </a>
        <Versions versions={versions} onBring={(chart) => set({ ...chart, version: latest.version })} />
        <Initials by={by} onChange={onBy} />
        {changed && <Button onClick={drop}>Throw changes away</Button>}
        <Button kind="strong" disabled={!changed || behind || saving} onClick={() => void save()}>
          Save as version {latest.version + 1}
        </Button>
      </div>
      <div role="status">
        {faults.length > 0 && (
          <ul className="border-b border-line bg-steel px-5 py-2">
            {faults.map((fault) => (
              <li key={fault} className="font-bold text-over">
                {fault}
              </li>
            ))}
          </ul>
        )}
        {behind && (
          <div className="border-b border-line bg-steel px-5 py-2">
            <p>
              <b className="text-short">
                Version {latest.version} was saved by {latest.saved?.by || 'someone'} since you began on version{' '}
                {draft.version}.
              </b>{' '}
              Your changes are kept. Saved over theirs, the chart would differ from theirs in this:
            </p>
            <div className="max-h-48 overflow-y-auto">
              <ChartChanges before={latest} after={draft} />
            </div>
            <Button onClick={() => set({ ...draft, version: latest.version })}>
              Work on over version {latest.version}
            </Button>
          </div>
        )}
      </div>
    </>
  );
}
