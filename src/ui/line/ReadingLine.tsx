'use client';

import { type ParsedReading, type ParseContext, startsOf, acceptedBy } from '@/core/foundation/quantity/readingField';
import { SkipForward, Undo2 } from 'lucide-react';
import { type ReactNode, type RefObject, useEffect, useRef, useState } from 'react';
import { tasksOf } from '@/core/judge/nextTask';
import { type JudgedPlace, isCylinder, placeAt } from '@/core/judge/judgement';
import type { Nm, Units } from '@/core/foundation/quantity/length';
import { lengthText, rangeText } from '@/core/foundation/quantity/format';
import type { RingGrowth } from '@/core/stages/rings/ringGap';
import { isRing } from '@/core/foundation/parts/rings';
import { type At, nextTask, sameAt } from '@/core/stages/contract/tasks';
import type { ListId, Subject } from '@/core/judge/registry';
import { SUBJECTS } from '@/core/judge/stageTables';
import { useJudgement, useLogging, useMoving, useWords } from '../openBuild/contexts';
import { Key } from '../shared/Button';
import { KeypadButton } from './KeypadButton';
import { hasFingersOnly, useKeypad } from './useKeypad';
import { ReadBack } from './ReadBack';
import { focusIn, useClearOf } from './useClearOf';
import { useNotLogged } from './notLogged';
import { type Commands, useCommands } from './useCommands';
import { useGlobalKeyForwarding } from './useGlobalKeyForwarding';
import { type Entering, type Prepared, useEntry } from './useEntry';
import { onDemand } from '../shared/onDemand';

const ReadingKeypad = onDemand(() => import('./Keypad').then((m) => m.ReadingKeypad));

const NotLoggedList = onDemand(() => import('./NotLoggedList').then((m) => m.NotLoggedList));

/** Says that a reading of the ring in hand came in from another bench while one is half typed; empty while none did. */
function useArrived({ cylinder: id, subject }: At<Subject>, isTyping: boolean): string {
  const { cylinders } = useJudgement();
  const { isOwn } = useLogging();
  const { length } = useWords();
  const cylinder = cylinders.find((c) => c.id === id);
  const reading = cylinder && isRing(subject) ? cylinder.rings[subject].reading : null;
  const place = `${id}.${subject}`;
  const [known, setKnown] = useState({ place, reading: reading?.id, isNew: false });
  const isOther = known.place !== place;
  if (isOther || known.reading !== reading?.id || (known.isNew && !isTyping))
    setKnown({
      place,
      reading: reading?.id,
      isNew: !isOther && isTyping && reading !== null && (known.reading === reading.id || !isOwn(reading)),
    });
  return known.isNew && reading
    ? `${reading.by || 'Someone'} has just read this ring at another bench: ${length(reading.value)}.`
    : '';
}

const nothing = (): void => undefined;

interface Props {
  /** The tasks this line works through. */
  work: ListId;
  here: At<Subject>;
  /** What of this cylinder the arrow keys go through, in their order. */
  beside: At<Subject>[];
  /** What it is that they go through, in a word. */
  besideWords: string;
  /** What the arrow keys up and down go along, and what that is, in a word; the cylinders unless said otherwise. */
  along?: { words: string; places: readonly string[] };
  /** Told what the entry means so far, null while it means nothing. */
  onMeaning?: (value: Nm | null) => void;
  /** Told before something is typed on it from elsewhere on the page: it has to be in sight. */
  onCall?: () => unknown;
}

/** On entering a stage the line goes to the next open task, and takes the focus; from then on the line and the hands lead. */
function useBegin(work: ListId, isTyping: boolean, input: RefObject<HTMLInputElement | null>): void {
  const judgement = useJudgement();
  const { beginAt } = useMoving();
  useEffect(() => {
    const open = isTyping ? null : nextTask(tasksOf(judgement, work), null);
    if (open) beginAt(open);
    if (!hasFingersOnly()) input.current?.focus({ preventScroll: true });
    // oxlint-disable-next-line react/exhaustive-deps
  }, []);
}

