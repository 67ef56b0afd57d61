'use client';

import { GROOVE_WORDS } from '@/core/stages/rings/set';
import { useJudgement, useLogging, useMoving, useWords } from '../openBuild/contexts';
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
        Pale figures follow from the sizes of the ring set, or from the piston that stands for all.
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
  return (
    <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label="Grooves by piston">
      <table className="ruled">
        <caption className="sr-only">Axial clearance and depth under the land</caption>
        <thead>
          <tr>
            <th scope="col">piston</th>
            <th scope="col">groove</th>
            <th scope="col" className="num">
              axial clearance
            </th>
            <th scope="col">verdict</th>
            <th scope="col" className="num">
              under the <Term word="land" />
            </th>
            <th scope="col">verdict</th>
          </tr>
        </thead>
        <tbody>
          {cylinders.flatMap((c) =>
            c.grooves.grooves.map(({ groove, side, land }) => {
              const to = (subject: GrooveSubject, words: string, dim: boolean) => (
                <button
                  type="button"
                  aria-current={cylinder.id === c.id && cursor.inHand.grooves === subject}
                  aria-label={`Piston ${c.piston.label}, ${GROOVE_WORDS[groove]}, ${subject.endsWith('Side') ? 'axial clearance' : 'under the land'}: ${words}`}
                  onClick={() => goTo({ cylinder: c.id, subject, spot: null }, true)}
                  className={`min-h-8 px-1 pointer-coarse:min-h-11 pointer-coarse:min-w-11 ${cylinder.id === c.id && cursor.inHand.grooves === subject ? 'font-bold text-blue underline underline-offset-4' : dim ? 'text-soft' : ''}`}
                >
                  {words}
                </button>
              );
              return (
                <tr key={`${c.id}${groove}`}>
                  <th scope="row" className="font-bold! text-ink!">
                    {groove === 'top' ? c.piston.label : ''}
                    {groove !== 'top' && <span className="sr-only">{c.piston.label}</span>}
                  </th>
                  <td>{GROOVE_WORDS[groove]}</td>
                  <td className="num">{to(`${groove}Side`, figure(side.low, side.high), !side.read)}</td>
                  <td>
                    <StateMark state={side.state} />
                  </td>
                  <td className="num">{to(`${groove}Land`, figure(land.low, land.high), !land.read)}</td>
                  <td>
                    <StateMark state={land.state} />
                  </td>
                </tr>
              );
            }),
          )}
        </tbody>
      </table>
    </div>
  );
}
