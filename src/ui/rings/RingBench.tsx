'use client';

import type { JudgedRing } from '@/core/stages/rings/ringGap';
import { countsWords, ringAdvice } from '@/core/stages/rings/words';
import { nextTask } from '@/core/stages/contract/tasks';
import { printLength } from '@/core/foundation/quantity/format';
import { isCompression } from '@/core/foundation/parts/rings';
import { countWords } from '@/core/foundation/uncertainty/instrument';
import { Deferred } from '../openBuild/Deferred';
import { useToolInHand, useJudgement, useLogging, useMoving, useWords } from '../openBuild/contexts';
import { taskLabel } from '@/core/judge/labels';
import { Button } from '../shared/Button';
import { Explain } from '../shared/Explain';
import { Accepting } from '../shared/Accepting';
import { Scale } from '../shared/Scale';
import { StateMark, stateColour } from '../shared/StateMark';
import { onDemand } from '../shared/onDemand';
import type { CompressionRing } from '@/core/stages/rings/set';
import { upWords } from '@/core/stages/rings/ringOrientation';

const MissingTarget = onDemand(() => import('../stages/MissingTarget').then((m) => m.MissingTarget));
const RingPast = onDemand(() => import('./RingPast').then((m) => m.RingPast), 'at rest');

const ORDINALS = [
  'No reading yet',
  'First reading',
  'Second reading',
  'Third reading',
  'Fourth reading',
  'Fifth reading',
];

interface Props {
  ring: JudgedRing;
  /** Whether it is to be read from across the bench: the figures and nothing else. */
  large: boolean;
  onSwap: () => void;
}

/** Which way up a ring goes, as soon as someone looked; nothing before. */
const upOnceSeen = (ring: CompressionRing): string => (ring.mark === null ? '' : upWords(ring));

/** The ring in hand: its gap on the rule, the verdict, what to cut, and every pass. */
export function RingBench({ ring, large, onSwap }: Props) {
  const judgement = useJudgement();
  const { cylinder } = useMoving();
  const { units } = useWords();
  if (!cylinder) return null;
  const live = ring.passes.filter((p) => p.voided === null && p.round === ring.round);
  const here = live.filter((p) => p.cylinder === cylinder.id);
  const next = nextTask(judgement.tasks.rings, { cylinder: cylinder.id, subject: ring.ring, spot: null });
  const then =
    next &&
    taskLabel(
      judgement.cylinders.find((c) => c.id === next.cylinder),
      next,
    );
  return (
    <div className="pt-2">
      <p className={large ? 'text-2xl' : 'text-[1.0625rem] text-soft'}>
        {ORDINALS[live.length] ?? `Reading ${live.length}`}
        {cylinder.bank !== 'only' && `, ${cylinder.bank} bank`}
        {ring.number !== cylinder.id && `, ring no. ${ring.label}`}.{' '}
        {!large && isCompression(ring.ring) && upOnceSeen(judgement.choices.ringSet[ring.ring])}
        {large && then && (
          <>
            {' '}
            Next: <b>{then}</b>
          </>
        )}
      </p>
      {!ring.target.set && <MissingTarget ask={ring.target.ask} />}
      <Scale
        target={ring.target}
        passes={here.map(({ id, value, upTo }) => ({ id, value, upTo }))}
        state={ring.state}
        units={units}
        under="ends can meet"
        over="loose: a little blow-by"
        steps
        label={`Gap of ${cylinder.label}, ${ring.ring}: ${ring.state}`}
      />
      <Verdict ring={ring} large={large} />
      <NextCut ring={ring} />
      <Otherwise ring={ring} onSwap={onSwap} />
      {!large && (
        <Deferred>
          <RingPast ring={ring} />
        </Deferred>
      )}
    </div>
  );
}

