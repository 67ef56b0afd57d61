'use client';

import { RING_WORDS, RINGS } from '@/core/foundation/parts/rings';
import { useMoving, useWords } from '../openBuild/contexts';
import { Table } from '../shared/Table';
import { StateShape, stateColour } from '../shared/StateMark';
import type { JudgedCylinder } from '@/core/judge/judgement';

/** The rings of one cylinder with their gaps and windows; a row leads to its ring. */
export function RingTable({ cylinder }: { cylinder: JudgedCylinder }) {
  const { range, number, unit } = useWords();
  const { cursor, toSubject } = useMoving();
  return (
    <Table
      caption={`Rings of cylinder ${cylinder.label}`}
      rows={RINGS.map((name) => ({ name, ring: cylinder.rings[name] }))}
      keyOf={(row) => row.name}
      columns={[
        [
          'ring',
          ({ name, ring }) => (
            <button
              type="button"
              className={`min-h-8 text-left font-normal pointer-coarse:min-h-11 ${cursor.inHand.rings === name ? 'font-bold! text-blue' : ''}`}
              aria-current={cursor.inHand.rings === name}
              onClick={() => toSubject(name)}
            >
              {RING_WORDS[name]}
              {ring.number !== cylinder.id && <span className="ml-1 text-xs text-soft">no. {ring.label}</span>}
            </button>
          ),
          'text-base',
        ],
        [
          `read, ${unit('fine')}`,
          ({ ring: { counts, called, state, differs } }) => (
            <span style={{ color: stateColour(state) }}>
              {number(counts?.value, 'fine')}
              {!differs && called?.upTo != null && `/${number(called.upTo, 'fine')}`} <StateShape state={state} />
              <span className="sr-only">{state}</span>
            </span>
          ),
          'num',
        ],
        [
          'window',
          ({ ring: { target } }) =>
            target.set ? range(target.inForce.aimFrom, target.inForce.aimTo).replace(/ (thou|mm)$/, '') : 'ask',
          'num',
        ],
      ]}
    />
  );
}
