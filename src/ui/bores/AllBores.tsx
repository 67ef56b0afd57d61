'use client';

import type { Derived } from '@/core/stages/bores/shape';
import { printLength } from '@/core/foundation/quantity/format';
import { useJudgement, useMoving, useWords } from '../openBuild/contexts';
import { bringIntoSight } from '../shared/scrollIntoView';
import { StateMark } from '../shared/StateMark';

/** Every bore in a line: size, taper, out-of-round, form, verdict. A row leads to it. */
export function AllBores() {
  const judgement = useJudgement();
  const { cylinder: current, toCylinder } = useMoving();
  const { units } = useWords();
  const [sizeUnit, fineUnit] = units === 'imperial' ? ['in', 'thou'] : ['mm', 'mm'];
  const fine = (derived: Derived | null | undefined) =>
    derived ? (
      <>
        {printLength(derived.value, units, 'fine').number}
        <span className="text-xs text-soft"> ±{printLength(derived.uncertainty, units, 'fine').number}</span>
      </>
    ) : (
      '–'
    );
  return (
    <div className="relative mt-3 min-h-40 flex-1 overflow-auto" tabIndex={0} role="region" aria-label="All bores">
      <table className="ruled max-sm:text-sm">
        <caption className="sr-only">Size and form of every bore</caption>
        <thead className="sticky top-0 bg-sheet">
          <tr>
            <th scope="col">cylinder</th>
            <th scope="col" className="num">
              <span className="whitespace-nowrap">smallest across</span> the thrust faces, {sizeUnit}
            </th>
            <th scope="col" className="num">
              mean, {sizeUnit}
            </th>
            <th scope="col" className="num">
              taper, {fineUnit}
            </th>
            <th scope="col" className="num">
              out-of-round, {fineUnit}
            </th>
            <th scope="col">verdict</th>
          </tr>
        </thead>
        <tbody>
          {judgement.cylinders.map(({ id, label, bore }) => (
            <tr
              key={id}
              ref={id === current?.id ? bringIntoSight : undefined}
              className={id === current?.id ? 'shadow-[inset_5px_0_0_var(--blue)]' : ''}
            >
              <th scope="row" className="pl-3! font-bold! text-ink!">
                <button
                  type="button"
                  className="min-h-7 px-2 pointer-coarse:min-h-11 pointer-coarse:min-w-11"
                  onClick={() => toCylinder(id)}
                  aria-label={`Bore ${label}`}
                >
                  {label}
                </button>
              </th>
              <td className="num">
                {bore.size ? printLength(bore.size.value, units, 'size').number : '–'}
                {bore.size && (
                  <span className="text-xs text-soft">
                    {' '}
                    ±{printLength(bore.size.uncertainty, units, 'size').number.replace(/^0/, '')}
                  </span>
                )}
                {bore.sizeClass !== null && <span className="block text-sm text-soft">class {bore.sizeClass}</span>}
              </td>
              <td className="num">{bore.shape ? printLength(bore.shape.mean, units, 'size').number : '–'}</td>
              <td className="num">{fine(bore.shape?.taper.thrust)}</td>
              <td className="num">{fine(bore.shape?.outOfRound)}</td>
              <td>
                <StateMark state={bore.verdict.state} />
                {bore.verdict.state === 'part read' && bore.read > 0 && (
                  <span className="figures ml-1 text-sm text-soft">
                    {bore.read}/{bore.total}
                  </span>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
