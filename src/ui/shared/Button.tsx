import type { ComponentProps } from 'react';

const KINDS = {
  strong: 'border-blue bg-blue text-sheet font-bold',
  plain: 'border-edge text-ink hover:border-ink',
  accent: 'border-blue text-blue font-bold',
  quiet: 'border-transparent text-soft underline underline-offset-4 hover:text-ink',
};

/** Looks of a button, for buttons and for links that act like one. */
export const buttonLook = (kind: keyof typeof KINDS = 'plain'): string =>
  `inline-flex min-h-11 items-center justify-center gap-2 rounded border-[1.5px] px-4 py-1.5 disabled:opacity-60 ${KINDS[kind]}`;

export function Button({
  kind = 'plain',
  className = '',
  ...rest
}: ComponentProps<'button'> & { kind?: keyof typeof KINDS }) {
  return <button type="button" className={`${buttonLook(kind)} ${className}`} {...rest} />;
}

/** A button that reads as a link, within a sentence or on a line of its own. */
export const LinkButton = ({ className = '', ...rest }: ComponentProps<'button'>) => (
  <button
    type="button"
    className={`min-h-11 font-bold text-blue underline underline-offset-4 ${className}`}
    {...rest}
  />
);

export function Key({ children }: { children: string }) {
  return (
    <kbd className="figures rounded border border-b-2 border-soft px-1.5 text-[0.8125rem] font-semibold text-soft">
      {children}
    </kbd>
  );
}
