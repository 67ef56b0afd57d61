'use client';

import { useState } from 'react';
import type { MeAnswer } from '@/server/answers';
import { ROLE_WORDS } from '@/people/roleWords';
import { Button, buttonLook } from '../shared/Button';
import { runCommand, whyNot } from '../shared/runCommand';
import { OwnSecret } from './OwnSecret';
import { fetchCurrentUser, currentUserNow } from './useCurrentUser';
import { Fault } from '../shared/Fault';

/** Nothing of the shop stays in sight where nobody is signed in any more. */
function leaveIfNobody(): void {
  const { hasPeople, device } = currentUserNow();
  if (hasPeople && device.length === 0) location.replace('/sign-in');
}

/** Everybody who is signed in on this device, one touch each; and the way to sign in and out. */
export function SwitchPerson({ person, device }: Pick<MeAnswer, 'person' | 'device'>) {
  const [said, setSaid] = useState('');
  const [isChanging, setChanging] = useState(false);
  const run = async (work: () => Promise<{ ok: boolean; faults?: string[] }>): Promise<void> => {
    try {
      const done = await work();
      setSaid(done.ok ? '' : (done.faults ?? []).join(' '));
      await fetchCurrentUser();
    } catch (error) {
      setSaid(whyNot(error));
    }
  };
  const to = `/sign-in?to=${encodeURIComponent(location.pathname + location.search)}`;
  return (
    <div className="grid gap-2">
      {device.map((other) => (
        <Button
          key={other.id}
          kind={other.id === person?.id ? 'strong' : 'plain'}
          aria-pressed={other.id === person?.id}
          onClick={() => void run(() => runCommand('switchTo', other.id))}
        >
          <b className="figures">{other.initials}</b> {other.name}
        </Button>
      ))}
      <a href={to} className={buttonLook('accent')}>
        {device.length > 0 ? 'Someone else' : 'Sign in'}
      </a>
      {person && (
        <>
          <p className="text-sm text-soft">
            {person.name}: {ROLE_WORDS[person.role].may}
          </p>
          {isChanging ? (
            <OwnSecret
              onDone={() => {
                setChanging(false);
                setSaid('Changed. Other devices are signed out.');
              }}
            />
          ) : (
            <Button kind="quiet" onClick={() => setChanging(true)}>
              Change my PIN …
            </Button>
          )}
          <Button kind="quiet" onClick={() => void run(() => runCommand('signOut', person.id)).then(leaveIfNobody)}>
            Sign {person.initials} out here
          </Button>
        </>
      )}
      <Fault>{said}</Fault>
    </div>
  );
}
