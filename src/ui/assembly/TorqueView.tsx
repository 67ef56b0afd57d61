'use client';

import { Plus } from 'lucide-react';
import { useState } from 'react';
import { inOrder } from '@/core/stages/assembly/walk';
import { BLOCK } from '@/core/foundation/engine/places';
import { parseLengths } from '@/core/foundation/quantity/parseLengths';
import type { Nm } from '@/core/foundation/quantity/length';
import { type MilliNm, bothTorques, fromPoundFeet, parseTorque } from '@/core/foundation/quantity/torque';
import { benchedOf } from '@/core/record/countedWork';
import { type FastenerGroup, usedWords } from '@/core/stages/assembly/torque/fastenerGroups';
import {
  type JudgedFastener,
  type JudgedGroup,
  type ToTighten,
  isTight,
  ledgerOf,
  nextOn,
} from '@/core/stages/assembly/torque/torqueRecord';
import { addFor } from '@/core/stages/assembly/torque/stretch';
import { figureWords, toDoWords } from '@/core/stages/assembly/torque/words';
import { useInitials, useJudgement, useLogging, useWords } from '../openBuild/contexts';
import { Accepting } from '../shared/Accepting';
import { Button } from '../shared/Button';
import { Segmented } from '../shared/Segmented';
import { StateShape } from '../shared/StateMark';
import { onDemand } from '../shared/onDemand';
import { type ParsedTorqueFigure, TorqueEntry } from './TorqueEntry';
import type { Order } from './useInstallOrder';
import { freshId } from '../shared/freshId';

const GroupForm = onDemand(() => import('./FastenerGroupForm').then((m) => m.FastenerGroupForm));

/** Where a group is begun from: the usual two, and any other. */
const BEGINNINGS: readonly Pick<FastenerGroup, 'words' | 'on' | 'count'>[] = [
  { words: 'Main caps', on: 'engine', count: 10 },
  { words: 'Rod bolts', on: 'rods', count: 2 },
  { words: '', on: 'engine', count: 10 },
];

const empty = (begin: Pick<FastenerGroup, 'words' | 'on' | 'count'>, id: string): FastenerGroup => ({
  ...begin,
  id,
  lubricant: '',
  source: '',
  steps: [],
  angle: null,
  stretch: null,
  order: null,
  measured: false,
});

/** Every fastener: its figure, what was done, what is next, the second round, and the wrench set back. */
export function TorqueView({ order }: { order: Order }) {
  const judgement = useJudgement();
  const { choose } = useLogging();
  const groups = ledgerOf(judgement, inOrder(judgement, order.found));
  const [shown, setShown] = useState('');
  const [form, setForm] = useState<FastenerGroup | null>(null);
  const group = groups.find((g) => g.group.id === shown) ?? groups.find((g) => g.next !== null) ?? groups[0];
  const set = (value: FastenerGroup): void => {
    const all = judgement.choices.fasteners ?? [];
    choose(
      'fasteners',
      all.some((g) => g.id === value.id) ? all.map((g) => (g.id === value.id ? value : g)) : [...all, value],
    );
    setShown(value.id);
    setForm(null);
  };
  const begin = (of: (typeof BEGINNINGS)[number]): void => {
    const mains =
      judgement.choices.journals.mains ?? new Set(judgement.cylinders.map((c) => c.clocking.rod.throw)).size + 1;
    setForm(empty(of.words === 'Main caps' ? { ...of, count: 2 * mains } : of, freshId()));
  };
  if (form)
    return (
      <GroupForm
        key={form.id}
        group={form}
        onSet={set}
        onEnd={() => setForm(null)}
        onRemove={
          groups.some(
            (g) =>
              g.group.id === form.id && g.fasteners.every((f) => f.made === 0 && f.free === null && f.stretch === null),
          )
            ? () => {
                choose(
                  'fasteners',
                  (judgement.choices.fasteners ?? []).filter((g) => g.id !== form.id),
                );
                setForm(null);
              }
            : null
        }
      />
    );
  return (
    <div className="flex min-h-full flex-col gap-3 pt-3">
      {groups.length === 0 && (
        <p className="max-w-prose text-lg">
          Each group of fasteners has its figure: torque in steps, then an angle or a stretch where it is asked for, in
          the printed order, and what is on the threads. A figure without its lubricant is not a figure. Nothing is
          filled in: it comes from the manual or the packet.
        </p>
      )}
      <div className="flex shrink-0 flex-wrap items-center gap-3">
        {groups.length > 1 && group && (
          <Segmented
            label="Group of fasteners"
            value={group.group.id}
            options={groups.map((g) => [g.group.id, `${g.group.words} ${g.done}/${g.fasteners.length}`] as const)}
            onChange={setShown}
          />
        )}
        {BEGINNINGS.filter((b) => b.words === '' || !groups.some((g) => g.group.words === b.words)).map((b) => (
          <Button key={b.words} kind={groups.length === 0 ? 'accent' : 'plain'} onClick={() => begin(b)}>
            <Plus size={16} aria-hidden /> {b.words || 'Another group'}
          </Button>
        ))}
      </div>
      {group && <OneGroup key={group.group.id} judged={group} onEdit={() => setForm(group.group)} />}
    </div>
  );
}

