'use client';

import { printLength } from '@/core/foundation/quantity/format';
import { RING_WORDS, RINGS } from '@/core/foundation/parts/rings';
import { useMoving, useWords } from '../openBuild/contexts';
import { StateShape, stateColour } from '../shared/StateMark';
import type { JudgedCylinder } from '@/core/judge/judgement';

/** The rings of one cylinder with their gaps and windows; a row leads to its ring. */
export function RingTable({ cylinder }: { cylinder: JudgedCylinder }) {
  const { units, range } = useWords();
  const { cursor, toSubject } = useMoving();
  return (
    <table className="ruled">
      <thead>
        <tr>
          <th scope="col">ring</th>
          <th scope="col" className="num">
            read, {units === 'imperial' ? 'thou' : 'mm'}
          </th>
          <th scope="col" className="num">
            window
          </th>
        </tr>
      </thead>
      <tbody>
        {RINGS.map((name) => {
          const ring = cylinder.rings[name];
          const { called, state, target, number, label, differs } = ring;
          return (
            <tr key={name}>
              <td>
                <button
                  type="button"
                  className={`min-h-8 text-left pointer-coarse:min-h-11 ${cursor.inHand.rings === name ? 'font-bold text-blue' : ''}`}
                  aria-current={cursor.inHand.rings === name}
                  onClick={() => toSubject(name)}
                >
                  {RING_WORDS[name]}
                  {number !== cylinder.id && <span className="ml-1 text-xs text-soft">no. {label}</span>}
                </button>
              </td>
              <td className="num" style={{ color: stateColour(state) }}>
                {ring.counts ? printLength(ring.counts.value, units, 'fine').number : '–'}
                {!differs && called?.upTo != null && `/${printLength(called.upTo, units, 'fine').number}`}{' '}
                <StateShape state={state} />
                <span className="sr-only">{state}</span>
              </td>
              <td className="num">
                {target.set ? range(target.inForce.aimFrom, target.inForce.aimTo).replace(/ (thou|mm)$/, '') : 'ask'}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
