'use client';

import type { WalkChoices } from '@/core/stages/assembly/walkChoices';
import { useJudgement, useLogging } from '../openBuild/contexts';
import { Segmented } from '../shared/Segmented';
import { OilsForm } from './OilsForm';

const ASKS = [
  ['whole', 'the whole walk'],
  ['checks', 'six checks at the block'],
] as const;
const ROUTES = [
  ['cylinder', 'one cylinder all through'],
  ['phase', 'all hung, all ringed, then all in'],
] as const;
const SHELLS = [
  ['before', 'before the piston goes in'],
  ['after', 'after it'],
] as const;
const TIGHTEN = [
  ['each', 'as each goes in'],
  ['end', 'all at the end'],
] as const;
const TURN = [
  ['each', 'after each piston'],
  ['pair', 'after each pair on a throw'],
] as const;
const FASTENERS = [
  ['bolts', 'bolts'],
  ['studs', 'studs'],
  ['screws', 'screws from below'],
] as const;
const WAYS = [
  ['sleeve', 'tapered sleeve'],
  ['band', 'band'],
  ['spring', 'spring'],
  ['barrel', 'barrel over the piston'],
] as const;
const CLIPS = [
  ['wire 2', '2 wire clips'],
  ['spiral 2', '2 spirals'],
  ['spiral 4', '4 spirals'],
  ['wire 0', 'none, pressed pin'],
] as const;
const STANDS = [
  ['no', 'runs soon'],
  ['yes', 'stored for a while'],
] as const;
const EDITIONS = [
  ['1', 'as this build began'],
  ['2', 'with oiling, first clip, caps run down'],
] as const;
const SIDED = [
  ['no', 'alike on both sides'],
  ['yes', 'offset edge or hole on one side'],
] as const;
const GAPS = [
  ['down', 'straight down'],
  ['clear', 'clear of the cutout'],
] as const;

interface RowProps<T extends string> {
  words: string;
  value: T;
  options: readonly (readonly [T, string])[];
  onChange: (value: T) => void;
}

/** One habit, and what it may be. */
function Row<T extends string>({ words, ...choice }: RowProps<T>) {
  return (
    <div className="grid items-center gap-x-4 gap-y-1 border-b border-line py-1.5 sm:grid-cols-[11rem_1fr]">
      <b>{words}</b>
      <div className="overflow-x-auto">
        <Segmented label={words} {...choice} />
      </div>
    </div>
  );
}

/** How this shop puts engines together: it is kept with the build, and is copied with “Copy build”. */
export function AssemblyPreferences() {
  const { choices } = useJudgement();
  const { choose } = useLogging();
  const { walk } = choices;
  const set = (change: Partial<WalkChoices>): void => choose('walk', { ...walk, ...change });
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-4 pt-3">
      <p className="max-w-prose text-soft">
        Shops differ here and build sound engines. What is set makes the steps of the walk; what is ticked stays ticked.
      </p>
      <div className="border-t border-line">
        <Row words="Steps asked for" value={walk.asks} options={ASKS} onChange={(asks) => set({ asks })} />
        {walk.asks === 'whole' && <WholeWalk walk={walk} set={set} />}
      </div>
      {walk.asks === 'whole' && <OilsForm key={JSON.stringify(walk.oils)} />}
    </div>
  );
}

interface WholeWalkProps {
  walk: WalkChoices;
  set: (change: Partial<WalkChoices>) => void;
}

/** What the whole walk goes by. */
function WholeWalk({ walk, set }: WholeWalkProps) {
  return (
    <>
      <Row words="Route" value={walk.route} options={ROUTES} onChange={(route) => set({ route })} />
      <Row words="Rod shells in" value={walk.shells} options={SHELLS} onChange={(shells) => set({ shells })} />
      <Row
        words="Rod shells are"
        value={walk.sidedShells ? 'yes' : 'no'}
        options={SIDED}
        onChange={(sided) => set({ sidedShells: sided === 'yes' })}
      />
      <Row words="Rods have" value={walk.fasteners} options={FASTENERS} onChange={(fasteners) => set({ fasteners })} />
      <Row words="Rod bolts torqued" value={walk.tighten} options={TIGHTEN} onChange={(tighten) => set({ tighten })} />
      <Row words="Crank turned" value={walk.turn} options={TURN} onChange={(turn) => set({ turn })} />
      <Row words="Rings closed with" value={walk.way} options={WAYS} onChange={(way) => set({ way })} />
      <ClipRows walk={walk} set={set} />
      <Row
        words="Once built, it"
        value={walk.stands ? 'yes' : 'no'}
        options={STANDS}
        onChange={(stands) => set({ stands: stands === 'yes' })}
      />
      {walk.edition === 1 && (
        <Row
          words="Steps"
          value="1"
          options={EDITIONS}
          onChange={(edition) => set({ edition: edition === '2' ? 2 : 1 })}
        />
      )}
    </>
  );
}

/** What holds the pin, and where the gaps of clips point. */
function ClipRows({ walk: { clips }, set }: WholeWalkProps) {
  const value = CLIPS.find(([key]) => key === `${clips.kind} ${clips.count}`)?.[0] ?? 'wire 2';
  const pick = (key: (typeof CLIPS)[number][0]): void => {
    const [kind, count] = key.split(' ');
    set({
      clips: {
        ...clips,
        kind: kind === 'spiral' ? 'spiral' : 'wire',
        count: count === '4' ? 4 : count === '2' ? 2 : 0,
      },
    });
  };
  return (
    <>
      <Row words="Pin held by" value={value} options={CLIPS} onChange={pick} />
      {clips.count > 0 && (
        <Row
          words="Their gaps"
          value={clips.gaps}
          options={GAPS}
          onChange={(gaps) => set({ clips: { ...clips, gaps } })}
        />
      )}
    </>
  );
}
