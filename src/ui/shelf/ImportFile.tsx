'use client';

import { FileInput } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import { Button } from '../shared/Button';

interface Answer {
  url?: string;
  faults?: string[];
}

/** Reads a build file in. What is wrong with it is listed, and nothing changes. */
export function ImportFile() {
  const router = useRouter();
  const input = useRef<HTMLInputElement>(null);
  const [faults, setFaults] = useState<string[]>([]);
  const [taken, setTaken] = useState<File | null>(null);

  const send = async (file: File, copy: boolean): Promise<void> => {
    setFaults([]);
    setTaken(null);
    try {
      const response = await fetch(`/api/builds${copy ? '?copy=1' : ''}`, { method: 'POST', body: file });
      const answer = (await response.json()) as Answer;
      if (response.ok && answer.url) return router.push(answer.url);
      setFaults(answer.faults ?? ['The file was refused.']);
      if (response.status === 409) setTaken(file);
    } catch {
      setFaults(['The server does not answer. Nothing was read in.']);
    }
  };

  return (
    <>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        className="sr-only"
        aria-label="Build file"
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) void send(file, false);
        }}
      />
      <Button onClick={() => input.current?.click()}>
        <FileInput size={18} aria-hidden /> Read in a build file
      </Button>
      {faults.length > 0 && (
        <div role="alert" className="order-last w-full border-y border-line bg-steel px-4 py-3">
          <p className="font-bold text-over">Not read in. Nothing was changed.</p>
          <ul className="mt-1 list-disc pl-5">
            {faults.map((fault) => (
              <li key={fault}>{fault}</li>
            ))}
          </ul>
          {taken && (
            <Button kind="accent" className="mt-2" onClick={() => void send(taken, true)}>
              Read it in as a copy
            </Button>
          )}
        </div>
      )}
    </>
  );
}
