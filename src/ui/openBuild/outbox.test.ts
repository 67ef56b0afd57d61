import { beforeEach, describe, expect, it, vi } from 'vitest';
import { gap } from '@/fixtures/records';
import { addTroubles, addWaiting, clearTroubles, dropWaiting, troublesFor, waitingFor } from './outbox';
import { persisted } from '../shared/persisted';

/** A browser's storage, as far as the outbox uses it. */
function storage(limit = Infinity): Pick<Storage, 'getItem' | 'setItem' | 'removeItem'> {
  const held = new Map<string, string>();
  return {
    getItem: (key) => held.get(key) ?? null,
    setItem: (key, value) => {
      if (value.length > limit) throw new DOMException('full', 'QuotaExceededError');
      held.set(key, value);
    },
    removeItem: (key) => void held.delete(key),
  };
}

const ids = async (build: string): Promise<string[]> => (await waitingFor(build)).map((e) => e.id);
const [a, b, c] = [gap('a', 'L1', 'top', 20), gap('b', 'L1', 'top', 21), gap('c', 'L1', 'top', 22)];

describe('the outbox', () => {
  beforeEach(() => vi.stubGlobal('localStorage', storage()));

  it('keeps what waits, in order and once, a build apart from another', async () => {
    addWaiting('one', [a, b]);
    addWaiting('one', [b, c]);
    addWaiting('two', [a]);
    expect(await ids('one')).toEqual(['a', 'b', 'c']);
    expect(await ids('two')).toEqual(['a']);
    expect(await waitingFor('one')).toEqual([a, b, c]);
  });

  it('drops only what was acknowledged, so that what another tab added meanwhile stays', async () => {
    addWaiting('one', [a, b]);
    addWaiting('one', [c]);
    dropWaiting('one', new Set(['a', 'b', 'ghost']));
    expect(await ids('one')).toEqual(['c']);
    dropWaiting('one', new Set(['c']));
    expect(localStorage.getItem('spatium-outbox:one')).toBeNull();
  });

  it.each(['not json', '{"a":1}', '[{"kind":"reading"}]', 'null'])(
    'takes nothing from a spoilt store: %s',
    async (text) => {
      localStorage.setItem('spatium-outbox:one', text);
      expect(await waitingFor('one')).toEqual([]);
    },
  );

  it('takes what is sound beside what is not', async () => {
    localStorage.setItem('spatium-outbox:one', JSON.stringify([null, a, { kind: 'reading' }, b]));
    expect(await ids('one')).toEqual(['a', 'b']);
  });

  it('keeps what the server would not have, with the reason, until it was seen', async () => {
    addTroubles('one', [{ entry: a, why: 'no such cylinder' }]);
    addTroubles('one', [{ entry: b, why: 'no such ring' }]);
    expect((await troublesFor('one')).map((t) => [t.entry.id, t.why])).toEqual([
      ['a', 'no such cylinder'],
      ['b', 'no such ring'],
    ]);
    expect(await troublesFor('two')).toEqual([]);
    clearTroubles('one');
    expect(await troublesFor('one')).toEqual([]);
  });

  it('does not fall over where the browser’s storage is full or forbidden', async () => {
    vi.stubGlobal('window', new EventTarget());
    vi.stubGlobal('localStorage', storage(10));
    expect(() => addWaiting('one', [a])).not.toThrow();
    // and says so
    expect(persisted('spatium-storage')).toBe('full');
    vi.stubGlobal('localStorage', undefined);
    expect(() => addWaiting('one', [a])).not.toThrow();
    expect(await waitingFor('one')).toEqual([]);
  });
});
