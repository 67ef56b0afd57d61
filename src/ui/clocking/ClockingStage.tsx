'use client';

import { inEither } from '../stages/trialWords';
import { Redo2, Undo2 } from 'lucide-react';
import { type Dispatch, type KeyboardEvent, type SetStateAction, useEffect, useState } from 'react';
import type { Joint } from '@/core/foundation/parts/joints';
import { turnOf, viewWords, type View } from '@/core/stages/clocking/viewpoint';
import { useJudgement, useMoving } from '../openBuild/contexts';
import { Button } from '../shared/Button';
import { useView } from '../shared/address';
import { Views } from '../shared/Views';
import { Frame } from '../stages/Frame';
import { Crown } from './Crown';
import { CrownViewChoice, useCrownView } from './CrownView';
import { JointTable } from './JointTable';
import { Breaches, Holding } from './RuleList';
import { SchoolChoice } from './School';
import { useClocking } from './useClocking';
import { onDemand } from '../shared/onDemand';
import type { ClockingChoices, JudgedClocking } from '@/core/stages/clocking';
import type { Surroundings } from '@/core/stages/clocking/surroundings';

const Crowns = onDemand(() => import('./Crowns').then((m) => m.Crowns));
const RulesView = onDemand(() => import('./RulesView').then((m) => m.RulesView));
const Optimise = onDemand(() => import('./Optimise').then((m) => m.Optimise));
const EngineFacts = onDemand(() => import('./EngineFacts').then((m) => m.EngineFacts));
const PrintCard = onDemand(() => import('./PrintCard').then((m) => m.PrintCard));
const SheetForm = onDemand(() => import('./School').then((m) => m.SheetForm));

const TABS = ['plan', 'all', 'rules', 'place', 'engine', 'card'] as const;

/** What to try here with the trial engine. */
export const TRIAL = inEither(
  'Where the gaps point when the piston goes in. Drag a gap on the crown: any conflict shows at once.',
);

/** Where the five joints of each piston point, by a school and one by one, held against the rules. */
export function ClockingStage() {
  const judgement = useJudgement();
  const { cursor, cylinder, beginAt } = useMoving();
  const clocking = useClocking();
  const [tab, setTab] = useView(TABS);
  const [onSheet, setOnSheet] = useState(false);
  const [view, setView] = useCrownView();
  useEffect(() => {
    const open = judgement.cylinders.find((c) => !c.clocking.settled);
    if (open) beginAt({ cylinder: open.id, subject: cursor.inHand.rings, spot: null });
    // On entering the stage only: from then on the hands lead.
    // oxlint-disable-next-line react/exhaustive-deps
  }, []);
  if (!cylinder || !judgement.job) return null;
  const { choices, of, move, rest, drop, set, undo, redo, pending } = clocking;
  const judged = of(cylinder);
  const { round, plan } = judged;
  const turn = turnOf(view, round, choices.stand, choices.facts.lean);
  const moveHere = (joint: Joint, to: number, held = false): void => move(cylinder, joint, to, { alike: false, held });
  const onKey = (event: KeyboardEvent): void => {
    if (
      !(event.ctrlKey || event.metaKey) ||
      event.key.toLowerCase() !== 'z' ||
      event.target instanceof HTMLInputElement
    )
      return;
    event.preventDefault();
    if (pending) drop();
    else (event.shiftKey ? redo : undo)?.();
  };
  const enterSheet = (): void => {
    setTab('plan');
    setOnSheet(true);
  };

  return (
    <Frame
      main={
        <div className="flex h-full flex-col print:block" onKeyDown={onKey}>
          <ClockingHead tab={tab} view={view} setView={setView} undo={undo} redo={redo} />
          <Views
            label="What of the clocking"
            value={tab}
            onChange={setTab}
            views={[
              [
                'plan',
                'Plan',
                <ClockingPlan
                  key="plan"
                  choices={choices}
                  onSheet={onSheet}
                  set={set}
                  setOnSheet={setOnSheet}
                  plan={plan}
                  view={view}
                  round={round}
                  judged={judged}
                  moveHere={moveHere}
                  rest={rest}
                  drop={drop}
                />,
              ],
              ['all', 'All crowns', <Crowns key="all" clocking={clocking} view={view} />],
              ['rules', 'Rules', <RulesView key="rules" clocking={clocking} />],
              ['place', 'Optimise', <Optimise key="place" clocking={clocking} view={view} />],
              ['engine', 'Engine', <EngineFacts key="engine" clocking={clocking} />],
              ['card', 'Print card', <PrintCard key="card" clocking={clocking} view={view} />],
            ]}
          />
        </div>
      }
      aside={
        tab === 'card' ? null : (
          <>
            <SchoolChoice choices={choices} set={set} bore={cylinder.targetBore?.nm ?? null} onSheet={enterSheet} />
            {plan && (
              <Breaches
                judged={judged}
                onCure={({ joint, to }) => {
                  moveHere(joint, to);
                  rest();
                }}
              />
            )}
            {plan && <JointTable judged={judged} turn={turn} onMove={moveHere} onRest={rest} />}
            {plan && <Holding judged={judged} />}
            <p className="mt-4 text-soft">
              Rings turn in service; it is the start that is set. Expander ends butt, never overlap: looked at when they
              are fitted. Rings are opened as little as possible: their edges cut.
            </p>
          </>
        )
      }
    />
  );
}

