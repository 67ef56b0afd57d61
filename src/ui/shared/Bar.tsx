import type { ReactNode } from 'react';
import { CurrentUser } from '../people/CurrentUser';
import { Link } from './Link';
import { ThemeSwitch } from './ThemeSwitch';

export function Mark({ size = 26 }: { size?: number }) {
  return (
    <svg width={size} height={size} viewBox="-13 -13 26 26" aria-hidden>
      <path d="M 2.6 -10.2 A 10.5 10.5 0 1 1 -2.6 -10.2" fill="none" stroke="var(--blue)" strokeWidth="4" />
    </svg>
  );
}

interface Props {
  children: ReactNode;
  /** Whether the name has no room on a phone. */
  isFull?: boolean;
}

/** The bar on every screen: the mark leads to the shelf, what belongs to the screen stands beside it. */
export const Bar = ({ children, isFull = false }: Props) => (
  <header className="no-print flex min-h-[54px] flex-wrap items-center gap-x-4 gap-y-1 border-b border-line px-5 py-1 max-sm:gap-x-1 max-sm:px-3">
    <Link
      href="/"
      className="flex min-h-11 items-center gap-2.5 text-[1.1875rem] font-bold"
      aria-label="Spatium, all builds"
    >
      <Mark />
      <span className={isFull ? 'max-sm:sr-only' : ''}>Spatium</span>
    </Link>
    {children}
    <CurrentUser />
    <ThemeSwitch />
  </header>
);
