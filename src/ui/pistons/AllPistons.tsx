'use client';

import { useJudgement, useMoving, useWords } from '../openBuild/contexts';
import { StateMark } from '../shared/StateMark';
import { Table } from '../shared/Table';

/** Bore, piston and clearance of every cylinder; a row leads to it. */
export function AllPistons() {
  const { cylinders } = useJudgement();
  const { cylinder: current, cursor, goTo } = useMoving();
  const { number, unit } = useWords();
  return (
    <Table
      caption="Bore, piston and clearance of every cylinder"
      region="All cylinders"
      fills
      className="max-sm:text-sm"
      rows={cylinders}
      keyOf={(c) => c.id}
      isHere={(c) => c.id === current?.id}
      columns={[
        ['cylinder', (c) => c.label],
        [`bore, ${unit('size')}`, (c) => number(c.bore.size?.value, 'size'), 'num'],
        [
          `piston, ${unit('size')}`,
          (c) => (
            <>
              <button
                type="button"
                className={`min-h-7 px-1 pointer-coarse:min-h-11 pointer-coarse:min-w-11 ${c.id === current?.id && cursor.inHand.pistons === 'piston' ? 'font-bold text-blue underline underline-offset-4' : ''}`}
                aria-label={`Cylinder ${c.label}, piston${c.piston.size ? `, ${number(c.piston.size.value, 'size')} ${unit('size')}` : ', to read'}`}
                onClick={() => goTo({ cylinder: c.id, subject: 'piston', spot: null }, true)}
              >
                {number(c.piston.size?.value, 'size')}
                {c.piston.read > 1 && <span className="ml-1 text-xs text-soft">×{c.piston.read}</span>}
              </button>
              {c.piston.id !== c.id && <span className="ml-1 text-xs text-soft">no. {c.piston.label}</span>}
            </>
          ),
          'num',
        ],
        [
          `clearance, ${unit('clearance')}`,
          ({ clearance: { value, uncertainty } }) => (
            <>
              {number(value, 'clearance')}
              {value !== null && <span className="text-xs text-soft"> ±{number(uncertainty, 'clearance')}</span>}
            </>
          ),
          'num',
        ],
        ['verdict', (c) => <StateMark state={c.clearance.state} />],
      ]}
    />
  );
}
