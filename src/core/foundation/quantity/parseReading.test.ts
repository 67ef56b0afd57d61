import fc from 'fast-check';
import { runs } from '@/fixtures/runs';
import { describe, expect, it } from 'vitest';
import { factorIn, parseReading, parseField } from './parseReading';
import { type ParseContext, sizeFault } from './readingField';
import { fromInches, fromMm, fromThou } from './length';

const gap: ParseContext = { field: 'gap', units: 'imperial', bore: fromInches(4.065), expected: null, setting: null };
const metricGap: ParseContext = { ...gap, units: 'metric', bore: fromMm(81.5) };
const bore: ParseContext = { field: 'bore', units: 'imperial', bore: null, expected: null, setting: null };
const metricBore: ParseContext = { ...bore, units: 'metric' };

const value = (text: string, context: ParseContext): number | null => {
  const heard = parseReading(text, context);
  return heard.kind === 'understood' ? heard.meaning.value : null;
};

describe('a gap in thou', () => {
  it.each([
    '22',
    '.022',
    '0.022',
    '0,022',
    '0.022"',
    '.022 in',
    '22 thou',
    '22thou',
    '22th',
    '0.5588mm',
    '0,5588 mm',
    '558.8 µm',
    ' 22 ',
    '022',
  ])('takes %j as 0.022 in', (text) => {
    expect(value(text, gap)).toBe(fromThou(22));
  });

  it('takes half thous', () => {
    expect(value('20.5', gap)).toBe(fromThou(20.5));
    expect(value('20,5', gap)).toBe(fromThou(20.5));
  });

  it('takes 15/16 as a bracket: 15 goes, 16 does not', () => {
    expect(parseReading('15/16', gap)).toMatchObject({
      kind: 'understood',
      meaning: { value: fromThou(15), upTo: fromThou(16) },
    });
    expect(parseReading('0.40/0.45mm', gap)).toMatchObject({
      kind: 'understood',
      meaning: { value: fromMm(0.4), upTo: fromMm(0.45) },
    });
  });

  it.each(['15-16', '15 - 16', '15–16', '15 to 16', '15to16', '15 thou to 16 thou'])(
    'takes %j as the same bracket, as it is said at the bench',
    (text) => {
      expect(parseReading(text, gap)).toMatchObject({
        kind: 'understood',
        meaning: { value: fromThou(15), upTo: fromThou(16) },
      });
    },
  );

  it('asks about a bracket the wrong way round, and refuses one leaf that does both', () => {
    expect(parseReading('16/15', gap)).toMatchObject({
      kind: 'question',
      options: [{ value: fromThou(15), upTo: fromThou(16) }],
    });
    expect(parseReading('15/15', gap).kind).toBe('refused');
  });

  it('asks whether 0.56 was millimetres', () => {
    expect(parseReading('0.56', gap)).toMatchObject({ kind: 'question', options: [{ value: fromMm(0.56) }] });
  });

  it('asks about a ten-times slip, and lets it stand as typed where it can be', () => {
    const heard = parseReading('220', gap);
    expect(heard.kind === 'question' && heard.options.map((o) => o.value)).toEqual([fromThou(22), fromThou(220)]);
  });

  it('refuses what no ring has, and keeps nothing', () => {
    expect(parseReading('4065', gap).kind).toBe('refused');
    expect(parseReading('-3', gap)).toMatchObject({ kind: 'refused', why: expect.stringContaining('sign') });
  });
});

describe('a ring at the filer', () => {
  it.each<[string, number | null]>([
    ['c', null],
    ['cut', null],
    ['c12', 12],
    ['C 12', 12],
    ['cut 7.5', 7.5],
  ])('takes %j as a cut', (text, count) => {
    expect(parseReading(text, gap)).toEqual({ kind: 'cut', count });
  });

  it('a cut of no turns is none, and only a ring is cut', () => {
    expect(parseReading('c0', gap)).toMatchObject({ kind: 'refused', why: 'No turns are no cut.' });
    for (const context of [bore, { ...gap, field: 'clearance' as const }])
      expect(parseReading('c12', context).kind).toBe('refused');
  });

  it.each(['p22', 'passes 22', '>22', '22+', 'p.022'])(
    'takes %j as a leaf that passes, no larger one tried',
    (text) => {
      expect(parseReading(text, gap)).toMatchObject({
        kind: 'understood',
        meaning: { value: fromThou(22), upTo: null, open: true },
      });
    },
  );

  it('asks about a passing leaf that cannot be right, and keeps it open', () => {
    const heard = parseReading('p220', gap);
    expect(heard.kind === 'question' && heard.options.every((o) => o.open)).toBe(true);
    expect(parseReading('p22', bore).kind).toBe('refused');
  });

  it('reads a groove in thou and parts of one, and the depth under the land', () => {
    expect(value('1.5', { ...gap, field: 'groove' })).toBe(fromThou(1.5));
    expect(value('.0015', { ...gap, field: 'groove' })).toBe(fromThou(1.5));
    expect(value('12', { ...gap, field: 'land' })).toBe(fromThou(12));
    expect(value('0', { ...gap, field: 'land' })).toBe(0);
  });
});