/** The one entry of the bench: takes bench talk, says back what it understood, logs on Enter, moves on. */
export function ReadingLine({ work, here, beside, besideWords, along, onMeaning, onCall = nothing }: Props) {
  const judgement = useJudgement();
  const { goTo } = useMoving();
  const place = placeAt(judgement, here.cylinder);
  const [keypad, toggleKeypad] = useKeypad();
  const input = useRef<HTMLInputElement>(null);
  const options = useRef<HTMLDivElement>(null);
  const entry = useEntry(work, here);
  const { typed, setTyped, heard, meaning, context } = entry;
  const commands = useCommands({ work, here, beside, along: along?.places ?? null, entry, input, options });
  const { field, fitted } = SUBJECTS[here.subject];
  useGlobalKeyForwarding({ input, starts: startsOf(field, fitted), onCall, onKey: commands.onElsewhere });
  const region = useRef<HTMLElement>(null);
  useClearOf(region);
  const [notLogged, settle] = useNotLogged(judgement.id);
  const value = meaning?.value ?? null;
  useEffect(() => onMeaning?.(value), [onMeaning, value]);
  useBegin(work, typed !== '', input);
  if (!place || !context) return null;
  return (
    <section
      ref={region}
      aria-label="Reading line"
      className="no-print sticky bottom-0 z-10 border-t-2 border-ink bg-sheet [@media(max-height:520px)]:relative"
    >
      {notLogged.length > 0 && (
        <NotLoggedList
          items={notLogged}
          onLog={commands.logAt}
          onTakeUp={({ at, typed: text }) => {
            goTo(at, true);
            setTyped(text);
            focusIn(input.current);
          }}
          onSettle={settle}
        />
      )}
      <div className="grid min-h-[112px] grid-cols-[1fr_auto] items-center gap-x-6 px-7 py-2 max-md:min-h-0 max-md:grid-cols-1 max-md:px-4">
        <div className="flex min-w-0 flex-wrap items-center gap-x-6 gap-y-1">
          <LineInput here={here} entry={entry} commands={commands} input={input} keypad={keypad} />
          <LineSays {...{ here, place, entry, context, commands, options }} onBack={() => focusIn(input.current)} />
        </div>
        <LineButtons
          along={along?.words ?? 'cylinder'}
          beside={besideWords}
          isAsking={heard.kind === 'question'}
          commands={commands}
        >
          <KeypadButton isShown={keypad} onToggle={toggleKeypad} />
        </LineButtons>
      </div>
      {keypad && <LineKeypad subject={here.subject} entry={entry} commands={commands} />}
    </section>
  );
}

interface LineKeypadProps {
  subject: Subject;
  entry: Entering;
  commands: Commands;
}

function LineKeypad({ subject, entry: { typed, setTyped, setHeld }, commands }: LineKeypadProps) {
  const { fitted, spots } = SUBJECTS[subject];
  return (
    <ReadingKeypad
      extra={spots === 'bore' ? 't' : '/'}
      cuts={fitted}
      onKey={commands.press}
      onBack={() => {
        setHeld(null);
        setTyped(typed.slice(0, -1));
      }}
      onEnter={commands.enter}
    />
  );
}

interface LineSaysProps {
  here: At<Subject>;
  place: JudgedPlace;
  entry: Entering;
  context: ParseContext;
  commands: Commands;
  options: RefObject<HTMLDivElement | null>;
  /** Goes back to what is typed. */
  onBack: () => void;
}

/** What the line says beside what is typed: what it means and would come to, or what it waits for. */
function LineSays({ here, place, entry, context, commands, options, onBack }: LineSaysProps) {
  const { units } = useWords();
  const { typed, heard } = entry;
  const { said, then, leads, nameOf } = commands;
  const arrived = useArrived(here, typed !== '');
  const growth = isCylinder(place) && isRing(here.subject) ? place.rings[here.subject].growth : null;
  return (
    <>
      <span id="line-target" className="sr-only">
        {targetWords(place, here.subject, units)}
      </span>
      <div id="line-said" aria-live="polite" className="min-w-[17rem] flex-1 text-xl leading-snug">
        {arrived && <p className="font-bold text-short">{arrived}</p>}
        {growth && commands.answerFiled && typed === '' ? (
          <FiledSince growth={growth} onAnswer={commands.answerFiled} />
        ) : (
          entry.isRead && <Preparing prepared={entry.prepared} onToggle={entry.prepare} />
        )}
        <ReadBack
          heard={entry.isBegun ? BEGUN : heard}
          at={here}
          leads={leads && (sameAt(leads, here) ? 'stays here' : `then ${nameOf(leads)}`)}
          preview={entry.preview}
          place={place}
          options={options}
          growth={growth}
          onPick={commands.log}
          onBack={onBack}
          idle={
            <Idle said={said} waits={waitsFor(place, here.subject)} then={then && nameOf(then)} context={context} />
          }
        />
      </div>
    </>
  );
}

