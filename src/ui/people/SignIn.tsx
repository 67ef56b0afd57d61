'use client';

import { useEffect, useRef, useState } from 'react';
import { Button } from '../shared/Button';
import { Field } from '../shared/Field';
import { Link } from '../shared/Link';
import { runCommand, whyNot } from '../shared/runCommand';
import { useListens } from '../shared/useInBrowser';
import { SecretField } from './SecretField';
import { fetchCurrentUser } from './useCurrentUser';
import { whereTo } from './whereTo';
import { Fault } from '../shared/Fault';

/** A code that stands in the address after #, where no server and no log sees it. */
const codeInAddress = (): string => /^#code=([\w-]{8,128})$/.exec(location.hash)?.[1] ?? '';

/** Signing in: initials and PIN, or the code that the owner shows. */
export function SignIn({ to, isBarred }: { to: string; isBarred: boolean }) {
  const listens = useListens();
  const first = useRef<HTMLInputElement>(null);
  useEffect(() => {
    // before it listens nothing on it can have the focus
    if (listens) first.current?.focus();
  }, [listens]);
  const [initials, setInitials] = useState('');
  const [secret, setSecret] = useState('');
  const [said, setSaid] = useState('');
  const [isBusy, setBusy] = useState(false);
  const run = async (work: () => Promise<{ ok: true } | { ok: false; faults: string[] }>): Promise<void> => {
    setBusy(true);
    try {
      const done = await work();
      if (done.ok) {
        await fetchCurrentUser();
        location.replace(whereTo(to, location.origin));
        return;
      }
      setSaid(done.faults.join(' '));
    } catch (error) {
      setSaid(whyNot(error));
    }
    setBusy(false);
  };
  useEffect(() => {
    const code = codeInAddress();
    if (code === '') return;
    history.replaceState(null, '', location.pathname + location.search);
    void run(() => runCommand('signInByCode', code));
    // Once, for the address the page was opened with.
    // oxlint-disable-next-line react/exhaustive-deps
  }, []);
  return (
    <main id="main" tabIndex={-1} inert={!listens} className="mx-auto max-w-md px-6 py-8">
      <h1>Sign in</h1>
      <p className="mt-1 mb-6 text-lg text-soft">
        Entries are logged with your initials. Anyone already signed in on this device stays signed in.
      </p>
      {isBarred && (
        <p role="status" className="mb-6 border-l-4 border-short pl-3">
          Your role does not include that page. Someone with access can sign in here, or go back to{' '}
          <Link href="/" className="text-blue underline underline-offset-4">
            the builds
          </Link>
          .
        </p>
      )}
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          if (initials.trim() === '' || secret === '') setSaid('Initials and PIN are both needed.');
          else void run(() => runCommand('signIn', initials.trim(), secret));
        }}
      >
        <Field label="Initials" hint="As on the build sheet.">
          {(props) => (
            <input
              {...props}
              ref={first}
              className="field figures uppercase"
              autoComplete="username"
              autoCapitalize="characters"
              spellCheck={false}
              maxLength={12}
              value={initials}
              onChange={(event) => setInitials(event.target.value)}
            />
          )}
        </Field>
        <SecretField hint="The owner of the shop can give you a new one." value={secret} onChange={setSecret} />
        <Fault>{said}</Fault>
        <Button type="submit" kind="strong" disabled={isBusy}>
          Sign in
        </Button>
      </form>
      <p className="mt-6 text-soft">
        Or scan the code that the owner shows on the page Shop: it signs this device in at once.
      </p>
    </main>
  );
}
