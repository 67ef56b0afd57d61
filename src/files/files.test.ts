import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { shortBlockOf } from '@/core/judge/shortBlock';
import { startingShells } from '@/core/stages/journals/choices';
import { NO_SERVICE } from '@/core/models/load/service';
import { messageText } from '@/core/foundation/quantity/message';
import { judge } from '@/core/judge/judge';
import { pairingOf } from '@/core/stages/pistons/pairing';
import type { Entry } from '@/core/judge/buildRecord';
import { STARTING_CLOCKING } from '@/core/stages/clocking/choices';
import { STARTING_RING_SET } from '@/core/stages/rings/set';
import { fromMm, fromThou } from '@/core/foundation/quantity/length';
import { startingChoices } from '@/core/models/targets/papers';
import { STARTING_INSTRUMENTS } from '@/core/foundation/uncertainty/startingInstruments';
import { boreReading, gap, jobEntry, largeRecord, reading, record, voiding } from '@/fixtures/records';
import { demoRecords } from '../../scripts/demoRecords';
import { FILE_FORMAT, MOST_BYTES, readBuildFile, writeBuildFile } from './buildFile';
import { writeCsv } from './buildCsv';
import { STARTING_BENCH, STARTING_PLACING } from '@/core/stages/rings/choices';

const textOf = (file: unknown): string => JSON.stringify(file);
const faults = (text: string): string => {
  const read = readBuildFile(text);
  return read.ok ? '' : read.faults.join('\n');
};
const good = writeBuildFile(record(gap('a', 'L1', 'top', 22), voiding('v', 'a')));

