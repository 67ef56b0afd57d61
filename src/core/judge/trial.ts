/** A small invented engine to find one's way on: a build of its own that can be thrown away. */
import { type Units, fromMm } from '../foundation/quantity/length';
import { NO_SERVICE } from '../models/load/service';
import { firstChoices } from './firstChoices';
import type { BuildRecord } from './buildRecord';
import { STARTING_CURVE } from '../models/charts/startingCurve';
import type { Job } from '../record/jobCard';
import { TRIAL } from './trialId';

/** An invented twin: small enough to be done in a few minutes. */
const TWIN: Job = {
  name: 'Trial twin',
  customer: '',
  description: 'An invented twin to find one’s way on',
  notes: '',
  engine: {
    layout: 'inline',
    cylinders: 2,
    bankAngle: 0,
    rotation: 'clockwise',
    numbering: { scheme: 'sequence', start: 'front', firstBank: 'left' },
  },
  units: 'imperial',
  plannedBore: 76_200_000,
  service: { ...NO_SERVICE, use: 'street' },
  duty: null,
  construction: 'forged4032',
  surface: 'iron',
  elsewhere: [],
  also: [],
};

/** The record that a trial begins with, in the units the shop speaks. */
export function trialRecord(token: string, units: Units, stamp: { at: string; by: string }): BuildRecord {
  const job = { ...TWIN, units, plannedBore: units === 'metric' ? fromMm(76) : TWIN.plannedBore };
  return {
    id: `${TRIAL}${token}`,
    entries: [
      { ...stamp, id: 'job-1', kind: 'job', replaces: null, value: job },
      ...firstChoices(STARTING_CURVE, units, stamp),
    ],
  };
}
