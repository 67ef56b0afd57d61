'use client';

import { useRouter } from 'next/navigation';
import type { ComponentProps, MouseEvent } from 'react';
import { isOfThisBuild, moveTo } from './address';

/** Whether a click means this page, rather than another tab, a window or a file. */
const isPlain = (click: MouseEvent<HTMLAnchorElement>): boolean =>
  click.button === 0 && !click.metaKey && !click.ctrlKey && !click.shiftKey && !click.altKey;

/**
 * A link within the program; to another stage of the open build it asks nothing of the server at all. Nothing is
 * asked of the server before it is followed: every page is made from the store,
 * and ahead of time the server has only its address to give. That is why the framework's own link, most of which is
 * for asking ahead, is not loaded on every screen.
 */
export function Link({ href, onClick, ...rest }: ComponentProps<'a'> & { href: string }) {
  const router = useRouter();
  return (
    <a
      {...rest}
      href={href}
      onClick={(click) => {
        onClick?.(click);
        if (click.defaultPrevented || !isPlain(click)) return;
        click.preventDefault();
        if (isOfThisBuild(href)) moveTo(href, 'step');
        else router.push(href);
      }}
    />
  );
}