describe('the build file', () => {
  it.each([...demoRecords(), largeRecord(1_000)])('reads back in to the same record: $id', (given) => {
    expect(readBuildFile(textOf(writeBuildFile(given)))).toEqual({ ok: true, record: given });
  });

  it('carries the results, so that another program can check them', () => {
    const judged = writeBuildFile(record(gap('a', 'L1', 'top', 18))).judged as {
      cylinders: {
        id: string;
        rings: {
          top: { state: string; reading: string; toComeOff: unknown; target: { inForce: { working: string[] } } };
        };
      }[];
    };
    const { top } = judged.cylinders[0]?.rings ?? {};
    expect(top).toMatchObject({ state: 'short', reading: 'a', toComeOff: { toAim: fromThou(3) } });
    expect(top?.target.inForce.working).toEqual([
      'planned bore 4.0650 in × 0.005 = 0.02033 in, up to the next step → 21 thou',
    ]);
  });

  it('carries what is to be known, worst first', () => {
    const judged = writeBuildFile(record(gap('a', 'L1', 'top', 18))).judged as {
      findings: { severity: string; says: string }[];
    };
    expect(judged.findings[0]).toMatchObject({
      severity: 'stop',
      cylinder: 'L1',
      says: expect.stringContaining('18 thou'),
    });
    expect(judged.findings).toHaveLength(judge(record(gap('a', 'L1', 'top', 18))).findings.length);
  });

  it('reads a file of version 1, which knows no power adder, chart, wall or own figure, and fills them in', () => {
    const without = (whole: object, ...keys: string[]): object =>
      Object.fromEntries(Object.entries(whole).filter(([key]) => !keys.includes(key)));
    const card = without((record().entries[0] as Extract<Entry, { kind: 'job' }>).value, 'service', 'surface');
    const papers = { sheet: { form: 'minimum', min: fromThou(24), from: 'sheet' }, manual: null };
    const choices = without(startingChoices('imperial'), 'allowances');
    const targets = {
      ...choices,
      gaps: { top: papers, second: { sheet: null, manual: null }, rails: { sheet: null, manual: null } },
      clearance: { sheet: null, manual: null },
    };
    const stamp = { at: '2026-05-04T09:00:00.000Z', by: '', replaces: null };
    const old = {
      format: 'spatium-build',
      version: 1,
      record: {
        id: 'old',
        entries: [
          { ...stamp, id: 'j', kind: 'job', value: { ...card, duty: 'race' } },
          { ...stamp, id: 't', kind: 'targets', value: targets },
        ],
      },
    };
    const read = readBuildFile(textOf(old));
    const judged = read.ok ? judge(read.record) : null;
    expect(judged).toMatchObject({
      job: { duty: 'race', surface: null },
      choices: { targets: { allowances: [] }, chart: { id: 'starting', version: 1 } },
      planned: { top: { inForce: { aimFrom: fromThou(24) } }, second: { inForce: { aimFrom: fromThou(26) } } },
    });
  });

  it('reads a file of version 2, whose readings say less and whose bench kept a gauge setting', () => {
    const stamp = { at: '2026-05-04T09:00:00.000Z', by: 'AB' };
    const entries = [
      jobEntry(),
      {
        ...stamp,
        id: 'b',
        kind: 'bench',
        replaces: null,
        value: { route: 'byRing', rails: true, gaugeSetting: 103_000_000 },
      },
      {
        ...stamp,
        id: 'r',
        kind: 'reading',
        cylinder: 'L1',
        subject: 'bore',
        value: 103_251_000,
        upTo: null,
        typed: '4065',
        instrument: 'an old gauge',
        temperature: 21,
      },
    ];
    const read = readBuildFile(textOf({ format: 'spatium-build', version: 2, record: { id: 'old', entries } }));
    const judged = read.ok ? judge(read.record) : null;
    expect(judged?.choices.bench).toEqual({ ...STARTING_BENCH, route: 'byRing', rails: true });
    expect(judged?.cylinders[0]?.bore).toMatchObject({
      size: { noted: 'one' },
      passes: [{ place: null, plate: null, gaugeTemperature: null, instrument: 'an old gauge' }],
    });
  });

  it('what was weighed, tightened and turned is in the table in its own columns: grams, newton metres, degrees', async () => {
    const stamp = { at: '2026-05-04T09:00:00.000Z', by: 'KM', typed: '' };
    const bolt = { kind: 'tightened', group: 'g', cylinder: 'L1', fastener: 2, length: null, ...stamp } as const;
    const entries: Entry[] = [
      jobEntry(),
      { ...stamp, id: 'w', kind: 'weighed', part: 'piston', cylinder: 'L1', value: 612_400 },
      { ...bolt, id: 's', what: 'step', torque: 61_012, angle: null },
      { ...bolt, id: 'd', what: 'angle', torque: null, angle: 90 },
      { ...bolt, id: 'l', what: 'stretch', torque: 61_012, angle: null, length: fromThou(5) },
      { ...stamp, id: 't', kind: 'turned', after: 'piston', cylinder: 'L1', pistons: 1, value: 6_101, starts: 9_000 },
    ];
    const { data } = Papa.parse<Record<string, string>>(await writeCsv(judge({ id: 'bench', entries })), {
      header: true,
    });
    const of = (entry: string) => data.find((row) => row.entry === entry && row.by === 'KM');
    expect(of('weighed')).toMatchObject({ cylinder: '1', what: 'mass piston', mass_g: '612.400' });
    expect(of('tightened step')).toMatchObject({ what: 'g 2', torque_nm: '61.012', angle_deg: '' });
    expect(of('tightened angle')).toMatchObject({ torque_nm: '', angle_deg: '90' });
    expect(of('tightened stretch')).toMatchObject({ value_mm: '0.127000', value_in: '0.0050000' });
    expect(of('turned')).toMatchObject({ torque_nm: '6.101', note: 'to start 9.000 N·m' });
    expect(data.find((row) => row.what === 'set mass' && row.cylinder === '1')).toMatchObject({ mass_g: '612.400' });
  });

  it('carries cuts, a ring set, a placing and what was accepted, and they come back the same', async () => {
    const stamp = { at: '2026-05-04T09:00:00.000Z', by: 'AB' };
    const entries: Entry[] = [
      jobEntry(),
      { ...stamp, id: 's', kind: 'ringSet', replaces: null, value: { ...STARTING_RING_SET, name: 'packet 12' } },
      { ...stamp, id: 'p', kind: 'placing', replaces: null, value: STARTING_PLACING },
      {
        ...stamp,
        id: 't',
        kind: 'rate',
        filer: 'hand',
        metal: 'steel',
        sums: { cuts: 1, xx: 100, xy: 1_270_000, yy: 127_000 ** 2 },
      },
      gap('a', 'L1', 'top', 12),
      { ...stamp, id: 'c', kind: 'cut', cylinder: 'L1', ring: 'top', filer: 'hand.1', count: 40 },
      {
        ...reading('b', 'L1', 'top', fromThou(30)),
        fit: { ring: 'L1', depth: null, squaring: 'tool', deburred: true, squared: true, open: false },
      },
      { ...stamp, id: 'y', kind: 'accepted', of: 'b', what: null, state: 'over', reason: 'agreed' },
    ];
    const written = writeBuildFile({ id: 'rings', entries });
    expect(readBuildFile(textOf(written))).toEqual({ ok: true, record: { id: 'rings', entries } });
    const judged = written.judged as { cylinders: unknown[]; rates: unknown };
    expect(judged.cylinders[0]).toMatchObject({
      rings: { top: { state: 'over', done: true, accepted: { reason: 'agreed' }, taken: [{ id: 'c', count: 40 }] } },
    });
    expect(judged.rates).toMatchObject([
      { filer: 'hand', metal: 'steel', own: { cuts: 0 } },
      { filer: 'hand', metal: 'unknown', own: { cuts: 1 } },
    ]);
    const csv = await writeCsv(judge({ id: 'rings', entries }));
    expect(csv).toMatch(/top,[^\n]*cut,[^\n]*,40,/);
    const early = [jobEntry(), entries[7], ...entries.slice(4, 7)];
    expect(readBuildFile(textOf({ ...written, record: { id: 'rings', entries: early } }))).toMatchObject({
      ok: false,
      faults: [expect.stringMatching(/accepts b, which is no earlier reading/) as string],
    });
  });

  it('carries what the bores came to, and which readings stand for each spot', () => {
    const bore = [
      boreReading('a', 'L1', 'top', 90, 103_251_000),
      boreReading('b', 'L1', 'top', 90, 103_253_000),
      boreReading('c', 'L1', 'bottom', 90, 103_247_000),
    ];
    const judged = writeBuildFile(record(...bore)).judged as {
      cylinders: {
        bore: { spots: { readings: string[] }[]; shape: { taper: { thrust: { value: number; working: string[] } } } };
      }[];
    };
    const [first] = judged.cylinders;
    expect(first?.bore.spots.map((s) => s.readings).filter((r) => r.length > 0)).toEqual([['a', 'b'], ['c']]);
    expect(first?.bore.shape.taper.thrust).toMatchObject({
      value: 5_000,
      working: ['4.0650 in (top) − 4.0648 in (bottom) = 0.00020 in'],
    });
  });

  it('reads shells that version 11 had planned: not ordered; and its builds are asked for the six checks', () => {
    const stamp = { at: '2026-05-04T09:00:00.000Z', by: 'AB' };
    const planned = { place: 'M3', upper: 'more', lower: 'std' };
    const shells = { ...startingShells('imperial'), planned: [planned] };
    const entries = [jobEntry(), { ...stamp, id: 's', kind: 'shells', replaces: null, value: shells }];
    const read = readBuildFile(textOf({ format: FILE_FORMAT, version: 11, record: { id: 'old', entries } }));
    if (!read.ok) throw new Error(read.faults.join());
    expect(read.record.entries[1]).toMatchObject({ value: { planned: [{ ...planned, ordered: null }] } });
    expect(judge(read.record).choices.walk.asks).toBe('checks');
  });

  it('reads every version so far, and none to come', () => {
    const of = (version: number) => readBuildFile(textOf({ ...good, version }));
    for (let version = 1; version <= good.version; version += 1) expect(of(version).ok, `${version}`).toBe(true);
    expect([of(0).ok, of(good.version + 1).ok]).toEqual([false, false]);
  });

  it('counts fuel and altitude of versions before 15, which did not say whether it may', () => {
    const { otherFuels, always, ...before } = { ...NO_SERVICE, use: 'street', fuel: 'methanol', altitude: 1_500 };
    const job = { ...(jobEntry() as { value: object }).value, service: before };
    const entries = [{ ...jobEntry(), value: job }];
    const read = readBuildFile(textOf({ format: FILE_FORMAT, version: 14, record: { id: 'old', entries } }));
    if (!read.ok) throw new Error(read.faults.join());
    const { load, job: known } = { ...judge(read.record).duty, job: judge(read.record).job };
    expect(known?.service).toMatchObject({ otherFuels, always: { fuel: !always.fuel, altitude: !always.altitude } });
    expect(load.set && load.now.shares.map((s) => s.counted)).toEqual([true, true]);
    expect(readBuildFile(textOf(writeBuildFile(read.record)))).toEqual(read);
  });

  it('carries the verdict on the short block, the same as the screen shows', () => {
    const whole = record();
    const { judged } = writeBuildFile(whole) as {
      judged: { shortBlock: { isReady: boolean; open: { says: string }[] } };
    };
    const shown = shortBlockOf(judge(whole));
    expect(judged.shortBlock.isReady).toBe(shown.isReady);
    expect(judged.shortBlock.open.map((o) => o.says)).toEqual(
      shown.open.map((o) => messageText(o.says, judge(whole).job?.units ?? 'metric')),
    );
    expect(shown.open.length).toBeGreaterThan(8);
  });

  it('reads the clocking and the ticks of versions 1 to 4: what they lack is as it starts, and a tick is a check before the compressor', () => {
    const stamp = { at: '2026-05-04T09:00:00.000Z', by: 'AB' };
    const entries = [
      jobEntry(),
      { ...stamp, id: 'c', kind: 'clocking', replaces: null, value: { school: 'frontAndBack', mirrorLeft: false } },
      { ...stamp, id: 'j', kind: 'joints', cylinder: 'L2' },
      { ...stamp, id: 'v', kind: 'void', of: 'j', reason: 'not so' },
    ];
    const read = readBuildFile(textOf({ format: FILE_FORMAT, version: 4, record: { id: 'old', entries } }));
    if (!read.ok) throw new Error(read.faults.join());
    const [, clocking, tick] = read.record.entries;
    expect(clocking).toMatchObject({ value: { ...STARTING_CLOCKING, school: 'frontAndBack', mirrorLeft: false } });
    expect(tick).toEqual({
      ...stamp,
      id: 'j',
      kind: 'check',
      cylinder: 'L2',
      check: 'jointsBefore',
      planned: null,
      found: {},
      expected: null,
    });
    const again = readBuildFile(textOf(writeBuildFile(read.record)));
    expect(again).toEqual(read);
  });

  it.each<[string, object, object | null, string, number]>([
    ['no adder', { kind: 'none' }, null, 'street', 0.0045],
    ['14 psi', { kind: 'turbo', boost: 96_527 }, null, 'boostLow', 0.006],
    ['1.4 bar', { kind: 'supercharger', boost: 140_000 }, null, 'boostHigh', 0.0067],
    ['a shot', { kind: 'nitrous', shots: [150], cylinders: null }, null, 'nitrousLow', 0.006],
    ['two stages in four', { kind: 'nitrous', shots: [100, 150], cylinders: 4 }, null, 'nitrousHigh', 0.007],
    [
      'one planned on top',
      { kind: 'turbo', boost: 96_527 },
      { kind: 'nitrous', shots: [100, 150], cylinders: 4 },
      'nitrousHigh',
      0.007,
    ],
  ])(
    'versions 1 to 7 said one adder: %s keeps its row, and its targets to the nanometre',
    (_, now, later, row, factor) => {
      const service = { use: 'street', fuel: 'ethanol', now, later };
      const entry = jobEntry({ plannedBore: fromMm(101.6) });
      const old = { ...entry, value: { ...(entry as { value: object }).value, service } };
      const read = readBuildFile(textOf({ format: FILE_FORMAT, version: 7, record: { id: 'old', entries: [old] } }));
      if (!read.ok) throw new Error(read.faults.join());
      const { planned, duty, job } = judge(read.record);
      expect(duty.wanted).toBe(row);
      expect(planned?.top.set && planned.top.inForce.least).toBe(Math.round(fromMm(101.6) * factor));
      expect(job?.service).toMatchObject({ fuel: 'e85', altitude: 0, basePower: null, cooling: 'water' });
      expect(job?.service.always).toEqual({ fuel: true, altitude: true });
      if (later) expect(job?.service.later).toMatchObject({ boost: { pressure: 96_527 }, nitrous: { cylinders: 4 } });
      expect(readBuildFile(textOf(writeBuildFile(read.record)))).toEqual(read);
    },
  );

  it('refuses a plan that cannot be: angles past the circle, a cylinder twice, a pocket without width', () => {
    const clocking = (change: object): string =>
      textOf({
        ...good,
        record: {
          id: 'x',
          entries: [
            jobEntry(),
            {
              id: 'c',
              at: '2026-05-04T09:00:00.000Z',
              by: '',
              kind: 'clocking',
              replaces: null,
              value: { ...STARTING_CLOCKING, ...change },
            },
          ],
        },
      });
    expect(faults(clocking({ own: [{ cylinder: 'L1', joints: { top: 360 } }] }))).toMatch(
      /own\.0\.joints\.top: under 360°/,
    );
    expect(
      faults(
        clocking({
          own: [
            { cylinder: 'L1', joints: {} },
            { cylinder: 'L1', joints: {} },
          ],
        }),
      ),
    ).toMatch(/each cylinder once/);
    expect(
      faults(
        clocking({ facts: { ...STARTING_CLOCKING.facts, pockets: [{ valve: 'intake', at: 0, out: 0, across: 0 }] } }),
      ),
    ).toMatch(/more than nothing/);
    expect(
      faults(
        clocking({
          rules: { ...STARTING_CLOCKING.rules, pinEnds: { ...STARTING_CLOCKING.rules.pinEnds, limit: 200 } },
        }),
      ),
    ).toMatch(/at most 180°/);
    expect(faults(clocking({ school: 'elsewhere' }))).toMatch(/school/);
  });

  it('trusts no result in a file: they are worked out again', () => {
    expect(readBuildFile(textOf({ ...good, judged: { lie: true } }))).toMatchObject({ ok: true });
    expect(readBuildFile(textOf({ ...good, judged: undefined }))).toMatchObject({ ok: true });
  });

  it.each<[string, string, RegExp]>([
    ['nothing', '', /not JSON, or it was cut short/],
    ['a truncated file', textOf(good).slice(0, -40), /cut short/],
    ['a picture', '\u0089PNG\r\n', /not JSON/],
    ['a foreign file', '{"format":"other"}', /not a Spatium build file/],
    ['a list', '[1,2,3]', /not a Spatium build file/],
    ['null', 'null', /not a Spatium build file/],
    ['a later version', textOf({ ...good, version: 99 }), /version 99; this program reads versions 1 to 16/],
    ['an unknown field', textOf({ ...good, record: { ...good.record, extra: 1 } }), /Unrecognized key/],
    [
      'a negative gap',
      textOf({ ...good, record: record(reading('a', 'L1', 'top', -5)) }),
      /record\.entries\.1\.value: not negative/,
    ],
    [
      'a bore of nothing',
      textOf({ ...good, record: record(reading('a', 'L1', 'bore', 0)) }),
      /record\.entries\.1\.value: there is no bore of 0 mm/,
    ],
    [
      'a gap of 100 mm',
      textOf({ ...good, record: record(reading('a', 'L1', 'top', fromMm(100))) }),
      /record\.entries\.1\.value: there is no ring end gap of 100 mm/,
    ],
    ['text for a number', textOf(good).replace(String(fromThou(22)), '"22"'), /record\.entries\.1\.value/],
    [
      'a fraction of a nanometre',
      textOf({ ...good, record: record(reading('a', 'L1', 'top', 0.5)) }),
      /whole number of nanometres/,
    ],
    [
      'a bracket upside down',
      textOf({ ...good, record: record(reading('a', 'L1', 'top', fromThou(16), fromThou(15))) }),
      /larger than the one that goes/,
    ],
    ['a reading of no cylinder', textOf({ ...good, record: record(gap('a', 'L9', 'top', 22)) }), /no cylinder at L9/],
    [
      'an id used twice',
      textOf({ ...good, record: record(gap('a', 'L1', 'top', 22), gap('a', 'L1', 'top', 23)) }),
      /id a is used twice/,
    ],
    [
      'an answer for nothing',
      textOf({
        ...good,
        record: record({ id: 'f', at: '2026-05-04T09:00:00.000Z', by: '', kind: 'filed', of: 'ghost', was: true }),
      }),
      /answers for ghost/,
    ],
    ['a void of nothing', textOf({ ...good, record: record(voiding('v', 'ghost')) }), /voids ghost/],
    [
      'a void of the job card',
      textOf({ ...good, record: record(voiding('v', 'job-1')) }),
      /only what was read, cut, answered, accepted, checked, pinned, renewed, weighed/,
    ],
    ['no job card', textOf({ ...good, record: { id: 'x', entries: [gap('a', 'L1', 'top', 22)] } }), /no job card/],
    [
      'an engine that cannot be',
      textOf({
        ...good,
        record: {
          id: 'x',
          entries: [
            jobEntry({
              engine: {
                layout: 'vee',
                cylinders: 40,
                bankAngle: 400,
                rotation: 'clockwise',
                numbering: { scheme: 'sequence', start: 'front', firstBank: 'left' },
              },
            }),
          ],
        },
      }),
      /cylinders/,
    ],
    ['a file too large', ' '.repeat(MOST_BYTES + 1), /larger than 64 MB/],
  ])('%s is refused, saying what is wrong', (_, text, says) => {
    expect(faults(text)).toMatch(says);
  });

  it('cuts a long list of faults and counts the rest', () => {
    const broken = record(...Array.from({ length: 100 }, (_, i) => voiding(`v${i}`, `ghost-${i}`)));
    expect(
      faults(textOf({ ...good, record: broken }))
        .split('\n')
        .at(-1),
    ).toBe('and 70 more');
  });

  it('says a fault that many entries share once', () => {
    const broken = record(...Array.from({ length: 100 }, (_, i) => reading(`r${i}`, 'L1', 'top', -1)));
    expect(faults(textOf({ ...good, record: broken }))).toMatch(
      /^record\.entries\.1\.value: .* \(and in 99 other places\)$/,
    );
    const strange = {
      ...good,
      record: { ...record(), ...Object.fromEntries(Array.from({ length: 700 }, (_, i) => [`key${i}`, 1])) },
    };
    expect(faults(textOf(strange)).length).toBeLessThan(400);
  });
});

