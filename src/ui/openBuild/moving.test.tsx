import { fireEvent, render, screen } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import { jobEntry } from '@/fixtures/records';
import { OpenBuild } from './OpenBuild';
import { useMoving } from './contexts';

/** Presses a cylinder, and then the stage begins. */
function PressedThenBegun() {
  const { cursor, toCylinder, beginAt } = useMoving();
  const press = (): void => {
    toCylinder('R1');
    beginAt({ cylinder: 'L2', subject: 'top', spot: null });
  };
  return <button onClick={press}>{cursor.cylinder}</button>;
}

it('a cylinder that was pressed stays in hand when the stage begins after it', () => {
  vi.stubGlobal('fetch', () => Promise.resolve(new Response(null, { status: 404 })));
  render(
    <OpenBuild buildId="moving" initial={[jobEntry()]} seq={1}>
      <PressedThenBegun />
    </OpenBuild>,
  );
  fireEvent.click(screen.getByRole('button'));
  expect(screen.getByRole('button').textContent).toBe('R1');
});
