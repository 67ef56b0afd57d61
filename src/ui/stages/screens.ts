'use client';

/**
 * The screen of each stage, loaded when that stage is opened. It is drawn in the browser alone: a screen that shows
 * before it listens would swallow what is typed on it at once.
 */
import type { ComponentType } from 'react';
import type { StageId } from '@/core/judge/registry';
import { onDemand } from '../shared/onDemand';
import type { TrialWords } from './trialWords';

interface StageScreen {
  Screen: ComponentType;
  /** What stands beside it in place of the block's plan. */
  Deck?: ComponentType;
  trial: () => Promise<TrialWords>;
}

const screen = (load: () => Promise<[Screen: ComponentType, trial: TrialWords]>): StageScreen => ({
  Screen: onDemand(() => load().then(([Screen]) => Screen)),
  trial: () => load().then(([, trial]) => trial),
});

export const SCREENS: Record<StageId, StageScreen> = {
  job: screen(() => import('../job/JobStage').then((m) => [m.JobStage, m.TRIAL])),
  targets: screen(() => import('../targets/TargetsStage').then((m) => [m.TargetsStage, m.TRIAL])),
  bores: screen(() => import('../bores/BoresStage').then((m) => [m.BoresStage, m.TRIAL])),
  pistons: screen(() => import('../pistons/PistonsStage').then((m) => [m.PistonsStage, m.TRIAL])),
  journals: {
    ...screen(() => import('../journals/JournalsStage').then((m) => [m.JournalsStage, m.TRIAL])),
    Deck: onDemand(() => import('../journals/CrankDeck').then((m) => m.CrankDeck)),
  },
  rings: screen(() => import('../rings/RingsStage').then((m) => [m.RingsStage, m.TRIAL])),
  clocking: screen(() => import('../clocking/ClockingStage').then((m) => [m.ClockingStage, m.TRIAL])),
  assembly: screen(() => import('../assembly/AssemblyStage').then((m) => [m.AssemblyStage, m.TRIAL])),
  sheet: screen(() => import('../sheet/SheetStage').then((m) => [m.SheetStage, m.TRIAL])),
};
