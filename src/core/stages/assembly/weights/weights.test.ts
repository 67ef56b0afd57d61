import { describe, expect, it } from 'vitest';
import { jobEntry } from '@/fixtures/records';
import { judge } from '../../../judge/judge';
import type { Judgement } from '../../../judge/judgement';
import { gramsText, parseMass } from '../../../foundation/quantity/mass';
import { messageText } from '../../../foundation/quantity/message';
import type { WeighedPart } from '../../../record/benchWork';
import type { Entry } from '../../../judge/buildRecord';
import { bobweightOf, bobweightsOf, usualShare } from './bobweight';
import { type BalanceChoices, STARTING_BALANCE } from './choices';
import { type MixGiven, mixGiven } from './matchInput';
import { weightsOf, openWeights, weighedKey } from './weights';
import { matchWeights } from './matchWeights';
import { nextToWeigh, parseWeighed } from './parseWeighed';

let n = 0;
const stamp = () => {
  n += 1;
  return { id: `m-${n}`, at: new Date(Date.UTC(2026, 4, 4, 9) + n * 1000).toISOString(), by: 'AB' };
};
const weighed = (part: WeighedPart, cylinder: string, grams: number): Entry => ({
  ...stamp(),
  kind: 'weighed',
  part,
  cylinder,
  value: Math.round(grams * 1000),
  typed: String(grams),
});
const balance = (value: Partial<BalanceChoices>): Entry => ({
  ...stamp(),
  kind: 'balance',
  replaces: null,
  value: { ...STARTING_BALANCE, ...value },
});
const judged = (...entries: Entry[]): Judgement => judge({ id: 'm', entries: [jobEntry(), ...entries] });
const EIGHT = ['L1', 'R1', 'L2', 'R2', 'L3', 'R3', 'L4', 'R4'];

/** All parts of all eight, alike. */
const alike = (): Entry[] =>
  EIGHT.flatMap((id) => [
    weighed('piston', id, 600),
    weighed('pin', id, 145),
    weighed('clips', id, 4),
    weighed('rings', id, 60),
    weighed('smallEnd', id, 190),
    weighed('bigEnd', id, 430),
  ]);

const setOf = (judgement: Judgement, id: string) => {
  const found = weightsOf(judgement).sets.find((s) => s.id === id);
  if (!found) throw new Error(id);
  return found;
};

const asked = (masses: ReturnType<typeof weightsOf>): MixGiven => {
  const given = mixGiven(masses);
  if (!given) throw new Error('nothing to mix');
  return given;
};