describe('a gap in millimetres', () => {
  it.each(['0.56', '.56', '0,56', '56', '0.56mm', '0.56 mm'])('takes %j as 0.56 mm', (text) => {
    expect(value(text, metricGap)).toBe(fromMm(0.56));
  });

  it('asks “0.06 mm is 0.0024 in on an 81.5 mm bore; did you mean 0.60 mm?”', () => {
    expect(parseReading('0.06', metricGap)).toMatchObject({
      kind: 'question',
      ask: '0.06 mm is 0.0024 in on an 81.5 mm bore; did you mean 0.60 mm?',
    });
    expect(parseReading('0.06mm', { ...metricGap, units: 'imperial' })).toMatchObject({
      kind: 'question',
      ask: '0.06 mm is 0.0024 in on an 81.5 mm bore; did you mean 0.60 mm?',
    });
  });

  it('asks whether 22 is hundredths or thou: both could be', () => {
    const heard = parseReading('22', metricGap);
    expect(heard.kind === 'question' && heard.options.map((o) => o.value)).toEqual([fromMm(0.22), fromThou(22)]);
    expect(value('22 thou', metricGap)).toBe(fromThou(22));
  });
});

describe('a bore', () => {
  it.each(['4065', '4.065', '4,065', '4.065"', '40650', '103.251mm'])('takes %j as 4.065 in', (text) => {
    expect(value(text, bore)).toBe(fromInches(4.065));
  });

  it.each(['82505', '82.505', '82,505', '82.505 mm'])('takes %j as 82.505 mm in a metric shop', (text) => {
    expect(value(text, metricBore)).toBe(fromMm(82.505));
  });

  it('counts the dial from the setting (common practice: set 4.210, reads +6, bore 4.216)', () => {
    const set = { ...bore, setting: fromInches(4.21) };
    expect(value('+6', set)).toBe(fromInches(4.216));
    expect(value('-1.5', set)).toBe(fromInches(4.2085));
    expect(value('\u22121.5', set)).toBe(fromInches(4.2085));
    expect(value('+.006', set)).toBe(fromInches(4.216));
    expect(value('+0.02mm', set)).toBe(fromInches(4.21) + fromMm(0.02));
    expect(value('+0', set)).toBe(fromInches(4.21));
  });

  it('asks for the setting first, and whether a metric dial shows µm or hundredths', () => {
    expect(parseReading('+6', bore)).toMatchObject({ kind: 'refused', why: expect.stringContaining('setting') });
    const heard = parseReading('+6', { ...metricBore, setting: fromMm(82.5) });
    expect(heard.kind === 'question' && heard.options.map((o) => o.value)).toEqual([fromMm(82.506), fromMm(82.56)]);
    expect(value('+0.006', { ...metricBore, setting: fromMm(82.5) })).toBe(fromMm(82.506));
  });

  describe('the dial of a gauge that was zeroed', () => {
    const set = { ...bore, setting: fromInches(4.06), dial: { division: fromThou(0.5), turn: fromThou(50) } };
    const metricSet = { ...metricBore, setting: fromMm(82.5), dial: { division: fromMm(0.01), turn: fromMm(1) } };

    it.each([
      ['6', 4.066],
      ['+6', 4.066],
      ['-1.5', 4.0585],
      ['.5', 4.0605],
      ['0', 4.06],
      ['4.0652', 4.0652],
      ['4065', 4.065],
      ['61', 4.121],
    ])('%s is the bore %s in', (text, inches) => {
      expect(value(text, set)).toBe(fromInches(inches));
    });

    it('does not take a size with a digit dropped for a dial', () => {
      const near = {
        ...set,
        expected: { nm: fromInches(4.0652), within: 250_000, because: 'this bore reads about 4.0652 in' },
      };
      expect(parseReading('4.652', near)).toMatchObject({
        kind: 'question',
        ask: expect.stringContaining('did you mean 4.0652 in (digit 0 dropped)'),
      });
      expect(value('4.2', near)).toBe(fromInches(4.0642));
    });

    it('counts whole turns, either way, and needs to know the gauge for it', () => {
      expect(value('1t6', { ...set, expected: null })).toBe(fromInches(4.116));
      expect(value('-1t4', { ...set, expected: null })).toBe(fromInches(4.006));
      expect(value('2t', { ...set, expected: null })).toBe(fromInches(4.16));
      expect(parseReading('1t6', { ...set, dial: null })).toMatchObject({
        kind: 'refused',
        why: expect.stringContaining('one turn of the dial'),
      });
      expect(parseReading('1t6', bore)).toMatchObject({ kind: 'refused', why: expect.stringContaining('setting') });
    });

    it('reads a metric dial in divisions once the gauge is named', () => {
      expect(value('2', metricSet)).toBe(fromMm(82.52));
      expect(value('-1.5', metricSet)).toBe(fromMm(82.485));
      expect(value('+0.006', metricSet)).toBe(fromMm(82.506));
      expect(value('82.513', metricSet)).toBe(fromMm(82.513));
      expect(value('1t2', { ...metricSet, expected: null })).toBe(fromMm(83.52));
    });

    it('zeroed in the bore, what the micrometer reads is the bore’s as well; to the piston, the dial is the clearance', () => {
      expect(parseReading('here 4.0652', bore)).toEqual({
        kind: 'setting',
        value: fromInches(4.0652),
        read: true,
        sizes: null,
      });
      expect(
        parseReading('here 4.1652', {
          ...bore,
          expected: { nm: fromInches(4.065), within: 250_000, because: 'the others' },
        }),
      ).toMatchObject({ kind: 'refused' });
      expect(parseReading('set piston', bore)).toEqual({ kind: 'setting', value: 'piston', read: false, sizes: null });
      expect(parseReading('here piston', bore).kind).toBe('refused');
      expect(parseReading('+6', { ...bore, setting: null, settingAsk: 'piston 3 is not measured yet' })).toMatchObject({
        why: 'piston 3 is not measured yet',
      });
    });
  });

  it('reads a pin with or without its leading nought', () => {
    const pin = { field: 'pin', units: 'imperial', bore: null, expected: null, setting: null } as const;
    expect(['0.9272', '.9272', '9272'].map((text) => value(text, pin))).toEqual(
      [0.9272, 0.9272, 0.9272].map(fromInches),
    );
    expect(value('22004', { ...pin, units: 'metric' })).toBe(fromMm(22.004));
    expect(parseReading('+6', pin)).toMatchObject({
      kind: 'refused',
      why: expect.stringContaining('a pin is read in the micrometer'),
    });
  });

  it('takes the setting itself', () => {
    expect(parseReading('set 4.210', bore)).toEqual({
      kind: 'setting',
      value: fromInches(4.21),
      read: false,
      sizes: null,
    });
    expect(parseReading('set 82.5mm', bore)).toEqual({
      kind: 'setting',
      value: fromMm(82.5),
      read: false,
      sizes: null,
    });
    for (const unclear of ['set 82.5', 'set 4.2/4.3', 'set +6', 'set', 'set 9999'])
      expect(parseReading(unclear, bore).kind).toBe('refused');
    expect(parseReading('set 4.210', gap).kind).toBe('refused');
  });

  it('asks when a bore differs from its neighbours by a dropped or swapped digit (common practice: 3.3824 noted as 3.324)', () => {
    const near: ParseContext = {
      ...bore,
      expected: { nm: fromInches(3.3822), within: fromInches(0.01), because: 'the other bores read about 3.3822 in' },
    };
    const dropped = parseReading('3.324', near);
    expect(dropped.kind === 'question' && dropped.options[0]).toMatchObject({
      value: fromInches(3.3824),
      taken: 'digit 8 dropped',
    });
    const swapped = parseReading('3.8324', near);
    expect(swapped.kind === 'question' && swapped.options[0]).toMatchObject({
      value: fromInches(3.3824),
      taken: 'digits 8 and 3 swapped',
    });
    const turn = parseReading('3.4074', near);
    expect(turn.kind === 'question' && turn.options[0]).toMatchObject({
      value: fromInches(3.3824),
      taken: 'off by one turn, 0.025 in',
    });
    const keeps = parseReading('3.324', near);
    expect(keeps.kind === 'question' && keeps.options.at(-1)).toMatchObject({
      value: fromInches(3.324),
      taken: 'as typed',
    });
  });

  it('offers no size finer than it can be read: for 4.0622 the swapped 4.0262, and not 4.02622 beside it', () => {
    const near = {
      nm: fromInches(4.0263),
      within: fromInches(0.01),
      because: 'the other pistons read about 4.0263 in',
    };
    const asked = parseReading('4.0622', { ...bore, expected: near });
    expect(asked.kind === 'question' && asked.options.map((o) => o.taken)).toEqual([
      'digits 6 and 2 swapped',
      'as typed',
    ]);
  });

  it('asks when a metric size is typed in an imperial shop', () => {
    const near: ParseContext = {
      ...bore,
      expected: { nm: fromMm(82.5), within: fromMm(0.25), because: 'the planned bore is 3.2480 in' },
    };
    expect(parseReading('82.5', near)).toMatchObject({ kind: 'question', options: [{ value: fromMm(82.5) }] });
  });
});

