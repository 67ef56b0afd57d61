'use client';

import { Archive } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { AlertDialog } from 'radix-ui';
import { useState } from 'react';
import { buttonLook } from '../shared/Button';
import { runCommand, whyNot } from '../shared/runCommand';
import { Fault } from '../shared/Fault';

/** Takes a build off the shelf, after asking. Its log stays, and the shelf offers it back. */
export function RemoveBuild({ id, name }: { id: string; name: string }) {
  const router = useRouter();
  const [said, setSaid] = useState('');
  const remove = async (): Promise<void> => {
    try {
      await runCommand('removeBuilds', [id]);
      router.push(`/?removed=${id}`);
    } catch (error) {
      setSaid(whyNot(error));
    }
  };
  return (
    <AlertDialog.Root>
      <AlertDialog.Trigger
        className="grid size-11 place-items-center rounded text-soft hover:text-ink"
        aria-label={`Archive ${name}`}
      >
        <Archive size={18} aria-hidden />
      </AlertDialog.Trigger>
      <Fault className="text-sm">{said}</Fault>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-40 bg-black/50" />
        <AlertDialog.Content className="fixed top-1/2 left-1/2 z-50 w-[min(94vw,30rem)] -translate-1/2 rounded-md border border-ink bg-sheet p-6 text-ink">
          <AlertDialog.Title className="text-xl font-bold">Archive “{name}”?</AlertDialog.Title>
          <AlertDialog.Description className="mt-1 mb-5 text-soft">
            Its readings stay on record. You can restore it at any time.
          </AlertDialog.Description>
          <div className="flex justify-end gap-3">
            <AlertDialog.Cancel className={buttonLook()}>Cancel</AlertDialog.Cancel>
            <AlertDialog.Action className={buttonLook('strong')} onClick={() => void remove()}>
              Archive
            </AlertDialog.Action>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
