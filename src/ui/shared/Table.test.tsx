import { render, screen, within } from '@testing-library/react';
import { expect, it } from 'vitest';
import { Table, unseen } from './Table';

const BORES = [
  { id: 'L1', size: '4.0651', isOdd: false },
  { id: 'R1', size: '4.0670', isOdd: true },
];

it('heads each row by its first cell and each column by its head, leaves out what is false, and marks the row in hand', () => {
  const isOdd = BORES.some((b) => b.isOdd);
  render(
    <Table
      caption="Bores"
      region="All bores"
      fills
      rows={BORES}
      keyOf={(b) => b.id}
      isHere={(b) => b.id === 'R1'}
      columns={[
        ['cylinder', (b) => b.id],
        ['size, in', (b) => b.size, 'num'],
        !isOdd && ['never', () => 'never'],
        [unseen('why'), (b) => (b.isOdd ? 'worn' : '–')],
      ]}
    />,
  );
  const table = within(screen.getByRole('region', { name: 'All bores' })).getByRole('table', { name: 'Bores' });
  expect(
    within(table)
      .getAllByRole('columnheader')
      .map((head) => head.textContent),
  ).toEqual(['cylinder', 'size, in', 'why']);
  const row = within(table).getByRole('row', { name: 'R1 4.0670 worn' });
  expect(within(row).getByRole('rowheader').textContent).toBe('R1');
  expect([row.className !== '', within(table).getByRole('row', { name: /^L1/ }).className.trim()]).toEqual([true, '']);
});
