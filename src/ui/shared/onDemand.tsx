'use client';

import {
  Component,
  type ComponentType,
  type ReactNode,
  Suspense,
  createElement,
  lazy,
  useCallback,
  useEffect,
  useState,
  useSyncExternalStore,
} from 'react';
import { useListens } from './useInBrowser';

const isOfLoading = (error: unknown): boolean =>
  error instanceof Error && /chunk|dynamically imported module/i.test(`${error.name} ${error.message}`);

/** Parts that were named so far and are not loaded yet. */
const unloaded = new Set<() => Promise<unknown>>();

/** A part that could not be loaded is asked for again so often, ms, and when the browser is back on the network. */
const AGAIN = 2_000;

let isAll = false;
const listeners = new Set<() => void>();

/**
 * Loads every part there is, and what those name in turn, and goes on asking for those that do not come: then nothing is
 * asked of the server while the page is open.
 */
export async function loadAll(): Promise<void> {
  while (unloaded.size > 0) {
    const loads = [...unloaded];
    const came = await Promise.allSettled(loads.map((load) => load()));
    came.forEach(({ status }, i) => status === 'fulfilled' && unloaded.delete(loads[i] as () => Promise<unknown>));
    if (came.some(({ status }) => status === 'rejected')) await new Promise((resolve) => setTimeout(resolve, AGAIN));
  }
  isAll = true;
  for (const told of listeners) told();
}

function listen(told: () => void): () => void {
  listeners.add(told);
  return () => listeners.delete(told);
}

/** Whether every part of the page is loaded, so that all of it works without the server. */
export const useIsAllLoaded = (): boolean =>
  useSyncExternalStore(
    listen,
    () => isAll,
    () => false,
  );

/** A stage that was just drawn is left alone for so long, ms, before what stands beside and below is loaded. */
const REST = 600;
let rest: Promise<void> | null = null;

/** Settles a moment after it was first asked for; from then on at once. */
export const atRest = (): Promise<void> => (rest ??= new Promise((resolve) => setTimeout(resolve, REST)));

/** Says that a part is not there, and asks for it until it is. */
function Lost({ load, onThere }: { load: () => Promise<unknown>; onThere: () => void }) {
  useEffect(() => {
    let isShown = true;
    const ask = (): void =>
      void load().then(
        () => isShown && onThere(),
        () => undefined,
      );
    const timer = setInterval(ask, AGAIN);
    window.addEventListener('online', ask);
    return () => {
      isShown = false;
      clearInterval(timer);
      window.removeEventListener('online', ask);
    };
  }, [load, onThere]);
  return (
    <p role="status" className="p-3">
      <b>This part could not be loaded.</b> What is typed goes on being kept. It comes once the server answers.
    </p>
  );
}

interface State {
  error: unknown;
}

interface UnlessLostProps {
  children: ReactNode;
  load: () => Promise<unknown>;
  /** It can be loaded again. */
  onThere: () => void;
}

/** Where the server is gone by the time a part is wanted, that is said in its place, and the rest of the bench goes on. */
class UnlessLost extends Component<UnlessLostProps, State> {
  override state: State = { error: null };

  static getDerivedStateFromError(error: unknown): State {
    return { error };
  }

  override render(): ReactNode {
    const { error } = this.state;
    if (error === null) return this.props.children;
    if (!isOfLoading(error)) throw error as Error;
    return <Lost load={this.props.load} onThere={this.props.onThere} />;
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
  const asked = (): ComponentType<Props> =>
    lazy(async () => {
      if (when === 'at rest') await atRest();
      return { default: await load() };
    });
  let latest = asked();
  return function OnDemand(props: Props) {
    const [{ Part, asks }, setPart] = useState({ Part: latest, asks: 0 });
    const onThere = useCallback((): void => {
      latest = asked();
      setPart((before) => ({ Part: latest, asks: before.asks + 1 }));
    }, []);
    const inBrowser = useListens();
    return inBrowser ? (
      <UnlessLost key={asks} load={load} onThere={onThere}>
        <Suspense>{createElement(Part, props)}</Suspense>
      </UnlessLost>
    ) : null;
  };
}
