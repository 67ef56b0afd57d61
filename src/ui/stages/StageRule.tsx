'use client';

import { Link } from '../shared/Link';
import { useEffect, useRef } from 'react';
import { useJudgement } from '../openBuild/contexts';
import { type StageId, STAGES } from '@/core/judge/registry';

const TICKS = 10;

/** The stages in working order along a scale; the needle stands where the work is in the stage shown. */
export function StageRule({ stage }: { stage: StageId }) {
  const judgement = useJudgement();
  const rule = useRef<HTMLElement>(null);
  useEffect(() => {
    const here = rule.current?.querySelector<HTMLElement>('[aria-current="page"]')?.parentElement;
    if (rule.current && here) rule.current.scrollLeft = here.offsetLeft - rule.current.clientWidth / 3;
  }, [stage]);
  return (
    <nav
      ref={rule}
      aria-label="Stages"
      className="no-print relative overflow-x-auto border-b border-line px-5 max-lg:px-3"
    >
      <ol className="flex min-w-[860px] max-lg:min-w-[720px]">
        {judgement.stages.map(({ stage: name, done, total }) => {
          const share = total === 0 ? 0 : done / total;
          const here = name === stage;
          return (
            <li key={name} className="flex-1">
              <Link
                href={`/builds/${judgement.id}/${name}`}
                aria-current={here ? 'page' : undefined}
                className={`relative block h-[58px] pt-2 pl-2 max-lg:h-[70px] max-lg:pt-1.5 -outline-offset-4 ${here ? 'font-extrabold text-blue' : 'font-medium'}`}
              >
                <span className="text-[1.0625rem]">{STAGES[name].words}</span>
                {total > 0 && (
                  <span className="figures ml-1.5 text-sm font-normal text-soft max-lg:ml-0 max-lg:block max-lg:leading-none">
                    {done}/{total}
                  </span>
                )}
                <Marks share={share} isHere={here} />
              </Link>
            </li>
          );
        })}
      </ol>
    </nav>
  );
}

/** The marks of a stage on the scale, dark as far as it is done, and the needle where it is the one shown. */
function Marks({ share, isHere }: { share: number; isHere: boolean }) {
  return (
    <>
      <svg
        className="absolute inset-x-0 bottom-0 h-[22px] w-full overflow-visible"
        viewBox="0 0 100 22"
        preserveAspectRatio="none"
        aria-hidden
      >
        {Array.from({ length: TICKS }, (_, i) => (
          <line
            key={i}
            x1={i * TICKS}
            x2={i * TICKS}
            y1={22}
            y2={i === 0 ? 1 : i === 5 ? 11 : 15}
            vectorEffect="non-scaling-stroke"
            stroke={i / TICKS < share ? 'var(--ink)' : 'var(--idle)'}
            strokeWidth={i === 0 ? 1.5 : 1}
          />
        ))}
      </svg>
      {isHere && (
        <svg
          className="absolute bottom-0 -ml-2 h-[15px] w-4"
          style={{ left: `${share * 100}%` }}
          viewBox="0 0 16 15"
          aria-hidden
        >
          <path d="M8 15 0 0h16z" fill="var(--blue)" />
        </svg>
      )}
    </>
  );
}
