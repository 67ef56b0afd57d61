'use client';

import { Check, MapPin } from 'lucide-react';
import { type RefObject, useEffect, useRef, useState } from 'react';
import { covers } from '@/core/judge/stageTables';
import type { JudgedCylinder } from '@/core/judge/judgement';
import { type StepInView, stepInView } from '@/core/stages/assembly/stepInView';
import { whyOf } from '@/core/stages/assembly/stepWords';
import { type WalkAt, pinsAt, stepBeside } from '@/core/stages/assembly/walk';
import { RING_WORDS, COMPRESSION } from '@/core/foundation/parts/rings';
import { upWords } from '@/core/stages/rings/ringOrientation';
import { useCrownView } from '../clocking/CrownView';
import { useInitials, useJudgement, useLogging, useMoving } from '../openBuild/contexts';
import { feedbackKey } from '../rings/feedback';
import { speak } from '../rings/speak';
import { Button, Key } from '../shared/Button';
import { Tick } from '../shared/Tick';
import { When } from '../shared/When';
import { usePersisted } from '../shared/persisted';
import { onDemand } from '../shared/onDemand';
import { turnWords } from './Dial';
import { Pinned } from './Pinned';
import { STATE_LOOKS, STATE_WORDS } from './stepStates';
import { takesKeys } from './takesKeys';
import type { Order } from './useInstallOrder';
import { useStepKeys } from './useStepKeys';

const StepPicture = onDemand(() => import('./StepPicture').then((m) => m.StepPicture));
const StepFigures = onDemand(() => import('./StepFigures').then((m) => m.StepFigures));
const MovedGaps = onDemand(() => import('./MovedGaps').then((m) => m.MovedGaps));
const PinForm = onDemand(() => import('./PinForm').then((m) => m.PinForm));

type InView = StepInView<JudgedCylinder>;
type FormKind = 'moved' | 'otherwise' | 'pin';

interface Props {
  order: Order;
  walk: readonly WalkAt[];
  /** The step in view; null once all are made. */
  at: WalkAt | null;
  onChoose: (at: WalkAt | null) => void;
  /** Whether the step had its turn: what stands beside it may come. */
  isSettled: boolean;
}

