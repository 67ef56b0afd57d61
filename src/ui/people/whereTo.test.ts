import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { whereTo } from './whereTo';

const OWN = 'http://127.0.0.1:4400';

describe('where it is gone on to after signing in', () => {
  it('a path of this server, with what is asked of it', () => {
    expect(whereTo('/builds/x/rings?place=L1#a', OWN)).toBe(`${OWN}/builds/x/rings?place=L1#a`);
    expect(whereTo('/', OWN)).toBe(`${OWN}/`);
  });

  it.each([
    '//evil.example/', '/\\evil.example', '/\t/evil.example', '/\n/evil.example', '/\r/evil.example', '\t//evil.example',
    'https://evil.example', 'javascript:alert(1)', 'data:text/html,x', `blob:${OWN}/x`, 'http://127.0.0.1:4401/', '@evil.example:1', 'http://', `${OWN}@evil.example/`, `${OWN}.evil.example/`,
  ])('%j is not gone to', (to) => {
    const address = new URL(whereTo(to, OWN));
    expect([address.origin, address.protocol]).toEqual([OWN, 'http:']);
  }); // oxfmt-ignore

  it('whatever is asked for, it stays here, as a browser reads it (property)', () => {
    const piece = fc.constantFrom(
      '/',
      '\\',
      '\t',
      '\n',
      '.',
      '@',
      ':',
      '%2f',
      'evil.example',
      'javascript',
      '#',
      '?',
      ' ',
    );
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 8 }), (pieces) => {
        const gone = new URL(whereTo(pieces.join(''), OWN), OWN);
        expect(gone.origin).toBe(OWN);
      }),
    ); // oxfmt-ignore
  });
});
