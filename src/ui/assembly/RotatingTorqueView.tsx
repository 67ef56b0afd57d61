'use client';

import { inOrder } from '@/core/stages/assembly/walk';
import type { Units } from '@/core/foundation/quantity/length';
import { type MilliNm, bothTorques, torqueText } from '@/core/foundation/quantity/torque';
import {
  type JudgedTurning,
  type PastTurning,
  type Turn,
  afterWords,
  rangeOf,
  rotatingTorqueOf,
} from '@/core/stages/assembly/rotating/rotatingTorque';
import { useJudgement, useWords } from '../openBuild/contexts';
import { Table } from '../shared/Table';
import { Accepting } from '../shared/Accepting';
import { When } from '../shared/When';
import { RotatingTorqueLimits } from './RotatingTorqueLimits';
import { RotatingTorqueEntry } from './RotatingTorqueEntry';
import { torqueRange } from './rotatingTorqueWords';
import { useTorqueHistory } from './useTorqueHistory';
import type { Order } from './useInstallOrder';

/** What the crank takes to turn: after each step, what it added, and whether that is far more than the others added. */
export function RotatingTorqueView({ order }: { order: Order }) {
  const judgement = useJudgement();
  const past = useTorqueHistory(judgement.id);
  const { units } = useWords();
  const judged = rotatingTorqueOf(judgement, past);
  const jumps = judged.turns.filter((t) => t.isJump);
  const over = judged.turns.filter((t) => t.isOver && !t.isJump);
  return (
    <div className="flex min-h-full flex-col gap-3 pt-3">
      {judged.turns.length === 0 && (
        <p className="max-w-prose text-lg">
          With a beam or dial wrench on the crank: what keeps it turning, once it lies alone, after each piston or pair,
          and with all in. There is no one right figure: narrow rings turn almost by hand. It is the step that tells.
        </p>
      )}
      {jumps.map((t) => (
        <Jump key={t.entry.id} turn={t} units={units} />
      ))}
      {over.map((t) => (
        <Over key={t.entry.id} turn={t} units={units} />
      ))}
      {judged.turns.length > 0 && <Turnings judged={judged} units={units} />}
      <Known judged={judged} past={past} units={units} />
      <RotatingTorqueLimits />

      <RotatingTorqueEntry judged={judged} cylinders={inOrder(judgement, order.found)} />
    </div>
  );
}

function Jump({ turn, units }: { turn: Turn; units: Units }) {
  const { label, share, entry } = turn;
  return (
    <div className="max-w-prose shrink-0 border-l-4 border-over pl-3" role="alert">
      <p className="text-lg">
        <b className="text-over">
          ✕ A jump with cylinder {label}: {bothTorques(share ?? 0, units)} more
        </b>
        {entry.pistons > 1 && `, for ${entry.pistons} pistons`}. The last one in binds.
      </p>
      <p>
        Most often: a cap on the wrong rod or the wrong way round, a shell out of its notch or dry, the rod in
        backwards, a ring out of its groove or its gap closed. Take it out and look before the next goes in.
      </p>
      <Accepting words="this jump" what="turn" state="over" answer={turn} />
    </div>
  );
}

/** A turning over what the manual or the shop lets it take. */
function Over({ turn, units }: { turn: Turn; units: Units }) {
  const { label, entry, most } = turn;
  return (
    <div className="max-w-prose shrink-0 border-l-4 border-over pl-3" role="alert">
      <p className="text-lg">
        <b className="text-over">
          ✕ {bothTorques(entry.value, units)}, {afterWords(entry, label)}: over the {bothTorques(most ?? 0, units)} it
          may take
        </b>
        . Something binds.
      </p>
      <Accepting words="this turning" what="turn" state="over" answer={turn} />
    </div>
  );
}

/** Every turning, with what was added by its piston. */
function Turnings({ judged: { turns }, units }: { judged: JudgedTurning; units: Units }) {
  const most = Math.max(...turns.map((t) => t.entry.value));
  const bare = (torque: MilliNm): string => torqueText(torque, units).replace(/ .*$/, '');
  const marked = (text: string, isWrong: boolean) => (isWrong ? <b className="text-over">{text} ✕</b> : text);
  return (
    <Table
      caption={`What it took, in ${units === 'metric' ? 'N·m' : 'lb·ft'}`}
      isCaptioned
      rows={turns}
      keyOf={(turn) => turn.entry.id}
      columns={[
        ['turned', ({ entry, label }) => afterWords(entry, label)],
        ['to keep turning', ({ entry, isOver }) => marked(bare(entry.value), isOver), 'num text-lg'],
        ['to start', ({ entry }) => (entry.starts === null ? '–' : bare(entry.starts)), 'num'],
        [
          'added',
          ({ share, isJump }) =>
            share === null ? '–' : marked(`${share >= 0 ? '+' : '−'}${bare(Math.abs(share))}`, isJump),
          'num',
        ],
        ['beside the others', (turn) => <Share turn={turn} most={most} />, 'w-1/3 pl-6'],
        [
          'by',
          ({ entry }) => (
            <>
              {entry.by} <When at={entry.at} />
            </>
          ),
          'figures pl-3 text-sm whitespace-nowrap text-soft',
        ],
      ]}
    />
  );
}

/** What a turning took as a bar, its own share at the end. */
function Share({ turn: { entry, share, isJump }, most }: { turn: JudgedTurning['turns'][number]; most: MilliNm }) {
  const before = entry.value - (share ?? 0);
  const per = (torque: MilliNm): string => `${(100 * torque) / most}%`;
  return (
    <span className="relative block h-3.5 bg-steel" aria-hidden>
      <span className="absolute inset-y-0 left-0 bg-idle" style={{ width: per(Math.min(before, entry.value)) }} />
      {share !== null && share > 0 && (
        <span
          className={`absolute inset-y-0 ${isJump ? 'bg-over' : 'bg-blue'}`}
          style={{ left: per(before), width: per(share) }}
        />
      )}
    </span>
  );
}

/** What is usual: of this engine, and of the shop’s own builds. */
function Known({ judged, past, units }: { judged: JudgedTurning; past: readonly PastTurning[]; units: Units }) {
  const all = rangeOf(past.flatMap((p) => p.all ?? []));
  const shares = rangeOf(past.flatMap((p) => p.shares));
  if (!judged.own && past.length === 0) return null;
  return (
    <p className="max-w-prose shrink-0 text-soft">
      {judged.own && <>Pistons of this engine added {torqueRange(judged.own, units)} each. </>}
      {past.length > 0 && (
        <>
          {past.length} {past.length === 1 ? 'build' : 'builds'} of the shop like it
          {shares && <>: pistons added {torqueRange(shares, units)} each</>}
          {all && <>; with all in, {torqueRange(all, units)}</>}.
        </>
      )}
    </p>
  );
}
