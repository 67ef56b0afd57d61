'use client';

import type { KeyboardEvent, RefObject } from 'react';
import { EACH, isEach } from '@/core/foundation/quantity/gaugeSetting';
import { type JudgedPlace, type Judgement, outcomeAt, placeAt } from '@/core/judge/judgement';
import type { ParsedReading, Meaning } from '@/core/foundation/quantity/readingField';
import { bothText, meantText, offText, type LengthStyle } from '@/core/foundation/quantity/format';
import type { RingGrowth } from '@/core/stages/rings/ringGap';
import type { At } from '@/core/stages/contract/tasks';
import type { Subject } from '@/core/judge/registry';
import { SUBJECTS } from '@/core/judge/stageTables';
import { countWords } from '@/core/foundation/uncertainty/instrument';
import { useToolInHand, useWords } from '../openBuild/contexts';
import { Key } from '../shared/Button';
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

/** What the entry was understood as, and what it would mean, before Enter. */
export function ReadBack({ heard, at, leads, preview, place, options, growth, onPick, onBack, idle }: Props) {
  const { length, units } = useWords();
  const { filer } = useToolInHand();
  const { style } = SUBJECTS[at.subject];
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
          {isEach(heard.value)
            ? `Gauge set to ${EACH[heard.value].set}`
            : heard.value === 'here'
              ? 'Gauge zeroed here'
              : bothText(heard.value, 'size', units)}
        </b>
        <br />
        {isEach(heard.value)
          ? `The micrometer at ${EACH[heard.value].set}: the dial shows ${EACH[heard.value].dial}.`
          : heard.value === 'here'
            ? 'No size yet: the dial counts from this spot. Sized later, by the micrometer: here, and what that reads.'
            : heard.sizes !== null
              ? 'The size of the zero: all that was read from it gets its size.'
              : heard.read
                ? 'Gauge zeroed in the bore here and read in the micrometer: logged for this spot, and the dial counts from it.'
                : 'Bore gauge set to this: dial readings like +6 count from it.'}{' '}
        <Key>Enter</Key>
      </p>
    );
  if (heard.kind === 'cut' && heard.count === null && growth)
    return (
      <p>
        <b>Filed before the last reading</b>
        <br />
        <span className="text-base text-soft">
          {length(growth.before, style)} before, {length(growth.now, style)} now. For a cut made now, type its turns:
          c6.
        </span>{' '}
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
      if (event.key === 'Escape') {
        event.preventDefault();
        return onBack();
      }
      const step =
        event.key === 'ArrowRight' || event.key === 'ArrowDown'
          ? 1
          : event.key === 'ArrowLeft' || event.key === 'ArrowUp'
            ? -1
            : 0;
      if (step === 0) return;
      event.preventDefault();
      const buttons = [...event.currentTarget.querySelectorAll('button')];
      focusIn(
        buttons[
          (buttons.indexOf(document.activeElement as HTMLButtonElement) + step + buttons.length) % buttons.length
        ],
      );
    };
    return <AskedBack heard={heard} options={options} move={move} onPick={onPick} style={style} />;
  }
  return <Understood meaning={heard.meaning} at={at} leads={leads} preview={preview} place={place} />;
}

interface AskedBackProps {
  heard: { kind: 'question'; ask: string; options: Meaning[] };
  options: RefObject<HTMLDivElement | null>;
  move: (event: KeyboardEvent<HTMLDivElement>) => void;
  onPick: (meaning: Meaning) => void;
  style: LengthStyle;
}

/** What is asked about, with its answers. */
function AskedBack({ heard, options, move, onPick, style }: AskedBackProps) {
  const { length, units } = useWords();
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
