'use client';

/** The screen of each stage, loaded when that stage is opened. */
import dynamic from 'next/dynamic';
import type { ComponentType } from 'react';
import type { StageId } from '@/core/stages';

const SCREENS: Record<StageId, ComponentType> = {
  job: dynamic(() => import('../job/JobStage').then((m) => m.JobStage)),
  targets: dynamic(() => import('../targets/TargetsStage').then((m) => m.TargetsStage)),
  bores: dynamic(() => import('../bores/BoresStage').then((m) => m.BoresStage)),
  pistons: dynamic(() => import('../pistons/PistonsStage').then((m) => m.PistonsStage)),
  rings: dynamic(() => import('../rings/RingsStage').then((m) => m.RingsStage)),
  clocking: dynamic(() => import('../clocking/ClockingStage').then((m) => m.ClockingStage)),
  assembly: dynamic(() => import('../assembly/AssemblyStage').then((m) => m.AssemblyStage)),
  sheet: dynamic(() => import('../sheet/SheetStage').then((m) => m.SheetStage)),
};

export function Screen({ stage }: { stage: StageId }) {
  const Shown = SCREENS[stage];
  return <Shown />;
}
