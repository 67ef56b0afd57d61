'use client';

import { type ReactNode, useState } from 'react';
import { offText, printLength } from '@/core/foundation/quantity/format';
import { SQUARING_WORDS } from '@/core/foundation/parts/rings';
import { type Instrument, countWords } from '@/core/foundation/uncertainty/instrument';
import { useJudgement, useLogging, useWords } from '../openBuild/contexts';
import { shortDepth, shortDirection } from '@/core/foundation/parts/spots';
import { Button, buttonLook } from './Button';
import { Popup } from './Popup';
import { When } from './When';
import type { Logged, LoggedCut, LoggedReading } from '@/core/record/reading';
import { onDemand } from './onDemand';

/** Loaded when one is struck out. */
const StrikeOutForm = onDemand(() => import('./StrikeOutForm').then((m) => m.StrikeOutForm));

type Item = Logged;

/** As many as a part that was filed with care has; of more, the earlier ones are shown when asked for. */
const SHOWN = 8;

interface Props {
  passes: readonly Item[];
  style: 'size' | 'fine';
  /** More to say of an entry. */
  note?: (item: Item) => string | null;
  /** What else can be done with an entry that counts. */
  action?: (item: Item) => ReactNode;
}

/** The passes and cuts as in a paper log: newest first, voided ones struck out with the reason. */
export function PassLog({ passes, style, note, action }: Props) {
  const judgement = useJudgement();
  const { units } = useWords();
  const { strike } = useLogging();
  const { tools } = judgement.log;
  /** The first entry of the log that is shown whole: asked for one part, it is not so for the next. */
  const [whole, setWhole] = useState<string | null>(null);
  const [first] = passes;
  if (!first) return <p className="text-soft">No reading yet.</p>;
  const earlier = whole === first.id ? 0 : Math.max(0, passes.length - SHOWN);
  const figure = (nm: number): string => printLength(nm, units, style).number;
  return (
    <ol className="@container divide-y divide-line border-y border-line">
      {passes
        .slice(earlier)
        .toReversed()
        .map((pass) => (
          <li
            key={pass.id}
            className="grid grid-cols-[1fr_auto] items-center gap-x-3 py-0.5 @md:grid-cols-[auto_1fr_auto]"
          >
            <span
              className={`figures col-start-1 row-start-1 min-w-20 text-lg whitespace-nowrap font-bold ${pass.voided ? 'text-soft line-through' : ''}`}
            >
              <Figure item={pass} style={style} />
            </span>
            <span className="col-span-2 row-start-2 pb-1 text-sm leading-tight text-soft @md:col-span-1 @md:col-start-2 @md:row-start-1 @md:pb-0">
              {pass.kind === 'reading' && `typed “${pass.typed}”, `}
              {pass.by || 'no initials'}, <When at={pass.at} />
              {pass.kind === 'reading' ? details(pass, tools) : cutDetails(pass, tools)}
              {note?.(pass)}
              {pass.voided && ` · struck out: ${pass.voided.reason}`}
            </span>
            {!pass.voided && (
              <span className="flex flex-wrap justify-end">
                {action?.(pass)}
                <StrikeOut
                  onStrike={(reason) => strike(pass.id, reason)}
                  what={
                    pass.kind === 'cut' ? 'the cut' : pass.unsized ? offText(pass.value, units) : figure(pass.value)
                  }
                />
              </span>
            )}
          </li>
        ))}
      {earlier > 0 && (
        <li>
          <Button kind="quiet" onClick={() => setWhole(first.id)}>
            Show {earlier} earlier
          </Button>
        </li>
      )}
    </ol>
  );
}

/** A reading's figure, or that it was a cut, of so many turns. */
function Figure({ item, style }: { item: Item; style: 'size' | 'fine' }) {
  const judgement = useJudgement();
  const { units } = useWords();
  if (item.kind === 'cut') {
    const filer = item.filer === null ? undefined : judgement.log.tools.get(item.filer);
    return (
      <span className="font-normal">
        cut{item.count !== null && `, ${item.count} ${filer ? countWords(filer, item.count) : 'turns'}`}
      </span>
    );
  }
  if (item.unsized) return <span className="text-base font-normal">{offText(item.value, units)}</span>;
  const figure = (nm: number): string => printLength(nm, units, style).number;
  return (
    <>
      {item.fit?.open && '≥\u2009'}
      {figure(item.value)}
      {item.upTo !== null && `/${figure(item.upTo)}`}{' '}
      <span className="text-sm font-normal">{printLength(item.value, units, style).unit}</span>
    </>
  );
}

const toolName = (key: string | null, tools: ReadonlyMap<string, Instrument>): string | null =>
  key === null ? null : (tools.get(key)?.name ?? key);

const cutDetails = ({ filer, round }: LoggedCut, tools: ReadonlyMap<string, Instrument>): string =>
  [toolName(filer, tools), round === 0 ? null : `ring ${round + 1}`]
    .flatMap((part) => (part === null ? [] : [` · ${part}`]))
    .join('');

/** Where, with what and how warm a reading was taken, as far as it says. */
function details(
  { place, instrument, temperature, gaugeTemperature, plate, round, fit }: LoggedReading,
  tools: ReadonlyMap<string, Instrument>,
): string {
  const tool = toolName(instrument, tools);
  const parts = [
    place && `${shortDepth(place.depth)}, ${shortDirection(place.angle)}`,
    fit?.deburred && 'deburred',
    fit?.squared && 'squared',
    fit?.depth && `at ${shortDepth(fit.depth)}`,
    fit?.squaring && SQUARING_WORDS[fit.squaring],
    tool,
    temperature !== null && `part ${temperature} °C`,
    gaugeTemperature !== null && `tool ${gaugeTemperature} °C`,
    plate === true && 'torque plate on',
    round === 0 ? null : fit ? `ring ${round + 1}` : `after work ${round}`,
  ].filter(Boolean);
  return parts.length === 0 ? '' : ` · ${parts.join(', ')}`;
}

/** Voiding asks for the reason; the reading stays on record. */
function StrikeOut({ onStrike, what }: { onStrike: (reason: string) => void; what: string }) {
  return (
    <Popup
      label={`Strike out ${what}`}
      look={`${buttonLook('quiet')} text-sm whitespace-nowrap`}
      width="w-72"
      trigger={
        <>
          Strike out<span className="sr-only"> {what}</span>
        </>
      }
    >
      {(close) => (
        <StrikeOutForm
          ask={`Strike out ${what}: why?`}
          onStrike={(reason) => {
            onStrike(reason);
            close();
          }}
        />
      )}
    </Popup>
  );
}