describe('the CSV', () => {
  const rows = (text: string): Record<string, string>[] =>
    Papa.parse<Record<string, string>>(text, { header: true }).data;

  it('has a row for every reading, voided ones too, and for every result', async () => {
    const judged = judge(record(gap('a', 'L1', 'top', 35), voiding('v', 'a'), gap('b', 'L1', 'top', 22)));
    const top = rows(await writeCsv(judged)).filter((r) => r.cylinder === '1' && r.what === 'top');
    expect(top.map((r) => [r.entry, r.value_in, r.in_force, r.void_reason, r.state])).toEqual([
      ['reading', '0.0350000', 'no', 'misread', ''],
      ['reading', '0.0220000', 'yes', '', ''],
      ['result', '0.0220000', '', '', 'in window'],
    ]);
    expect(rows(await writeCsv(judged)).filter((r) => r.entry === 'result')).toHaveLength(8 * 7);
  });

  it('says where in a bore, with what, how warm and with which torque plate a reading was taken', async () => {
    const [tool] = STARTING_INSTRUMENTS;
    if (!tool) throw new Error('no tool');
    const named: Entry = { kind: 'instrument', id: 't', at: '2026-05-04T09:00:00.000Z', by: '', value: tool };
    const taken = {
      ...boreReading('a', 'L1', 'top', 90, 103_251_000),
      instrument: `${tool.id}.1`,
      temperature: 23,
      gaugeTemperature: 22,
      plate: true,
    };
    const all = rows(await writeCsv(judge(record(named, taken))));
    expect(all.find((r) => r.entry === 'reading')).toMatchObject({
      what: 'bore',
      depth: 'top',
      direction_deg: '90',
      instrument: tool.name,
      temperature_c: '23',
      gauge_temperature_c: '22',
      torque_plate: 'on',
      in_force: 'yes',
    });
    expect(all.find((r) => r.what === 'bore' && r.entry === 'result')).toMatchObject({
      state: 'part read',
      uncertainty_mm: expect.stringMatching(/^0\.00\d+$/) as string,
    });
  });

  it.each(['=1+1', '+1', '-1', '@SUM(A1)', '\tx', '\rx'])(
    'keeps %j from running as a formula (published: OWASP, CSV injection)',
    async (text) => {
      const judged = judge({
        id: 'x',
        entries: [jobEntry(), { ...reading('a', 'L1', 'top', fromThou(22)), typed: text, by: text }],
      });
      const row = rows(await writeCsv(judged)).find((r) => r.entry === 'reading');
      expect(row?.typed).toBe(`'${text}`);
      expect(row?.by).toBe(`'${text}`);
    },
  );

  it('survives commas, quotes and line ends in what people typed', async () => {
    const judged = judge({
      id: 'x',
      entries: [jobEntry(), { ...reading('a', 'L1', 'top', fromThou(22)), typed: 'a,"b"\nc' }],
    });
    expect(rows(await writeCsv(judged)).find((r) => r.entry === 'reading')?.typed).toBe('a,"b"\nc');
  });
});

