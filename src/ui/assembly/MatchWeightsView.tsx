'use client';

import {
  type BalanceChoices,
  type Mixed,
  type SetChoices,
  MIXED,
  UNMIXED,
} from '@/core/stages/assembly/weights/choices';
import { type MixGiven, mixGiven } from '@/core/stages/assembly/weights/matchInput';
import { type JudgedWeights, PART_WORDS } from '@/core/stages/assembly/weights/weights';
import type { Mix } from '@/core/stages/assembly/weights/matchWeights';
import { gramsText } from '@/core/foundation/quantity/mass';
import { useJudgement, useLogging } from '../openBuild/contexts';
import { type Column, Table } from '../shared/Table';
import { Tick } from '../shared/Tick';
import { Button } from '../shared/Button';
import { useWorkerResult } from '../shared/useWorkerResult';
import { GramsField } from './GramsField';

const begin = (): Worker => new Worker(new URL('../../workers/matchWeights.ts', import.meta.url), { type: 'module' });

const MIXED_WORDS: Record<Mixed, string> = { pin: 'pins', clips: 'clips', rings: 'ring packs', rod: 'rods' };

const WHY: Record<Mixed, string> = {
  pin: 'unless they are fitted to a bush or a boss',
  clips: 'they seldom tell',
  rings: 'only while they are not fitted to a bore',
  rod: 'only while they are not fitted to a journal',
};

/** The part on the scale that a kind is weighed as. */
const weighedAs = (kind: Mixed) => (kind === 'rod' ? 'smallEnd' : kind);

/** A part that goes elsewhere. */
interface Move {
  kind: Mixed;
  number: string;
  to: string;
}

/** What of an arrangement goes to another cylinder than it is in now. */
function movesOf({ sets }: JudgedWeights, { kinds, cylinders }: MixGiven, mix: Mix): Move[] {
  return kinds.flatMap((kind, k) =>
    cylinders.flatMap((to, place) => {
      const part = mix.from[k]?.[place] ?? place;
      const from = cylinders[part];
      const number = sets.find((s) => s.id === from)?.parts[weighedAs(kind)]?.number;
      return part === place || number === undefined ? [] : [{ kind, number, to }];
    }),
  );
}

/** The arrangement as it is chosen: over the one in force. */
function chosen(before: SetChoices, { sets }: JudgedWeights, { kinds, cylinders }: MixGiven, mix: Mix): SetChoices {
  const after = { ...before };
  for (const [k, kind] of kinds.entries()) {
    const others = before[kind].filter((p) => !cylinders.includes(p.cylinder));
    const mixed = cylinders.flatMap((cylinder, place) => {
      const from = cylinders[mix.from[k]?.[place] ?? place];
      const number = sets.find((s) => s.id === from)?.parts[weighedAs(kind)]?.number;
      return number === undefined ? [] : [{ number, cylinder }];
    });
    after[kind] = [...others, ...mixed].filter((p) => p.number !== p.cylinder || others.includes(p));
  }
  return after;
}

interface FoundProps {
  masses: JudgedWeights;
  given: MixGiven;
  mix: Mix;
}

/** What mixing would bring, and which parts go where. */
function Found({ masses, given, mix }: FoundProps) {
  const { choices, labels } = useJudgement();
  const { choose } = useLogging();
  const named = (id: string): string => labels.get(id) ?? id;
  const moves = movesOf(masses, given, mix);
  return (
    <>
      <p className="text-xl" role="status">
        Sets are <b>{gramsText(mix.before)}</b> apart
        {mix.spread < mix.before ? (
          <>
            ; mixed, <b>{gramsText(mix.spread)}</b>.
          </>
        ) : (
          ' as they are.'
        )}
      </p>
      <p className="text-soft">
        {mix.isExact
          ? 'Exact: no way of mixing these has a lesser spread.'
          : `Not proven to be the best: none can come under ${gramsText(mix.bound)}.`}
      </p>
      {moves.length > 0 && (
        <>
          <ul className="columns-2 gap-8 text-lg max-sm:columns-1">
            {moves.map(({ kind, number, to }) => (
              <li key={`${kind} ${number}`}>
                {PART_WORDS[weighedAs(kind)].replace(', small end', '')} <b>{named(number)}</b> to cylinder{' '}
                <b>{named(to)}</b>
              </li>
            ))}
          </ul>
          <p>
            <Button kind="accent" onClick={() => choose('sets', chosen(choices.sets ?? UNMIXED, masses, given, mix))}>
              Use this match
            </Button>
          </p>
        </>
      )}
    </>
  );
}