describe('masses', () => {
  it('says of each part how far it is above the lightest of its kind, and of what was weighed again the last', () => {
    const { weighed: all, lightest } = weightsOf(
      judged(weighed('piston', 'L1', 612.4), weighed('piston', 'R1', 610.9), weighed('piston', 'L1', 612.1)),
    );
    expect(lightest.piston).toBe(610_900);
    expect(all.get(weighedKey('piston', 'L1'))).toMatchObject({ mass: 612_100, over: 1_200, before: [612_400] });
    expect(all.get(weighedKey('piston', 'R1'))?.over).toBe(0);
  });

  it('what was struck out does not count, and a piston that was replaced is weighed anew, its pin is not', () => {
    const heavy = weighed('piston', 'L1', 640);
    const entries = [
      heavy,
      weighed('piston', 'R1', 610),
      weighed('pin', 'R1', 145),
      { ...stamp(), kind: 'void', of: heavy.id, reason: 'misread' } as Entry,
      { ...stamp(), kind: 'renewed', part: 'piston', cylinder: 'R1' } as Entry,
    ];
    const { weighed: all } = weightsOf(judged(...entries));
    expect([...all.keys()]).toEqual(['pin R1']);
    const again = weightsOf(judged(...entries, weighed('piston', 'R1', 611)));
    expect(again.weighed.get('piston R1')?.mass).toBe(611_000);
  });

  it('a set is all that goes up and down with a piston; over the lightest by more than the shop allows is over', () => {
    const judgement = judged(...alike(), weighed('pin', 'L2', 146.2), weighed('bigEnd', 'R4', 430.5));
    expect(setOf(judgement, 'L1')).toMatchObject({ total: 999_000, over: 0, bigOver: 0, state: 'within', takeOff: [] });
    expect(setOf(judgement, 'L2')).toMatchObject({
      over: 1_200,
      state: 'over',
      takeOff: [{ part: 'piston', mass: 1_200 }],
    });
    expect(setOf(judgement, 'R4').state).toBe('within');
    expect(weightsOf(judgement).spread).toBe(1_200);
    expect(openWeights(weightsOf(judgement)).filter((o) => !o.isDisagreement)).toMatchObject([
      { place: 'L2', says: '1.2 g over the lightest set' },
    ]);
  });

  it('metal comes off the end of the rod that is heavy, and off a big end for itself', () => {
    const judgement = judged(...alike(), weighed('smallEnd', 'L1', 191), weighed('bigEnd', 'L1', 432));
    expect(setOf(judgement, 'L1').takeOff).toEqual([
      { part: 'smallEnd', mass: 1_000 },
      { part: 'bigEnd', mass: 2_000 },
    ]);
  });

  it('a set over is accepted with a reason, and no more once a part of it is weighed again', () => {
    const entries = [...alike(), weighed('pin', 'L2', 146.2)];
    const { acceptId, state } = setOf(judged(...entries), 'L2');
    const accepted: Entry = { ...stamp(), kind: 'accepted', of: acceptId ?? '', what: 'set', state, reason: 'idles' };
    expect(openWeights(weightsOf(judged(...entries, accepted)))).toEqual([]);
    expect(openWeights(weightsOf(judged(...entries, accepted, weighed('pin', 'L2', 146.3))))).toHaveLength(1);
  });

  it('a part that is heavier than it was found before disagrees until it is weighed once more or struck out; a lighter one was lightened', () => {
    const says = (...entries: Entry[]): string =>
      judged(...alike(), ...entries)
        .findings.map((f) => `${f.severity} ${messageText(f.says, 'imperial')}`)
        .filter((f) => f.includes('weighed'))
        .join();
    const heavier = weighed('smallEnd', 'L1', 195);
    expect(says(heavier)).toBe(
      'mend Cylinder 1: rod, small end weighed 190.0 g, then 195.0 g: weigh it once more, or strike out the wrong one.',
    );
    expect(setOf(judged(...alike(), heavier), 'L1').parts.smallEnd?.mass).toBe(195_000);
    expect(says(heavier, weighed('smallEnd', 'L1', 194.9))).toBe('');
    expect(says(heavier, weighed('smallEnd', 'L1', 190.1))).toBe('');
    expect(says(heavier, { ...stamp(), kind: 'void', of: heavier.id, reason: 'misread' })).toBe('');
    expect(says(weighed('smallEnd', 'L1', 185))).toBe('');
    expect(says(weighed('smallEnd', 'L1', 190.2))).toBe('');
  });

  it('only what is in play makes a set; a set that was begun is open', () => {
    const judgement = judged(...EIGHT.map((id) => weighed('piston', id, 600)), weighed('pin', 'L1', 145));
    expect(setOf(judgement, 'L1').state).toBe('within');
    expect(setOf(judgement, 'R1').state).toBe('part read');
    expect(openWeights(weightsOf(judgement))).toHaveLength(7);
    expect(openWeights(weightsOf(judged()))).toEqual([]);
  });

  it('parts are taken to the scale kind by kind, and what is weighed is passed by', () => {
    const some = weightsOf(judged(weighed('piston', 'R1', 600)));
    expect(nextToWeigh(some, EIGHT, null)).toEqual({ part: 'piston', number: 'L1' });
    expect(nextToWeigh(some, EIGHT, { part: 'piston', number: 'L1' })).toEqual({ part: 'piston', number: 'L2' });
    expect(nextToWeigh(some, EIGHT, { part: 'piston', number: 'R4' })).toEqual({ part: 'pin', number: 'L1' });
    expect(nextToWeigh(weightsOf(judged(...alike())), EIGHT, null)).toBeNull();
  });

  it('mixing leaves pistons where they are, and what is marked; what was mixed is in the sets', () => {
    const entries = [
      ...alike(),
      weighed('piston', 'L1', 602),
      weighed('pin', 'R1', 143),
      balance({ mixes: ['pin'], stays: [] }),
    ];
    const given = asked(weightsOf(judged(...entries)));
    expect(given.kinds).toEqual(['pin']);
    const mix = matchWeights(given.ask);
    expect(mix).toMatchObject({ before: 4_000, spread: 0, isExact: true });
    const from = (mix.from[0] ?? []).map((part) => given.cylinders[part]);
    const sets: Entry = {
      ...stamp(),
      kind: 'sets',
      replaces: null,
      value: {
        pin: given.cylinders.map((cylinder, i) => ({ cylinder, number: from[i] ?? '' })),
        clips: [],
        rings: [],
        rod: [],
      },
    };
    expect(weightsOf(judged(...entries, sets)).spread).toBe(0);
    expect(setOf(judged(...entries, sets), 'L1').parts.pin?.number).toBe('R1');
    const marked = asked(
      weightsOf(judged(...entries, balance({ mixes: ['pin'], stays: [{ part: 'pin', number: 'R1' }] }))),
    );
    expect(matchWeights(marked.ask).spread).toBe(4_000);
    expect(marked.ask.kinds[0]?.stays.filter(Boolean)).toHaveLength(1);
  });

  it('with nothing free to go elsewhere, or under two sets, there is nothing to mix', () => {
    expect(mixGiven(weightsOf(judged(...alike(), balance({ mixes: [] }))))).toBeNull();
    expect(mixGiven(weightsOf(judged(weighed('piston', 'L1', 600), weighed('pin', 'L1', 145))))).toBeNull();
  });
});

