import NextLink from 'next/link';
import type { ComponentProps } from 'react';

/**
 * A link within the program. Nothing is asked of the server before it is followed: every page is made from the store,
 * and ahead of time the server has only its address to give.
 */
export const Link = (props: Omit<ComponentProps<typeof NextLink>, 'prefetch'>) => (
  <NextLink prefetch={false} {...props} />
);
