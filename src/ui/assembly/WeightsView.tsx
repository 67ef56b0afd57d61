'use client';

import { useState } from 'react';
import {
  type JudgedWeights,
  type Weighed,
  PART_WORDS,
  weightsOf,
  numberIn,
  weighedKey,
} from '@/core/stages/assembly/weights/weights';
import { type Mg, gramsText } from '@/core/foundation/quantity/mass';
import { nextToWeigh, parseWeighed } from '@/core/stages/assembly/weights/parseWeighed';
import type { WeighedPart } from '@/core/record/benchWork';
import { benchedOf } from '@/core/record/countedWork';
import { useJudgement, useLogging } from '../openBuild/contexts';
import { type Column, Table } from '../shared/Table';
import { Accepting } from '../shared/Accepting';
import { Segmented } from '../shared/Segmented';
import { StateMark } from '../shared/StateMark';
import { onDemand } from '../shared/onDemand';
import { TorqueEntry } from './TorqueEntry';

const MatchWeightsView = onDemand(() => import('./MatchWeightsView').then((m) => m.MatchWeightsView));
const BobweightView = onDemand(() => import('./BobweightView').then((m) => m.BobweightView));

const SIDES = [
  ['scale', 'On the scale'],
  ['mix', 'Mixed evenly'],
  ['bob', 'Bobweight'],
] as const;

/** Grams without their unit, as columns that name it show them. */
export const bare = (mg: Mg): string => gramsText(mg).replace(' g', '');

/** What parts weigh, how they go together most evenly, and what the crank is balanced to. */
export function WeightsView() {
  const judgement = useJudgement();
  const [side, setSide] = useState<(typeof SIDES)[number][0]>('scale');
  const masses = weightsOf(judgement);
  return (
    <div className="flex min-h-full flex-col gap-3 pt-3">
      <div className="shrink-0">
        <Segmented label="What of the masses" value={side} options={SIDES} onChange={setSide} />
      </div>
      {side === 'scale' && <OnTheScale masses={masses} />}
      {side === 'mix' && <MatchWeightsView masses={masses} />}
      {side === 'bob' && <BobweightView masses={masses} />}
    </div>
  );
}

interface Hand {
  part: WeighedPart;
  number: string;
}

interface ScaleProps {
  masses: JudgedWeights;
  hand: Hand;
  onTake: (hand: Hand) => void;
}

const isSameHand = (a: Hand, b: Hand): boolean => a.part === b.part && a.number === b.number;

function OnTheScale({ masses }: { masses: JudgedWeights }) {
  const { cylinders } = useJudgement();
  const [chosen, setChosen] = useState<Hand | null>(null);
  const numbers = cylinders.map((c) => c.id);
  const first: Hand = { part: masses.asks[0] ?? 'piston', number: numbers[0] ?? '' };
  const hand = chosen ?? nextToWeigh(masses, numbers, null) ?? first;
  return (
    <>
      {masses.inPlay.length === 0 && (
        <p className="max-w-prose">
          Each part is weighed by itself and under its number: all pistons first, then all pins, and so on. Rods hang
          level by one end while the other lies on the scale. What is not weighed of any is left out of the sets.
        </p>
      )}
      <Masses masses={masses} hand={hand} onTake={setChosen} />
      {masses.spread !== null && <Sets masses={masses} spread={masses.spread} />}
      <ScaleLine masses={masses} hand={hand} onTake={setChosen} />
    </>
  );
}

/** What every part weighs, number by number. */
function Masses({ masses: { asks, weighed, choices }, hand, onTake }: ScaleProps) {
  const { cylinders } = useJudgement();
  return (
    <Table
      caption="Weights in grams; below each, how much heavier it is than the lightest"
      isCaptioned
      rows={cylinders}
      keyOf={(c) => c.id}
      columns={[
        ['number', (c) => c.label],
        ...asks.map((part): Column<{ id: string; label: string }> => [
          PART_WORDS[part],
          ({ id, label }) => (
            <Cell
              found={weighed.get(weighedKey(part, id)) ?? null}
              label={`${PART_WORDS[part]} ${label}`}
              within={choices.within}
              isInHand={isSameHand(hand, { part, number: id })}
              onTake={() => onTake({ part, number: id })}
            />
          ),
          'num p-0!',
        ]),
      ]}
    />
  );
}