describe('the demo', () => {
  const states = demoRecords().flatMap((r) => judge(r).cylinders);

  it('shows every gap state and every clearance state, in both systems', () => {
    expect(new Set(states.flatMap((c) => Object.values(c.rings).map((ring) => ring.state)))).toEqual(
      new Set(['to do', 'short', 'in window', 'loose', 'over', 'not proven']),
    );
    expect(new Set(states.map((c) => c.clearance.state))).toEqual(
      new Set(['to do', 'tight', 'in window', 'loose', 'over', 'not proven']),
    );
    expect(new Set(demoRecords().map((r) => judge(r).job?.units))).toEqual(new Set(['imperial', 'metric']));
  });

  it('shows every verdict on a bore that can be mended, and pistons that gain by swapping', () => {
    const bores = new Set(states.map((c) => c.bore.verdict.state));
    for (const state of ['to do', 'within', 'not proven', 'hone', 'next size'] as const) expect(bores).toContain(state);
    const gains = demoRecords()
      .map((r) => pairingOf(judge(r).pairing.ask))
      .filter((p) => p.kind === 'found' && p.after.worst < p.before.worst);
    expect(gains.length).toBeGreaterThan(0);
  });

  it('has one not begun, one half filed and one finished', () => {
    const share = demoRecords()
      .map((r) => judge(r).progress)
      .map((p) => p.done / p.total);
    expect(Math.max(...share)).toBe(1);
    expect(share.some((s) => s > 0.4 && s < 0.9)).toBe(true);
    expect(share.some((s) => s < 0.3)).toBe(true);
  });
});
