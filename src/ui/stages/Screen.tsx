'use client';

/**
 * The screen of each stage, loaded when that stage is opened. It is drawn in the browser alone: a screen that shows
 * before it listens would swallow what is typed on it at once.
 */
import dynamic from 'next/dynamic';
import type { ComponentType } from 'react';
import type { StageId } from '@/core/stages';

const SCREENS: Record<StageId, ComponentType> = {
  job: dynamic(() => import('../job/JobStage').then((m) => m.JobStage), { ssr: false }),
  targets: dynamic(() => import('../targets/TargetsStage').then((m) => m.TargetsStage), { ssr: false }),
  bores: dynamic(() => import('../bores/BoresStage').then((m) => m.BoresStage), { ssr: false }),
  pistons: dynamic(() => import('../pistons/PistonsStage').then((m) => m.PistonsStage), { ssr: false }),
  rings: dynamic(() => import('../rings/RingsStage').then((m) => m.RingsStage), { ssr: false }),
  clocking: dynamic(() => import('../clocking/ClockingStage').then((m) => m.ClockingStage), { ssr: false }),
  assembly: dynamic(() => import('../assembly/AssemblyStage').then((m) => m.AssemblyStage), { ssr: false }),
  sheet: dynamic(() => import('../sheet/SheetStage').then((m) => m.SheetStage), { ssr: false }),
};

export function Screen({ stage }: { stage: StageId }) {
  const Shown = SCREENS[stage];
  return <Shown />;
}
