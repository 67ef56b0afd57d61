import { beforeEach, describe, expect, it } from 'vitest';
import { moveTo, withWords } from './address';

/** The framework's state, as it writes it with the address that it went to last. */
const OWN = { __NA: true, tree: 'a tree' };
const shown = (): string => window.location.pathname + window.location.search + window.location.hash;

describe('the address', () => {
  beforeEach(() => {
    window.history.pushState(OWN, '', '/builds/one/rings');
  });

  it('stays where the page moved to when the framework writes the one that it knows again', () => {
    moveTo(withWords({ view: 'gaps' }), 'step');
    window.history.replaceState(OWN, '', '/builds/one/rings');
    expect([shown(), window.history.state]).toEqual(['/builds/one/rings?view=gaps', OWN]);
  });

  it('is the framework’s when that goes elsewhere, with what stands behind the #', () => {
    moveTo(withWords({ view: 'gaps' }), 'step');
    window.history.pushState(OWN, '', '/charts');
    expect(shown()).toBe('/charts');
    window.history.replaceState(OWN, '', '/sign-in#code=1234');
    window.history.replaceState(OWN, '', '/sign-in#code=1234');
    expect(shown()).toBe('/sign-in#code=1234');
  });

  it('is the one that was opened first when somebody goes there again by a link', () => {
    moveTo(withWords({ view: 'gaps' }), 'step');
    const steps = window.history.length;
    window.history.pushState(OWN, '', '/builds/one/rings');
    expect([shown(), window.history.length]).toEqual(['/builds/one/rings', steps + 1]);
  });

  it('takes words in and out, and no step where nothing changes', () => {
    const steps = window.history.length;
    moveTo(withWords({ view: 'gaps', at: '3.top' }), 'replace');
    moveTo(withWords({ view: null }), 'replace');
    moveTo(withWords({}), 'step');
    expect([shown(), window.history.length]).toEqual(['/builds/one/rings?at=3.top', steps]);
  });
});
