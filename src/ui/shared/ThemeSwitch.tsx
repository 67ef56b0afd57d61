'use client';

import { Moon, Sun } from 'lucide-react';
import { useEffect, useState } from 'react';
import { THEME_COOKIE, type Theme, readTheme } from './theme';

const YEAR = 365 * 24 * 3600;

/** Light or dim workshop. */
export function ThemeSwitch() {
  const [theme, setTheme] = useState<Theme>('light');
  useEffect(() => setTheme(readTheme(document.documentElement.dataset.theme)), []);
  const other: Theme = theme === 'light' ? 'dim' : 'light';
  const change = (): void => {
    document.documentElement.dataset.theme = other;
    document.cookie = `${THEME_COOKIE}=${other}; path=/; max-age=${YEAR}; samesite=lax`;
    setTheme(other);
  };
  return (
    <button
      type="button"
      onClick={change}
      className="grid size-11 place-items-center rounded text-soft hover:text-ink"
      aria-label={`Change to ${other === 'dim' ? 'dim workshop' : 'light'}`}
    >
      {theme === 'light' ? <Moon size={20} aria-hidden /> : <Sun size={20} aria-hidden />}
    </button>
  );
}
