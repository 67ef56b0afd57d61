'use client';

import { type KeyboardEvent, type RefObject } from 'react';
import type { JudgedCylinder, Judgement } from '@/core/build/judge';
import {
  type GrooveSubject,
  type PistonSubject,
  grooveOf,
  isGrooveSubject,
  isPistonSubject,
} from '@/core/build/record';
import type { At } from '@/core/build/work';
import { boreAdvice } from '@/core/bore/verdict';
import { type Heard, type Meaning } from '@/core/quantity/bench';
import { bothText } from '@/core/quantity/print';
import { clearanceAdvice } from '@/core/piston/clearance';
import { ringAdvice } from '@/core/build/rings';
import { fine, say } from '@/core/quantity/saying';
import { offWords } from '@/core/ring/ring';
import { countWords } from '@/core/uncertainty/instrument';
import { useBench } from '../bench/Bench';
import { Key } from '../shared/Button';
import { StateMark } from '../shared/StateMark';
import { isFineSubject } from './names';

interface Props {
  heard: Heard;
  at: At;
  /** The judgement as if the entry were logged; null while nothing is understood. */
  preview: Judgement | null;
  cylinder: JudgedCylinder;
  options: RefObject<HTMLDivElement | null>;
  onPick: (meaning: Meaning) => void;
  onBack: () => void;
  idle: React.ReactNode;
}

/** What the entry was understood as, and what it would mean, before Enter. */
export function ReadBack({ heard, at, preview, cylinder, options, onPick, onBack, idle }: Props) {
  const { length, filer } = useBench();
  const style = isFineSubject(at.subject) ? 'fine' : 'size';
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
        <b className="figures">
          {heard.value === 'piston' ? 'Gauge set to the piston' : bothText(heard.value, 'size')}
        </b>
        <br />
        {heard.value === 'piston'
          ? 'The micrometer at each cylinder’s own piston: the dial shows its clearance.'
          : heard.read
            ? 'Gauge zeroed in the bore here and read in the micrometer: logged for this spot, and the dial counts from it.'
            : 'Bore gauge set to this: dial readings like +6 count from it.'}{' '}
        <Key>Enter</Key>
      </p>
    );
  if (heard.kind === 'cut')
    return (
      <p>
        <b>
          {heard.count === null
            ? 'A cut'
            : `A cut of ${heard.count} ${filer ? countWords(filer, heard.count) : heard.count === 1 ? 'turn' : 'turns'}`}
        </b>
        <br />
        <span className="text-base text-soft">
          {filer ? filer.name : 'No filer named'}. Then deburr, square, read.
        </span>{' '}
        <Key>Enter</Key>
      </p>
    );
  if (heard.kind === 'question') {
    const move = (event: KeyboardEvent<HTMLDivElement>): void => {
      if (event.key === 'Escape') return onBack();
      const step =
        event.key === 'ArrowRight' || event.key === 'ArrowDown'
          ? 1
          : event.key === 'ArrowLeft' || event.key === 'ArrowUp'
            ? -1
            : 0;
      if (step === 0) return;
      event.preventDefault();
      const buttons = [...event.currentTarget.querySelectorAll('button')];
      buttons[
        (buttons.indexOf(document.activeElement as HTMLButtonElement) + step + buttons.length) % buttons.length
      ]?.focus();
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
              <span className="figures">{length(option.value, style)}</span>{' '}
              <span className="font-normal">{option.taken}</span>
            </button>
          ))}
        </div>
      </div>
    );
  }
  return <Understood meaning={heard.meaning} at={at} preview={preview} cylinder={cylinder} />;
}

