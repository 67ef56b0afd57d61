/**
 * Quick gap: the figures of one bore without a build. It is judged as a build that has only a job card, so
 * that it says what the build would say, and can be turned into one.
 */
import type { Nm, Units } from '../foundation/quantity/length';
import type { Chart } from '../models/charts/chart';
import type { Service } from '../models/load/service';
import { type SecondSchool, startingChoices } from '../models/targets/papers';
import type { Surface } from '../foundation/parts/materials';
import type { Job } from '../record/jobCard';
import { firstChoices } from './firstChoices';
import type { BuildRecord, Entry } from './buildRecord';

export interface QuickAsk {
  units: Units;
  bore: Nm | null;
  /** Of the engine: a shot of nitrous is shared among them. */
  cylinders: number;
  service: Service;
  duty: string | null;
  construction: string | null;
  surface: Surface | null;
  school: SecondSchool;
  feelerStep: Nm;
}

/** The job card of a quick ask, under a name. */
const jobOf = ({ units, bore, cylinders, service, duty, construction, surface }: QuickAsk, name: string): Job => ({
  name,
  customer: '',
  description: '',
  notes: '',
  engine: {
    layout: cylinders === 1 ? 'single' : 'inline',
    cylinders,
    bankAngle: 0,
    rotation: 'clockwise',
    numbering: { scheme: 'sequence', start: 'front', firstBank: 'left' },
  },
  units,
  plannedBore: bore,
  service,
  duty,
  construction,
  surface,
  elsewhere: [],
  also: [],
});

/** The record that a quick ask stands for; `stamp` says who made it and when. */
export function quickRecord(
  ask: QuickAsk,
  chart: Chart,
  id: string,
  name: string,
  stamp: { at: string; by: string },
): BuildRecord {
  const choices = { ...startingChoices(ask.units), secondSchool: ask.school, feelerStep: ask.feelerStep };
  const entries: Entry[] = [
    { ...stamp, id: 'job-1', kind: 'job', replaces: null, value: jobOf(ask, name) },
    { ...stamp, id: 'targets-1', kind: 'targets', replaces: null, value: choices },
    ...firstChoices(chart, ask.units, stamp),
  ];
  return { id, entries };
}
