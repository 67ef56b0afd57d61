'use client';

import { GROOVE_WORDS } from '@/core/stages/rings/set';
import { useJudgement, useLogging, useMoving, useWords } from '../openBuild/contexts';
import { Table, unseen } from '../shared/Table';
import { PassLog } from '../shared/PassLog';
import { Segmented } from '../shared/Segmented';
import { Accepting } from '../shared/Accepting';
import { StateMark } from '../shared/StateMark';
import { type GrooveSubject, GROOVE_SUBJECTS } from '@/core/stages/rings/grooves';
import { Term } from '../shared/Term';

const SAMPLES = [
  ['sample', 'one piston for all'],
  ['each', 'every piston'],
] as const;

/** How each ring sits in its groove: axial clearance, and that it sinks under the land. */
export function Grooves() {
  const judgement = useJudgement();
  const { cursor, cylinder } = useMoving();
  const { choose } = useLogging();
  const { length, range, text } = useWords();
  const { ringSet } = judgement.choices;
  if (!cylinder) return null;
  const figure = (low: number | null, high: number | null): string =>
    low === null ? '–' : high === null || high - low < 2 ? length(low) : range(low, high + 1);
  const passes = cylinder.grooves.passes.filter((p) => p.subject === cursor.inHand.grooves);
  const asking = cylinder.grooves.grooves.flatMap(({ groove, side, land }) => [
    ...(side.read && (side.state === 'tight' || side.state === 'not proven')
      ? [{ words: `${GROOVE_WORDS[groove]}, axial clearance`, figure: side }]
      : []),
    ...(land.read && (land.state === 'proud' || land.state === 'not proven')
      ? [{ words: `${GROOVE_WORDS[groove]}, under the land`, figure: land }]
      : []),
  ]);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-4 pt-3">
      <div className="flex flex-wrap items-center gap-3">
        <Segmented
          label="Grooves are checked of"
          value={ringSet.grooves}
          options={SAMPLES}
          onChange={(grooves) => choose('ringSet', { ...ringSet, grooves })}
        />
        <p>
          Axial clearance asked for: <b className="figures">{range(ringSet.side.least, ringSet.side.most)}</b>. Clean
          the grooves first.
        </p>
      </div>
      <GrooveTable figure={figure} />
      <p className="text-soft">
        {cylinder.grooves.grooves
          .flatMap((g) => [...g.side.working, ...g.land.working])
          .map((line) => `${text(line)}. `)}
        Pale figures follow from the sizes of the ring set, or from the piston used for all.
      </p>
      {asking.map(({ words, figure }) => (
        <p key={words} className="flex flex-wrap items-center gap-x-3">
          <b>{words}</b> <StateMark state={figure.state} />
          <Accepting words={words} what={null} state={figure.state} answer={figure} />
        </p>
      ))}
      <section aria-label="Readings of this groove">
        <h2 className="mb-1">Readings, piston {cylinder.piston.label}</h2>
        <PassLog
          passes={
            passes.length > 0
              ? passes
              : cylinder.grooves.passes.filter((p) => GROOVE_SUBJECTS.some((s) => s === p.subject))
          }
          style="fine"
        />
      </section>
    </div>
  );
}

/** Axial clearance and depth of every groove. */
function GrooveTable({ figure }: { figure: (low: number | null, high: number | null) => string }) {
  const judgement = useJudgement();
  const { cylinder, cursor, goTo } = useMoving();
  const { cylinders } = judgement;
  if (!cylinder) return null;
  const rows = cylinders.flatMap((c) => c.grooves.grooves.map((at) => ({ c, ...at })));
  type Row = (typeof rows)[number];
  const figures = ({ c, groove, ...row }: Row, what: 'side' | 'land') => {
    const { low, high, read } = row[what];
    const subject: GrooveSubject = `${groove}${what === 'side' ? 'Side' : 'Land'}`;
    const isHere = cylinder.id === c.id && cursor.inHand.grooves === subject;
    const words = figure(low, high);
    return (
      <button
        type="button"
        aria-current={isHere}
        aria-label={`Piston ${c.piston.label}, ${GROOVE_WORDS[groove]}, ${what === 'side' ? 'axial clearance' : 'under the land'}: ${words}`}
        onClick={() => goTo({ cylinder: c.id, subject, spot: null }, true)}
        className={`min-h-8 px-1 pointer-coarse:min-h-11 pointer-coarse:min-w-11 ${isHere ? 'font-bold text-blue underline underline-offset-4' : read ? '' : 'text-soft'}`}
      >
        {words}
      </button>
    );
  };
  return (
    <Table
      caption="Axial clearance and depth under the land"
      region="Grooves by piston"
      rows={rows}
      keyOf={(row) => row.c.id + row.groove}
      columns={[
        ['piston', ({ c, groove }) => (groove === 'top' ? c.piston.label : unseen(c.piston.label))],
        ['groove', (row) => GROOVE_WORDS[row.groove]],
        ['axial clearance', (row) => figures(row, 'side'), 'num'],
        ['verdict', (row) => <StateMark state={row.side.state} />],
        [
          <>
            under the <Term word="land" />
          </>,
          (row) => figures(row, 'land'),
          'num',
        ],
        ['verdict', (row) => <StateMark state={row.land.state} />],
      ]}
    />
  );
}