describe('the bottom end', () => {
  const journal: ParseContext = { ...bore, field: 'journal' };
  const at = fromInches(2.3615);
  const housing: ParseContext = {
    ...bore,
    field: 'housing',
    expected: { nm: at + 50_000, within: 150_000, because: 'its journal says so' },
    setting: at,
  };
  const thread: ParseContext = { ...bore, field: 'thread' };

  it.each<[string, ParseContext, number]>([
    ['23615', journal, at],
    ['2.3615', journal, at],
    ['59.995', { ...journal, units: 'metric' }, fromMm(59.995)],
    ['19.98', { ...journal, units: 'metric' }, fromMm(19.98)],
    // the gauge was zeroed at the journal: its dial is the clearance
    ['1.9', housing, at + fromThou(1.9)],
    ['+1.9', housing, at + fromThou(1.9)],
    ['2.3634', housing, fromInches(2.3634)],
    ['55.8', { ...bore, field: 'shell' }, fromInches(0.0558)],
    ['.0558', { ...bore, field: 'shell' }, fromInches(0.0558)],
    ['1.417', { ...metricBore, field: 'shell' }, fromMm(1.417)],
    ['1.5', thread, fromThou(1.5)],
    ['.0015', thread, fromThou(1.5)],
    ['0.04', { ...thread, units: 'metric' }, fromMm(0.04)],
    ['6', { ...bore, field: 'play' }, fromThou(6)],
    ['.006', { ...bore, field: 'play' }, fromThou(6)],
    ['0.15', { ...metricBore, field: 'play' }, fromMm(0.15)],
  ])('takes %j', (text, context, nm) => {
    expect(value(text, context)).toBe(nm);
  });

  it.each(['1.5 to 2', '1.5/2', '1.5-2', '2 to 1.5', '.0015 to .002'])(
    'a crushed thread of %j lies between two marks',
    (text) => {
      expect(parseReading(text, thread)).toMatchObject({
        kind: 'understood',
        meaning: { value: fromThou(1.5), upTo: fromThou(2), taken: 'between 1.5 thou and 2 thou' },
      });
    },
  );

  it('asks about a housing that is smaller than its journal, or far wider', () => {
    for (const text of ['2.3534', '2.3834', '2.3364']) expect(parseReading(text, housing).kind).toBe('question');
  });

  it('is zeroed at a size, at each journal, or at that and the aim; never at a piston, and never without a size', () => {
    expect(parseReading('set journal', housing)).toMatchObject({ kind: 'setting', value: 'journal', read: false });
    expect(parseReading('set aim', housing)).toMatchObject({ kind: 'setting', value: 'aim' });
    expect(parseReading('set 2.36', housing)).toMatchObject({ kind: 'setting', value: fromInches(2.36) });
    for (const text of ['set piston', 'here']) expect(parseReading(text, housing).kind).toBe('refused');
    for (const text of ['set journal', 'set aim']) expect(parseReading(text, bore).kind).toBe('refused');
    expect(parseReading('set journal', journal).kind).toBe('refused');
    expect(parseReading('+1.9', { ...housing, setting: null, settingAsk: 'not measured yet' })).toMatchObject({
      kind: 'refused',
      why: 'not measured yet',
    });
  });
});