describe('bobweight', () => {
  it('worked by hand by the formula that machinists’ textbooks print (from memory; masses invented)', () => {
    // two big ends 860, two pairs of shells 90, oil 5; 2 × (600 + 145 + 4 + 60 + 190) = 1998, half of it 999
    const found = bobweightsOf(judged(...alike(), balance({ shells: 45_000, oil: 5_000 })));
    expect(found).toHaveLength(4);
    expect(found[0]).toEqual({
      labels: ['1', '2'],
      bigEnds: 860_000,
      shells: 90_000,
      oil: 5_000,
      reciprocating: 1_998_000,
      share: 50,
      mass: 1_954_000,
    });
  });

  it('the share is usual for two rods on a throw of a 90° V alone, and as said everywhere', () => {
    expect(usualShare({ layout: 'vee', bankAngle: 90 }, 2)).toBe(50);
    expect(usualShare({ layout: 'vee', bankAngle: 60 }, 2)).toBeNull();
    expect(usualShare({ layout: 'vee', bankAngle: 90 }, 1)).toBeNull();
    const { engine } = jobEntry().kind === 'job' ? (jobEntry() as Extract<Entry, { kind: 'job' }>).value : never();
    const sixty = jobEntry({ engine: { ...engine, bankAngle: 60 } }, 'job-2', 'job-1');
    expect(bobweightsOf(judged(sixty, ...alike(), balance({ shells: 45_000 })))).toBe('no share');
    const said = bobweightsOf(judged(sixty, ...alike(), balance({ shells: 45_000, share: 40 })));
    expect(typeof said === 'string' ? said : said[0]?.mass).toBe(860_000 + 90_000 + 799_200);
  });

  it('says what it lacks', () => {
    expect(bobweightsOf(judged(...alike()))).toBe('no shells');
    expect(bobweightsOf(judged(...alike().slice(1), balance({ shells: 1 })))).toBe('not weighed');
    expect(bobweightsOf(judged(...EIGHT.map((id) => weighed('piston', id, 600)), balance({ shells: 45_000 })))).toBe(
      'not weighed',
    );
  });

  it.each([
    ['single', 1, 'sets alone'],
    ['inline', 4, 'sets alone'],
    ['inline', 6, 'sets alone'],
    ['flat', 4, 'sets alone'],
    ['flat', 6, 'sets alone'],
    // spun with bobweights, whose share the balancer gives
    ['inline', 3, 'no share'],
    ['inline', 5, 'no share'],
    ['flat', 2, 'no share'],
  ] as const)('%s of %d: %s', (layout, cylinders, found) => {
    const numbering = { scheme: 'sequence', start: 'front', firstBank: 'left' } as const;
    const engine = {
      layout,
      cylinders,
      bankAngle: layout === 'flat' ? 180 : 0,
      rotation: 'clockwise',
      numbering,
    } as const;
    expect(bobweightsOf(judge({ id: 'm', entries: [jobEntry({ engine })] }))).toBe(found);
  });

  it('an in-line three has one as soon as its share is entered', () => {
    const numbering = { scheme: 'sequence', start: 'front', firstBank: 'left' } as const;
    const engine = { layout: 'inline', cylinders: 3, bankAngle: 0, rotation: 'clockwise', numbering } as const;
    const parts = ['1', '2', '3'].flatMap((id) =>
      (['piston', 'pin', 'clips', 'rings', 'smallEnd', 'bigEnd'] as const).map((part) => weighed(part, id, 100)),
    );
    const found = bobweightsOf(
      judge({
        id: 'm',
        entries: [jobEntry({ engine, also: ['assembly'] }), ...parts, balance({ shells: 45_000, share: 50 })],
      }),
    );
    // one big end 100, shells 45, half of 500
    expect(typeof found === 'string' ? found : found.map((b) => b.mass)).toEqual([395_000, 395_000, 395_000]);
  });

  it('a rod alone on its throw has one set', () => {
    const { parts } = setOf(judged(...alike()), 'L1');
    expect(bobweightOf([{ label: '1', total: 999_000, parts }], { shells: 45_000, oil: 2_000 }, 50).mass).toBe(
      430_000 + 45_000 + 2_000 + 499_500,
    );
  });
});

