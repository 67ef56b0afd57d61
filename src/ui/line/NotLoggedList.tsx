'use client';

import { placeAt } from '@/core/judge/judgement';
import { contextFor } from '@/core/judge/context';
import { taskLabel } from '@/core/judge/labels';
import { parseReading } from '@/core/foundation/quantity/parseReading';
import type { Meaning } from '@/core/foundation/quantity/readingField';
import { offText } from '@/core/foundation/quantity/format';
import type { Hand } from '@/core/judge/preview';
import type { At } from '@/core/stages/contract/tasks';
import type { Subject } from '@/core/judge/registry';
import { SUBJECTS } from '@/core/judge/stageTables';
import { useToolInHand, useJudgement, useLive, useWords } from '../openBuild/contexts';
import { ServerStatus } from '../stages/ServerStatus';
import type { NotLogged } from './notLogged';
import { LinkButton } from '../shared/Button';

interface Props {
  items: readonly NotLogged[];
  /** Logs one at its own place, as it was meant. */
  onLog: (at: At<Subject>, meaning: Meaning, typed: string, hand?: Hand) => void;
  /** Takes one up again on the line, at its own place. */
  onTakeUp: (item: NotLogged) => void;
  onSettle: (id: string) => void;
}

/** What was typed and is not on record, with what there was to ask. Nothing leaves it but by someone's hand. */
export function NotLoggedList({ items, onLog, onTakeUp, onSettle }: Props) {
  const judgement = useJudgement();
  const { link } = useLive();
  return (
    <section aria-label="Not logged yet" className="border-b border-line bg-wash px-7 py-1.5 max-md:px-4">
      <h2 className="text-base">Not logged yet</h2>
      {link === 'barred' && (
        <p className="font-bold text-over">
          <ServerStatus link={link} />
        </p>
      )}
      <ul className="max-h-40 divide-y divide-line overflow-y-auto">
        {items.map((item) => (
          <li key={item.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 py-1">
            <span>
              <b className="figures">“{item.typed}”</b> {taskLabel(placeAt(judgement, item.at.cylinder), item.at)}
            </span>
            <Asked item={item} onLog={onLog} onSettle={onSettle} />
            <LinkButton
              onClick={() => {
                onSettle(item.id);
                onTakeUp(item);
              }}
              className="px-2"
            >
              Change it
            </LinkButton>
            <button
              type="button"
              onClick={() => onSettle(item.id)}
              className="min-h-11 px-2 text-soft underline underline-offset-4"
            >
              Drop it
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The question that was asked, with its answers; or why it could not be taken. */
function Asked({ item, onLog, onSettle }: Pick<Props, 'onLog' | 'onSettle'> & { item: NotLogged }) {
  const judgement = useJudgement();
  const { units, length } = useWords();
  const { handFor } = useToolInHand();
  const { link } = useLive();
  const place = placeAt(judgement, item.at.cylinder);
  if (!place) return <span className="text-soft">This engine has no such place any more.</span>;
  const { subject } = item.at;
  const context = contextFor(judgement, place, subject, units, (item.saidIn.hand ?? handFor(subject)).instrument);
  const heard = parseReading(item.typed, { ...context, ...item.saidIn });
  const meant = heard.kind === 'question' ? heard.options : heard.kind === 'understood' ? [heard.meaning] : [];
  const options = link === 'barred' ? [] : meant;
  return (
    <>
      <span className="min-w-60 flex-1 text-soft">
        {heard.kind === 'question' ? heard.ask : heard.kind === 'refused' ? heard.why : ''}
      </span>
      {options.map((option) => (
        <button
          key={`${option.value}-${option.taken}`}
          type="button"
          onClick={() => {
            onSettle(item.id);
            onLog(item.at, option, item.typed, item.saidIn.hand);
          }}
          className="min-h-11 rounded border-[1.5px] border-blue px-3 font-bold whitespace-nowrap text-blue"
        >
          Log{' '}
          <span className="figures">
            {option.zero === undefined ? length(option.value, SUBJECTS[subject].style) : offText(option.value, units)}
          </span>
        </button>
      ))}
    </>
  );
}