/** What was called, what counts where that differs, the verdict, what is still to come off, and what to do now. */
function Verdict({ ring, large }: { ring: JudgedRing; large: boolean }) {
  const { units, text } = useWords();
  const { state, toComeOff: off, called, counts, differs, readIn, target } = ring;
  const print = (nm: number): { number: string; unit: string } => printLength(nm, units, 'fine');
  const figure = `figures leading-none font-bold tracking-tight ${large ? 'text-[8.5rem] max-md:text-[6rem]' : 'text-[3.75rem]'}`;
  const small = large ? 'text-5xl' : 'text-2xl';
  return (
    <div className="mt-1 flex flex-wrap items-center gap-x-5 gap-y-1">
      {called ? (
        <div>
          <p className={figure} style={{ color: stateColour(state) }}>
            {called.open && '≥\u2009'}
            {print(called.value).number}
            {called.upTo !== null && <span className={small}>/{print(called.upTo).number}</span>}
            <span className={small}> {print(called.value).unit}</span>
          </p>
          {differs && counts && (
            <p className={`figures font-bold ${large ? 'text-4xl' : 'text-lg'}`}>
              {text(countsWords(counts, readIn !== null))}
            </p>
          )}
        </div>
      ) : (
        target.set && (
          <p className={figure}>
            {target.inForce.aimTo === null && '≥\u2009'}
            {print(target.inForce.aimFrom).number}
            {target.inForce.aimTo !== null && `–${print(target.inForce.aimTo).number}`}
            <span className={small}> {print(target.inForce.aimFrom).unit}</span>
          </p>
        )
      )}
      <div className={`min-w-56 flex-1 leading-snug ${large ? 'text-[2.25rem]' : 'text-xl'}`}>
        <StateMark state={state} />
        {off && (
          <p className={`font-bold ${large ? 'text-6xl' : 'text-2xl'}`}>
            <span className="figures">
              {print(off.toAim).number}
              {off.toMiddle > off.toAim && ` to ${print(off.toMiddle).number}`}
            </span>{' '}
            still to come off
            {off.most > off.toMiddle && (
              <span className={`font-normal text-soft ${large ? 'text-3xl' : 'text-base'}`}>
                , not more than {print(off.most).number}
              </span>
            )}
          </p>
        )}
        <p>{text(ringAdvice(ring))}</p>
      </div>
    </div>
  );
}

const percent = (share: number): string =>
  share < 0.001 ? 'under 0.1 %' : `${(share * 100).toFixed(share < 0.0995 ? 1 : 0)} %`;

/** How much to take at the next cut, and by how many turns where the filer's rate is known. */
function NextCut({ ring }: { ring: JudgedRing }) {
  const judgement = useJudgement();
  const { length, units } = useWords();
  const { filer, tools } = useToolInHand();
  const { advice } = ring;
  if (!advice) return null;
  const turns = advice.turns.find((t) => t.filer === filer?.id);
  const rate = turns?.rate;
  const cuts = rate?.sums.cuts ?? 0;
  const held = tools.find((t) => t.id === turns?.filer);
  return (
    <section aria-label="Next cut" className="mt-2 max-w-[760px] border-l-4 border-blue py-1 pl-3 text-lg">
      {turns && held && rate ? (
        <p>
          <b>
            Next cut: {turns.count === 0 ? 'less than one' : turns.count} {countWords(held, Math.max(1, turns.count))}
          </b>
          {turns.count > 0 &&
            `, about ${length(turns.removes)} at this ring filer’s rate; ${percent(turns.chance)} chance to cut too far (limit ${percent(judgement.choices.bench.chance)})`}
          . {turns.count === 0 && 'One whole turn could cut too far: dress it by hand, then read.'}{' '}
          <Explain
            what="rate of this ring filer"
            units={units}
            standing="Least squares through the origin over this ring filer’s logged cuts in this ring metal, on this engine and the shop’s others. The chance covers the scatter of the cut, the rate and the leaves. Half a thou of scatter is assumed with the weight of three cuts (typical figure, no source)."
            working={[
              [
                `${length(Math.round(rate.fit.slope))} a ${countWords(held, 1)}, from ${cuts} ${cuts === 1 ? 'cut' : 'cuts'}`,
              ],
              [
                `scatter of one cut ${length(Math.round(rate.scatter))}${rate.fit.residual === null ? ': one cut only, assumed' : ''}`,
              ],
            ]}
          />
        </p>
      ) : (
        <p>
          <b>
            {advice.first ? 'First cut' : 'Next cut'}: about {length(advice.take)}
          </b>
          , then deburr, square, read.{' '}
          <span className="text-soft">
            {filer
              ? `Not enough data of ${filer.name} on this metal: log a cut with its ${countWords(filer, 2)}, e.g. c6.`
              : 'Choose the ring filer and log a cut with its turns, e.g. c6. The next cut is then given in turns.'}
          </span>
        </p>
      )}
    </section>
  );
}

/** What can be done with a ring besides filing it: another cylinder, another ring, or its verdict accepted. */
function Otherwise({ ring, onSwap }: { ring: JudgedRing; onSwap: () => void }) {
  const { renew } = useLogging();
  const { findings } = useJudgement();
  const { cylinder } = useMoving();
  const { reading, state, accepted, done } = ring;
  // the heat model can have a word against a ring that is in its window: it is answered by accepting the gap
  const isWarned = findings.some((f) => f.stage === 'targets' && f.severity === 'mend' && f.cylinder === cylinder?.id);
  if (!reading || (done && !accepted && !isWarned) || state === 'no target') return null;
  return (
    <section aria-label="What else can be done" className="mt-2 flex flex-wrap items-start gap-3">
      {state === 'over' && !accepted && (
        <>
          {isCompression(ring.ring) && <Button onClick={onSwap}>Another cylinder</Button>}
          <Button onClick={() => renew(ring.ring, [ring.number])}>Another ring</Button>
        </>
      )}
      <Accepting words="this gap" what={null} state={state} answer={{ ...ring, acceptId: reading.id }} />
    </section>
  );
}