const never = (): never => {
  throw new Error('no job');
};

describe('what is typed at the scale', () => {
  it.each([
    ['612.4', 612_400],
    ['612,4 g', 612_400],
    ['.5', 500],
    ['1 oz', 28_350],
    ['0.6 kg', 600_000],
  ])('%s', (text, value) => {
    expect(parseMass(text, [])).toEqual({ kind: 'understood', value });
  });

  it.each(['', ' '])('nothing: %j', (text) => expect(parseMass(text, []).kind).toBe('empty'));
  it.each(['abc', '12 lb', '-5', '0', '99999999', '1e3', '6.1.2'])('%s is refused', (text) =>
    expect(parseMass(text, []).kind).toBe('refused'),
  );

  it('far from its like it is asked about, with what the digits may have been', () => {
    const like = [612_000, 613_000, 611_500];
    expect(parseMass('613.9', like).kind).toBe('understood');
    expect(parseMass('162.4', like)).toMatchObject({
      kind: 'question',
      value: 162_400,
      isBegun: false,
      options: [{ value: 612_400 }],
    });
    expect(['6', '61', '59'].map((t) => parseMass(t, like))).toMatchObject([
      { isBegun: true },
      { isBegun: true },
      { isBegun: true },
    ]);
    expect(['7', '55', '6.1', '61 g'].map((t) => parseMass(t, like))).toMatchObject(
      Array.from({ length: 4 }, () => ({ kind: 'question', isBegun: false })),
    );
    expect(parseMass('6124', like)).toMatchObject({ kind: 'question', options: [{ value: 612_400 }] });
    expect(parseMass('21.6', like)).toMatchObject({ kind: 'question', options: [{ value: 612_350 }] });
    expect(parseMass('21.6 g', like)).toMatchObject({ kind: 'question', options: [] });
    expect(parseMass('4.6', [3_900, 4_000])).toEqual({ kind: 'understood', value: 4_600 });
  });

  it('is printed to a tenth, and to a hundredth where it has one', () => {
    expect([gramsText(612_400), gramsText(612_450), gramsText(0)]).toEqual(['612.4 g', '612.45 g', '0.0 g']);
  });
});

describe('what is typed for the part on the scale', () => {
  const hears = (text: string, ...entries: Entry[]) =>
    parseWeighed(text, { part: 'piston', number: 'L1' }, weightsOf(judged(...entries)), EIGHT);

  it('the first of its kind is said alone, the next against the lightest', () => {
    expect(hears('612.4')).toMatchObject({ kind: 'understood', value: 612_400, says: '612.4 g' });
    const others = [weighed('piston', 'R1', 612), weighed('piston', 'L2', 613)];
    expect(hears('612.4', ...others)).toMatchObject({ says: '612.4 g, 0.4 g over the lightest' });
    expect(hears('611.9', ...others)).toMatchObject({ says: '611.9 g, the lightest' });
    // its own earlier weighing is not its like
    expect(hears('640', weighed('piston', 'L1', 612))).toMatchObject({ kind: 'understood', says: '640.0 g' });
  });

  it('one far from its like is asked about, and can be taken as it is', () => {
    const heard = hears('512', weighed('piston', 'R1', 612), weighed('piston', 'L2', 613));
    if (heard.kind !== 'question') throw new Error(heard.kind);
    expect(heard.options.at(-1)).toEqual({ value: 512_000, words: 'yes, 512.0 g' });
  });

  it.each([
    ['', 'empty'],
    ['heavy', 'refused'],
  ])('“%s” is %s', (text, kind) => expect(hears(text).kind).toBe(kind));
});