/** Half a lb·ft, or half a N·m: what a wrench is set by. */
const stepOf = (units: 'imperial' | 'metric'): MilliNm => (units === 'metric' ? 500 : fromPoundFeet(0.5));

/** What the wrench is set to for a stretch: what the set has learned, else where others came in, else the last step. */
function torqueFor(
  judged: JudgedGroup,
  fastener: JudgedFastener,
  step: MilliNm,
): { torque: MilliNm | null; add: MilliNm } {
  const { group, rate, fasteners } = judged;
  const last = fastener.stretches.at(-1);
  if (last && group.stretch) {
    const add = addFor(last, group.stretch, rate, step);
    return { torque: last.torque + add, add };
  }
  const others = fasteners.filter(isTight).flatMap((f) => f.stretches.at(-1)?.torque ?? []);
  return { torque: others.length > 0 ? Math.min(...others) : (group.steps.at(-1) ?? null), add: 0 };
}

interface Figure {
  length: Nm;
  torque: MilliNm | null;
}

function OneGroup({ judged, onEdit }: { judged: JudgedGroup; onEdit: () => void }) {
  const judgement = useJudgement();
  const { bench, strike, isOwn } = useLogging();
  const { units, length } = useWords();
  const { by } = useInitials();
  const { group, fasteners, rate, spread } = judged;
  const [chosen, setChosen] = useState<string | null>(null);
  const keyOf = ({ cylinder, fastener }: Pick<ToTighten, 'cylinder' | 'fastener'>): string => `${cylinder} ${fastener}`;
  const taken = fasteners.find((f) => keyOf(f) === chosen) ?? null;
  const next = (taken && nextOn(judged, taken)) ?? (taken ? null : judged.next);
  const inHand = taken ?? fasteners.find((f) => next && keyOf(f) === keyOf(next)) ?? null;
  const step = stepOf(units);
  const advice = inHand && next?.what === 'stretch' ? torqueFor(judged, inHand, step) : null;
  const { stretch } = group;
  const hear = (text: string): ParsedTorqueFigure<Figure> => {
    if (text.trim() === '') return { kind: 'empty' };
    if (next?.what !== 'free' && next?.what !== 'stretch')
      return {
        kind: 'refused',
        why: 'Nothing is typed here: Enter once it is done. Another figure is set with the group.',
      };
    const [read = '', at] = text.split(/ (?:at|@) |@/);
    const heard = parseLengths(
      read,
      next.what === 'free' ? (units === 'metric' ? 'mm' : 'in') : units === 'metric' ? 'mm' : 'thou',
      1,
    );
    const [value] = heard.ok ? heard.values : [];
    if (!heard.ok || value === undefined || value === 0)
      return { kind: 'refused', why: heard.ok ? 'A length is read.' : heard.why };
    if (next.what === 'free') {
      const others = fasteners.flatMap((f) => (f === inHand ? [] : (f.free ?? [])));
      const middle = others[Math.floor(others.length / 2)];
      const figure = { length: value, torque: null };
      return middle !== undefined && Math.abs(value - middle) > 2_000_000
        ? {
            kind: 'question',
            ask: `${length(value, 'size')}: the others are about ${length(middle, 'size')} long. Is it right?`,
            options: [{ value: figure, words: `yes, ${length(value, 'size')}` }],
          }
        : { kind: 'understood', value: figure, says: length(value, 'size') };
    }
    const torque = at === undefined ? null : parseTorque(at, units);
    if (torque?.kind === 'refused') return { kind: 'refused', why: torque.why };
    const set = torque?.kind === 'understood' ? torque.value : (advice?.torque ?? null);
    if (set === null)
      return { kind: 'refused', why: `At which torque? Accepted: ${units === 'metric' ? '0.13 at 60' : '5.2 at 45'}.` };
    const figure = { length: value, torque: set };
    const before = inHand?.stretches.at(-1);
    const says = `${length(value, 'clearance')} at ${bothTorques(set, units)}: ${!stretch ? '' : value < stretch.from ? 'short' : value > stretch.to ? 'over' : 'in its range'}`;
    const yes = { value: figure, words: `yes, ${length(value, 'clearance')}` };
    if (before && value < before.length)
      return {
        kind: 'question',
        ask: `It had ${length(before.length, 'clearance')} before: it cannot have less with more torque. Was the gauge zeroed anew?`,
        options: [yes],
      };
    if (stretch && value > 2 * stretch.to)
      return {
        kind: 'question',
        ask: `${length(value, 'clearance')} is more than twice what is aimed at. Is it right?`,
        options: [yes],
      };
    return { kind: 'understood', value: figure, says };
  };
  const put = (figure: Figure | null, typed: string): void => {
    if (!next) return;
    const { cylinder, fastener, what, angle } = next;
    bench({
      kind: 'tightened',
      group: group.id,
      cylinder,
      fastener,
      what,
      torque: figure ? figure.torque : next.torque,
      angle,
      length: figure?.length ?? null,
      typed,
    });
    // a bolt that is not there yet stays in hand; else the printed order leads on
    const isShort = figure !== null && stretch !== null && what === 'stretch' && figure.length < stretch.from;
    setChosen(isShort ? keyOf(next) : null);
  };
  const last = benchedOf(judgement.log, 'tightened').findLast(
    ({ entry }) => entry.group === group.id && isOwn(entry),
  )?.entry;
  const isOwnSecond = next?.what === 'second' && by !== '' && inHand?.by === by;
  const isSecondRound = next?.what === 'second';
  return (
    <>
      <div className="flex shrink-0 flex-wrap items-baseline gap-x-4 gap-y-1">
        <h2 className="text-xl font-bold">{group.words}</h2>
        <p className="text-lg">{figureWords(group, units)}</p>
        {group.source && <p className="text-soft">{group.source}</p>}
        {group.used !== undefined && <p className="text-soft">{usedWords(group)}</p>}
        <Button kind="quiet" onClick={onEdit}>
          Change
        </Button>
      </div>
      <Map judged={judged} inHand={inHand} onTake={(f) => setChosen(keyOf(f))} isSecondRound={isSecondRound} />
      <div className="grid shrink-0 gap-x-10 gap-y-2 sm:grid-cols-2">
        <p>
          <b>
            {judged.done} of {fasteners.length}
          </b>{' '}
          tight, second round{' '}
          <b>
            {judged.seconded} of {fasteners.length}
          </b>
          , wrench {judged.isWrenchBack ? 'set back' : 'not set back'}.
          {judged.isSameHand && (
            <span className="text-short"> The second round was by the same hand: another’s finds more.</span>
          )}
        </p>
        {stretch && (
          <p>
            {spread ? (
              <>
                Stretch of those that are tight: <b>{length(spread.least, 'clearance')}</b> to{' '}
                <b>{length(spread.most, 'clearance')}</b>, {length(spread.most - spread.least, 'clearance')} apart.
              </>
            ) : (
              'No bolt is tight yet.'
            )}{' '}
            {rate && (
              <span className="text-soft">
                This set: {length(Math.round(rate.rate * step * 20), 'clearance')} for each{' '}
                {units === 'metric' ? '10 N·m' : '10 lb·ft'}, from {rate.bolts} {rate.bolts === 1 ? 'bolt' : 'bolts'}.
              </span>
            )}
          </p>
        )}
      </div>
      {fasteners
        .filter((f) => f.state === 'over')
        .map((f) => (
          <Wrong key={keyOf(f)} fastener={f} />
        ))}

      {next ? (
        <TorqueEntry
          key={next.what}
          draft={`tighten ${group.id}`}
          of={keyOf(next)}
          nameOf={(of) => fasteners.find((f) => keyOf(f) === of)?.words ?? group.words}
          title={next.what === 'back' ? group.words : (inHand?.words ?? '')}
          unit={
            next.what === 'free'
              ? units === 'metric'
                ? 'mm'
                : 'in'
              : next.what === 'stretch'
                ? units === 'metric'
                  ? 'mm'
                  : 'thou'
                : ''
          }
          hear={hear}
          padKey={next.what === 'stretch' ? '@' : ''}
          onLog={put}
          plain={
            next.what === 'free' || next.what === 'stretch' ? null : { words: 'Done', onDone: () => put(null, '') }
          }
          undo={
            last
              ? {
                  words: `${last.fastener === 0 ? group.words : `${group.words} ${last.cylinder === BLOCK ? '' : `${judgement.labels.get(last.cylinder) ?? ''}: `}${last.fastener}`}, ${UNDO_WORDS[last.what]}`,
                  onUndo: () => {
                    strike(last.id, 'taken back');
                    setChosen(null);
                  },
                }
              : null
          }
          onStep={(by) => {
            const at = fasteners.findIndex((f) => f === inHand);
            const to = fasteners[(at + by + fasteners.length) % fasteners.length];
            setChosen(to ? keyOf(to) : null);
          }}
        >
          <b className="text-lg">
            {toDoWords(group, next, units, advice?.torque ?? null).replace(/^./, (c) => c.toUpperCase())}
            {advice && advice.add > 0 && `: add about ${bothTorques(advice.add, units)}`}
          </b>
          {next.what === 'stretch' &&
            (inHand?.stretches.length
              ? advice?.add === 0 && '. Add the least the wrench takes, and read again.'
              : '. Zero the gauge on the slack bolt first. Another torque: 5.2 at 45.')}
          {isLastOf(judged, next) && '. Mark it once it is done.'}
          {isOwnSecond && <span className="text-short"> You tightened it: better someone else goes over it.</span>}
        </TorqueEntry>
      ) : (
        <p className="py-4 text-xl font-bold text-ok" role="status">
          {taken ? `${taken.words}: nothing more is asked.` : '● Tight, gone over twice, and the wrench set back.'}
          {taken && (
            <Button className="ml-4" onClick={() => setChosen(null)}>
              On with the order
            </Button>
          )}
        </p>
      )}
    </>
  );
}