/** Says each step aloud where that is wished, and leads the hands to its cylinder. */
function useStepLead(step: InView | null): [voice: string, setVoice: (voice: string) => void] {
  const { cylinder: inHand, toCylinder } = useMoving();
  const [voice, setVoice] = usePersisted(feedbackKey('voice'), '');
  const cylinder = step?.cylinder ?? null;
  const spoken = step ? `${cylinder ? `Cylinder ${cylinder.label}: ` : ''}${step.title}` : '';
  useEffect(() => {
    if (voice === 'on' && spoken !== '') speak(spoken);
  }, [voice, spoken]);
  useEffect(() => {
    if (cylinder && cylinder.id !== inHand?.id) toCylinder(cylinder.id);
    // The work leads the hands; where the hands go to by themselves is the stage's to follow.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [cylinder?.id]);
  return [voice, setVoice];
}

/** One step in view: what to do, why, what it looks like here, and what comes then. */
export function Walk({ order, walk, at, onChoose, isSettled }: Props) {
  const judgement = useJudgement();
  const { tick } = useLogging();
  const { by } = useInitials();
  const { job, choices } = judgement;
  const [form, setForm] = useState<FormKind | null>(null);
  const done = useRef<HTMLButtonElement>(null);
  const { isAwaited } = order;
  const step = stepInView(judgement, walk, at, covers(job, 'journals') && choices.journals.asks.endPlay);
  const [voice, setVoice] = useStepLead(step);
  const key = at ? `${at.place} ${at.step}` : '';
  useEffect(() => {
    setForm(null);
    if (!isAwaited && !takesKeys(document.activeElement)) done.current?.focus();
  }, [key, isAwaited]);
  const make = (): void => {
    if (!step || step.cannot) return;
    if (!step.isMade) tick(step.at.place, step.at.step);
    onChoose(step.next);
  };
  const beside = (way: 1 | -1): void => {
    const to = at && stepBeside(walk, at, way);
    if (to) onChoose(to);
  };
  const close = (): void => {
    setForm(null);
    done.current?.focus();
  };
  useStepKeys({ make, beside, note: setForm });

  if (isAwaited) return <p className="pt-4 text-lg text-soft">Working out the order …</p>;
  if (!step) return <AllMade />;
  return (
    <div className="flex h-full flex-col gap-4 pt-3">
      <StepHead step={step} order={order} />
      <StepWhy step={step} order={order} isSettled={isSettled} />
      {isSettled && <StepFigures key={key} {...step.at} order={order} onLogged={() => done.current?.focus()} />}
      <StepButtons step={step} done={done} form={form} onForm={setForm} onMake={make} />
      <StepForm
        step={step}
        form={form}
        onEnd={close}
        onMoved={() => {
          onChoose(at);
          setForm(null);
        }}
      />
      <Pinned pins={pinsAt(judgement, step.at)} />
      {by === '' && (
        <p className="text-short">No initials are set: put yours at the top, so that it is known who did it.</p>
      )}
      <StepFoot then={step.then} voice={voice} onVoice={setVoice} />
    </div>
  );
}

const AllMade = () => (
  <p className="pt-4 text-2xl font-bold text-ok" role="status">
    ● All steps done. Anything still open on the engine is listed under Short block.
  </p>
);

/** How the crank is turned for a cylinder; null where that is not known. */
function fitOf({ found, ask }: Order, place: string) {
  const fit = found?.steps.find((s) => s.id === place);
  return fit ? { ...fit, isFirst: ask?.from === null && found?.steps[0] === fit } : null;
}

interface StepProps {
  step: InView;
  order: Order;
}

/** What to do, and which way it goes here. */
function StepHead({ step: { at, expected, phase, number, of, title }, order }: StepProps) {
  const { ringSet } = useJudgement().choices;
  const fit = fitOf(order, at.place);
  return (
    <div>
      <p className="text-[1.0625rem] text-soft">
        {phase} · step {number} of {of}
      </p>
      <h2 className="mt-1 text-[1.9rem] leading-tight font-bold">{title}</h2>
      {at.step === 'rod' && expected && <p className="mt-1 text-xl">{expected}</p>}
      {at.step === 'throwDown' && (
        <p className="mt-1 text-xl">
          {fit ? (
            <>
              Crank {turnWords(fit.by, fit.isFirst)}
              {fit.turnsStand && ', and the stand turned to this bank'}
            </>
          ) : order.ask === null ? (
            <span className="text-short">Crank throws are not set: see Install order.</span>
          ) : null}
        </p>
      )}
      {at.step === 'ringsFree' &&
        COMPRESSION.map((ring) => {
          const set = ringSet[ring];
          return set.mark && <p key={ring} className="text-lg">{`${RING_WORDS[ring]}: ${upWords(set)}`}</p>;
        })}
      {at.step === 'frontMark' && !expected && (
        <p className="text-lg text-short">Piston mark not set: see Clocking, Engine.</p>
      )}
    </div>
  );
}

/** What was found of it, its picture, and why it is made. */
function StepWhy({ step: { at, found, cylinder }, order, isSettled }: StepProps & { isSettled: boolean }) {
  const { why, caution } = whyOf(at.step);
  const { sign, colour } = STATE_LOOKS[found.state];
  return (
    <>
      {found.says && (
        <p className={`text-lg ${colour}`}>
          <b>
            {sign} {STATE_WORDS[found.state]}:
          </b>{' '}
          {found.says}
        </p>
      )}
      <div className="flex flex-wrap items-start gap-x-8 gap-y-4">
        {isSettled && <StepPicture step={at.step} cylinder={cylinder} turn={fitOf(order, at.place)} />}
        <div className="max-w-prose min-w-60 flex-1">
          <p className="text-lg">{why}</p>
          {caution && (
            <p className="mt-2 border-l-4 border-short pl-3">
              <b>Mind:</b> {caution}
            </p>
          )}
        </div>
      </div>
    </>
  );
}

interface ButtonsProps {
  step: InView;
  done: RefObject<HTMLButtonElement | null>;
  form: FormKind | null;
  onForm: (form: FormKind) => void;
  onMake: () => void;
}

/** Makes the step, notes what is not as planned, takes it back. */
function StepButtons({
  step: { at, found, cylinder, isMade, isJoints, cannot },
  done,
  form,
  onForm,
  onMake,
}: ButtonsProps) {
  const { strike } = useLogging();
  const { sign, colour } = STATE_LOOKS[found.state];
  const { tick } = found;
  return (
    <div className="flex flex-wrap items-center gap-3">
      <button
        ref={done}
        type="button"
        data-step={at.step}
        disabled={cannot}
        // one press makes one step: a key that is leant on and a second tap make none
        onKeyDown={(event) => event.repeat && event.preventDefault()}
        onClick={(event) => event.detail < 2 && onMake()}
        className="inline-flex min-h-16 min-w-40 items-center justify-center gap-2 rounded border-[1.5px] border-blue bg-blue px-6 text-xl font-bold text-sheet disabled:opacity-60"
      >
        {isMade ? 'Next' : isJoints ? 'As planned' : 'Done'} <Check size={22} aria-hidden />
      </button>
      {isJoints && cylinder?.clocking.plan && !isMade && (
        <Button className="min-h-16!" aria-expanded={form === 'moved'} onClick={() => onForm('moved')}>
          Moved …
        </Button>
      )}
      {!isMade && (
        <Button className="min-h-16!" aria-expanded={form === 'otherwise'} onClick={() => onForm('otherwise')}>
          Not as planned …
        </Button>
      )}
      <Button className="min-h-16!" aria-expanded={form === 'pin'} onClick={() => onForm('pin')}>
        <MapPin size={18} aria-hidden /> Add reminder
      </Button>
      {isMade && tick && (
        <p className="flex items-center gap-3">
          <span className={colour}>
            {sign} {tick.by || 'no initials'}, <When at={tick.at} />
          </span>
          <Button kind="quiet" onClick={() => strike(tick.id, 'not so after all')}>
            Take back
          </Button>
        </p>
      )}
    </div>
  );
}

interface FormProps {
  step: InView;
  form: FormKind | null;
  onEnd: () => void;
  onMoved: () => void;
}

/** Notes where gaps are instead, what was found, or a reminder. */
function StepForm({ step: { at, cylinder }, form, onEnd, onMoved }: FormProps) {
  const { tick } = useLogging();
  const [view] = useCrownView();
  const planned = cylinder?.clocking.plan?.joints;
  if (form === 'moved')
    return cylinder && planned ? (
      <MovedGaps
        cylinder={cylinder}
        planned={planned}
        view={view}
        onNote={(joints) => {
          tick(at.place, at.step, joints);
          onMoved();
        }}
      />
    ) : null;
  return form === null ? null : (
    <PinForm
      key={form}
      at={form === 'otherwise' ? at : { place: at.place, step: null }}
      label={form === 'otherwise' ? 'What was found' : 'What must not be forgotten'}
      onEnd={onEnd}
    />
  );
}

interface FootProps {
  then: string;
  voice: string;
  onVoice: (voice: string) => void;
}

/** What comes then, and the keys. */
function StepFoot({ then, voice, onVoice }: FootProps) {
  return (
    <div className="mt-auto flex flex-wrap items-end justify-between gap-x-6 gap-y-2 border-t border-line pt-2">
      <p>
        <span className="text-soft">Then</span>
        <br />
        <b className="text-lg">{then}</b>
      </p>
      <p className="flex flex-wrap items-center gap-x-3 gap-y-1 text-sm text-soft">
        <span>
          <Key>Enter</Key> done
        </span>
        <span>
          <Key>X</Key> not as planned
        </span>
        <span>
          <Key>P</Key> reminder
        </span>
        <span>
          <Key>←</Key> <Key>→</Key> step
        </span>
        <Tick value={voice === 'on'} onChange={(isOn) => onVoice(isOn ? 'on' : '')}>
          say each step aloud
        </Tick>
      </p>
    </div>
  );
}
