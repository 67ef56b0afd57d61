/** A small invented engine to find one's way on: a build of its own that can be thrown away. */
import { fromMm } from '../quantity/length';
import type { Units } from '../quantity/length';
import { NO_SERVICE } from '../load/service';
import { firstChoices } from '../record/firstChoices';
import type { BuildRecord } from '../record/record';
import type { StageId } from '../stages';
import { STARTING_CURVE } from '../targets/startingCurve';
import type { Job } from './job';
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

/** What to do on each stage of a trial, with figures to type; by the units the shop speaks. */
export const TRIAL_STEPS: Record<StageId, Record<Units, string>> = {
  job: {
    imperial:
      'This is the job card. Everything follows from it: change the use, and watch the heat load. Then go to Targets.',
    metric:
      'This is the job card. Everything follows from it: change the use, and watch the heat load. Then go to Targets.',
  },
  targets: {
    imperial:
      'What each gap must be, from which paper, and why: press a figure. Under Load, drag along the curve. Then go to Bores.',
    metric:
      'What each gap must be, from which paper, and why: press a figure. Under Load, drag along the curve. Then go to Bores.',
  },
  bores: {
    imperial:
      'Type what the gauge says and Enter: 3.0002, then 3.0003 and so on; the line leads from spot to spot. Or only type 3.0002 a few times.',
    metric: 'Type what the gauge says and Enter: 76.005, then 76.007 and so on; the line leads from spot to spot.',
  },
  journals: {
    imperial: 'Bearings are not covered by this job. On the job card they can be: then their clearances are read here.',
    metric: 'Bearings are not covered by this job. On the job card they can be: then their clearances are read here.',
  },
  pistons: {
    imperial: 'Type 2.9978 Enter, and 2.9979 Enter: the clearance follows from bore and piston.',
    metric: 'Type 75.945 Enter, and 75.947 Enter: the clearance follows from bore and piston.',
  },
  rings: {
    imperial:
      'Type 12 Enter: it is short, and says what is still to come off. Then c6 Enter for six turns of the filer, and 15 Enter: it goes on to the next ring. Z takes back.',
    metric:
      'Type 30 Enter: it is short, and says what is still to come off. Then c6 Enter for six turns of the filer, and 38 Enter: it goes on to the next ring. Z takes back.',
  },
  clocking: {
    imperial:
      'Where the gaps point when the piston goes in. Drag a joint on the crown: what is wrong with it is said at once.',
    metric:
      'Where the gaps point when the piston goes in. Drag a joint on the crown: what is wrong with it is said at once.',
  },
  assembly: {
    imperial: 'At the block: tick what was looked at. What a cylinder lacks before it may go in stands beside it.',
    metric: 'At the block: tick what was looked at. What a cylinder lacks before it may go in stands beside it.',
  },
  sheet: {
    imperial:
      'The build sheet: every figure with its verdict, to print. That is all; throw the trial away when you are done.',
    metric:
      'The build sheet: every figure with its verdict, to print. That is all; throw the trial away when you are done.',
  },
};
