'use client';

import { useJudgement, useLogging, useMoving } from '../openBuild/contexts';
import { Button, LinkButton } from '../shared/Button';
import { Popup } from '../shared/Popup';
import { When } from '../shared/When';

const WORDS = {
  bore: {
    trigger: 'Bored or honed: measure anew',
    ask: 'The bore was machined. What was read of it before is kept, and no longer counts.',
    done: 'machined',
  },
  piston: {
    trigger: 'Another piston: measure anew',
    ask: 'The piston was replaced. What was read of the old one is kept, and no longer counts.',
    done: 'piston replaced',
  },
};

/** Says that a bore was machined or a piston replaced; taken back in one step. */
export function MarkMachined({ part }: { part: 'bore' | 'piston' }) {
  const judgement = useJudgement();
  const { cylinder } = useMoving();
  const { renew, strike } = useLogging();
  if (!cylinder) return null;
  const words = WORDS[part];
  const holder = part === 'piston' ? judgement.cylinders.find((c) => c.id === cylinder.piston.id) : cylinder;
  const read = judgement.cylinders
    .filter((c) => (part === 'bore' ? c.bore.size !== null : c.piston.size !== null))
    .map((c) => (part === 'bore' ? c.id : c.piston.id));
  const here = part === 'bore' ? cylinder.id : cylinder.piston.id;
  const last = holder?.renewals.find((r) => r.part === part);
  return (
    <div className="mt-3">
      {last && (
        <p className="text-soft">
          {part === 'bore' ? `Bore ${cylinder.label}` : `Piston ${cylinder.piston.label}`} {words.done},{' '}
          {last.by || 'no initials'}, <When at={last.at} />.{' '}
          <LinkButton onClick={() => strike(last.id, 'taken back')}>Take back</LinkButton>
        </p>
      )}
      {read.includes(here) && (
        <Popup label={words.trigger} trigger={words.trigger}>
          {(close) => (
            <>
              <p className="mb-3">{words.ask}</p>
              <div className="flex flex-wrap gap-2">
                <Button
                  kind="accent"
                  onClick={() => {
                    renew(part, [here]);
                    close();
                  }}
                >
                  {part === 'bore' ? `Bore ${cylinder.label}` : `Piston ${cylinder.piston.label}`}
                </Button>
                {read.length > 1 && (
                  <Button
                    onClick={() => {
                      renew(part, read);
                      close();
                    }}
                  >
                    All {read.length} measured
                  </Button>
                )}
              </div>
            </>
          )}
        </Popup>
      )}
    </div>
  );
}
