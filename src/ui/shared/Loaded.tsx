'use client';

import { Component, type ReactNode, Suspense } from 'react';

const isOfLoading = (error: unknown): boolean =>
  error instanceof Error && /chunk|dynamically imported module/i.test(`${error.name} ${error.message}`);

interface State {
  error: unknown;
}

/**
 * A part of the page that is loaded when it is opened. Where the server is gone by then, that is said in its place,
 * and the rest of the bench goes on. While it comes, what is round it stays as it is, and the focus where it is.
 */
export class Loaded extends Component<{ children: ReactNode }, State> {
  override state: State = { error: null };

  static getDerivedStateFromError(error: unknown): State {
    return { error };
  }

  override render(): ReactNode {
    const { error } = this.state;
    if (error === null) return <Suspense>{this.props.children}</Suspense>;
    if (!isOfLoading(error)) throw error as Error;
    return (
      <p role="status" className="p-3">
        <b>This part could not be loaded.</b> What is typed goes on being kept. Reload the page once the server answers.
      </p>
    );
  }
}
