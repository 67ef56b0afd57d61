import { expect, it } from 'vitest';
import { type FormLengthContext, parseFormLength } from './formLength';

const GAP: FormLengthContext = {
  field: 'gap',
  units: 'imperial',
  bore: 101_600_000,
  expected: null,
  mayBeFactor: true,
};

it('one length is taken, an empty field is none', () => {
  expect(parseFormLength('22', GAP)).toEqual({ kind: 'understood', value: 558_800 });
  expect(parseFormLength(' ', GAP)).toEqual({ kind: 'empty' });
});

it('what looks like a factor is asked about where one may be meant, with the length it would be', () => {
  expect(parseFormLength('.0045', GAP)).toEqual({
    kind: 'question',
    ask: '0.0045 looks like a factor, not a gap. Is it factor × bore?',
    options: [
      { value: { factor: 0.0045 }, figure: '0.0045 × bore', note: '' },
      { value: { nm: 114_300 }, figure: '0.0045 in · 0.114 mm', note: 'as typed' },
    ],
  });
  expect(parseFormLength('.0045', { ...GAP, mayBeFactor: false })).toMatchObject({ kind: 'question' });
  expect(JSON.stringify(parseFormLength('.0045', { ...GAP, mayBeFactor: false }))).not.toContain('factor');
});

it.each(['15/16', 'c12', 'set 4.06in'])('%s is a reading and no length of a form', (text) => {
  expect(parseFormLength(text, { ...GAP, field: text.startsWith('set') ? 'bore' : 'gap' })).toMatchObject({
    kind: 'refused',
    why: expect.stringMatching(/^Enter one length: /),
  });
});

it('what is no length says what is accepted', () => {
  expect(parseFormLength('wide', GAP)).toMatchObject({
    kind: 'refused',
    why: expect.stringMatching(/Accepted: .+\.$/),
  });
});
