'use client';

import { Dialog } from 'radix-ui';
import type { Chart } from '@/core/models/charts/chart';
import { Button, buttonLook } from '../shared/Button';
import { When } from '../shared/When';
import { ChartChanges } from '../targets/ChartChanges';

interface Props {
  /** Newest first. */
  versions: [Chart, ...Chart[]];
  onBring: (chart: Chart) => void;
}

/** Every version of a chart, with what each changed; an older one can be brought back as a new one. */
export function Versions({ versions, onBring }: Props) {
  return (
    <Dialog.Root>
      <Dialog.Trigger className={buttonLook()}>Versions</Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/50" />
        <Dialog.Content className="fixed top-1/2 left-1/2 z-50 max-h-[92dvh] w-[min(94vw,48rem)] -translate-1/2 overflow-y-auto rounded-md border border-ink bg-sheet p-6 text-ink">
          <Dialog.Title className="text-xl font-bold">Versions of {versions[0].name}</Dialog.Title>
          <Dialog.Description className="mb-4 text-soft">
            None is ever lost. A build keeps the one it was set with.
          </Dialog.Description>
          <ol className="grid gap-5">
            {versions.map((chart, i) => {
              const before = versions[i + 1];
              return (
                <li key={chart.version}>
                  <div className="mb-1 flex flex-wrap items-center gap-3">
                    <h3 className="flex-1 font-bold">
                      Version {chart.version}
                      <span className="ml-2 font-normal text-soft">
                        {chart.saved ? (
                          <>
                            {chart.saved.by || 'no initials'}, <When at={chart.saved.at} />
                          </>
                        ) : (
                          'as the program comes with it'
                        )}
                      </span>
                    </h3>
                    {i > 0 && (
                      <Dialog.Close asChild>
                        <Button onClick={() => onBring(chart)}>Bring version {chart.version} back</Button>
                      </Dialog.Close>
                    )}
                  </div>
                  {before ? (
                    <ChartChanges before={before} after={chart} />
                  ) : (
                    <p className="text-soft">
                      {chart.copiedFrom
                        ? `Began as a copy of ${chart.copiedFrom.name}, version ${chart.copiedFrom.version}.`
                        : 'The first.'}
                    </p>
                  )}
                </li>
              );
            })}
          </ol>
          <div className="mt-5 text-right">
            <Dialog.Close className={buttonLook()}>Close</Dialog.Close>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
