'use client';

import { Component, type ComponentType, type ReactNode, Suspense, createElement, lazy } from 'react';
import { useInBrowser } from './useInBrowser';

const isOfLoading = (error: unknown): boolean =>
  error instanceof Error && /chunk|dynamically imported module/i.test(`${error.name} ${error.message}`);

/** Parts that were named so far and are not loaded yet. */
const unloaded = new Set<() => Promise<unknown>>();

/** Loads every part there is, and what those name in turn: then nothing is asked of the server while the page is open. */
export async function loadAll(): Promise<void> {
  while (unloaded.size > 0) {
    const loads = [...unloaded];
    unloaded.clear();
    await Promise.all(loads.map((load) => load()));
  }
}

/** A stage that was just drawn is left alone for so long, ms, before what stands beside and below is loaded. */
const REST = 600;
let rest: Promise<void> | null = null;

/** Settles a moment after it was first asked for; from then on at once. */
const atRest = (): Promise<void> => (rest ??= new Promise((resolve) => setTimeout(resolve, REST)));

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
 * stays as it is, and the focus where it is. What explains rather than serves comes once the page is at rest: first the
 * line listens.
 *
 * @example const Keypad = onDemand(() => import('./Keypad').then((m) => m.Keypad));
 */
export function onDemand<Props extends object>(
  load: () => Promise<ComponentType<Props>>,
  when: 'at once' | 'at rest' = 'at once',
): ComponentType<Props> {
  unloaded.add(load);
  const Part: ComponentType<Props> = lazy(async () => {
    if (when === 'at rest') await atRest();
    return { default: await load() };
  });
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
