'use client';

import { rangeText } from '@/core/foundation/quantity/format';
import { OWN_ACCEPTED, type OwnFigure } from '@/core/stages/targets/ownFigure';
import { type Candidate, type Rank, type Target, standingWords } from '@/core/models/targets/target';
import type { TargetChoices, Own, Papers } from '@/core/models/targets/papers';
import { useJudgement, useLogging, useWords } from '../openBuild/contexts';
import { Accepting } from '../shared/Accepting';
import { PaperButton } from './PaperButton';
import type { Paper } from '@/core/models/targets/givenFigure';
import { type Figure, type FigureKind, papersOf, targetOf, withPapers } from './figures';
import type { JudgedCylinder } from '@/core/judge/judgement';

const RUNGS: [Paper | 'chart', string][] = [
  ['sheet', 'Packed sheet'],
  ['manual', 'Service manual'],
  ['chart', 'Chart'],
  ['own', 'Your figure'],
];

interface Props {
  cylinder: JudgedCylinder;
  choices: TargetChoices;
  figure: FigureKind;
}

/** Every figure there is for one target by order of trust, the one in force marked. */
export function Ladder({ cylinder, choices, figure: { figure, words, kind } }: Props) {
  const { units } = useWords();
  const { choose } = useLogging();
  const { own } = useJudgement();
  const departure = own[figure]?.isDeparture ? own[figure] : null;
  const target = targetOf(cylinder, figure);
  const papers = papersOf(choices, figure);
  const candidates: Candidate[] = target.set ? [target.inForce, ...target.outranked] : [];
  const at = (rung: Paper | 'chart'): Candidate | undefined =>
    candidates.find((c) => c.rank === rung || (rung === 'chart' && c.rank === ('rule' satisfies Rank)));
  const style = figure === 'clearance' ? 'clearance' : 'fine';
  const text = (c: Candidate): string => rangeText(c.aimFrom, c.aimTo, units, style);
  const { top, second } = cylinder.rings;
  const against =
    figure === 'second' && top.target.set && choices.secondSchool === 'larger'
      ? { min: top.target.inForce.aimFrom, words: 'the top ring’s', side: 'under' as const }
      : figure === 'top' && second.target.set && second.target.inForce.rank !== 'chart'
        ? { min: second.target.inForce.aimFrom, words: 'the second ring’s', side: 'over' as const }
        : null;
  const save = (paper: Paper, own: Own | null): void =>
    choose(
      'targets',
      withPapers(choices, figure, { ...papers, [paper]: paper === 'own' ? own : (own?.given ?? null) }),
    );
  return (
    <ol className="divide-y divide-line border-b border-line" aria-label={`${words}: figures in order of authority`}>
      {RUNGS.map(([rung, name], i) => {
        const candidate = at(rung);
        const inForce = candidate !== undefined && target.set && candidate === target.inForce;
        return (
          <li
            key={rung}
            data-rung={rung}
            data-in-force={inForce}
            className={`grid grid-cols-[1.75rem_8.25rem_9.5rem_1fr_auto] items-center gap-x-2 py-1 pl-2 max-sm:grid-cols-[1.75rem_1fr_auto] ${inForce ? 'bg-(--wash)' : ''}`}
          >
            {inForce ? (
              <svg viewBox="0 0 12 14" className="h-4 w-3.5" aria-hidden>
                <path d="M0 0 12 7 0 14z" fill="var(--blue)" />
              </svg>
            ) : (
              <span className="figures text-sm text-soft">{i + 1}</span>
            )}
            <span className={inForce ? 'font-bold' : ''}>
              {candidate?.rank === 'rule' ? (figure === 'rails' ? 'Common practice' : 'From the top ring') : name}
              {inForce && <span className="block text-sm text-blue">used</span>}
            </span>
            <span
              className={`figures text-lg whitespace-nowrap ${inForce ? 'font-bold' : ''} ${candidate ? '' : 'text-soft'}`}
            >
              {candidate ? text(candidate) : '–'}
            </span>
            <RungWords
              candidate={candidate}
              rung={rung}
              papers={papers}
              departure={departure}
              words={words}
              figure={figure}
              target={target}
            />
            <span className="flex min-h-11 items-center justify-end pr-2 max-sm:col-span-3 max-sm:row-start-3">
              {rung !== 'chart' && (
                <PaperButton
                  key={`${figure}-${rung}`}
                  what={words}
                  paper={rung}
                  kind={kind}
                  given={rung === 'own' ? (papers.own?.given ?? null) : papers[rung]}
                  over={rung === 'own' && (papers.own?.over ?? false)}
                  against={against}
                  onSave={(own) => save(rung, own)}
                />
              )}
            </span>
          </li>
        );
      })}
    </ol>
  );
}

interface RungWordsProps {
  candidate: Candidate | undefined;
  rung: Paper | 'chart';
  papers: Papers;
  departure: OwnFigure | null;
  words: string;
  figure: Figure;
  target: Target;
}

/** Where a figure comes from, and what it departs from. */
function RungWords({ candidate, rung, papers, departure, words, figure, target }: RungWordsProps) {
  return (
    <span className="text-sm leading-snug text-soft max-sm:col-span-2 max-sm:col-start-2 max-sm:row-start-2">
      {candidate ? (
        <>
          {rung === 'own' && papers.own?.over && 'Put over the others: '}
          {candidate.from}. <i>{standingWords(candidate.standing)}</i>
          {rung === 'own' && departure && (
            <>
              {!departure.accepted && (
                <b className="block text-over">
                  Outside the {departure.over.rank}’s limit: accept it with your initials and a reason.
                </b>
              )}
              <Accepting
                words={`your own ${words.toLowerCase()}`}
                what={OWN_ACCEPTED[figure]}
                state={departure.held.side}
                answer={departure}
              />
            </>
          )}
        </>
      ) : rung === 'chart' ? (
        target.set ? (
          'no figure'
        ) : (
          target.ask
        )
      ) : rung !== 'own' && (papers[rung]?.form === 'factor' || papers[rung]?.form === 'factors') ? (
        'a factor: it waits for a bore'
      ) : (
        'nothing entered'
      )}
    </span>
  );
}
