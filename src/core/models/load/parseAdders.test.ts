import { describe, expect, it } from 'vitest';
import { fromPressure } from '../../foundation/quantity/pressure';
import { addersText, parseAdders } from './parseAdders';
import { type Adders, NO_ADDERS } from './service';
import { adderWords } from './adderWords';

const understood = (text: string): Adders => {
  const heard = parseAdders(text);
  if (heard.kind !== 'understood') throw new Error(JSON.stringify(heard));
  return heard.adders;
};
const boost = (part: Partial<NonNullable<Adders['boost']>>): Adders['boost'] => ({
  by: 'turbo',
  pressure: null,
  absolute: false,
  cooled: null,
  ...part,
});
const shot = (part: Partial<NonNullable<Adders['nitrous']>>): Adders['nitrous'] => ({
  shots: [],
  share: null,
  cylinders: null,
  ...part,
});
const bar = (value: number): number => fromPressure(value, 'bar');
const psi = (value: number): number => fromPressure(value, 'psi');

describe('power adders as said at the bench (common practice, no source)', () => {
  it.each<[string, Partial<Adders>]>([
    ['1.4 bar + 150 hp nitrous', { boost: boost({ pressure: bar(1.4) }), nitrous: shot({ shots: [150] }) }],
    ['14 psi', { boost: boost({ pressure: psi(14) }) }],
    ['14psi blower', { boost: boost({ by: 'supercharger', pressure: psi(14) }) }],
    [
      'supercharger at 0,6 bar, not cooled',
      { boost: boost({ by: 'supercharger', pressure: bar(0.6), cooled: false }) },
    ],
    ['twin turbo 20 psi intercooled', { boost: boost({ pressure: psi(20), cooled: true }) }],
    ['two stages 3.2 bar', { boost: boost({ by: 'twoStage', pressure: bar(3.2) }) }],
    ['2.1 bar absolute', { boost: boost({ pressure: bar(2.1), absolute: true }) }],
    ['turbo', { boost: boost({}) }],
    ['100+75 hp nitrous', { nitrous: shot({ shots: [100, 75] }) }],
    ['150 shot', { nitrous: shot({ shots: [150] }) }],
    ['110 kW nitrous', { nitrous: shot({ shots: [148] }) }],
    ['40% nitrous', { nitrous: shot({ share: 0.4 }) }],
    ['150 shot on 4 cylinders', { nitrous: shot({ shots: [150], cylinders: 4 }) }],
    ['nitrous 150 hp on all cylinders', { nitrous: shot({ shots: [150] }) }],
    ['boost 15', { boost: boost({ pressure: psi(15) }) }],
    ['turbo 20', { boost: boost({ pressure: psi(20) }) }],
    [
      '14 psi blower 100 shot',
      { boost: boost({ by: 'supercharger', pressure: psi(14) }), nitrous: shot({ shots: [100] }) },
    ],
    [
      '10 psi blower water injection',
      { boost: boost({ by: 'supercharger', pressure: psi(10) }), injection: { what: 'water', counted: false } },
    ],
    ['120 hp nitrous in 4 cylinders', { nitrous: shot({ shots: [120], cylinders: 4 }) }],
    ['nitrous', { nitrous: shot({}) }],
    [
      '10 psi and water injection',
      { boost: boost({ pressure: psi(10) }), injection: { what: 'water', counted: false } },
    ],
    [
      '10 psi + methanol injection',
      { boost: boost({ pressure: psi(10) }), injection: { what: 'alcohol', counted: false } },
    ],
    ['none', {}],
    ['NA', {}],
  ])('%s', (text, expected) => {
    expect(understood(text)).toEqual({ ...NO_ADDERS, ...expected });
  });

  it.each<[string, string[]]>([
    ['140 psi', ['140 kPa', '140 psi, as typed']],
    ['10', ['10 psi of boost']],
    ['50', ['50 psi of boost', '50 hp of nitrous']],
    ['500 hp', ['500 hp of nitrous', 'own power: enter it under base power']],
    ['14 psi turbo + 150 hp', ['150 hp of nitrous', 'own power: enter it under base power']],
    ['turbo 500 hp', ['500 hp of nitrous', 'own power: enter it under base power']],
    ['turbo 1.4', ['1.4 psi of boost', '1.4 bar of boost']],
    ['blower + 8', ['8 psi of boost']],
  ])('%s is asked about', (text, options) => {
    const heard = parseAdders(text);
    expect(heard.kind === 'question' && heard.options.map((o) => o.words)).toEqual(options);
  });

  it.each([
    'a bit',
    '14 psi 20 psi rubbish',
    '14 psi 20 psi',
    '150 shot on 4',
    '10 psi water injection everywhere',
    '25 hp nitrous per cylinder',
    'turbo 1.4 + 100 hp',
    'boost 5000',
    '5 bar + 3 bar',
    '100 hp nitrous + 50 hp nitrous',
    '9000 hp nitrous',
    '100 + 75',
    '900 psi turbo',
    '500% nitrous',
    'x'.repeat(200),
  ])('%s is refused with what is accepted', (text) => {
    expect(parseAdders(text)).toMatchObject({ kind: 'refused', why: expect.stringMatching(/\.$/) as string });
  });

  it('nothing typed is nothing said', () => {
    expect(parseAdders('  ')).toEqual({ kind: 'empty' });
  });

  it.each(['psi', 'bar', 'kPa'] as const)('what stands in the field in %s is heard as the same', (unit) => {
    const all: Adders = {
      boost: boost({ by: 'twoStage', pressure: psi(37.3), absolute: true, cooled: false }),
      nitrous: shot({ shots: [100, 75], cylinders: 4 }),
      injection: { what: 'alcohol', counted: true },
    };
    expect(understood(addersText(all, unit))).toEqual(all);
    expect(addersText({ ...NO_ADDERS, boost: boost({ pressure: psi(14) }) }, 'psi')).toBe('14 psi turbo');
    expect(addersText({ ...NO_ADDERS, boost: boost({ pressure: bar(1.4) }) }, 'psi')).toBe('1.4 bar turbo');
  });

  it('is said back with both units of pressure', () => {
    expect(adderWords(understood('1.4 bar + 150 hp nitrous + water'))).toBe(
      'turbo, 20.3 psi (1.40 bar); nitrous, 150 hp; water injection, not counted on',
    );
  });
});
