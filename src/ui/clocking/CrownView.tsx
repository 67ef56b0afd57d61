'use client';

import { type View, VIEWS, VIEW_WORDS } from '@/core/stages/clocking/viewpoint';
import { usePersisted } from '../shared/persisted';
import { Segmented } from '../shared/Segmented';

const VIEW_OPTIONS = VIEWS.map((view) => [view, VIEW_WORDS[view]] as const);

/** How crowns are met at this bench, kept in this browser. */
export function useCrownView(): [View, (view: View) => void] {
  const [kept, keep] = usePersisted('spatium-crown-view', 'bench');
  return [VIEWS.find((v) => v === kept) ?? 'bench', keep];
}

export function CrownViewChoice({ view, onChange }: { view: View; onChange: (view: View) => void }) {
  return <Segmented label="How the crown is met" value={view} options={VIEW_OPTIONS} onChange={onChange} />;
}
