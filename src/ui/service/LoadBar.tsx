import type { LoadOf } from '@/core/models/load/load';
import { baseWords, shareReason, shareWords } from '@/core/models/load/loadWords';

const WIDTH = 600;
const HEIGHT = 26;
/** The load that fills the bar. */
const FULL = 2.6;

const signed = (factor: number): string => `×${factor.toFixed(2)}`;

/**
 * A heat load as a bar: where it would stand without any share, and what each share moves it by, in the order they are
 * counted; those that lower it are drawn back under it.
 */
export function LoadBar({ of, label }: { of: LoadOf; label: string }) {
  const x = (load: number): number => (Math.min(load, FULL) / FULL) * WIDTH;
  const counted = of.shares.filter((share) => share.counted);
  const ends = counted.reduce<number[]>((list, { factor }) => [...list, (list.at(-1) ?? 1) * factor], [1]);
  return (
    <figure className="max-w-[38rem]">
      <figcaption className="flex flex-wrap items-baseline gap-x-3">
        <span className="font-bold">{label}</span>
        <span className="figures text-2xl font-bold">{of.load.toFixed(2)}</span>
      </figcaption>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT + 24}`}
        className="mt-1 block w-full"
        role="img"
        aria-label={`${label} ${of.load.toFixed(2)}: ${counted.map((s) => `${shareWords(s.of)} ${signed(s.factor)}`).join(', ') || 'nothing added'}`}
      >
        <rect x={0} y={0} width={WIDTH} height={HEIGHT} fill="var(--steel)" />
        <rect x={0} y={0} width={x(1)} height={HEIGHT} fill="var(--edge)" />
        {counted.map(({ of: { kind } }, i) => {
          const [from, to] = [ends[i] ?? 1, ends[i + 1] ?? 1];
          const rises = to >= from;
          return (
            <rect
              key={kind}
              x={x(Math.min(from, to))}
              y={rises ? 0 : HEIGHT - 9}
              width={Math.max(1, Math.abs(x(to) - x(from)))}
              height={rises ? HEIGHT : 9}
              fill={rises ? 'var(--blue)' : 'var(--ok)'}
              fillOpacity={rises ? 1 - 0.22 * (i % 4) : 1}
              stroke="var(--sheet)"
            />
          );
        })}
        <path d={`M${x(of.load)} ${HEIGHT}l-7 11h14z`} fill="var(--ink)" />
        {[0.5, 1, 1.5, 2, 2.5].map((mark) => (
          <text key={mark} x={x(mark)} y={HEIGHT + 22} textAnchor="middle" fontSize={13} fill="var(--soft)">
            {mark}
          </text>
        ))}
      </svg>
      <ul aria-label={`Shares of the ${label.toLowerCase()}`} className="mt-1 grid gap-x-6 text-sm sm:grid-cols-2">
        <li className="text-soft">{baseWords(of)} 1.00</li>
        {of.shares.map((share) => (
          <li key={share.of.kind} className={share.counted ? '' : 'text-soft'}>
            <b className="figures">
              {shareWords(share.of)} {signed(share.factor)}
            </b>{' '}
            <span className="text-soft">{shareReason(share)}</span>
          </li>
        ))}
      </ul>
    </figure>
  );
}
