import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/atkinson-hyperlegible-mono';
import './globals.css';
import type { Metadata } from 'next';
import { cookies } from 'next/headers';
import type { ReactNode } from 'react';
import { Worker } from '@/ui/offline/Worker';
import { THEME_COOKIE, readTheme } from '@/ui/shared/theme';

export const metadata: Metadata = {
  title: { default: 'Spatium', template: '%s · Spatium' },
  description: 'Ring end gaps, piston clearances and ring clocking, at the bench.',
};

export default async function RootLayout({ children }: { children: ReactNode }) {
  const theme = readTheme((await cookies()).get(THEME_COOKIE)?.value);
  return (
    <html lang="en" data-theme={theme}>
      <body className="min-h-dvh">
        <a
          href="#main"
          className="no-print absolute -top-20 left-2 z-50 rounded border border-ink bg-sheet px-4 py-2.5 font-bold focus:top-1"
        >
          Skip to the work
        </a>
        {children}
        <Worker />
      </body>
    </html>
  );
}
