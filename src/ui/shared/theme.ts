/** The two lights the shop works in. Kept in a cookie so that the first page already has it. */
export const THEME_COOKIE = 'spatium-theme';
export type Theme = 'light' | 'dim';

export const readTheme = (value: string | undefined): Theme => (value === 'dim' ? 'dim' : 'light');
