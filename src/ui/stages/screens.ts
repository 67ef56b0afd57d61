'use client';

/**
 * The screen of each stage, loaded when that stage is opened. It is drawn in the browser alone: a screen that shows
 * before it listens would swallow what is typed on it at once.
 */
import type { ComponentType } from 'react';
import type { StageId } from '@/core/judge/registry';
import type { Units } from '@/core/foundation/quantity/length';
import { onDemand } from '../shared/onDemand';

interface StageScreen {
  Screen: ComponentType;
  /** What stands beside it in place of the block's plan. */
  Deck?: ComponentType;
  /** What to try on it with the trial engine, with figures to type. */
  trial: Record<Units, string>;
}

/** Words that are the same in either system. */
const both = (words: string): Record<Units, string> => ({ imperial: words, metric: words });

export const SCREENS: Record<StageId, StageScreen> = {
  job: {
    Screen: onDemand(() => import('../job/JobStage').then((m) => m.JobStage)),
    trial: both(
      'This is the job card. Everything follows from it: change the use, and watch the heat load. Then go to Targets.',
    ),
  },
  targets: {
    Screen: onDemand(() => import('../targets/TargetsStage').then((m) => m.TargetsStage)),
    trial: both(
      'What each gap must be, from which paper, and why: press a figure. Under Load, drag along the curve. Then go to Bores.',
    ),
  },
  bores: {
    Screen: onDemand(() => import('../bores/BoresStage').then((m) => m.BoresStage)),
    trial: {
      imperial:
        'Type what the gauge says and Enter: 3.0002, then 3.0003 and so on; the line leads from spot to spot. Or only type 3.0002 a few times.',
      metric: 'Type what the gauge says and Enter: 76.005, then 76.007 and so on; the line leads from spot to spot.',
    },
  },
  pistons: {
    Screen: onDemand(() => import('../pistons/PistonsStage').then((m) => m.PistonsStage)),
    trial: {
      imperial: 'Type 2.9978 Enter, and 2.9979 Enter: the clearance follows from bore and piston.',
      metric: 'Type 75.945 Enter, and 75.947 Enter: the clearance follows from bore and piston.',
    },
  },
  journals: {
    Screen: onDemand(() => import('../journals/JournalsStage').then((m) => m.JournalsStage)),
    Deck: onDemand(() => import('../journals/CrankDeck').then((m) => m.CrankDeck)),
    trial: both(
      'Bearings are not covered by this job. On the job card they can be: then their clearances are read here.',
    ),
  },
  rings: {
    Screen: onDemand(() => import('../rings/RingsStage').then((m) => m.RingsStage)),
    trial: {
      imperial:
        'Type 12 Enter: it is short, and says what is still to come off. Then c6 Enter for six turns of the filer, and 15 Enter: it goes on to the next ring. Z takes back.',
      metric:
        'Type 30 Enter: it is short, and says what is still to come off. Then c6 Enter for six turns of the filer, and 38 Enter: it goes on to the next ring. Z takes back.',
    },
  },
  clocking: {
    Screen: onDemand(() => import('../clocking/ClockingStage').then((m) => m.ClockingStage)),
    trial: both(
      'Where the gaps point when the piston goes in. Drag a joint on the crown: what is wrong with it is said at once.',
    ),
  },
  assembly: {
    Screen: onDemand(() => import('../assembly/AssemblyStage').then((m) => m.AssemblyStage)),
    trial: both('At the block: tick what was looked at. What a cylinder lacks before it may go in stands beside it.'),
  },
  sheet: {
    Screen: onDemand(() => import('../sheet/SheetStage').then((m) => m.SheetStage)),
    trial: both(
      'The build sheet: every figure with its verdict, to print. That is all; throw the trial away when you are done.',
    ),
  },
};
