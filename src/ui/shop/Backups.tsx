'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Kept } from '@/store/backup';
import { Button, buttonLook } from '../shared/Button';
import { FileButton } from '../shared/FileButton';
import { When } from '../shared/When';
import { runCommand, whyNot } from '../shared/runCommand';

const megabytes = (bytes: number): string => `${(bytes / 1024 / 1024).toFixed(1)} MB`;

/** Backups, and the whole shop as open files. */
export function Backups({ copies }: { copies: Kept[] }) {
  const router = useRouter();
  const [said, setSaid] = useState('');
  const [isBusy, setBusy] = useState(false);
  const run = async (work: () => Promise<string>): Promise<void> => {
    setBusy(true);
    try {
      setSaid(await work());
      router.refresh();
    } catch (error) {
      setSaid(whyNot(error));
    }
    setBusy(false);
  };
  const readIn = async (file: File): Promise<string[]> => {
    const response = await fetch('/api/archive', { method: 'POST', body: file });
    const answer = (await response.json()) as { says?: string; came?: { faults: string[] }; faults?: string[] };
    if (!answer.came) return answer.faults ?? [`The server answered ${response.status}.`];
    setSaid([answer.says, ...answer.came.faults.map((fault) => `Left out: ${fault}`)].join('. '));
    router.refresh();
    return [];
  };
  return (
    <div className="grid gap-6 pt-4">
      <section className="grid gap-3">
        <h2>Backups</h2>
        <p className="max-w-prose">
          Each is one file with everything as it stood at one moment. One is made every night while the server runs.
          Keep one on another disk too. To restore one, run <code>npm run restore -- FILE</code>: what it replaces is
          kept.
        </p>
        <div>
          <Button kind="strong" disabled={isBusy} onClick={() => void run(() => runCommand('copyNow'))}>
            Make a backup now
          </Button>
        </div>
        {copies.length > 0 && <Copies copies={copies} />}
      </section>
      <OtherMachine onFile={readIn} />
      {said && (
        <p role="status" className="font-bold">
          {said}
        </p>
      )}
    </div>
  );
}

function Copies({ copies }: { copies: Kept[] }) {
  return (
    <ul aria-label="Backups" className="divide-y divide-line border-y border-line">
      {copies.map(({ name, bytes, at }) => (
        <li key={name} className="flex flex-wrap items-center gap-x-4">
          <a
            href={`/api/backups/${name}`}
            download
            className="figures flex min-h-11 flex-1 items-center break-all text-blue underline underline-offset-4 max-sm:basis-full"
          >
            {name}
          </a>
          <span className="figures text-soft">{megabytes(bytes)}</span>
          <span className="text-soft">
            <When at={at} />
          </span>
        </li>
      ))}
    </ul>
  );
}

/** The whole shop out and in. */
function OtherMachine({ onFile }: { onFile: (file: File) => Promise<string[]> }) {
  return (
    <section className="grid gap-3">
      <h2>Moving to another machine</h2>
      <p className="max-w-prose">
        The whole shop as open files in one ZIP file: build files, charts, tools, people without their PINs. Imported
        elsewhere, nothing that is there is changed or doubled.
      </p>
      <div className="flex flex-wrap gap-3">
        <a href="/api/archive" download className={buttonLook()}>
          Export the whole shop
        </a>
        <FileButton
          words="Import a shop"
          label="Exported shop (ZIP file)"
          accept=".zip,application/zip"
          onFile={onFile}
        />
      </div>
    </section>
  );
}