interface LineInputProps {
  here: At<Subject>;
  entry: Entering;
  commands: Commands;
  input: RefObject<HTMLInputElement | null>;
  /** Whether the keypad of the page is shown in place of the tablet's own. */
  keypad: boolean;
}

function LineInput({ here, entry, commands, input, keypad }: LineInputProps) {
  const { typed, held, heard, isBegun } = entry;
  return (
    <label className="w-[15.5rem] shrink-0 max-md:w-full">
      <span className="block text-[1.1875rem] leading-tight font-bold max-md:flex max-md:min-h-11 max-md:items-center max-md:pr-60 max-sm:pr-44 max-sm:text-base">
        {commands.nameOf(here)}
      </span>
      <input
        ref={input}
        value={typed}
        onChange={(event) => commands.type(event.target.value)}
        onKeyDown={commands.onKeyDown}
        onFocus={(event) => held && event.target.select()}
        inputMode={keypad ? 'none' : 'decimal'}
        autoComplete="off"
        spellCheck={false}
        maxLength={400}
        aria-describedby="line-target line-said"
        aria-invalid={heard.kind === 'refused' && !isBegun}
        className="figures h-[68px] w-full max-md:h-12 max-md:text-[2.5rem] border-b-4 border-edge bg-transparent text-[3.75rem] leading-none font-bold tracking-tight caret-blue outline-none focus:border-blue"
      />
    </label>
  );
}

interface LineButtonsProps {
  /** What the arrow keys go along and through, in a word. */
  along: string;
  beside: string;
  /** Whether something is asked: its answers need the room. */
  isAsking: boolean;
  commands: Commands;
  children: ReactNode;
}

/** The keys and buttons beside the line. */
function LineButtons({ along, beside, isAsking, commands, children }: LineButtonsProps) {
  const { skip, undo, redo, undoes, redoes } = commands;
  return (
    <div className="flex items-center gap-3 text-sm text-soft max-md:absolute max-md:top-2 max-md:right-4">
      <div className={`grid gap-1 whitespace-nowrap max-lg:hidden ${isAsking ? 'hidden' : ''}`}>
        <span>
          <Key>↑</Key> <Key>↓</Key> {along}
        </span>
        <span>
          <Key>←</Key> <Key>→</Key> {beside}
        </span>
      </div>
      <div className="grid gap-1 max-md:flex">
        <Hotkey icon={<SkipForward size={18} aria-hidden />} words="Next" letter="N" onPress={skip} />
        <Hotkey icon={<Undo2 size={18} aria-hidden />} words="Undo" what={undoes} letter="Z" onPress={undo} />
        {redoes && (
          <Hotkey
            icon={<Undo2 size={18} aria-hidden className="-scale-x-100" />}
            words="Redo"
            what={redoes}
            letter="Y"
            onPress={redo}
          />
        )}
      </div>
      {children}
    </div>
  );
}

/** What may become something stands for nothing yet. */
const BEGUN: ParsedReading = { kind: 'empty' };

/** What a thing in hand is to be, for who hears the page. */
function targetWords(place: JudgedPlace, subject: Subject, units: Units): string {
  if (!isCylinder(place)) return '';
  const { rings, targets } = place;
  const target = isRing(subject) ? rings[subject].target : subject === 'piston' ? targets.clearance : null;
  if (!target?.set) return '';
  const { aimFrom, aimTo } = target.inForce;
  return `Target ${rangeText(aimFrom, aimTo, units, 'fine')}.`;
}

