'use client';

import { FileInput } from 'lucide-react';
import { type ReactNode, useRef, useState } from 'react';
import { Button } from './Button';

interface Props {
  words: string;
  /** What is chosen, for those who hear it. */
  label: string;
  accept: string;
  /** Takes the file; what is wrong with it comes back as sentences. */
  onFile: (file: File) => Promise<string[]>;
  /** What else can be done about a file that was refused. */
  children?: ReactNode;
}

/** Chooses a file and reads it in. What is wrong with it is listed, and nothing changes. */
export function FileButton({ words, label, accept, onFile, children }: Props) {
  const input = useRef<HTMLInputElement>(null);
  const [faults, setFaults] = useState<string[]>([]);
  const send = async (file: File): Promise<void> => {
    setFaults([]);
    try {
      setFaults(await onFile(file));
    } catch {
      setFaults(['The server does not answer. Nothing was imported.']);
    }
  };
  return (
    <>
      <input
        ref={input}
        type="file"
        accept={accept}
        className="sr-only"
        aria-label={label}
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) void send(file);
        }}
      />
      <Button onClick={() => input.current?.click()}>
        <FileInput size={18} aria-hidden /> {words}
      </Button>
      {faults.length > 0 && (
        <div role="alert" className="order-last w-full border-y border-line bg-steel px-4 py-3">
          <p className="font-bold text-over">Not imported. Nothing was changed.</p>
          <ul className="mt-1 list-disc pl-5">
            {faults.map((fault) => (
              <li key={fault}>{fault}</li>
            ))}
          </ul>
          {children}
        </div>
      )}
    </>
  );
}
