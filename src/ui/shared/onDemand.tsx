'use client';

import { Component, type ComponentType, type ReactNode, Suspense, createElement, lazy } from 'react';
import { useInBrowser } from './useInBrowser';

const isOfLoading = (error: unknown): boolean =>
  error instanceof Error && /chunk|dynamically imported module/i.test(`${error.name} ${error.message}`);

interface State {
  error: unknown;
}

/** Where the server is gone by the time a part is wanted, that is said in its place, and the rest of the bench goes on. */
class UnlessLost extends Component<{ children: ReactNode }, State> {
  override state: State = { error: null };

  static getDerivedStateFromError(error: unknown): State {
    return { error };
  }

  override render(): ReactNode {
    const { error } = this.state;
    if (error === null) return this.props.children;
    if (!isOfLoading(error)) throw error as Error;
    return (
      <p role="status" className="p-3">
        <b>This part could not be loaded.</b> What is typed goes on being kept. Reload the page once the server answers.
      </p>
    );
  }
}

/**
 * A part of the page that is loaded when it is first shown, in the browser alone. While it comes, what is round it
 * stays as it is, and the focus where it is.
 *
 * @example const Keypad = onDemand(() => import('./Keypad').then((m) => m.Keypad));
 */
export function onDemand<Props extends object>(load: () => Promise<ComponentType<Props>>): ComponentType<Props> {
  const Part: ComponentType<Props> = lazy(async () => ({ default: await load() }));
  return function OnDemand(props: Props) {
    const inBrowser = useInBrowser(
      () => true,
      () => false,
    );
    return inBrowser ? (
      <UnlessLost>
        <Suspense>{createElement(Part, props)}</Suspense>
      </UnlessLost>
    ) : null;
  };
}