const UNDO_WORDS: Record<ToTighten['what'], string> = {
  free: 'its length',
  step: 'its step',
  angle: 'its angle',
  stretch: 'its stretch',
  second: 'second round',
  back: 'wrench set back',
};

/** Whether a fastener gets its mark with what is next of it. */
const isLastOf = ({ group }: JudgedGroup, { what, step }: ToTighten): boolean =>
  what === 'angle' || what === 'stretch'
    ? true
    : what === 'step' && step === group.steps.length - 1 && group.angle === null && group.stretch === null;

function Wrong({ fastener }: { fastener: JudgedFastener }) {
  const { text } = useWords();
  return (
    <div className="flex shrink-0 flex-wrap items-center gap-3 border-l-4 border-over pl-3">
      <p>
        <b className="text-over">{fastener.words}</b> {text(fastener.says)}
      </p>
      <Accepting words="this bolt" what="bolt" state={fastener.state} answer={fastener} />
    </div>
  );
}

interface MapProps {
  judged: JudgedGroup;
  inHand: JudgedFastener | null;
  onTake: (fastener: JudgedFastener) => void;
  isSecondRound: boolean;
}

/** The fasteners in rows: of rods a row each, of the engine as numbered. */
function Map({ judged, inHand, onTake, isSecondRound }: MapProps) {
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
