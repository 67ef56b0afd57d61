'use client';

import { create } from 'qrcode';
import { useState } from 'react';
import type { Member } from '@/people/people';
import { Button } from '../shared/Button';
import { Popup } from '../shared/Popup';
import { runCommand, whyNot } from '../shared/runCommand';
import { Fault } from '../shared/Fault';

/** A code as a picture. */
function Code({ text, words }: { text: string; words: string }) {
  const { modules } = create(text, { errorCorrectionLevel: 'M' });
  const { size } = modules;
  const dark = Array.from(modules.data).flatMap((on, i) =>
    on ? [`M${i % size} ${Math.floor(i / size)}h1v1h-1z`] : [],
  );
  return (
    <svg viewBox={`-2 -2 ${size + 4} ${size + 4}`} role="img" aria-label={words} className="w-full bg-white">
      <path d={dark.join('')} fill="#000" />
    </svg>
  );
}

const isLocal = (): boolean => /^(localhost|127\.|\[::1\])/.test(location.hostname);

/** The address that a tablet is led to: as this page is reached, or the network's where this page is this machine's own. */
const baseOf = (network: string | null): string => (isLocal() && network !== null ? network : location.origin);

/** A code that a tablet scans: it is signed in as somebody then, once, within minutes. */
export function DeviceCode({ person: { id, initials, name }, network }: { person: Member; network: string | null }) {
  const [code, setCode] = useState<{ text: string; minutes: number } | null>(null);
  const [said, setSaid] = useState('');
  const make = async (): Promise<void> => {
    try {
      const made = await runCommand('deviceCode', id);
      if (made.ok) setCode({ text: `${baseOf(network)}/sign-in#code=${made.code}`, minutes: made.seconds / 60 });
      else setSaid(made.faults.join(' '));
    } catch (error) {
      setSaid(whyNot(error));
    }
  };
  return (
    <Popup label={`A device for ${initials}`} trigger="Device code …">
      {() => (
        <div className="grid gap-3">
          {code ? (
            <>
              <Code text={code.text} words={`Code that signs a device in as ${initials}`} />
              <p>
                Scan it with the tablet: it is then signed in as {name}. It holds for {code.minutes} minutes, and once.
              </p>
            </>
          ) : (
            <>
              <p>
                Whoever scans the code is signed in as {name} on their device. Show it to nobody else.
                {network === null &&
                  isLocal() &&
                  ' The server is not on the network now: it works on this machine alone.'}
              </p>
              <Button kind="strong" onClick={() => void make()}>
                Show the code
              </Button>
            </>
          )}
          <Fault>{said}</Fault>
        </div>
      )}
    </Popup>
  );
}
