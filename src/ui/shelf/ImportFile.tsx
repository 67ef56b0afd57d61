'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button } from '../shared/Button';
import { FileButton } from '../shared/FileButton';

interface Answer {
  url?: string;
  /** It is there already, and was taken off the shelf. */
  isInDrawer?: boolean;
  faults?: string[];
}

/** Reads a build file in. What is wrong with it is listed, and nothing changes. */
export function ImportFile() {
  const router = useRouter();
  const [taken, setTaken] = useState<File | null>(null);

  const send = async (file: File, copy: boolean): Promise<string[]> => {
    setTaken(null);
    const response = await fetch(`/api/builds${copy ? '?copy=1' : ''}`, { method: 'POST', body: file });
    const answer = (await response.json()) as Answer;
    if (!response.ok || !answer.url) {
      if (response.status === 409) setTaken(file);
      return answer.faults ?? ['The file was refused.'];
    }
    router.push(answer.isInDrawer ? '/archived?came=1' : answer.url);
    return [];
  };

  return (
    <FileButton
      words="Import build"
      label="Build file"
      accept=".json,application/json"
      onFile={(file) => send(file, false)}
    >
      {taken && (
        <Button kind="accent" className="mt-2" onClick={() => void send(taken, true)}>
          Import as a copy
        </Button>
      )}
    </FileButton>
  );
}
