'use client';

import type { Derived } from '@/core/stages/bores/shape';
import type { JudgedCylinder } from '@/core/judge/judgement';
import { useJudgement, useMoving, useWords } from '../openBuild/contexts';
import { StateMark } from '../shared/StateMark';
import { Table } from '../shared/Table';

/** Every bore in a line: size, taper, out-of-round, form, verdict. A row leads to it. */
export function AllBores() {
  const { cylinders } = useJudgement();
  const { cylinder: current, toCylinder } = useMoving();
  const { number, unit } = useWords();
  const figure = (derived: Pick<Derived, 'value' | 'uncertainty'> | null | undefined, style: 'size' | 'fine') => (
    <>
      {number(derived?.value, style)}
      {derived && (
        <span className="text-xs text-soft"> ±{number(derived.uncertainty, style).replace(/^0(?=\.0)/, '')}</span>
      )}
    </>
  );
  return (
    <Table
      caption="Size and form of every bore"
      region="All bores"
      fills
      className="max-sm:text-sm"
      rows={cylinders}
      keyOf={(c) => c.id}
      isHere={(c) => c.id === current?.id}
      columns={[
        [
          'cylinder',
          ({ id, label }) => (
            <button
              type="button"
              className="min-h-7 px-2 pointer-coarse:min-h-11 pointer-coarse:min-w-11"
              onClick={() => toCylinder(id)}
              aria-label={`Bore ${label}`}
            >
              {label}
            </button>
          ),
        ],
        [
          <>
            <span className="whitespace-nowrap">smallest across</span> the thrust faces, {unit('size')}
          </>,
          ({ bore: { size, sizeClass } }) => (
            <>
              {figure(size, 'size')}
              {sizeClass !== null && <span className="block text-sm text-soft">class {sizeClass}</span>}
            </>
          ),
          'num',
        ],
        [`mean, ${unit('size')}`, ({ bore }) => number(bore.shape?.mean, 'size'), 'num'],
        [`taper, ${unit('fine')}`, ({ bore }) => figure(bore.shape?.taper.thrust, 'fine'), 'num'],
        [`out-of-round, ${unit('fine')}`, ({ bore }) => figure(bore.shape?.outOfRound, 'fine'), 'num'],
        ['verdict', ({ bore }) => <BoreVerdict bore={bore} />],
      ]}
    />
  );
}

/** The verdict of a bore, and how much of it is read. */
function BoreVerdict({ bore: { verdict, read, total } }: { bore: JudgedCylinder['bore'] }) {
  return (
    <>
      <StateMark state={verdict.state} />
      {verdict.state === 'part read' && read > 0 && (
        <span className="figures ml-1 text-sm text-soft">
          {read}/{total}
        </span>
      )}
    </>
  );
}
