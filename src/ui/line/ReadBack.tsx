'use client';

import { type KeyboardEvent, type RefObject } from 'react';
import type { JudgedCylinder, Judgement } from '@/core/build/judge';
import type { Subject } from '@/core/build/record';
import { type Heard, type Meaning } from '@/core/quantity/bench';
import { bothText } from '@/core/quantity/print';
import { clearanceAdvice } from '@/core/piston/clearance';
import { gapAdvice, offWords } from '@/core/ring/ring';
import { useBench } from '../bench/Bench';
import { Key } from '../shared/Button';
import { StateMark } from '../shared/StateMark';

interface Props {
  heard: Heard;
  subject: Subject;
  /** The judgement as if the entry were logged; null while nothing is understood. */
  preview: Judgement | null;
  cylinder: JudgedCylinder;
  options: RefObject<HTMLDivElement | null>;
  onPick: (meaning: Meaning) => void;
  onBack: () => void;
  idle: React.ReactNode;
}

const isSize = (subject: Subject): subject is 'bore' | 'piston' => subject === 'bore' || subject === 'piston';

/** What the entry was understood as, and what it would mean, before Enter. */
export function ReadBack({ heard, subject, preview, cylinder, options, onPick, onBack, idle }: Props) {
  const { length } = useBench();
  const style = isSize(subject) ? 'size' : 'fine';
  if (heard.kind === 'empty') return <div>{idle}</div>;
  if (heard.kind === 'refused')
    return (
      <p id="line-help">
        <b className="text-over">{heard.why}</b>
        <br />
        <span className="text-soft">Accepted: {heard.accepted}.</span>
      </p>
    );
  if (heard.kind === 'setting')
    return (
      <p>
        <b className="figures">{bothText(heard.value, 'size')}</b>
        <br />
        Bore gauge set to this: dial readings like +6 count from it. <Key>Enter</Key> to set
      </p>
    );
  if (heard.kind === 'question') {
    const move = (event: KeyboardEvent<HTMLDivElement>): void => {
      if (event.key === 'Escape') return onBack();
      const step = event.key === 'ArrowRight' || event.key === 'ArrowDown' ? 1 : event.key === 'ArrowLeft' || event.key === 'ArrowUp' ? -1 : 0;
      if (step === 0) return;
      event.preventDefault();
      const buttons = [...event.currentTarget.querySelectorAll('button')];
      buttons[(buttons.indexOf(document.activeElement as HTMLButtonElement) + step + buttons.length) % buttons.length]?.focus();
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
              <span className="figures">{length(option.value, style)}</span> <span className="font-normal">{option.taken}</span>
            </button>
          ))}
        </div>
      </div>
    );
  }
  return <Understood meaning={heard.meaning} subject={subject} preview={preview} cylinder={cylinder} />;
}

function Understood({ meaning, subject, preview, cylinder }: { meaning: Meaning; subject: Subject; preview: Judgement | null; cylinder: JudgedCylinder }) {
  const { text, length } = useBench();
  const judged = preview?.cylinders.find((c) => c.id === cylinder.id);
  const style = isSize(subject) ? 'size' : 'fine';
  const figure = (
    <b className="figures">
      {bothText(meaning.value, style)}
      {meaning.upTo !== null && ` goes, ${bothText(meaning.upTo, style)} does not`}
    </b>
  );
  if (!judged) return <p>{figure}</p>;
  if (isSize(subject)) {
    const { value, state, uncertainty } = judged.clearance;
    return (
      <p>
        {figure} <span className="text-base text-soft">{meaning.taken}</span>
        <br />
        {value === null ? (
          <span className="text-soft">
            {subject} of cylinder {cylinder.label}
          </span>
        ) : (
          <>
            clearance {length(value, 'clearance')}: <StateMark state={state} /> <span className="text-base text-soft">{text(clearanceAdvice(state, uncertainty))}</span>
          </>
        )}{' '}
        <Key>Enter</Key>
      </p>
    );
  }
  const ring = judged.rings[subject];
  return (
    <p>
      {figure}
      <br />
      <StateMark state={ring.state} /> <span className="text-base text-soft">{text(offWords(ring.toComeOff))}
      {gapAdvice(ring.state)}</span> <Key>Enter</Key>
    </p>
  );
}
