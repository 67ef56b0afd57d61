'use client';

import { useState } from 'react';
import { CRANK } from '@/core/foundation/engine/places';
import type { JudgedBearing } from '@/core/stages/journals/types';
import type { JournalSubject } from '@/core/stages/journals/tasks';
import { clearanceWorking } from '@/core/stages/journals/words';
import { placeAt, readingsAt } from '@/core/judge/judgement';
import { EACH, isEach } from '@/core/foundation/quantity/gaugeSetting';
import type { At } from '@/core/stages/contract/tasks';
import { SUBJECTS } from '@/core/judge/stageTables';
import { Hand } from '../toolInHand/Hand';
import { useToolInHand, useJudgement, useLogging, useWords } from '../openBuild/contexts';
import { Button, LinkButton } from '../shared/Button';
import { PassLog } from '../shared/PassLog';
import { Popup } from '../shared/Popup';
import { When } from '../shared/When';
import { Findings, findingsFor } from '../stages/Findings';
import { Derivation } from '../stages/Derivation';
import { bearingAt } from './bearings';
import { JournalForm } from './JournalForm';
import { WhereMeasured } from './WhereMeasured';

/** Beside the bearing in hand: where it is measured, with what, why its clearance is what it is, what to know, its readings. */
export function JournalsSidebar({ here, isRead }: { here: At<JournalSubject>; isRead: boolean }) {
  const judgement = useJudgement();
  const { text } = useWords();
  const place = placeAt(judgement, here.cylinder);
  const bearing = bearingAt(judgement, here.cylinder);
  if (!place) return null;
  const { subject } = here;
  const isOfBearing = !['endPlay', 'side', 'smallEnd', 'other'].includes(subject);
  const all = findingsFor(
    judgement.findings.filter((f) => f.stage === 'journals'),
    ['journals'],
    here.cylinder === CRANK ? null : here.cylinder,
  );
  if (!isRead)
    return (
      <>
        <h2 className="mb-2">Notes</h2>
        <Findings
          findings={judgement.findings.filter((f) => f.stage === 'journals')}
          empty="Nothing is out of its limits, and nothing contradicts itself."
        />
      </>
    );
  return (
    <>
      {subject !== 'other' && <WhereMeasured subject={subject} />}
      <Hand subject={subject} />
      {(subject === 'housing' || subject === 'bare') && <Zeroing />}
      {bearing && isOfBearing && <JournalForm bearing={bearing} />}
      {bearing && isOfBearing && (
        <>
          <h2 className="mt-4 mb-1">Why this clearance</h2>
          <Derivation target={bearing.clearance.target} />
          <div className="figures mt-2 text-sm leading-relaxed">
            {clearanceWorking(bearing).map((line, i) => (
              <div key={i}>{text(line)}</div>
            ))}
          </div>
        </>
      )}
      <div className="mt-4">
        <Findings findings={all} />
      </div>
      <h2 className="mt-5 mb-1">Readings: {SUBJECTS[subject].words}</h2>
      <PassLog
        passes={readingsAt(judgement.log, place, subject)}
        style={SUBJECTS[subject].style === 'fine' ? 'fine' : 'size'}
      />
      {bearing && isOfBearing && <Renewed bearing={bearing} />}
      <p className="mt-4 text-soft">
        Dry, clean, parts and tools at one temperature. The manual’s figures come first. Mains looser than rods starve
        the rods.
      </p>
    </>
  );
}

/** What the gauge in hand is zeroed at, and what else it can be. */
function Zeroing() {
  const judgement = useJudgement();
  const { handFor } = useToolInHand();
  const { setGauge } = useLogging();
  const { length } = useWords();
  const set = judgement.log.settings.get(handFor('housing').instrument ?? '')?.to ?? null;
  return (
    <section aria-label="Zero the gauge" className="mt-3">
      <p>
        {set === null || set === 'here' || set === 'piston'
          ? 'The gauge is not zeroed for bearings.'
          : isEach(set)
            ? `The gauge is zeroed at ${EACH[set].set}: its dial is ${EACH[set].dial}.`
            : `The gauge is zeroed at ${length(set, 'size')}.`}
      </p>
      <div className="mt-1 flex flex-wrap gap-2">
        {(['journal', 'aim'] as const).map((to) => (
          <Button key={to} kind="quiet" disabled={set === to} onClick={() => setGauge(to)}>
            {to === 'journal' ? 'Zero at each journal' : 'Zero at journal + aim'}
          </Button>
        ))}
      </div>
    </section>
  );
}

const RENEWALS = [
  {
    part: 'shells',
    trigger: 'Other shells in it',
    ask: 'Its shells were changed. What was read with the old ones is kept, and no longer counts.',
    done: 'Shells changed',
  },
  {
    part: 'journal',
    trigger: 'Journal ground',
    ask: 'Its journal was ground or polished. What was read of it before is kept, and no longer counts.',
    done: 'Journal ground',
  },
] as const;

/** Says that shells were changed or a journal ground; taken back in one step. */
function Renewed({ bearing }: { bearing: JudgedBearing }) {
  const { log } = useJudgement();
  const { renew, strike } = useLogging();
  const [open, setOpen] = useState(false);
  const made = log.renewals.get(bearing.id) ?? [];
  return (
    <div className="mt-3 grid gap-2">
      {RENEWALS.map(({ part, done }) => {
        const last = made.find((r) => r.part === part);
        return (
          last && (
            <p key={part} className="text-soft">
              {done}, {last.by || 'no initials'}, <When at={last.at} />.{' '}
              <LinkButton onClick={() => strike(last.id, 'taken back')}>Take back</LinkButton>
            </p>
          )
        );
      })}
      <LinkButton aria-expanded={open} onClick={() => setOpen(!open)} className="justify-self-start">
        Changed since it was read?
      </LinkButton>
      {open && (
        <div className="flex flex-wrap gap-2">
          {RENEWALS.map(({ part, trigger, ask }) => (
            <Popup key={part} label={trigger} trigger={trigger}>
              {(close) => (
                <>
                  <p className="mb-3">{ask}</p>
                  <Button
                    kind="accent"
                    onClick={() => {
                      renew(part, [bearing.id]);
                      close();
                    }}
                  >
                    {bearing.words}
                  </Button>
                </>
              )}
            </Popup>
          ))}
        </div>
      )}
    </div>
  );
}