/** Which parts go with which piston so that the sets come out most even. */
export function MatchWeightsView({ masses }: { masses: JudgedWeights }) {
  const { choices } = useJudgement();
  const { choose } = useLogging();
  const { choices: balance } = masses;
  const given = mixGiven(masses);
  const worked = useWorkerResult<Mix | null>(given?.ask ?? null, given ? begin : null);
  const mix = worked.state === 'done' ? worked.result : null;
  const set = (change: Partial<typeof balance>): void => choose('balance', { ...balance, ...change });
  const isMixed = choices.sets !== null && Object.values(choices.sets).some((pairs) => pairs.length > 0);
  return (
    <div className="grid max-w-3xl gap-4">
      <div className="flex flex-wrap items-start gap-x-8 gap-y-3">
        <FreeKinds balance={balance} set={set} />
        <div className="w-56">
          <GramsField
            key={balance.within}
            label="Even within"
            hint="how far a set may stay above the lightest; half a gram to a gram is common"
            value={balance.within}
            onSet={(within) => within !== null && set({ within })}
          />
        </div>
      </div>
      <p className="text-soft">Pistons stay where their clearance put them.</p>
      {given === null ? (
        <p className="text-lg">
          {balance.mixes.length === 0
            ? 'Nothing may go with another piston.'
            : 'At least two sets are to be weighed whole, with what may be mixed.'}
        </p>
      ) : worked.state === 'failed' ? (
        <p role="status">Calculation failed. Open this view again to retry.</p>
      ) : mix === null ? (
        <p role="status" className="text-lg text-soft">
          Working out …
        </p>
      ) : (
        <Found masses={masses} given={given} mix={mix} />
      )}
      <Where masses={masses} />
      {isMixed && (
        <p>
          <Button kind="quiet" onClick={() => choose('sets', UNMIXED)}>
            Every part back to its own number
          </Button>
        </p>
      )}
    </div>
  );
}

/** Which parts may go with another piston. */
function FreeKinds({ balance, set }: { balance: BalanceChoices; set: (change: Partial<BalanceChoices>) => void }) {
  return (
    <fieldset>
      <legend className="font-bold">May go with another piston</legend>
      {MIXED.map((kind) => (
        <Tick
          key={kind}
          value={balance.mixes.includes(kind)}
          onChange={(isOn) =>
            set({
              mixes: MIXED.filter((k) => (k === kind ? isOn : balance.mixes.includes(k))),
            })
          }
        >
          {MIXED_WORDS[kind]} <span className="text-soft">{WHY[kind]}</span>
        </Tick>
      ))}
    </fieldset>
  );
}

/** What is in each cylinder, part by part; a part that is marked stays there. */
function Where({ masses }: { masses: JudgedWeights }) {
  const { labels } = useJudgement();
  const { choose } = useLogging();
  const { choices: balance, sets, inPlay } = masses;
  const kinds = MIXED.filter((kind) => inPlay.includes(weighedAs(kind)));
  if (kinds.length === 0) return null;
  const stays = (part: Mixed, number: string): boolean =>
    balance.stays.some((s) => s.part === part && s.number === number);
  const setStays = (part: Mixed, number: string, isOn: boolean): void => {
    const others = balance.stays.filter((s) => s.part !== part || s.number !== number);
    choose('balance', { ...balance, stays: isOn ? [...others, { part, number }] : others });
  };
  return (
    <Table
      caption="What is in each cylinder, by number; ticked, it stays there"
      isCaptioned
      rows={sets}
      keyOf={(set) => set.id}
      columns={[
        ['cylinder', (set) => set.label],
        ...kinds.map((kind): Column<(typeof sets)[number]> => [
          MIXED_WORDS[kind],
          (set) => {
            const number = set.parts[weighedAs(kind)]?.number;
            if (number === undefined) return '–';
            return (
              <label className="inline-flex min-h-11 items-center gap-2">
                <input
                  type="checkbox"
                  aria-label={`${PART_WORDS[weighedAs(kind)]} ${labels.get(number) ?? number} stays`}
                  checked={stays(kind, number)}
                  disabled={!balance.mixes.includes(kind)}
                  onChange={(event) => setStays(kind, number, event.target.checked)}
                />
                <span className={number === set.id ? '' : 'font-bold text-blue'}>{labels.get(number) ?? number}</span>
              </label>
            );
          },
        ]),
      ]}
    />
  );
}
