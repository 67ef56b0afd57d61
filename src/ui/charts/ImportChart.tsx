'use client';

import { useRouter } from 'next/navigation';
import { FileButton } from '../shared/FileButton';

interface Answer {
  url?: string;
  faults?: string[];
}

/** Reads a chart in from JSON or CSV, as a chart of its own. */
export function ImportChart() {
  const router = useRouter();
  const send = async (file: File): Promise<string[]> => {
    const name = file.name.replace(/\.(chart\.json|json|csv)$/i, '');
    const response = await fetch(`/api/charts?name=${encodeURIComponent(name)}`, { method: 'POST', body: file });
    const answer = (await response.json()) as Answer;
    if (!response.ok || !answer.url) return answer.faults ?? ['The file was refused.'];
    router.push(answer.url);
    return [];
  };
  return (
    <FileButton
      words="Read in a chart"
      label="Chart file"
      accept=".json,.csv,application/json,text/csv"
      onFile={send}
    />
  );
}
