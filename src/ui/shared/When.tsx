'use client';

/** A time as the bench's clock shows it; the server, which cannot know that clock, leaves UTC. */
import { useInBrowser } from './useInBrowser';

const twoDigits = (n: number): string => String(n).padStart(2, '0');

const local = (at: string): string => {
  const d = new Date(at);
  return `${d.getFullYear()}-${twoDigits(d.getMonth() + 1)}-${twoDigits(d.getDate())} ${twoDigits(d.getHours())}:${twoDigits(d.getMinutes())}`;
};

export function When({ at }: { at: string }) {
  const text = useInBrowser(
    () => local(at),
    () => at.slice(0, 16).replace('T', ' '),
  );
  return (
    <time dateTime={at} className="whitespace-nowrap">
      {text}
    </time>
  );
}
