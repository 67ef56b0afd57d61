'use client';

import { useState } from 'react';
import type { Member } from '@/people/people';
import { ROLE_WORDS } from '@/people/roleWords';
import { type Role, ROLES } from '@/files/roles';
import { SecretField } from '../people/SecretField';
import { fetchCurrentUser, useCurrentUser } from '../people/useCurrentUser';
import { TextField } from '../shared/TextField';
import { Button } from '../shared/Button';
import { Field } from '../shared/Field';
import { Popup } from '../shared/Popup';
import { SelectField } from '../shared/SelectField';
import { runCommand } from '../shared/runCommand';
import { DeviceCode } from './DeviceCode';
import { useDone } from './useDone';
import { Fault } from '../shared/Fault';

const ROLE_OPTIONS = ROLES.map((role) => [role, ROLE_WORDS[role].words] as const);

interface Props {
  hasPeople: boolean;
  people: Member[];
  /** Where the server is reached on the network; null where it is not. */
  network: string | null;
}

/** Who works in the shop, and what each may. */
export function People({ hasPeople, people, network }: Props) {
  if (!hasPeople) return <Begin />;
  return (
    <div className="grid gap-6 pt-4">
      <table className="w-full text-left">
        <caption className="sr-only">Who works in the shop</caption>
        <thead className="border-b border-ink max-sm:sr-only">
          <tr>
            <th className="py-1 pr-4">initials</th>
            <th className="pr-4">name</th>
            <th className="pr-4">may</th>
            <th>
              <span className="sr-only">what can be done</span>
            </th>
          </tr>
        </thead>
        <tbody className="divide-y divide-line border-b border-line">
          {people.map((person) => (
            <PersonRow key={person.id} person={person} network={network} />
          ))}
        </tbody>
      </table>
      <PersonForm />
    </div>
  );
}

function PersonRow({ person, network }: { person: Member; network: string | null }) {
  const { said, run, isBusy } = useDone();
  const { person: me } = useCurrentUser();
  return (
    <tr className={`max-sm:grid max-sm:grid-cols-[auto_1fr] ${person.hasLeft ? 'text-soft' : ''}`}>
      <td className="figures py-2 pr-4 align-top text-lg font-bold">{person.initials}</td>
      <td className="py-2 pr-4 align-top">
        {person.name}
        {person.hasLeft && <span className="block text-sm">deactivated: cannot sign in, stays on record</span>}
      </td>
      <td className="py-2 pr-4 align-top max-sm:col-span-2 max-sm:pr-0">
        <SelectField
          isUnseen
          label={`Role of ${person.initials}`}
          value={person.role}
          options={ROLE_OPTIONS}
          onChange={(role) => run(() => runCommand('changePerson', person.id, person.name, role))}
          said={ROLE_WORDS[person.role].may}
        />
      </td>
      <td className="py-2 align-top max-sm:col-span-2">
        <div className="flex flex-wrap justify-end gap-2 max-sm:justify-start">
          {!person.hasLeft && (
            <>
              <DeviceCode person={person} network={network} />
              <Popup label={`A new PIN for ${person.initials}`} trigger="New PIN …">
                {(close) => (
                  <SecretForm
                    onSet={(secret) => run(() => runCommand('setSecret', person.id, secret), close)}
                    words={`A new PIN or password for ${person.name}. They are signed out on every device.`}
                  />
                )}
              </Popup>
            </>
          )}
          {person.id !== me?.id && (
            <Button
              kind="quiet"
              disabled={isBusy}
              onClick={() => run(() => runCommand('setLeft', person.id, !person.hasLeft))}
            >
              {person.hasLeft ? 'Reactivate' : 'Deactivate'}
            </Button>
          )}
        </div>
        <Fault>{said}</Fault>
      </td>
    </tr>
  );
}

function SecretForm({ words, onSet }: { words: string; onSet: (secret: string) => void }) {
  const [secret, setSecret] = useState('');
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (secret !== '') onSet(secret);
      }}
    >
      <p>{words}</p>
      <SecretField isNew hint={SECRET_HINT} value={secret} onChange={setSecret} />
      <Button type="submit" kind="strong" disabled={secret === ''}>
        Save
      </Button>
    </form>
  );
}

const SECRET_HINT = 'At least 4 characters; 6 for builders and owners.';

interface Typed {
  name: string;
  initials: string;
  secret: string;
}
const NOTHING: Typed = { name: '', initials: '', secret: '' };

function Fields({ typed, onChange }: { typed: Typed; onChange: (typed: Typed) => void }) {
  return (
    <div className="grid gap-4 sm:grid-cols-3">
      <TextField
        label="Name"
        maxLength={80}
        value={typed.name}
        onChange={(text) => onChange({ ...typed, name: text })}
      />
      <Field label="Initials" hint="Shown on every entry this person logs. They cannot be changed.">
        {(props) => (
          <input
            {...props}
            className="field figures uppercase"
            autoComplete="off"
            spellCheck={false}
            maxLength={12}
            value={typed.initials}
            onChange={(event) => onChange({ ...typed, initials: event.target.value.toUpperCase() })}
          />
        )}
      </Field>
      <SecretField
        isNew
        hint={SECRET_HINT}
        value={typed.secret}
        onChange={(secret) => onChange({ ...typed, secret })}
      />
    </div>
  );
}

/** Nobody yet: what it means to set people up, and the first of them. */
function Begin() {
  const { said, run, isBusy } = useDone();
  const [typed, setTyped] = useState(NOTHING);
  return (
    <form
      aria-label="The owner of the shop"
      className="grid max-w-3xl gap-4 pt-4"
      onSubmit={(event) => {
        event.preventDefault();
        run(
          () => runCommand('setUpPeople', typed.name, typed.initials, typed.secret),
          () => void fetchCurrentUser(),
        );
      }}
    >
      <p className="max-w-prose text-lg">
        On this computer nobody needs to sign in. For tablets on the network everyone does. Enter yourself first, as the
        owner, then everyone who works here. From then on this computer asks for a sign-in too.
      </p>
      <Fields typed={typed} onChange={setTyped} />
      <Fault>{said}</Fault>
      <div>
        <Button type="submit" kind="strong" disabled={isBusy}>
          Set people up, with me as owner
        </Button>
      </div>
    </form>
  );
}

/** Add person. */
function PersonForm() {
  const { said, run, isBusy } = useDone();
  const [typed, setTyped] = useState(NOTHING);
  const [role, setRole] = useState<Role>('fitter');
  return (
    <form
      aria-label="Add person"
      className="grid max-w-3xl gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        run(
          () => runCommand('addPerson', typed.name, typed.initials, role, typed.secret),
          () => {
            setTyped(NOTHING);
            setRole('fitter');
          },
        );
      }}
    >
      <h2>Add person</h2>
      <Fields typed={typed} onChange={setTyped} />
      <SelectField label="Role" value={role} options={ROLE_OPTIONS} onChange={setRole} said={ROLE_WORDS[role].may} />
      <Fault>{said}</Fault>
      <div>
        <Button type="submit" kind="strong" disabled={isBusy}>
          Add person
        </Button>
      </div>
    </form>
  );
}