/** What goes up and down in each cylinder, and what comes off where. */
function Sets({ masses: { sets }, spread }: { masses: JudgedWeights; spread: Mg }) {
  const grams = (mg: Mg | null): string => (mg === null ? '–' : bare(mg));
  return (
    <div className="shrink-0 overflow-x-auto">
      <Table
        caption={`Sets: all that goes up and down, ${bare(spread)} g between the heaviest and the lightest`}
        isCaptioned
        rows={sets}
        keyOf={(set) => set.id}
        columns={[
          ['cylinder', (set) => set.label],
          ['set, g', (set) => grams(set.total), 'num'],
          ['over, g', (set) => grams(set.over), 'num'],
          sets.some((s) => s.bigOver !== null) && ['big end over, g', (set) => grams(set.bigOver), 'num'],
          ['verdict', (set) => <SetVerdict set={set} />],
        ]}
      />
      <p className="mt-2 max-w-prose text-soft">
        Metal comes off where the maker left some for it: pads of the piston, pads of the rod; never off a skirt, a pin
        boss or a bolt’s seat. Mixing first saves grinding. Rods that turn with a journal and rings that are fitted to a
        bore stay there.
      </p>
    </div>
  );
}

/** The state of a set, and what to take off where. */
function SetVerdict({ set }: { set: JudgedWeights['sets'][number] }) {
  return (
    <span className="flex flex-wrap items-center gap-x-3">
      <StateMark state={set.state} />
      {set.takeOff.map(({ part, mass }) => (
        <span key={part}>
          {gramsText(mass)} off the {PART_WORDS[part]}
        </span>
      ))}
      {set.state === 'over' && (
        <Accepting words={`the masses of cylinder ${set.label}`} what="set" state={set.state} answer={set} />
      )}
    </span>
  );
}

/** The line that what is on the scale is typed on. */
function ScaleLine({ masses, hand, onTake }: ScaleProps) {
  const { cylinders, labels, log } = useJudgement();
  const { bench, strike, isOwn } = useLogging();
  const numbers = cylinders.map((c) => c.id);
  const all = masses.asks.flatMap((part) => numbers.map((number) => ({ part, number })));
  const at = all.findIndex((a) => isSameHand(a, hand));
  const now = masses.weighed.get(weighedKey(hand.part, hand.number));
  const last = benchedOf(log, 'weighed').findLast(({ entry }) => isOwn(entry))?.entry ?? null;
  const named = ({ part, number }: Hand): string => `${PART_WORDS[part]} ${labels.get(number) ?? number}`;
  return (
    <TorqueEntry
      draft="scale"
      of={weighedKey(hand.part, hand.number)}
      nameOf={(of) => {
        const other = all.find((a) => weighedKey(a.part, a.number) === of);
        return other ? named(other) : of;
      }}
      title={named(hand).replace(/^./, (c) => c.toUpperCase())}
      unit="g"
      hear={(text) => parseWeighed(text, hand, masses, numbers)}
      onLog={(value, typed) => {
        bench({ kind: 'weighed', part: hand.part, cylinder: hand.number, value, typed });
        onTake(nextToWeigh(masses, numbers, hand) ?? hand);
      }}
      undo={
        last && {
          words: `${named({ part: last.part, number: last.cylinder })}, ${gramsText(last.value)}`,
          onUndo: () => {
            strike(last.id, 'taken back');
            onTake({ part: last.part, number: last.cylinder });
          },
        }
      }
      onStep={(by) => onTake(all[(at + by + all.length) % all.length] ?? hand)}
    >
      {now ? (
        <>
          Weighed as {gramsText(now.mass)} by {now.entry.by || 'someone'}
          {now.before.length > 0 && `; before that ${now.before.map(gramsText).join(', ')}`}. Another figure replaces
          it, and both stay on record.
        </>
      ) : (
        <WhereItGoes hand={hand} />
      )}
    </TorqueEntry>
  );
}

/** Where the part goes that is on the scale: it may be in another cylinder than that of its number. */
function WhereItGoes({ hand }: { hand: Hand }) {
  const judgement = useJudgement();
  const at = judgement.cylinders.find((c) => numberIn(judgement, hand.part, c.id) === hand.number);
  return at && at.id !== hand.number ? <>It goes in cylinder {at.label}.</> : <>Grams to a tenth, or ounces with oz.</>;
}

interface CellProps {
  found: Weighed | null;
  label: string;
  within: Mg;
  isInHand: boolean;
  onTake: () => void;
}

function Cell({ found, label, within, isInHand, onTake }: CellProps) {
  return (
    <button
      type="button"
      aria-current={isInHand || undefined}
      aria-label={`${label}: ${found ? `${gramsText(found.mass)}, ${gramsText(found.over)} over the lightest` : 'not weighed'}`}
      onClick={onTake}
      className="min-h-12 w-full min-w-14 px-1 text-right -outline-offset-2 aria-[current]:bg-blue aria-[current]:text-sheet"
    >
      <span className="block text-lg leading-tight">{found ? bare(found.mass) : '–'}</span>
      {found && (
        <span
          className={`block text-sm leading-tight ${isInHand ? '' : found.over > within ? 'font-bold text-over' : 'text-soft'}`}
        >
          {found.over === 0 ? 'lightest' : `+${bare(found.over)}`}
        </span>
      )}
    </button>
  );
}
