'use client';

import { useState } from 'react';
import { Table } from '../shared/Table';
import type { Member } from '@/people/people';
import type { Audited } from '@/store/audit';
import { Button, buttonLook } from '../shared/Button';
import { When } from '../shared/When';
import { Fault } from '../shared/Fault';

/** Who did what outside builds, the latest first. What is done within a build stands in its own record. */
export function Audit({ latest, people }: { latest: Audited[]; people: Member[] }) {
  const [earlier, setEarlier] = useState<Audited[]>([]);
  const [isAll, setAll] = useState(false);
  const [said, setSaid] = useState('');
  const rows = [...latest, ...earlier];
  const more = async (): Promise<void> => {
    const response = await fetch(`/api/audit?before=${rows.at(-1)?.seq ?? 0}`).catch(() => null);
    if (!response?.ok) {
      setSaid('The server does not answer.');
      return;
    }
    const { audit } = (await response.json()) as { audit: Audited[] };
    setSaid('');
    setEarlier((before) => [...before, ...audit]);
    setAll(audit.length === 0);
  };
  const named = (of: string): string => people.find((p) => p.id === of)?.initials ?? of;
  return (
    <div className="grid gap-3 pt-4">
      <p className="max-w-prose text-soft">
        Changes to charts, tools, people, the list of builds and backups. Readings and choices of a build are in its own
        record.
      </p>
      {rows.length === 0 ? (
        <p>Nothing yet.</p>
      ) : (
        <Table
          caption="Audit log"
          rows={rows}
          keyOf={(row) => String(row.seq)}
          columns={[
            ['when', (row) => <When at={row.at} />, 'figures text-sm whitespace-nowrap font-normal!'],
            ['who', (row) => row.by || '–', 'figures font-bold'],
            ['what', (row) => row.says],
            ['to what', (row) => named(row.of), 'figures text-sm break-all text-soft'],
          ]}
        />
      )}
      <div className="flex flex-wrap items-center gap-3">
        {rows.length >= 100 && !isAll && <Button onClick={() => void more()}>Earlier</Button>}
        <a className={buttonLook()} href="/api/audit?csv=1" download>
          All of it as a table
        </a>
        <Fault>{said}</Fault>
      </div>
    </div>
  );
}
