'use client';

import { easySetting } from '@/core/stages/bores/gauge';
import { DEPTH_WORDS, directionWords } from '@/core/foundation/parts/spots';
import { settingFor, settingOf } from '@/core/judge/context';
import type { JudgedCylinder } from '@/core/judge/judgement';
import type { Nm } from '@/core/foundation/quantity/length';
import { printLength } from '@/core/foundation/quantity/format';
import { Hand } from '../toolInHand/Hand';
import { useToolInHand, useJudgement, useWords } from '../openBuild/contexts';
import { PassLog } from '../shared/PassLog';
import { Findings, findingsFor } from '../stages/Findings';
import { Dial } from './Dial';
import { MarkMachined } from './MarkMachined';
import { ZeroHere } from './ZeroHere';
import { Term } from '../shared/Term';

interface Props {
  cylinder: JudgedCylinder;
  /** The spot in hand, with its readings. */
  spot: JudgedCylinder['bore']['spots'][number];
  /** What is typed so far, as a size. */
  typed: Nm | null;
}

/** Beside the spot in hand: the gauge with its dial, what to know of the bore, its readings. */
export function BoresSidebar({ cylinder, spot, typed }: Props) {
  const judgement = useJudgement();
  const { handFor, toolFor } = useToolInHand();
  const { units } = useWords();
  const { bore } = cylinder;
  const set = settingOf(judgement, handFor('bore').instrument);
  const setting = settingFor(judgement, set, cylinder);
  const kit = toolFor('bore')?.kit ?? null;
  const atSpots = new Set(bore.spots.flatMap((s) => s.passes.map((p) => p.id)));
  const others = bore.passes.filter((p) => !atSpots.has(p.id));
  const shown = typed ?? spot.passes.findLast((p) => p.voided === null)?.value ?? null;
  return (
    <>
      <Hand subject="bore" />
      {kit && setting !== null && (
        <Dial kit={kit} setting={setting} shown={shown} units={units} live={typed !== null} />
      )}
      {kit && set === null && cylinder.targetBore && (
        <p className="mt-2 text-soft">
          Set the gauge in the micrometer and say so on the reading line:{' '}
          <b className="figures text-ink">
            set {printLength(easySetting(cylinder.targetBore.nm, units), units, 'size').number}
          </b>
          . Then the dial is read: <b className="figures text-ink">6</b>, <b className="figures text-ink">-1.5</b>.
        </p>
      )}
      <ZeroHere cylinder={cylinder} spot={spot} />
      <div className="mt-4">
        <Findings findings={findingsFor(judgement.findings, ['bores'], cylinder.id)} />
      </div>
      <h2 className="mt-5 mb-1">
        {DEPTH_WORDS[spot.depth]}, {directionWords(spot.angle)}
      </h2>
      <PassLog passes={spot.passes} style="size" />
      {others.length > 0 && (
        <>
          <h2 className="mt-4 mb-1">
            Kept, and of no <Term word="spot" /> here
          </h2>
          <PassLog passes={others} style="size" />
        </>
      )}
      <MarkMachined part="bore" />
      <p className="mt-4 text-soft">
        Parts and gauges at one temperature. A calliper is not good enough for this. Solvents: fresh air and no flame.
      </p>
    </>
  );
}
