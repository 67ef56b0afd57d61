import { act, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { beforeEach, expect, it } from 'vitest';
import { type Faults, faultsAmong } from '@/core/foundation/quantity/faults';
import { TextField } from './TextField';
import { FormFoot, keptDraft, useForm } from './useForm';

interface Limits {
  least: string;
  source: string;
}
const START: Limits = { least: '1', source: '' };
const faultsOf = ({ least }: Limits): Faults => faultsAmong({ least: least === '' && 'Enter the least.' });

let set: Limits[] = [];
/** Sets what stands in force from outside, as another bench does. */
let fromElsewhere: (base: Limits) => void;

function Sheet({ name = 'limits' }: { name?: string }) {
  const [base, setBase] = useState(START);
  fromElsewhere = setBase;
  const form = useForm({
    ...{ name, base, faultsOf },
    onSet: (value) => {
      set.push(value);
      setBase(value);
    },
  });
  return (
    <form key={form.drawn} onSubmit={form.submit}>
      {form.note}
      <TextField
        label="Least"
        error={form.fault('least')}
        value={form.draft.least}
        onChange={(least) => form.set({ least })}
      />
      <TextField label="From" value={form.draft.source} onChange={(source) => form.set({ source })} />
      <FormFoot form={form} words="Set them" />
    </form>
  );
}

// as fast as the machine is: nothing here waits between two keys
const user = userEvent.setup({ delay: null, pointerEventsCheck: 0 });
const least = (): HTMLElement => screen.getByLabelText('Least');
const button = (): HTMLElement => screen.getByRole('button', { name: 'Set them' });
const isLeft = (): boolean => screen.queryByText('Not saved yet.') !== null;
beforeEach(() => {
  set = [];
});

it('sets what is filled in, without the spaces round it, and then has nothing left to set', async () => {
  render(<Sheet />);
  expect(button()).toHaveProperty('disabled', true);
  await user.type(least(), '2');
  await user.type(screen.getByLabelText('From'), ' manual ');
  await user.click(button());
  expect(set).toEqual([{ least: '12', source: 'manual' }]);
  expect([isLeft(), keptDraft('limits', START)]).toEqual([false, null]);
  expect(button()).toHaveProperty('disabled', true);
});

it('does not set what is wrong, by Enter neither, and says it at its field and its foot', async () => {
  render(<Sheet />);
  await user.clear(least());
  await user.keyboard('{Enter}');
  expect(set).toEqual([]);
  expect(screen.getAllByText('Enter the least.').length).toBe(2);
  expect(least().getAttribute('aria-invalid')).toBe('true');
});

it('is there as it was left, says so, and can be thrown away', async () => {
  const { unmount } = render(<Sheet />);
  await user.type(least(), '5');
  unmount();
  render(<Sheet />);
  expect(least()).toHaveProperty('value', '15');
  expect(isLeft()).toBe(true);
  await user.click(screen.getByRole('button', { name: 'Throw it away' }));
  expect(least()).toHaveProperty('value', '1');
  expect([isLeft(), keptDraft('limits', START)]).toEqual([false, null]);
});

it('follows what is set elsewhere while it is not touched; what is being filled in stays, and is told', async () => {
  render(<Sheet />);
  act(() => fromElsewhere({ least: '7', source: '' }));
  expect(least()).toHaveProperty('value', '7');
  await user.type(least(), '8');
  act(() => fromElsewhere({ least: '9', source: '' }));
  expect(least()).toHaveProperty('value', '78');
  expect(isLeft()).toBe(true);
});

it.each([
  ['spoilt', '{"least"'],
  ['of another shape', '{"least":5,"source":""}'],
  ['of an earlier version, without a field', '{"least":"5"}'],
  ['no object', '[]'],
])('what was kept and is %s is not taken', (_, kept) => {
  sessionStorage.setItem('spatium-draft:/:limits', kept);
  window.history.replaceState(null, '', '/');
  render(<Sheet />);
  expect(least()).toHaveProperty('value', '1');
  expect(isLeft()).toBe(false);
});

it('a draft belongs to its name: figures typed in thou are not taken for millimetres', async () => {
  const { rerender } = render(<Sheet name="limits-imperial" />);
  await user.type(least(), '5');
  rerender(<Sheet name="limits-metric" />);
  expect(least()).toHaveProperty('value', '1');
  expect(isLeft()).toBe(false);
  rerender(<Sheet name="limits-imperial" />);
  expect(least()).toHaveProperty('value', '15');
});

it('the field that is typed in keeps the focus while something else is set elsewhere', async () => {
  render(<Sheet />);
  await user.type(least(), '5');
  act(() => fromElsewhere({ least: '9', source: '' }));
  await user.keyboard('6');
  expect(least()).toHaveProperty('value', '156');
});

interface Nested {
  metals: { cap: string; rod: string };
  source: string;
}

it('binds a field by its path: it sets its own value alone, and what is wrong with its typing bars the form', async () => {
  let nested: Nested | null = null;
  function Deep() {
    const base: Nested = { metals: { cap: 'iron', rod: 'steel' }, source: 'manual' };
    const form = useForm({ name: null, base, onSet: (value) => (nested = value) });
    const rod = form.field('metals.rod');
    return (
      <form onSubmit={form.submit}>
        <TextField label="Rod" {...rod} />
        <button type="button" onClick={() => rod.onFault('Rod: not settled yet.')}>
          spoil
        </button>
        <button type="button" onClick={() => rod.onFault(null)}>
          mend
        </button>
        <FormFoot form={form} words="Set them" />
      </form>
    );
  }
  render(<Deep />);
  await user.type(screen.getByLabelText('Rod'), 's');
  await user.click(screen.getByText('spoil'));
  expect(button()).toHaveProperty('disabled', true);
  expect(screen.getByText('Rod: not settled yet.')).toBeTruthy();
  await user.click(screen.getByText('mend'));
  await user.click(button());
  expect(nested).toEqual({ metals: { cap: 'iron', rod: 'steels' }, source: 'manual' });
});
