'use client';

import { type JudgedFastener, type JudgedGroup, isTight } from '@/core/stages/assembly/torque/torqueRecord';
import { useJudgement, useWords } from '../openBuild/contexts';
import { StateShape } from '../shared/StateMark';

interface Props {
  judged: JudgedGroup;
  inHand: JudgedFastener | null;
  onTake: (fastener: JudgedFastener) => void;
  isSecondRound: boolean;
}

/** The fasteners in rows: of rods a row each, of the engine as numbered. */
export function FastenerMap({ judged, inHand, onTake, isSecondRound }: Props) {
  const { labels } = useJudgement();
  const { length } = useWords();
  const { group, fasteners } = judged;
  const order = group.order ?? fasteners.map((f) => f.fastener);
  const rows =
    group.on === 'rods'
      ? [...new Set(fasteners.map((f) => f.cylinder))].map((place) => ({
          label: `Rod ${labels.get(place) ?? place}`,
          some: fasteners.filter((f) => f.cylinder === place),
        }))
      : [{ label: '', some: fasteners }];
  return (
    <div className={`grid shrink-0 gap-x-8 gap-y-1 ${group.on === 'rods' ? 'lg:grid-cols-2 2xl:grid-cols-3' : ''}`}>
      {rows.map(({ label, some }) => (
        <div key={label} className="flex flex-wrap items-center gap-2" role="group" aria-label={label || group.words}>
          {label && <b className="w-16">{label}</b>}
          {some.map((f) => {
            const turn = order.indexOf(f.fastener) + 1;
            const isTwice = f.secondBy !== null;
            return (
              <button
                key={f.fastener}
                type="button"
                aria-current={f === inHand || undefined}
                aria-label={`${f.words}: ${f.state}${f.stretch === null ? '' : `, ${length(f.stretch, 'clearance')}`}, ${f.made} of ${f.of} steps${isTwice ? ', second round' : ''}${group.order ? `, ${turn} in the printed order` : ''}`}
                onClick={() => onTake(f)}
                className="flex min-h-12 min-w-16 items-center gap-1.5 rounded border border-edge px-2 aria-[current]:border-[3px] aria-[current]:border-blue"
              >
                <b className="text-lg">{f.fastener}</b>
                <StateShape state={f.state} />
                <span className="figures text-sm text-soft">
                  {f.stretch !== null
                    ? length(f.stretch, 'clearance')
                    : f.of > 1 && f.made > 0 && f.made < f.of
                      ? `${f.made}/${f.of}`
                      : ''}
                  {isTwice ? ' ✓✓' : isSecondRound && isTight(f) ? ' ✓' : ''}
                </span>
              </button>
            );
          })}
        </div>
      ))}
      {group.order && (
        <p className="w-full text-soft">
          Printed order: <span className="figures">{group.order.join(' ')}</span>
        </p>
      )}
    </div>
  );
}
