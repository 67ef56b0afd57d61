'use client';

import { covers } from '@/core/judge/stageTables';
import { Check, MapPin } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { blockStepsIn } from '@/core/stages/assembly/engineSteps';
import { expectedOf } from '@/core/stages/assembly/orientationWords';
import { isJointCheck } from '@/core/stages/assembly/checks';
import { isRight } from '@/core/stages/assembly/cylinderSteps';
import { PHASE_WORDS } from '@/core/stages/assembly/stepNames';
import { stepSays, whyOf } from '@/core/stages/assembly/stepWords';
import { PHASE_OF } from '@/core/stages/assembly/phases';
import { type WalkAt, nextStep, pinsAt, stepAt, stepBeside } from '@/core/stages/assembly/walk';
import { BLOCK } from '@/core/foundation/engine/places';
import { RING_WORDS, COMPRESSION } from '@/core/foundation/parts/rings';
import { upWords } from '@/core/stages/rings/ringOrientation';
import { useCrownView } from '../clocking/CrownView';
import { useInitials, useJudgement, useLogging, useMoving } from '../openBuild/contexts';
import { feedbackKey } from '../rings/feedback';
import { speak } from '../rings/speak';
import { Button, Key } from '../shared/Button';
import { When } from '../shared/When';
import { usePersisted } from '../shared/persisted';
import { onDemand } from '../shared/onDemand';
import { STATE_LOOKS, STATE_WORDS } from './stepStates';
import { turnWords } from './Dial';
import { Pinned } from './Pinned';
import { takesKeys } from './takesKeys';
import type { Order } from './useInstallOrder';

const StepPicture = onDemand(() => import('./StepPicture').then((m) => m.StepPicture));
const StepFigures = onDemand(() => import('./StepFigures').then((m) => m.StepFigures));
const Moved = onDemand(() => import('./MovedGaps').then((m) => m.MovedGaps));
const PinForm = onDemand(() => import('./PinForm').then((m) => m.PinForm));

interface Props {
  order: Order;
  walk: readonly WalkAt[];
  /** The step in view; null once all are made. */
  at: WalkAt | null;
  onChoose: (at: WalkAt | null) => void;
  /** Whether the step had its turn: what stands beside it may come. */
  isSettled: boolean;
}

