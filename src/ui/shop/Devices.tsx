'use client';

import type { Member, SignedIn } from '@/people/people';
import { Button, buttonLook } from '../shared/Button';
import { When } from '../shared/When';
import { runCommand } from '../shared/runCommand';
import { useDone } from './useDone';
import { Fault } from '../shared/Fault';

/** An address on the network, and its code as a drawing. */
export interface ReachedAt {
  url: string;
  code: string;
}

/** What it shows. */
export interface DevicesProps {
  hasPeople: boolean;
  people: Member[];
  places: SignedIn[];
  reached: ReachedAt[];
  fingerprint: string | null;
  certificate: string | null;
}

/** A device in a word or two, as far as its browser tells. */
const deviceWords = (browser: string): string =>
  /Mobi|Tablet/.test(browser) ? 'a phone or tablet' : 'a computer or tablet';

/** Where the shop is reached, and who is signed in where. */
export function Devices({ hasPeople, people, places, reached, fingerprint, certificate }: DevicesProps) {
  return (
    <div className="grid gap-6 pt-4">
      <section>
        <h2 className="mb-1">On the network</h2>
        {reached.length === 0 ? (
          <p className="max-w-prose">
            This server answers this machine alone.{' '}
            {hasPeople ? (
              <>
                Start it with <code>npm start -- --lan</code> for the shop’s network; add <code>--https</code> so that
                tablets keep working without it.
              </>
            ) : (
              'Set people up first: on a network everybody signs in.'
            )}
          </p>
        ) : (
          <Addresses reached={reached} />
        )}
        {fingerprint && (
          <p className="mt-3 max-w-prose">
            Its certificate, to compare with what a browser shows (SHA-256):{' '}
            <span className="figures text-sm break-all">{fingerprint}</span>
          </p>
        )}
        {certificate && (
          <p className="mt-2 flex max-w-prose flex-wrap items-center gap-3">
            Put it on a tablet as one it trusts: builds that were opened there then work without the network as well.
            <a
              className={buttonLook('accent')}
              download="spatium-shop.crt"
              href={`data:application/x-x509-ca-cert;base64,${typeof btoa === 'undefined' ? '' : btoa(certificate)}`}
            >
              Certificate as a file
            </a>
          </p>
        )}
      </section>
      {hasPeople && <Sessions people={people} places={places} />}
    </div>
  );
}

/** Where it is reached, each with a code for a tablet's camera. */
function Addresses({ reached }: { reached: ReachedAt[] }) {
  return (
    <ul className="flex flex-wrap gap-6">
      {reached.map(({ url, code }) => (
        <li key={url} className="w-52">
          <div
            role="img"
            aria-label={`Code of ${url}`}
            className="bg-white p-2"
            // drawn by the server from its own address
            dangerouslySetInnerHTML={{ __html: code }}
          />
          <p className="figures mt-1 text-sm break-all">{url}</p>
        </li>
      ))}
    </ul>
  );
}

/** Who is signed in where. */
function Sessions({ people, places }: Pick<DevicesProps, 'people' | 'places'>) {
  const { said, run, isBusy } = useDone();
  const nameOf = (id: string): Member | undefined => people.find((p) => p.id === id);
  return (
    <section>
      <h2 className="mb-1">Signed in</h2>
      <Fault>{said}</Fault>
      <ul aria-label="Signed in" className="divide-y divide-line border-y border-line">
        {places.map((place) => (
          <li key={place.id} className="flex flex-wrap items-center gap-x-4 py-1">
            <b className="figures w-16">{nameOf(place.person)?.initials ?? '?'}</b>
            <span className="flex-1">
              {place.isHere ? <b>this device</b> : deviceWords(place.browser)}
              {place.address && <span className="figures text-soft"> at {place.address}</span>}
              <span className="text-soft">
                , since <When at={place.since} />
              </span>
            </span>
            <Button kind="quiet" disabled={isBusy} onClick={() => run(() => runCommand('endSession', place.id))}>
              Sign out from here
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
