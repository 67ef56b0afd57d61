'use client';

import { Dialog } from 'radix-ui';
import { asChoice } from '@/core/judge/preview';
import type { Chart } from '@/core/models/charts/chart';
import type { Target } from '@/core/models/targets/target';
import { useJudgement, useLogging, useWords } from '../openBuild/contexts';
import { Table } from '../shared/Table';
import { Button, buttonLook } from '../shared/Button';
import { ChartChanges } from './ChartChanges';

interface Props {
  /** The chart, or the version of it, that could be taken. */
  chart: Chart;
  trigger: string;
}

const FIGURES = [
  ['top', 'Top ring gap'],
  ['second', 'Second ring gap'],
  ['clearance', 'Piston to wall'],
] as const;

/** Shows what another chart would change, in its cells and in this build's targets, before it is taken. */
export function TakeChart({ chart, trigger }: Props) {
  const judgement = useJudgement();
  const { choose } = useLogging();
  return (
    <Dialog.Root>
      <Dialog.Trigger className={buttonLook('accent')}>{trigger}</Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/50" />
        <Dialog.Content className="fixed top-1/2 left-1/2 z-50 max-h-[92dvh] w-[min(94vw,48rem)] -translate-1/2 overflow-y-auto rounded-md border border-ink bg-sheet p-6 text-ink">
          <Dialog.Title className="text-xl font-bold">
            From {judgement.choices.chart.name}, version {judgement.choices.chart.version}, to {chart.name}, version{' '}
            {chart.version}
          </Dialog.Title>
          <Dialog.Description className="mt-1 mb-4 text-soft">
            This build keeps the version it was set with until you take another.
          </Dialog.Description>
          <Effect chart={chart} />
          <h3 className="mb-1 font-bold">What differs</h3>
          <ChartChanges
            before={judgement.choices.chart}
            after={chart}
            used={{ row: judgement.duty.row?.id ?? null, column: judgement.piston?.id ?? null }}
          />
          <div className="mt-5 flex flex-wrap justify-end gap-3">
            <Dialog.Close className={buttonLook()}>Keep version {judgement.choices.chart.version}</Dialog.Close>
            <Dialog.Close asChild>
              <Button kind="strong" onClick={() => choose('chart', chart)}>
                Take version {chart.version}
              </Button>
            </Dialog.Close>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** The targets of this build as they are and as they would be. */
function Effect({ chart }: { chart: Chart }) {
  const judgement = useJudgement();
  const { preview } = useLogging();
  const { range } = useWords();
  const text = (target: Target | undefined): string =>
    target?.set ? range(target.inForce.aimFrom, target.inForce.aimTo) : 'no figure';
  const now = judgement.standard?.targets;
  const then = preview([asChoice('chart', chart)]).standard?.targets;
  return (
    <Table
      caption="What it does to this build"
      isCaptioned
      className="mb-5 max-w-xl"
      rows={FIGURES}
      keyOf={([figure]) => figure}
      columns={[
        ['target used', ([, words]) => words],
        ['now', ([figure]) => text(now?.[figure]), 'num'],
        [
          'then',
          ([figure]) => {
            const [before, after] = [text(now?.[figure]), text(then?.[figure])];
            return before === after ? after : <b>{after}</b>;
          },
          'num',
        ],
      ]}
    />
  );
}
