'use client';

import type { JournalSubject } from '@/core/stages/journals/tasks';
import type { At } from '@/core/stages/contract/tasks';
import { useJudgement } from '../openBuild/contexts';
import { useView } from '../shared/address';
import { JOURNAL_VIEWS } from './bearings';
import { BearingFigure } from './BearingFigure';
import { EndPlayTable } from './EndPlayTable';

/** End play of the crank, and how much each rod can move along its throw. */
export function EndPlay({ here }: { here: At<JournalSubject> }) {
  const { crank, cylinders, others } = useJudgement();
  const [, setView] = useView(JOURNAL_VIEWS);
  const cylinder = cylinders.find((c) => c.id === here.cylinder);
  const other = here.subject === 'other' ? others.find((o) => o.id === here.cylinder) : undefined;
  const isEnd = here.subject === 'endPlay';
  const held = other?.clearance ?? (isEnd ? crank?.endPlay : cylinder?.side);
  if (!held) return null;
  return (
    <div className="flex h-full flex-col pt-3">
      <BearingFigure
        what={other ? 'other' : isEnd ? 'endPlay' : 'side'}
        words={other?.words ?? (isEnd ? 'the end play' : `the side clearance of rod ${cylinder?.label ?? ''}`)}
        held={held}
        accepts={null}
        how={here.subject}
        onManual={() => setView('manual')}
      />
      <EndPlayTable here={here} />
    </div>
  );
}
