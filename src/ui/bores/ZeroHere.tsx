'use client';

import { shortDepth, shortDirection } from '@/core/foundation/parts/spots';
import { settingOf, zeroOf } from '@/core/judge/context';
import type { JudgedCylinder } from '@/core/judge/judgement';
import { readingOf } from '@/core/judge/preview';
import { useToolInHand, useJudgement, useLogging } from '../openBuild/contexts';
import { Button } from '../shared/Button';
import { onDemand } from '../shared/onDemand';

const ZeroSize = onDemand(() => import('./ZeroSize').then((m) => m.ZeroSize));

interface Props {
  cylinder: JudgedCylinder;
  spot: JudgedCylinder['bore']['spots'][number];
}

/** The gauge zeroed in the bore before its size is known: set here by one touch, and given its size when the micrometer has read it. */
export function ZeroHere({ cylinder, spot }: Props) {
  const judgement = useJudgement();
  const { zeroHere } = useLogging();
  const { handFor } = useToolInHand();
  const hand = handFor('bore');
  const setting = settingOf(judgement, hand.instrument);
  const zero = zeroOf(judgement, hand.instrument);
  const place = { depth: spot.depth, angle: spot.angle };
  if (setting !== 'here' || zero === null)
    return setting === null ? (
      <div className="mt-2">
        <Button
          onClick={() => {
            const nought = { value: 0, upTo: null, dial: true, taken: 'zeroed here' } as const;
            zeroHere(
              readingOf(judgement, { cylinder: cylinder.id, subject: 'bore', spot: place }, nought, hand, 'here'),
            );
          }}
        >
          Zeroed here: {shortDepth(spot.depth)}, {shortDirection(spot.angle)}
        </Button>
        <p className="mt-1 text-sm text-soft">
          With no size known yet: the dial is read from this spot, and the micrometer says later what its zero was. On
          the line: <span className="figures">here</span>.
        </p>
      </div>
    ) : null;
  return (
    <div className="mt-2">
      <p>
        <b>The gauge is zeroed in a bore.</b> Type what its dial shows: <b className="figures">6</b>,{' '}
        <b className="figures">-1.5</b>. Then squeeze it in the micrometer until it shows nought.
      </p>
      <ZeroSize zero={zero} about={cylinder.targetBore?.nm ?? null} />
    </div>
  );
}
