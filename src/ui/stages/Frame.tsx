import type { ReactNode } from 'react';
import { Deferred } from '../openBuild/Deferred';

interface Props {
  main: ReactNode;
  aside: ReactNode;
  /** The reading line, along the foot. */
  foot?: ReactNode;
}

/** A stage: the thing in hand, why beside it, and what is typed at the foot. */
export function Frame({ main, aside, foot }: Props) {
  return (
    <>
      <div className="flex min-h-0 flex-1 max-lg:flex-col print:block">
        <main
          id="main"
          tabIndex={-1}
          className="relative min-w-0 flex-1 overflow-y-auto bg-sheet px-7 py-4 max-lg:overflow-visible max-md:px-4 print:overflow-visible print:p-0"
        >
          {main}
        </main>
        {aside && (
          <aside
            aria-label="Why, and what to know"
            className="no-print relative w-[310px] shrink-0 overflow-y-auto border-l border-line bg-sheet px-5 py-4 text-[0.9375rem] max-lg:w-full max-lg:border-t max-lg:border-l-0 max-md:px-4"
          >
            {/* Where readings are logged their verdict comes first. Elsewhere what stands beside is worked with. */}
            {foot ? <Deferred>{aside}</Deferred> : aside}
          </aside>
        )}
      </div>
      {foot}
    </>
  );
}
