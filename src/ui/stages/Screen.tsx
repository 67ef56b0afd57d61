'use client';

/**
 * The screen of each stage, loaded when that stage is opened. It is drawn in the browser alone: a screen that shows
 * before it listens would swallow what is typed on it at once.
 */
import type { ComponentType } from 'react';
import type { StageId } from '@/core/stages';
import { onDemand } from '../shared/onDemand';

const SCREENS: Record<StageId, ComponentType> = {
  job: onDemand(() => import('../job/JobStage').then((m) => m.JobStage)),
  targets: onDemand(() => import('../targets/TargetsStage').then((m) => m.TargetsStage)),
  bores: onDemand(() => import('../bores/BoresStage').then((m) => m.BoresStage)),
  pistons: onDemand(() => import('../pistons/PistonsStage').then((m) => m.PistonsStage)),
  journals: onDemand(() => import('../journals/JournalsStage').then((m) => m.JournalsStage)),
  rings: onDemand(() => import('../rings/RingsStage').then((m) => m.RingsStage)),
  clocking: onDemand(() => import('../clocking/ClockingStage').then((m) => m.ClockingStage)),
  assembly: onDemand(() => import('../assembly/AssemblyStage').then((m) => m.AssemblyStage)),
  sheet: onDemand(() => import('../sheet/SheetStage').then((m) => m.SheetStage)),
};

export function Screen({ stage }: { stage: StageId }) {
  const Shown = SCREENS[stage];
  return <Shown />;
}
