'use client';

import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { GLOSSARY } from '@/core/glossary';
import { STAGES } from '@/core/judge/registry';
import { STAGE_IDS } from '@/core/judge/stageTables';
import { Button, Key } from '../shared/Button';
import { Views } from '../shared/Views';

/** Keys, what they do, and where. */
const KEYS: [keys: string[], does: string][] = [
  [['0…9'], 'begin a reading, wherever the focus is but in a text field'],
  [['Enter'], 'log what is on the line'],
  [['Esc'], 'empty the line'],
  [['↑', '↓'], 'cylinder before, cylinder after'],
  [['←', '→'], 'ring, spot or figure beside it, while the line is empty'],
  [['N'], 'leave it open and go to the next'],
  [['Z'], 'undo what the line last logged; it stays on record, struck out'],
  [['Y'], 'log again what was undone'],
  [['M'], 'this cylinder is mine, or anyone’s again: the routes of other benches lead past it'],
  [['D', 'S'], 'deburred, squared: before a ring is read again'],
  [['C'], 'a cut with the filer: c, c12'],
  [['Enter'], 'at assembly: the step is done'],
  [['X', 'P'], 'at assembly: not as planned; add reminder'],
  [['[', ']'], 'stage before, stage after'],
  [['?'], 'this sheet'],
];

/** All keys of the bench, and its words. */
export function KeySheet({ onClose }: { onClose: () => void }) {
  const [view, setView] = useState<'keys' | 'words'>('keys');
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-50 flex max-h-[88dvh] w-[min(94vw,40rem)] -translate-1/2 flex-col rounded-md border border-ink bg-sheet p-5 text-ink"
        >
          <Dialog.Title className="mb-2 text-xl font-bold">Keys and words</Dialog.Title>
          <div className="min-h-0 flex-1 overflow-y-auto">
            <Views
              label="Keys or words"
              value={view}
              onChange={setView}
              views={[
                ['keys', 'Keys', <Pressed key="keys" />],
                ['words', 'Words', <Words key="words" />],
              ]}
            />
          </div>
          <Button className="mt-3 self-end" onClick={onClose}>
            Close
          </Button>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Pressed() {
  return (
    <>
      <dl className="mt-2 divide-y divide-line">
        {KEYS.map(([keys, does]) => (
          <div key={does} className="grid grid-cols-[6.5rem_1fr] gap-3 py-1.5">
            <dt className="flex gap-1">
              {keys.map((key) => (
                <Key key={key}>{key}</Key>
              ))}
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-3 text-sm text-soft">
        Alt + Shift with a number leads to a stage:{' '}
        {STAGE_IDS.map((id, i) => `${(i + 1) % 10} ${STAGES[id].words}`).join(', ')}.
      </p>
    </>
  );
}

function Words() {
  return (
    <dl className="mt-2 divide-y divide-line">
      {GLOSSARY.map(({ word, means }) => (
        <div key={word} className="py-1.5">
          <dt className="font-bold">{word}</dt>
          <dd className="max-w-prose">{means}</dd>
        </div>
      ))}
    </dl>
  );
}