describe('what is no reading', () => {
  it.each([
    'abc',
    '1 2',
    '22 furlong',
    '3/4/5',
    '--3',
    '1.2.3',
    '22;DROP',
    '١٢',
    '1e3',
    '9'.repeat(39),
    '22 '.repeat(2_000_000),
  ])('is refused with what is accepted: %#', (text) => {
    const heard = parseReading(text, gap);
    expect(heard.kind).toBe('refused');
    expect(heard.kind === 'refused' && heard.accepted).toContain('22');
  });

  it('is empty when nothing but space is typed', () => {
    expect(parseReading('  ', gap).kind).toBe('empty');
  });

  it('never throws and never gives a negative or fractional length, whatever is typed', () => {
    const below = (['journal', 'housing', 'shell', 'thread', 'play'] as const).map((field) => ({ ...bore, field }));
    const contexts = [gap, metricGap, bore, metricBore, { ...bore, setting: fromInches(4) }, ...below];
    const typed = fc.oneof(fc.string({ maxLength: 50 }), fc.stringMatching(/^[+-]?[0-9.,/]{1,9} ?(mm|in|thou|"|)$/));
    fc.assert(
      fc.property(typed, fc.constantFrom(...contexts), (text, context) => {
        const heard = parseReading(text, context);
        const values = heard.kind === 'understood' ? [heard.meaning] : heard.kind === 'question' ? heard.options : [];
        for (const { value: nm, upTo } of values) {
          expect(Number.isInteger(nm) && nm >= 0).toBe(true);
          expect(upTo === null || upTo > nm).toBe(true);
        }
        expect(heard.kind !== 'question' || heard.options.length > 0).toBe(true);
      }),
      { numRuns: runs(2_000) },
    );
  });

  it('what is printed is read back as the same length', () => {
    fc.assert(
      fc.property(fc.integer({ min: 60, max: 500 }), (half) => value(String(half / 10), gap) === fromThou(half / 10)),
    );
    fc.assert(
      fc.property(
        fc.integer({ min: 150, max: 900 }),
        (micron) => value(`${(micron / 1000).toFixed(3)} mm`, gap) === fromMm(micron / 1000),
      ),
    );
  });
});

describe('a length in a form', () => {
  it('takes clearances and sizes without knowing the engine', () => {
    expect(parseField('4.5', 'clearance', 'imperial')).toMatchObject({
      kind: 'understood',
      meaning: { value: fromThou(4.5) },
    });
    expect(parseField('.0045', 'clearance', 'imperial')).toMatchObject({
      kind: 'understood',
      meaning: { value: fromThou(4.5) },
    });
    expect(parseField('0.06', 'clearance', 'metric')).toMatchObject({
      kind: 'understood',
      meaning: { value: fromMm(0.06) },
    });
    expect(parseField('94,25', 'bore', 'metric')).toMatchObject({
      kind: 'understood',
      meaning: { value: fromMm(94.25) },
    });
  });

  it('asks when a bore is typed in the other system', () => {
    const heard = parseField('82.5', 'bore', 'imperial');
    expect(heard.kind === 'question' && heard.options.map((o) => o.value)).toContain(fromMm(82.5));
  });
});

describe('part of a thou in a clearance', () => {
  it.each<[string, number]>([
    ['.5', 12_700],
    ['0.5', 12_700],
    ['.0045', 114_300],
    ['1.5', 38_100],
  ])('%j', (text, value) => {
    expect(parseField(text, 'clearance', 'imperial')).toMatchObject({ kind: 'understood', meaning: { value } });
  });
});

describe('a factor typed for a gap', () => {
  it.each<[string, number | null]>([
    ['.0045', 0.0045],
    ['0,006', 0.006],
    ['0.0125', 0.0125],
    ['.018', null],
    ['22', null],
    ['.006 in', null],
    ['0.0006', null],
  ])('%j', (text, factor) => {
    expect(factorIn(text)).toBe(factor);
  });
});

describe('sizes that no field of the bench took', () => {
  it.each<[Parameters<typeof sizeFault>[0], number, number | null, boolean]>([
    ['bore', 0, 86, true],
    ['bore', 86, 86, false],
    ['pin', 4.9, 86, true],
    ['gap', 0.5, null, false],
    ['gap', 50, null, false],
    ['gap', 50.1, null, true],
    ['gap', 100, null, true],
    ['gap', 10, 20, false],
    ['gap', 10.1, 20, true],
    ['gap', 50.1, 400, true],
  ])('a %s of %s mm on a planned bore of %s', (field, value, bore, wrong) => {
    expect(sizeFault(field, fromMm(value), bore === null ? null : fromMm(bore)) !== null).toBe(wrong);
  });

  it('what is taken on the line, in any bore there is, is never refused for its size', () => {
    const context = (bore: number): ParseContext => ({ ...gap, bore });
    fc.assert(
      fc.property(fc.integer({ min: 20, max: 500 }), fc.integer({ min: 1, max: 400 }), (mm, tenths) => {
        const heard = parseReading(`${tenths / 10}mm`, context(fromMm(mm)));
        const taken = heard.kind === 'understood' ? [heard.meaning] : heard.kind === 'question' ? heard.options : [];
        for (const { value } of taken) expect(sizeFault('gap', value, fromMm(mm))).toBeNull();
      }),
    );
  });
});
