'use client';

import { KIND_WORDS } from '@/core/stages/journals/words';
import { KINDS } from '@/core/stages/journals/choices';
import { useJudgement, useMoving, useWords } from '../openBuild/contexts';
import { StateMark } from '../shared/StateMark';
import { Table } from '../shared/Table';
import { onBearing } from './bearings';

/** Journal, housing and clearance of every bearing; a row leads to it. */
export function AllBearings() {
  const judgement = useJudgement();
  const { cursor, cylinder, goTo } = useMoving();
  const { number, unit } = useWords();
  const at = cursor.place ?? cylinder?.id;
  const { method } = judgement.choices.journals;
  const fine = (nm: number | null): string => number(nm, 'clearance');
  return (
    <Table
      caption="Journal, housing and clearance of every bearing"
      region="All bearings"
      fills
      className="max-sm:text-sm"
      rows={[...judgement.mains, ...judgement.rods]}
      keyOf={(b) => b.id}
      isHere={(b) => b.id === at}
      columns={[
        [
          'bearing',
          (b) => (
            <button
              type="button"
              className="min-h-7 px-1 pointer-coarse:min-h-11 pointer-coarse:min-w-11"
              onClick={() => goTo(onBearing(judgement, b.id, cursor.inHand.journals), true)}
            >
              {b.words}
            </button>
          ),
        ],
        [`journal, ${unit('size')}`, (b) => number(b.journal.size?.value, 'size'), 'num'],
        [
          `${method === 'apart' ? 'bare housing' : 'with shells'}, ${unit('size')}`,
          (b) => number((method === 'apart' ? b.bare : b.housing)?.value, 'size'),
          'num',
        ],
        [
          `clearance, ${unit('clearance')}`,
          ({ clearance: { low, high, value, uncertainty } }) => (
            <>
              {high > low ? `${fine(low)}–${fine(high)}` : fine(value)}
              {value !== null && <span className="text-xs text-soft"> ±{fine(uncertainty)}</span>}
            </>
          ),
          'num',
        ],
        ['verdict', (b) => <StateMark state={b.clearance.state} />],
      ]}
    >
      <Spreads />
    </Table>
  );
}

/** How far the clearances of a kind lie apart. */
function Spreads() {
  const { apart, tooFarApart, choices } = useJudgement();
  const { length } = useWords();
  const { spread: most } = choices.journals;
  return (
    <tbody>
      {KINDS.map((kind) => {
        const spread = apart[kind];
        if (spread === null) return null;
        return (
          <tr key={kind}>
            <td colSpan={5} className="text-sm text-soft">
              {KIND_WORDS[kind]}: spread {length(spread, 'clearance')}
              {most !== null && `, ${tooFarApart[kind] ? 'over' : 'within'} the ${length(most, 'clearance')} limit`}.
            </td>
          </tr>
        );
      })}
    </tbody>
  );
}