function Understood({
  meaning,
  at,
  preview,
  cylinder,
}: {
  meaning: Meaning;
  at: At;
  preview: Judgement | null;
  cylinder: JudgedCylinder;
}) {
  const { text } = useBench();
  const { subject } = at;
  const judged = preview?.cylinders.find((c) => c.id === cylinder.id);
  const style = isFineSubject(subject) ? 'fine' : 'size';
  const figure = (
    <>
      <b className="figures">
        {bothText(meaning.value, style)}
        {meaning.upTo !== null && ` goes, ${bothText(meaning.upTo, style)} does not`}
        {meaning.open && ' passes'}
      </b>{' '}
      {style === 'size' && <span className="text-base text-soft">{meaning.taken}</span>}
    </>
  );
  if (!judged) return <p>{figure}</p>;
  if (subject === 'bore')
    return (
      <p>
        {figure}
        <br />
        <BoreSoFar cylinder={judged} /> <Key>Enter</Key>
      </p>
    );
  if (isPistonSubject(subject))
    return (
      <p>
        {figure}
        <br />
        <PistonSoFar cylinder={judged} subject={subject} /> <Key>Enter</Key>
      </p>
    );
  if (isGrooveSubject(subject))
    return (
      <p>
        {figure}
        <br />
        <GrooveSoFar cylinder={judged} subject={subject} /> <Key>Enter</Key>
      </p>
    );
  const ring = judged.rings[subject];
  return (
    <p>
      {figure}
      <br />
      <StateMark state={ring.state} />{' '}
      <span className="text-base text-soft">
        {text(offWords(ring.toComeOff))}
        {ringAdvice(ring)}
        {ring.counts &&
          ring.counts.move.by !== 0 &&
          ` ${text(say`Smallest in travel ${fine(ring.counts.gap.value)}.`)}`}
      </span>{' '}
      <Key>Enter</Key>
    </p>
  );
}

/** What a bore comes to with the reading in. */
function BoreSoFar({ cylinder: { bore, clearance } }: { cylinder: JudgedCylinder }) {
  const { length, judgement } = useBench();
  const { shape, verdict, read, total } = bore;
  const taper = shape?.taper.thrust ?? shape?.taper.overall ?? null;
  return (
    <>
      <StateMark state={verdict.state} />{' '}
      <span className="text-base text-soft">
        {verdict.state === 'part read' ? `${read} of ${total}. ` : ''}
        {taper && `Taper ${length(taper.value)}. `}
        {shape?.outOfRound && `Out-of-round ${length(shape.outOfRound.value)}. `}
        {clearance.value !== null && `Clearance ${length(clearance.value, 'clearance')}. `}
        {verdict.state === 'part read' ? '' : boreAdvice(verdict.state, judgement.boreChoices.basis)}
      </span>
    </>
  );
}

/** What a groove comes to with the reading in. */
function GrooveSoFar({ cylinder, subject }: { cylinder: JudgedCylinder; subject: GrooveSubject }) {
  const { groove, figure } = grooveOf(subject);
  const found = cylinder.grooves.grooves.find((g) => g.groove === groove);
  return found ? <StateMark state={figure === 'side' ? found.side.state : found.land.state} /> : null;
}

/** What a piston, its pin or its clearance comes to with the reading in. */
function PistonSoFar({ cylinder, subject }: { cylinder: JudgedCylinder; subject: PistonSubject }) {
  const { text, length } = useBench();
  const { clearance, piston } = cylinder;
  const soft = 'text-base text-soft';
  if (subject === 'pin' || subject === 'pinBore') {
    const pin = piston.pin.clearance;
    if (!pin)
      return (
        <span className={soft}>
          {subject === 'pin' ? 'The pin bore makes a clearance of it.' : 'The pin makes a clearance of it.'}
        </span>
      );
    return (
      <>
        pin clearance {length(pin.value, 'clearance')}: <StateMark state={pin.state} />
      </>
    );
  }
  if (subject === 'strip')
    return clearance.strip.check ? (
      <>
        <b>{clearance.strip.check.agrees ? 'Agrees' : 'Does not agree'}</b>{' '}
        <span className={soft}>with the measured {length(clearance.value ?? 0, 'clearance')}. A check only.</span>
      </>
    ) : (
      <span className={soft}>A check only: the clearance comes from bore and piston.</span>
    );
  if (clearance.value === null) return <span className={soft}>piston {piston.label}</span>;
  return (
    <>
      clearance {length(clearance.value, 'clearance')}: <StateMark state={clearance.state} />{' '}
      <span className={soft}>{text(clearanceAdvice(clearance.state, clearance.uncertainty))}</span>
    </>
  );
}