interface ClockingPlanProps {
  choices: ClockingChoices;
  onSheet: boolean;
  set: (choices: ClockingChoices) => void;
  setOnSheet: Dispatch<SetStateAction<boolean>>;
  plan: JudgedClocking['plan'];
  view: View;
  round: Surroundings;
  judged: JudgedClocking;
  moveHere: (joint: Joint, to: number, held?: boolean) => void;
  rest: () => void;
  drop: () => void;
}

/** The crown with its joints, or the maker’s sheet. */
function ClockingPlan({
  choices,
  onSheet,
  set,
  setOnSheet,
  plan,
  view,
  round,
  judged,
  moveHere,
  rest,
  drop,
}: ClockingPlanProps) {
  const { cylinder } = useMoving();
  const { ask } = judged;
  if (!cylinder) return null;
  return (
    <div className="flex h-full flex-col gap-1 pt-2">
      {choices.school === 'sheet' && (onSheet || !choices.sheet) ? (
        <SheetForm choices={choices} set={set} onDone={() => setOnSheet(false)} />
      ) : plan ? (
        <>
          <p className="text-sm text-soft">
            <b className="text-ink">
              {viewWords(view, round, choices.stand, choices.facts.lean).replace(/^./, (c) => c.toUpperCase())}.
            </b>{' '}
            Drag a gap, or turn it with the arrow keys: 1°, or 15° with Shift.
          </p>
          <div className="min-h-96 flex-1">
            <Crown
              judged={judged}
              choices={choices}
              view={view}
              style="full"
              title={`Crown of cylinder ${cylinder.label} with its five end gaps`}
              className="mx-auto block size-full max-h-[720px]"
              onMove={moveHere}
              onRest={rest}
              onDrop={drop}
            />
          </div>
        </>
      ) : (
        <p className="mt-6 text-lg">{ask}</p>
      )}
    </div>
  );
}

interface ClockingHeadProps {
  tab: (typeof TABS)[number];
  view: View;
  setView: (view: View) => void;
  undo: (() => void) | null;
  redo: (() => void) | null;
}

/** The cylinder in hand, and undo. */
function ClockingHead({ tab, view, setView, undo, redo }: ClockingHeadProps) {
  const { cylinder } = useMoving();
  if (!cylinder) return null;
  return (
    <div className="no-print flex flex-wrap items-baseline gap-x-4">
      <h1>Cylinder {cylinder.label}</h1>
      {cylinder.bank !== 'only' && <p className="text-[1.0625rem] text-soft">{cylinder.bank} bank</p>}
      <span className="flex-1" />
      <span className="flex flex-wrap items-center self-center">
        {tab !== 'rules' && tab !== 'engine' && <CrownViewChoice view={view} onChange={setView} />}
        <Button
          kind="quiet"
          className="min-w-11 px-2.5!"
          aria-label="Undo"
          title="Undo"
          disabled={!undo}
          onClick={() => undo?.()}
        >
          <Undo2 size={20} aria-hidden />
        </Button>
        <Button
          kind="quiet"
          className="min-w-11 px-2.5!"
          aria-label="Redo"
          title="Redo"
          disabled={!redo}
          onClick={() => redo?.()}
        >
          <Redo2 size={20} aria-hidden />
        </Button>
      </span>
    </div>
  );
}
