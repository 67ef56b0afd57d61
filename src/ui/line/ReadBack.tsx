'use client';

import type { KeyboardEvent, RefObject } from 'react';
import { type JudgedPlace, type Judgement, outcomeAt, placeAt } from '@/core/judge/judgement';
import type { ParsedReading, Meaning } from '@/core/foundation/quantity/readingField';
import { bothText, meantText, offText, type LengthStyle } from '@/core/foundation/quantity/format';
import type { RingGrowth } from '@/core/stages/rings/ringGap';
import type { At } from '@/core/stages/contract/tasks';
import type { Subject } from '@/core/judge/registry';
import { SUBJECTS } from '@/core/judge/stageTables';
import { useWords } from '../openBuild/contexts';
import { Key } from '../shared/Button';
import { onDemand } from '../shared/onDemand';
import { StateMark } from '../shared/StateMark';
import { focusIn } from './useClearOf';

interface Props {
  heard: ParsedReading;
  at: At<Subject>;
  /** Where Enter leads, in words; null while nothing is understood. */
  leads: string | null;
  /** The judgement as if the entry were logged; null while nothing is understood. */
  preview: Judgement | null;
  place: JudgedPlace;
  options: RefObject<HTMLDivElement | null>;
  /** Of a ring that is asked about: its growth with no cut logged. */
  growth: RingGrowth | null;
  onPick: (meaning: Meaning) => void;
  onBack: () => void;
  idle: React.ReactNode;
}

/** Told rarely: of gauges and of cuts. */
const SettingBack = onDemand(() => import('./ReadBackDone').then((m) => m.SettingBack));
const CutBack = onDemand(() => import('./ReadBackDone').then((m) => m.CutBack));

/** What the entry was understood as, and what it would mean, before Enter. */
export function ReadBack({ heard, at, leads, preview, place, options, growth, onPick, onBack, idle }: Props) {
  const { style } = SUBJECTS[at.subject];
  switch (heard.kind) {
    case 'empty':
      return <div>{idle}</div>;
    case 'refused':
      return (
        <p id="line-help">
          <b className="text-over">{heard.why}</b>
          <br />
          <span className="text-soft">Accepted: {heard.accepted}.</span>
        </p>
      );
    case 'setting':
      return <SettingBack {...heard} />;
    case 'cut':
      return <CutBack count={heard.count} growth={growth} style={style} />;
    case 'question':
      return <AskedBack heard={heard} options={options} onPick={onPick} onBack={onBack} style={style} />;
    case 'understood':
      return <Understood meaning={heard.meaning} at={at} leads={leads} preview={preview} place={place} />;
  }
}

const STEPS: Record<string, number> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };

interface AskedBackProps {
  heard: { kind: 'question'; ask: string; options: Meaning[] };
  options: RefObject<HTMLDivElement | null>;
  onPick: (meaning: Meaning) => void;
  onBack: () => void;
  style: LengthStyle;
}

/** What is asked about, with its answers. */
function AskedBack({ heard, options, onPick, onBack, style }: AskedBackProps) {
  const { length, units } = useWords();
  const move = (event: KeyboardEvent<HTMLDivElement>): void => {
    const step = STEPS[event.key];
    if (event.key !== 'Escape' && !step) return;
    event.preventDefault();
    if (!step) return onBack();
    const buttons = [...event.currentTarget.querySelectorAll('button')];
    const now = buttons.indexOf(document.activeElement as HTMLButtonElement);
    focusIn(buttons[(now + step + buttons.length) % buttons.length]);
  };
  return (
    <div>
      <p id="line-help" className="mb-1.5 text-base leading-snug">
        <b>{heard.ask}</b>
      </p>
      <div ref={options} onKeyDown={move} className="flex flex-wrap gap-2">
        {heard.options.map((option) => (
          <button
            key={`${option.value}-${option.taken}`}
            type="button"
            onClick={() => onPick(option)}
            className="min-h-11 rounded border-[1.5px] border-blue px-3 text-base font-bold whitespace-nowrap text-blue max-sm:whitespace-normal"
          >
            <span className="figures">
              {option.zero === undefined ? length(option.value, style) : offText(option.value, units)}
            </span>{' '}
            <span className="font-normal">{option.taken}</span>
          </button>
        ))}
      </div>
    </div>
  );
}

/** The figure in both systems, and what it comes to with it in. */
function Understood({
  meaning,
  at,
  leads,
  preview,
  place,
}: Pick<Props, 'at' | 'leads' | 'preview' | 'place'> & { meaning: Meaning }) {
  const { text, units } = useWords();
  const { subject } = at;
  const { style } = SUBJECTS[subject];
  const judged = preview && placeAt(preview, place.id);
  const figure = (
    <>
      <b className="figures">
        {meantText(meaning, style, units)}
        {meaning.upTo !== null &&
          (SUBJECTS[subject].field === 'thread'
            ? ` to ${bothText(meaning.upTo, style, units)}`
            : ` goes, ${bothText(meaning.upTo, style, units)} does not`)}
        {meaning.open && ' passes'}
      </b>{' '}
      {style === 'size' && <span className="text-base text-soft">{meaning.taken}</span>}
    </>
  );
  if (!preview || !judged) return <p>{figure}</p>;
  const { says, state, strong, soft } = outcomeAt(preview, judged, subject);
  return (
    <p>
      {figure}
      <br />
      {text(says)}
      {state && <StateMark state={state} />}
      {strong && <b>{strong}</b>} <span className="text-base text-soft">{text(soft)}</span> <Key>Enter</Key>{' '}
      <span className="text-base text-soft">{leads}</span>
    </p>
  );
}