/** What a ring that was read and is not done waits for; empty for nothing. */
function waitsFor(place: JudgedPlace, subject: Subject): string {
  if (!isRing(subject) || !isCylinder(place)) return '';
  const { state, reading, done, cutsSince, growth } = place.rings[subject];
  if (!reading || done) return '';
  if (growth) return 'Filed since, or not? Or read it once more.';
  if (cutsSince > 0) return 'Waits here: deburr, square, read again.';
  if (state === 'short') return 'Waits here: file, deburr, square, then read again.';
  if (state === 'over') return 'Waits here: another ring or another cylinder, or N to go on.';
  return 'Waits here: read it again, or N to go on.';
}

interface IdleProps {
  said: string;
  waits: string;
  then: string | null;
  context: ParseContext;
}

/** What the line says while nothing is typed: what was done last, what it waits for, what may be typed, what comes next. */
function Idle({ said, waits, then, context }: IdleProps) {
  const { units } = useWords();
  const { field, setting } = context;
  return (
    <>
      {said ? <b>{said}</b> : <span className="text-base text-soft">Type {acceptedBy(field, units)}.</span>}
      <br />
      <span className="text-base text-soft">
        {waits && <b className="text-ink">{waits} </b>}
        {then ? `${waits ? 'After it' : 'Then'}: ${then}.` : 'Nothing left to measure here.'}
        {setting !== null && (field === 'bore' || field === 'housing')
          ? ` Gauge ${typeof setting === 'string' ? 'zeroed in a bore: size it by here and what the micrometer reads' : `set ${lengthText(setting, units, 'size')}`}.`
          : ''}
      </span>
    </>
  );
}

/** A button that a letter presses too. */
function Hotkey(props: { icon: ReactNode; words: string; what?: string; letter: string; onPress: () => void }) {
  const { icon, words, what = '', letter, onPress } = props;
  return (
    <button
      type="button"
      onClick={onPress}
      title={what ? `${words}: ${what}` : undefined}
      className="flex min-h-11 items-center justify-between gap-1.5 rounded border border-edge px-3 text-ink"
    >
      {icon}{' '}
      <span className="max-sm:sr-only">
        {words}
        {what && <span className="block w-20 truncate text-left text-xs text-soft max-lg:sr-only">{what}</span>}
      </span>
      <span className="max-md:hidden">
        <Key>{letter}</Key>
      </span>
    </button>
  );
}

/** The answers to a gap that grew with no cut logged: one key each. */
function FiledSince({ growth, onAnswer }: { growth: RingGrowth; onAnswer: (was: boolean) => void }) {
  return (
    <div className="mb-1 flex gap-2">
      {([true, false] as const).map((was) => (
        <button
          key={String(was)}
          type="button"
          onClick={() => onAnswer(was)}
          className="flex min-h-11 items-center gap-2 rounded border-[1.5px] border-blue px-3 text-base font-bold text-blue"
        >
          {was ? 'Filed since' : 'Not filed'}
          <span className="max-md:hidden">
            <Key>{!was ? 'F' : growth.advised ? 'Enter' : 'C, Enter'}</Key>
          </span>
        </button>
      ))}
    </div>
  );
}

/** What was done to the ring before it is read: one key each. */
function Preparing({ prepared, onToggle }: { prepared: Prepared; onToggle: (what: keyof Prepared) => void }) {
  return (
    <div className="mb-1 flex gap-2">
      {(['deburred', 'squared'] as const).map((what) => (
        <button
          key={what}
          type="button"
          aria-pressed={prepared[what]}
          onClick={() => onToggle(what)}
          className="flex min-h-11 items-center gap-2 rounded border border-edge px-3 text-base aria-pressed:border-ok aria-pressed:bg-wash aria-pressed:font-bold aria-pressed:text-ok"
        >
          <span aria-hidden>{prepared[what] ? '✓' : '○'}</span>
          {what === 'deburred' ? 'Deburred' : 'Squared'}
          <span className="max-md:hidden">
            <Key>{what === 'deburred' ? 'D' : 'S'}</Key>
          </span>
        </button>
      ))}
    </div>
  );
}