/** One step in view: what to do, why, what it looks like here, and what comes then. */
export function Walk({ order, walk, at, onChoose, isSettled }: Props) {
  const judgement = useJudgement();
  const { cylinder: inHand, toCylinder } = useMoving();
  const { tick, strike } = useLogging();
  const { by } = useInitials();
  const [view] = useCrownView();
  const [form, setForm] = useState<'moved' | 'otherwise' | 'pin' | null>(null);
  const [voice, setVoice] = usePersisted(feedbackKey('voice'), '');
  const done = useRef<HTMLButtonElement>(null);
  const { walk: habits, clocking, journals } = judgement.choices;
  const asksPlay = covers(judgement.job, 'journals') && journals.asks.endPlay;
  const { isAwaited } = order;
  const found = at && stepAt(judgement, at);
  const cylinder = at && at.place !== BLOCK ? (judgement.cylinders.find((c) => c.id === at.place) ?? null) : null;
  const expected = at && cylinder ? expectedOf(at.step, cylinder.clocking, clocking.rods.numbers) : null;
  const title = at
    ? ((at.step === 'frontMark' ? expected : null) ?? stepSays(at.step, habits, asksPlay)).replace(/^./, (c) =>
        c.toUpperCase(),
      )
    : '';
  const spoken = at ? `${cylinder ? `Cylinder ${cylinder.label}: ` : ''}${title}` : '';
  const key = at ? `${at.place} ${at.step}` : '';
  useEffect(() => {
    setForm(null);
    if (!isAwaited && !takesKeys(document.activeElement)) done.current?.focus();
  }, [key, isAwaited]);
  useEffect(() => {
    if (voice === 'on' && spoken !== '') speak(spoken);
  }, [voice, spoken]);
  useEffect(() => {
    if (cylinder && cylinder.id !== inHand?.id) toCylinder(cylinder.id);
    // The work leads the hands; where the hands go to by themselves is the stage's to follow.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [cylinder?.id]);

  const right = found ? isRight(found.state) : false;
  const isJoints = at !== null && isJointCheck(at.step);
  const cannot = isJoints && !cylinder?.clocking.plan;
  const next = at && nextStep(judgement, walk, at);
  const make = (): void => {
    if (!at || cannot) return;
    if (!right) tick(at.place, at.step);
    onChoose(next);
  };
  const beside = (way: 1 | -1): void => {
    const to = at && stepBeside(walk, at, way);
    if (to) onChoose(to);
  };
  const latest = useRef({ make, beside });
  useEffect(() => {
    latest.current = { make, beside };
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (
        event.repeat ||
        event.defaultPrevented ||
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        takesKeys(event.target)
      )
        return;
      const isOnButton = event.target instanceof HTMLElement && event.target.closest('button, a, summary') !== null;
      const key = event.key.toLowerCase();
      const act =
        key === 'arrowright'
          ? () => latest.current.beside(1)
          : key === 'arrowleft'
            ? () => latest.current.beside(-1)
            : key === 'x'
              ? () => setForm('otherwise')
              : key === 'p'
                ? () => setForm('pin')
                : key === 'enter' && !isOnButton
                  ? () => latest.current.make()
                  : null;
      const isInDeck = event.target instanceof HTMLElement && event.target.closest('nav') !== null;
      if (!act || (isInDeck && key.startsWith('arrow'))) return;
      event.preventDefault();
      act();
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, []);

  if (isAwaited) return <p className="pt-4 text-lg text-soft">Working out the order …</p>;
  if (!at || !found)
    return (
      <p className="pt-4 text-2xl font-bold text-ok" role="status">
        ● Every step is made. What is still open on the engine stands under Short block.
      </p>
    );
  const { why, caution } = whyOf(at.step);
  const fit = order.found?.steps.find((s) => s.id === at.place);
  const isFirst = fit !== undefined && order.ask?.from === null && order.found?.steps[0] === fit;
  const steps = cylinder ? cylinder.block.checks : blockStepsIn(judgement);
  const pins = pinsAt(judgement, at);
  const { sign, colour } = STATE_LOOKS[found.state];
  return (
    <div className="flex h-full flex-col gap-4 pt-3">
      <div>
        <p className="text-[1.0625rem] text-soft">
          {PHASE_WORDS[PHASE_OF[at.step]].replace(/^./, (c) => c.toUpperCase())} · step{' '}
          {steps.findIndex((s) => s.check === at.step) + 1} of {steps.length}
        </p>
        <h2 className="mt-1 text-[1.9rem] leading-tight font-bold">{title}</h2>
        {at.step === 'rod' && expected && <p className="mt-1 text-xl">{expected}</p>}
        {at.step === 'throwDown' && (
          <p className="mt-1 text-xl">
            {fit ? (
              <>
                Crank {turnWords(fit.by, isFirst)}
                {fit.turnsStand && ', and the stand turned to this bank'}
              </>
            ) : order.ask === null ? (
              <span className="text-short">How the throws stand is not said: see Order.</span>
            ) : null}
          </p>
        )}
        {at.step === 'ringsFree' &&
          COMPRESSION.map((ring) => {
            const set = judgement.choices.ringSet[ring];
            return set.mark && <p key={ring} className="text-lg">{`${RING_WORDS[ring]}: ${upWords(set)}`}</p>;
          })}
        {at.step === 'frontMark' && !expected && (
          <p className="text-lg text-short">Where the mark points is not said: see Clocking, Engine.</p>
        )}
      </div>
      {found.says && (
        <p className={`text-lg ${colour}`}>
          <b>
            {sign} {STATE_WORDS[found.state]}:
          </b>{' '}
          {found.says}
        </p>
      )}
      <div className="flex flex-wrap items-start gap-x-8 gap-y-4">
        {isSettled && <StepPicture step={at.step} cylinder={cylinder} turn={fit ? { by: fit.by, isFirst } : null} />}
        <div className="max-w-prose min-w-60 flex-1">
          <p className="text-lg">{why}</p>
          {caution && (
            <p className="mt-2 border-l-4 border-short pl-3">
              <b>Mind:</b> {caution}
            </p>
          )}
        </div>
      </div>
      {isSettled && (
        <StepFigures key={key} step={at.step} place={at.place} order={order} onLogged={() => done.current?.focus()} />
      )}
      <div className="flex flex-wrap items-center gap-3">
        <button
          ref={done}
          type="button"
          data-step={at.step}
          disabled={cannot}
          // one press makes one step: a key that is leant on and a second tap make none
          onKeyDown={(event) => event.repeat && event.preventDefault()}
          onClick={(event) => event.detail < 2 && make()}
          className="inline-flex min-h-16 min-w-40 items-center justify-center gap-2 rounded border-[1.5px] border-blue bg-blue px-6 text-xl font-bold text-sheet disabled:opacity-60"
        >
          {right ? 'Next' : isJoints ? 'As planned' : 'Done'} <Check size={22} aria-hidden />
        </button>
        {isJoints && cylinder?.clocking.plan && !right && (
          <Button className="min-h-16!" aria-expanded={form === 'moved'} onClick={() => setForm('moved')}>
            Moved …
          </Button>
        )}
        {!right && (
          <Button className="min-h-16!" aria-expanded={form === 'otherwise'} onClick={() => setForm('otherwise')}>
            Found otherwise …
          </Button>
        )}
        <Button className="min-h-16!" aria-expanded={form === 'pin'} onClick={() => setForm('pin')}>
          <MapPin size={18} aria-hidden /> Pin a reminder …
        </Button>
        {right && found.tick && (
          <p className="flex items-center gap-3">
            <span className={colour}>
              {sign} {found.tick.by || 'no initials'}, <When at={found.tick.at} />
            </span>
            <Button kind="quiet" onClick={() => found.tick && strike(found.tick.id, 'not so after all')}>
              Take back
            </Button>
          </p>
        )}
      </div>
      {form === 'moved' && cylinder?.clocking.plan && (
        <Moved
          cylinder={cylinder}
          planned={cylinder.clocking.plan.joints}
          view={view}
          onNote={(joints) => {
            tick(at.place, at.step, joints);
            onChoose(at);
            setForm(null);
          }}
        />
      )}
      {(form === 'otherwise' || form === 'pin') && (
        <PinForm
          key={form}
          at={form === 'otherwise' ? at : { place: at.place, step: null }}
          label={form === 'otherwise' ? 'What was found' : 'What must not be forgotten'}
          onEnd={() => {
            setForm(null);
            done.current?.focus();
          }}
        />
      )}
      <Pinned pins={pins} />
      {by === '' && (
        <p className="text-short">No initials are set: put yours at the top, so that it is known who did it.</p>
      )}
      <div className="mt-auto flex flex-wrap items-end justify-between gap-x-6 gap-y-2 border-t border-line pt-2">
        <p>
          <span className="text-soft">Then</span>
          <br />
          <b className="text-lg">
            {next
              ? `${next.place === at.place ? '' : next.place === BLOCK ? 'The engine: ' : `Cylinder ${judgement.labels.get(next.place) ?? ''}: `}${stepSays(next.step, habits, asksPlay)}`
              : 'nothing: this is the last that is open'}
          </b>
        </p>
        <p className="flex flex-wrap items-center gap-x-3 gap-y-1 text-sm text-soft">
          <span>
            <Key>Enter</Key> done
          </span>
          <span>
            <Key>X</Key> otherwise
          </span>
          <span>
            <Key>P</Key> pin
          </span>
          <span>
            <Key>←</Key> <Key>→</Key> step
          </span>
          <label className="flex min-h-11 items-center gap-2">
            <input type="checkbox" checked={voice === 'on'} onChange={(e) => setVoice(e.target.checked ? 'on' : '')} />
            say each step aloud
          </label>
        </p>
      </div>
    </div>
  );
}
