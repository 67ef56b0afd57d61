'use client';

import { printLength } from '@/core/foundation/quantity/format';
import { useJudgement, useMoving, useWords } from '../openBuild/contexts';
import { StateMark } from '../shared/StateMark';
import { bringIntoSight } from '../shared/scrollIntoView';

/** Bore, piston and clearance of every cylinder; a row leads to it. */
export function AllPistons() {
  const judgement = useJudgement();
  const { cylinder: current, cursor, goTo } = useMoving();
  const { units } = useWords();
  const size = (nm: number | undefined): string => (nm === undefined ? '–' : printLength(nm, units, 'size').number);
  const unit = units === 'imperial' ? 'in' : 'mm';
  return (
    <div className="relative mt-3 min-h-44 flex-1 overflow-auto" tabIndex={0} role="region" aria-label="All cylinders">
      <table className="ruled max-sm:text-sm">
        <caption className="sr-only">Bore, piston and clearance of every cylinder</caption>
        <thead className="sticky top-0 bg-sheet">
          <tr>
            <th scope="col">cylinder</th>
            <th scope="col" className="num">
              bore, {unit}
            </th>
            <th scope="col" className="num">
              piston, {unit}
            </th>
            <th scope="col" className="num">
              clearance, {units === 'imperial' ? 'thou' : 'mm'}
            </th>
            <th scope="col">verdict</th>
          </tr>
        </thead>
        <tbody>
          {judgement.cylinders.map((c) => (
            <tr
              key={c.id}
              ref={c.id === current?.id ? bringIntoSight : undefined}
              className={c.id === current?.id ? 'shadow-[inset_5px_0_0_var(--blue)]' : ''}
            >
              <th scope="row" className="pl-3! font-bold! text-ink!">
                {c.label}
              </th>
              <td className="num">{size(c.bore.size?.value)}</td>
              <td className="num">
                <button
                  type="button"
                  className={`min-h-7 px-1 pointer-coarse:min-h-11 ${c.id === current?.id && cursor.inHand.pistons === 'piston' ? 'font-bold text-blue underline underline-offset-4' : ''}`}
                  aria-label={`Cylinder ${c.label}, piston${c.piston.size ? `, ${size(c.piston.size.value)} ${unit}` : ', to read'}`}
                  onClick={() => goTo({ cylinder: c.id, subject: 'piston', spot: null }, true)}
                >
                  {size(c.piston.size?.value)}
                  {c.piston.read > 1 && <span className="ml-1 text-xs text-soft">×{c.piston.read}</span>}
                </button>
                {c.piston.id !== c.id && <span className="ml-1 text-xs text-soft">no. {c.piston.label}</span>}
              </td>
              <td className="num">
                {c.clearance.value === null ? '–' : printLength(c.clearance.value, units, 'clearance').number}
                {c.clearance.value !== null && (
                  <span className="text-xs text-soft">
                    {' '}
                    ±{printLength(c.clearance.uncertainty, units, 'clearance').number}
                  </span>
                )}
              </td>
              <td>
                <StateMark state={c.clearance.state} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
