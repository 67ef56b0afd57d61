/**
 * The demo's builds: an invented workshop, invented customers and engines, none a real maker's model.
 * Between them they show every gap state and every clearance state, in both systems.
 */
import { type Spot, directionsByCount } from '../src/core/foundation/parts/spots';
import { type BoreChoices, spotsOf, STARTING_BORES } from '@/core/stages/bores/measuringPlan';
import type { BuildRecord, Entry } from '../src/core/judge/buildRecord';
import { againstOf } from '../src/core/stages/assembly/cylinderSteps';
import { judge } from '../src/core/judge/judge';
import { isJointCheck } from '../src/core/stages/assembly/checks';
import { type Step, CHECKS } from '@/core/record/stepIds';
import { type WalkChoices, WHOLE_WALK } from '../src/core/stages/assembly/walkChoices';
import { PHASE_OF } from '../src/core/stages/assembly/phases';
import { blockStepsOf } from '../src/core/stages/assembly/steps';
import { type ClockingChoices, STARTING_CLOCKING } from '../src/core/stages/clocking/choices';
import type { Joints } from '../src/core/foundation/parts/joints';
import { CHECKS_OF, CHECKS_OF_CRANK } from '../src/core/stages/journals/checks';
import type { BearingCheck } from '@/core/record/bearingChecks';
import {
  type BearingChoices,
  type GivenLimits,
  type JournalChoices,
  STARTING_JOURNALS,
} from '../src/core/stages/journals/choices';
import { journalSpots } from '../src/core/stages/journals/bearingClearance';
import { BLOCK, CRANK } from '../src/core/foundation/engine/places';
import { cylindersOf } from '../src/core/foundation/engine/engine';
import { type Nm, fromInches, fromMm, fromThou } from '../src/core/foundation/quantity/length';
import { type Adders, type Service, NO_ADDERS, NO_SERVICE } from '../src/core/models/load/service';
import { fromPressure } from '../src/core/foundation/quantity/pressure';
import { isRing } from '@/core/foundation/parts/rings';
import { type RingSet, STARTING_RING_SET } from '../src/core/stages/rings/set';
import { startingChoices } from '@/core/models/targets/papers';
import { type Instrument, instrumentKey } from '../src/core/foundation/uncertainty/instrument';
import { STARTING_INSTRUMENTS } from '../src/core/foundation/uncertainty/startingInstruments';
import { STARTING_CURVE } from '../src/core/models/charts/startingCurve';
import { NO_SIZES } from '../src/core/foundation/quantity/sizeLimits';
import { workshopChart } from './demoCharts';
import type { Job } from '../src/core/record/jobCard';
import { type BalanceChoices, STARTING_BALANCE } from '../src/core/stages/assembly/weights/choices';
import type { Tightening, WeighedPart } from '../src/core/record/benchWork';
import type { FastenerGroup } from '../src/core/stages/assembly/torque/fastenerGroups';
import type { Subject } from '../src/core/judge/registry';

/** Collects a build's entries as a day at the bench would: in order, minutes apart. */
class Day {
  readonly entries: Entry[] = [];
  private minute = 0;
  private readonly tools = new Map<Subject, string>();
  private grid = STARTING_BORES;
  private filing: { key: string; each: Nm } | null = null;

  constructor(
    private readonly start: string,
    private readonly by: string,
    private readonly slug: string,
  ) {}

  stamp(): { id: string; at: string; by: string } {
    this.minute += 2;
    return {
      id: `${this.slug}-${this.entries.length + 1}`,
      at: new Date(Date.parse(this.start) + this.minute * 60_000).toISOString(),
      by: this.by,
    };
  }

  job(value: Job): this {
    this.entries.push({ ...this.stamp(), kind: 'job', replaces: null, value });
    return this;
  }

  /** The tool that readings of a kind are taken with from now on. */
  take(subject: Subject, tool: Instrument): this {
    this.entries.push({ ...this.stamp(), kind: 'instrument', value: tool });
    this.tools.set(subject, instrumentKey(tool));
    return this;
  }

  /** The filer that rings are cut with from now on, and what each turn takes. */
  file(filer: Instrument, each: Nm): this {
    this.entries.push({ ...this.stamp(), kind: 'instrument', value: filer });
    this.filing = { key: instrumentKey(filer), each };
    return this;
  }

  rings(value: RingSet): this {
    this.entries.push({ ...this.stamp(), kind: 'ringSet', replaces: null, value });
    return this;
  }

  bores(change: Partial<BoreChoices>): this {
    this.grid = { ...STARTING_BORES, ...change };
    this.entries.push({ ...this.stamp(), kind: 'bores', replaces: null, value: this.grid });
    return this;
  }

  read(
    cylinder: string,
    subject: Subject,
    value: Nm,
    typed: string,
    upTo: Nm | null = null,
    place: Spot | null = null,
  ): this {
    const instrument = this.tools.get(subject) ?? null;
    const before = this.entries.findLast(
      (e) => e.kind === 'reading' && e.cylinder === cylinder && e.subject === subject,
    );
    const filed = isRing(subject) && before?.kind === 'reading' && value > before.value;
    if (filed && this.filing && isRing(subject))
      this.entries.push({
        ...this.stamp(),
        kind: 'cut',
        cylinder,
        ring: subject,
        filer: this.filing.key,
        count: Math.max(1, Math.round((value - before.value) / this.filing.each)),
      });
    const fit = isRing(subject)
      ? { ring: cylinder, depth: null, squaring: 'tool' as const, deburred: filed, squared: true, open: false }
      : null;
    this.entries.push({
      ...this.stamp(),
      kind: 'reading',
      cylinder,
      subject,
      place,
      value,
      upTo,
      typed,
      instrument,
      temperature: null,
      gaugeTemperature: null,
      plate: subject === 'bore' ? this.grid.plate : null,
      fit,
      zeroed: null,
      zero: null,
    });
    return this;
  }

  /** A bore spot by spot, in the order of the grid, as far as there are departures: each counts in steps from a size. */
  bore(cylinder: string, from: Nm, step: Nm, departures: number[], print: (nm: Nm) => string): this {
    departures.forEach((departure, i) => {
      const value = from + departure * step;
      this.read(cylinder, 'bore', value, print(value), null, spotsOf(this.grid)[i] ?? null);
    });
    return this;
  }

  thou(cylinder: string, subject: Subject, ...figures: (number | string)[]): this {
    for (const figure of figures) {
      const [low, high] = String(figure).split('/').map(Number);
      this.read(cylinder, subject, fromThou(low ?? 0), String(figure), high === undefined ? null : fromThou(high));
    }
    return this;
  }

  mm(cylinder: string, subject: Subject, ...figures: number[]): this {
    for (const figure of figures) this.read(cylinder, subject, fromMm(figure), String(figure));
    return this;
  }

  inches(cylinder: string, subject: Subject, figure: number): this {
    return this.read(cylinder, subject, fromInches(figure), String(figure));
  }

  bottomEnd(change: Partial<JournalChoices>): this {
    const value = { ...STARTING_JOURNALS, ...change };
    this.entries.push({ ...this.stamp(), kind: 'journals', replaces: null, value });
    return this;
  }

  /** A journal, each of its four places so many steps under a size, and the housing with its shells in. */
  bearing(place: string, from: Nm, step: Nm, under: number[], housing: Nm | null, print: (nm: Nm) => string): this {
    journalSpots(STARTING_JOURNALS).forEach((spot, i) => {
      const value = from - (under[i] ?? 0) * step;
      this.read(place, 'journal', value, print(value), null, spot);
    });
    return housing === null ? this : this.read(place, 'housing', housing, print(housing));
  }

  /** What is looked at of a bearing, or of the crank. */
  look(places: string[], checks: readonly BearingCheck[]): this {
    for (const cylinder of places)
      for (const check of checks)
        this.entries.push({
          ...this.stamp(),
          kind: 'check',
          cylinder,
          check,
          planned: null,
          found: {},
          expected: null,
        });
    return this;
  }

  strikeLast(reason: string): this {
    const at = this.entries.findLastIndex((e) => e.kind === 'reading');
    const [before, last] = [this.entries[at - 1], this.entries[at]];
    for (const entry of [before?.kind === 'cut' ? before : null, last])
      if (entry) this.entries.push({ ...this.stamp(), kind: 'void', of: entry.id, reason });
    return this;
  }

  clock(change: Partial<ClockingChoices> = {}): this {
    this.entries.push({
      ...this.stamp(),
      kind: 'clocking',
      replaces: null,
      value: { ...STARTING_CLOCKING, ...change },
    });
    return this;
  }

  /** How it is put together: the whole walk, and with what oils. */
  walk(oils: Partial<WalkChoices['oils']>, change: Partial<WalkChoices> = {}): this {
    this.entries.push({
      ...this.stamp(),
      kind: 'walk',
      replaces: null,
      value: { ...WHOLE_WALK, oils: { ...WHOLE_WALK.oils, ...oils }, ...change },
    });
    return this;
  }

  /** All steps of the walk of some cylinders, or of the engine in its phases. */
  walked(cylinders: string[]): this {
    for (const id of cylinders) {
      const now = judge({ id: 'demo', entries: this.entries });
      const steps = now.cylinders.find((c) => c.id === id)?.block.checks ?? [];
      this.check(
        [id],
        steps.map((s) => s.check),
      );
    }
    return this;
  }

  pin(cylinder: string, check: Step | null, text: string): this {
    this.entries.push({ ...this.stamp(), kind: 'pin', cylinder, check, part: null, text });
    return this;
  }

  /** Steps of some cylinders, all checks at the block unless said. */
  check(cylinders: string[], checks: readonly Step[] = CHECKS, found: Partial<Joints> = {}): this {
    // what is planned does not follow from what is ticked
    const before = judge({ id: 'demo', entries: this.entries }).cylinders;
    for (const cylinder of cylinders)
      for (const check of checks) {
        const judged = before.find((c) => c.id === cylinder);
        const isJoints = isJointCheck(check);
        this.entries.push({
          ...this.stamp(),
          kind: 'check',
          cylinder,
          check,
          planned: isJoints ? (judged?.clocking.plan?.joints ?? null) : null,
          found: isJoints ? found : {},
          expected: judged ? againstOf(check, judged.clocking) : null,
        });
      }
    return this;
  }

  /** A part of each cylinder on the scale, in grams. */
  weigh(part: WeighedPart, grams: Record<string, number>): this {
    for (const [cylinder, mass] of Object.entries(grams))
      this.entries.push({
        ...this.stamp(),
        kind: 'weighed',
        part,
        cylinder,
        value: Math.round(mass * 1000),
        typed: String(mass),
      });
    return this;
  }

  /** How masses are evened out, and what a crank is balanced to. */
  balance(value: Partial<BalanceChoices>): this {
    this.entries.push({ ...this.stamp(), kind: 'balance', replaces: null, value: { ...STARTING_BALANCE, ...value } });
    return this;
  }

  /** The fasteners of the engine, with their figures. */
  fasteners(value: FastenerGroup[]): this {
    this.entries.push({ ...this.stamp(), kind: 'fasteners', replaces: null, value });
    return this;
  }

  tighten(
    group: string,
    cylinder: string,
    fastener: number,
    what: Tightening,
    {
      torque = null,
      angle = null,
      length = null,
    }: { torque?: number | null; angle?: number | null; length?: Nm | null } = {},
  ): this {
    const done = { group, cylinder, fastener, what, torque, angle, length };
    this.entries.push({ ...this.stamp(), kind: 'tightened', ...done, typed: '' });
    return this;
  }

  /** The mains in their printed order, step by step, and a second round. */
  tightenMains(): this {
    const order = [5, 6, 7, 8, 3, 4, 9, 10, 1, 2, 11, 12];
    for (const torque of [30_000, 60_000]) for (const f of order) this.tighten('mains', BLOCK, f, 'step', { torque });
    for (const f of order) this.tighten('mains', BLOCK, f, 'angle', { angle: 90 });
    for (const f of order.slice(0, 9)) this.tighten('mains', BLOCK, f, 'second');
    return this;
  }

  /** What the crank took to turn, in N·m. */
  turn(after: 'crank' | 'piston' | 'all', cylinder: string, newtonMetres: number): this {
    this.entries.push({
      ...this.stamp(),
      kind: 'turned',
      after,
      cylinder,
      pistons: after === 'piston' ? 1 : 0,
      value: Math.round(newtonMetres * 1000),
      starts: null,
      typed: String(newtonMetres),
    });
    return this;
  }

  record(id: string): BuildRecord {
    return { id, entries: this.entries };
  }
}

/** What is done on the engine before the first piston. */
const PREPARING = blockStepsOf(WHOLE_WALK).filter((s) => PHASE_OF[s] === 'prepare');

const inMm = (nm: Nm): string => (nm / 1e6).toFixed(3);
const inInches = (nm: Nm): string => (nm / 25.4e6).toFixed(4);

/** A tool of the shop as it is taken to the bench, calibrated on a day; a filer never is. */
function tool(id: string, calibrated: string): Instrument {
  const found = STARTING_INSTRUMENTS.find((i) => i.id === id);
  if (!found) throw new Error(`no starting tool ${id}`);
  return { ...found, version: 2, calibrated: calibrated || null };
}

/** 14 psi by a turbo, cooled. */
const BOOST_14: Adders['boost'] = { by: 'turbo', pressure: fromPressure(14, 'psi'), absolute: false, cooled: true };
const forUse = (use: Service['use']): Service => ({ ...NO_SERVICE, use });

/** What a manual gives, in some unit. */
const given = (
  unit: (n: number) => Nm,
  [least, from, to, most]: [number, number, number, number],
  source: string,
): GivenLimits => ({ least: unit(least), aim: { from: unit(from), to: unit(to) }, most: unit(most), source });

const bearings = (clearance: GivenLimits, nominal: Nm, tightened: string): BearingChoices => ({
  clearance,
  nominal,
  sizes: NO_SIZES,
  tightened,
});

/** The bottom end of the five: one main tight, one rod loose, two mains and the last rod still to read. */
function tarnBottomEnd(day: Day): Day {
  const manual = 'engine manual, page 61';
  day.bottomEnd({
    thrust: 4,
    bearings: {
      main: bearings(given(fromThou, [1.2, 1.6, 2.1, 2.4], manual), fromInches(2.362), '60 lb·ft with oil'),
      rod: bearings(given(fromThou, [1.4, 1.8, 2.3, 2.6], manual), fromInches(1.889), '33 lb·ft with oil, then 90°'),
    },
    form: { outOfRound: fromThou(0.4), taper: fromThou(0.4) },
    spread: fromThou(0.6),
    endPlay: given(fromThou, [3, 4, 8, 10], manual),
    side: given(fromThou, [8, 10, 16, 18], manual),
  });
  day
    .take('journal', tool('mic-2-3in', '2026-02-16'))
    .take('housing', tool('gauge-in', '2026-02-16'))
    .take('thread', tool('thread', ''))
    .take('endPlay', tool('dial', '2026-02-16'));
  const tenth = fromInches(0.0001);
  const mains: [number, number[], number | null][] = [
    [2.362, [0, 1, 0, 1], 2.3639],
    [2.362, [1, 1, 0, 0], 2.3637],
    [2.362, [0, 0, 1, 1], 2.3629],
    [2.3618, [0, 1, 1, 0], 2.3639],
    [2.3619, [0, 0, 0, 1], null],
  ];
  mains.forEach(([size, under, housing], i) =>
    day.bearing(`M${i + 1}`, fromInches(size), tenth, under, housing === null ? null : fromInches(housing), inInches),
  );
  day.take('journal', tool('mic-1-2in', '2026-02-16')).take('housing', tool('gauge-small-in', '2026-02-16'));
  const rods: [number, number[], number | null][] = [
    [1.889, [0, 1, 0, 0], 1.8912],
    [1.889, [1, 0, 0, 1], 1.8913],
    [1.8891, [0, 0, 1, 0], 1.8913],
    [1.889, [0, 1, 1, 0], 1.8911],
    [1.8886, [0, 5, 1, 6], 1.8915],
  ];
  rods.forEach(([size, under, housing], i) =>
    day.bearing(String(i + 1), fromInches(size), tenth, under, housing === null ? null : fromInches(housing), inInches),
  );
  return day
    .thou('M3', 'thread', '1/1.5')
    .thou('crank', 'endPlay', 6, 6.2)
    .thou('1', 'side', 12)
    .thou('2', 'side', 13)
    .look(['M1', 'M2'], CHECKS_OF.main);
}

/** The bottom end of the flat four, done: read in mm, all in, looked at. */
function combeBottomEnd(day: Day): Day {
  const manual = 'engine manual, page 24';
  day.bottomEnd({
    thrust: 3,
    bearings: {
      main: bearings(given(fromMm, [0.025, 0.03, 0.05, 0.06], manual), fromMm(60), '54 N·m with oil'),
      rod: bearings(given(fromMm, [0.025, 0.03, 0.05, 0.06], manual), fromMm(52), '44 N·m with oil'),
    },
    endPlay: given(fromMm, [0.05, 0.07, 0.2, 0.25], manual),
    side: given(fromMm, [0.1, 0.15, 0.3, 0.4], manual),
  });
  day
    .take('journal', tool('mic-50-75mm', '2026-02-16'))
    .take('housing', tool('gauge-mm', '2026-02-16'))
    .take('endPlay', tool('dial', '2026-02-16'));
  const micrometre = fromMm(0.001);
  [1, 2, 3, 4, 5].forEach((n) =>
    day.bearing(`M${n}`, fromMm(59.996), micrometre, [0, n % 2, 1, 0], fromMm(60.036 + (n % 3) * 0.002), inMm),
  );
  const places = ['R1', 'R2', 'L1', 'L2'];
  places.forEach((place, i) =>
    day.bearing(place, fromMm(51.995), micrometre, [0, 1, i % 2, 1], fromMm(52.037 + i * 0.001), inMm),
  );
  day.mm('crank', 'endPlay', 0.12, 0.12);
  places.forEach((place) => day.mm(place, 'side', 0.2));
  return day
    .look(['M1', 'M2', 'M3', 'M4', 'M5'], CHECKS_OF.main)
    .look(places, CHECKS_OF.rod)
    .look([CRANK], CHECKS_OF_CRANK);
}

/** A turbocharged in-line five, metric, half filed: every gap state is in it. */
function tarn(): BuildRecord {
  const day = new Day('2026-05-04T07:10:00Z', 'KM', 'tarn').job({
    name: 'Tarn five',
    customer: 'Hollin Hillclimb',
    description: 'iron block, 2.5 litre, ring set TF-82, low-silicon forgings',
    notes: 'Boost 1.4 bar. Customer wants the same gaps as last time unless the sheet says otherwise.',
    engine: {
      layout: 'inline',
      cylinders: 5,
      bankAngle: 0,
      rotation: 'clockwise',
      numbering: { scheme: 'sequence', start: 'front', firstBank: 'left' },
    },
    units: 'imperial',
    plannedBore: fromMm(82.5),
    service: {
      ...forUse('race'),
      now: { ...NO_ADDERS, boost: { by: 'turbo', pressure: fromPressure(1.4, 'bar'), absolute: false, cooled: true } },
    },
    duty: null,
    construction: 'forged2618',
    surface: 'iron',
    elsewhere: [],
    also: ['journals'],
  });
  const choices = startingChoices('imperial');
  const sheet = { form: 'factor' as const, factor: 0.0067, from: 'sheet packed with ring set TF-82' };
  day.entries.push({
    ...day.stamp(),
    kind: 'targets',
    replaces: null,
    value: { ...choices, gaps: { ...choices.gaps, top: { sheet, manual: null, own: null } } },
  });
  const bores = [82.504, 82.506, 82.505, 82.502, 82.507];
  const pistons = [82.389, 82.39, 82.391, 82.388, 82.39];
  day
    .take('bore', tool('gauge-mm', '2026-02-16'))
    .take('piston', tool('mic-75-100mm', '2026-02-16'))
    .bores({ plate: true });
  const forms = [
    [3, 1, 2, 0, 0, -1],
    [2, 2, 1, 1, 0, 0],
    [4, 1, 2, 0, 0, 1],
    [1, 0, 1, 0, 0, -1],
    [5, 2, 3, 1, 0, 0],
  ];
  bores.forEach((bore, i) =>
    day
      .bore(String(i + 1), fromMm(bore), fromMm(0.001), forms[i] ?? [], inMm)
      .mm(String(i + 1), 'piston', pistons[i] ?? 0),
  );
  const fit = {
    axial: fromMm(1.2),
    radial: fromMm(3.1),
    grooveHeight: fromMm(1.24),
    grooveDepth: fromMm(3.5),
    mass: 9_200,
  };
  day
    .rings({
      ...STARTING_RING_SET,
      name: 'Ring set TF-82',
      top: { ...fit, metal: 'steel', finish: 'bright face', section: 'barrel', bevel: 'insideUp', mark: 'dot' },
      second: {
        ...fit,
        axial: fromMm(1.5),
        grooveHeight: fromMm(1.54),
        mass: 10_900,
        metal: 'greyIron',
        finish: 'dark',
        section: 'hook',
        bevel: 'none',
        mark: 'word',
      },
      oil: {
        axial: fromMm(2.8),
        radial: fromMm(2.9),
        grooveHeight: fromMm(2.85),
        grooveDepth: fromMm(3.4),
        mass: 12_400,
        finish: 'two rails, one expander',
      },
    })
    .file(tool('filer-hand', ''), fromThou(0.45));
  return tarnBottomEnd(day)
    .thou('1', 'top', 14.5, 20, 23)
    .thou('1', 'second', 16, 24.5)
    .thou('2', 'top', 15, 21, 22)
    .thou('2', 'second', 17, 22, 26)
    .thou('3', 'top', 13.5)
    .thou('3', 'top', 35)
    .strikeLast('misread')
    .thou('3', 'top', 18.5, 20.5)
    .thou('3', 'second', '22/24')
    .thou('4', 'top', 26)
    .thou('4', 'second', 29.5)
    .thou('1', 'upperRail', 19)
    .thou('1', 'lowerRail', 18)
    .thou('3', 'upperRail', 18)
    .clock({ school: 'frontAndBack' })
    .walk(
      {
        bore: 'light non-detergent oil',
        bearings: 'assembly oil',
        threads: 'engine oil',
        rings: 'light oil, next to none on the rings',
      },
      { clips: { kind: 'spiral', count: 4, gaps: 'down' } },
    )
    .check([BLOCK], PREPARING)
    .fasteners([
      {
        ...{ id: 'mains', words: 'Main caps', on: 'engine', count: 12, lubricant: 'engine oil', source: 'manual' },
        ...{ steps: [30_000, 60_000], angle: 90, stretch: null, measured: false },
        order: [5, 6, 7, 8, 3, 4, 9, 10, 1, 2, 11, 12],
      },
      {
        ...{ id: 'rods', words: 'Rod bolts', on: 'rods', count: 2, lubricant: 'assembly lubricant', source: 'packet' },
        ...{
          steps: [25_000],
          angle: null,
          stretch: { from: fromMm(0.127), to: fromMm(0.14) },
          order: null,
          measured: false,
        },
      },
    ])
    .tightenMains()
    .turn('crank', BLOCK, 1.5)
    .walked(['1'])
    .tighten('rods', '1', 1, 'step', { torque: 25_000 })
    .tighten('rods', '1', 2, 'step', { torque: 25_000 })
    .tighten('rods', '1', 1, 'stretch', { torque: 58_000, length: fromMm(0.112) })
    .tighten('rods', '1', 1, 'stretch', { torque: 63_000, length: fromMm(0.131) })
    .tighten('rods', '1', 2, 'stretch', { torque: 63_000, length: fromMm(0.134) })
    .turn('piston', '1', 4.5)
    .check(['2'], ['ringsFree', 'expanderButts'])
    .check(['2'], ['jointsBefore'], { second: 162 })
    .pin('3', 'clips', 'wait for the second spiral of piston 3')
    .record('demo-tarn-five');
}

/** A V10 in inches, measured: every clearance state is in it, and no ring is filed yet. */
function corrie(): BuildRecord {
  const job: Job = {
    name: 'Corrie V10',
    customer: 'Fell & Ghyll Motorworks, stock',
    description: '90° aluminium block, plated bores, high-silicon forgings',
    notes: '',
    engine: {
      layout: 'vee',
      cylinders: 10,
      bankAngle: 90,
      rotation: 'clockwise',
      numbering: { scheme: 'alternate', start: 'front', firstBank: 'left' },
    },
    units: 'imperial',
    plannedBore: fromInches(3.78),
    service: forUse('street'),
    duty: null,
    construction: 'forged4032',
    surface: 'plated',
    elsewhere: [],
    also: [],
  };
  const day = new Day('2026-05-11T08:00:00Z', 'AW', 'corrie').job(job);
  day.entries.push({ ...day.stamp(), kind: 'chart', replaces: null, value: workshopChart });
  day
    .take('bore', tool('gauge-in', '2026-02-16'))
    .take('piston', tool('mic-3-4in', '2025-04-10'))
    .bores({ plate: true });
  const clearances = [3.1, 3.4, 2.7, 3.0, 2.2, 4.1, 5.6, 3.2];
  const tenths = [4, 10, 2, 12, 0, 18, 24, 8];
  const forms = [
    [2, 1, 1, 0, 0, 0],
    [1, 1, 1, 0, 0, 1],
    [3, 0, 1, 0, 0, -1],
    [2, 2, 1, 1, 0, 0],
  ];
  cylindersOf(job.engine).forEach((cylinder, i) => {
    const clearance = clearances[i];
    if (clearance === undefined) return;
    const bore = 3.78 + (tenths[i] ?? 0) * 0.0001;
    day
      .bore(cylinder.id, fromInches(Number(bore.toFixed(4))), fromInches(0.0001), forms[i % 4] ?? [], inInches)
      .inches(cylinder.id, 'piston', Number((bore - clearance / 1000).toFixed(4)));
  });
  const ninth = cylindersOf(job.engine)[8];
  if (ninth) day.bore(ninth.id, fromInches(3.7806), fromInches(0.0001), [2, 1, 1], inInches);
  const each = (base: number, tenths: readonly number[]): Record<string, number> =>
    Object.fromEntries(
      cylindersOf(job.engine).flatMap((c, i) => {
        const over = tenths[i];
        return over === undefined ? [] : [[c.id, Number((base + over / 10).toFixed(1))]];
      }),
    );
  return day
    .weigh('piston', each(398.4, [0, 6, 11, 3, 14, 8, 2, 19, 5, 9]))
    .weigh('pin', each(112.6, [7, 0, 3, 9, 4, 2, 11, 1, 6, 5]))
    .weigh('clips', each(2.2, [0, 0, 1, 0, 0, 1, 0, 0, 0, 0]))
    .weigh('rings', each(38.9, [2, 1, 0, 3, 1, 2, 0, 2, 1, 1]))
    .weigh('smallEnd', each(171.2, [5, 0, 9, 3, 2, 12, 4, 8, 1, 6]))
    .weigh('bigEnd', each(402.1, [3, 0, 4, 2, 5, 11, 1, 3, 2, 0]))
    .balance({ shells: 41_300, oil: 4_000 })
    .clock({
      facts: {
        ...STARTING_CLOCKING.facts,
        intake: 'inboard',
        pockets: [
          { valve: 'intake', at: 262, out: fromMm(24), across: fromMm(42) },
          { valve: 'exhaust', at: 80, out: fromMm(26), across: fromMm(36) },
        ],
      },
      rods: { ...STARTING_CLOCKING.rods, numbers: 'outboard' },
      own: [{ cylinder: 'R2', joints: { lowerRail: 267 } }],
    })
    .record('demo-corrie-v10');
}

/** A flat four, metric, finished. */
function combe(): BuildRecord {
  const job: Job = {
    name: 'Combe flat four',
    customer: 'R. Oakhanger',
    description: '2.1 litre, towing, cast pistons, first oversize',
    notes: 'Returned for a re-ring after long service. Bores honed to the pistons.',
    engine: {
      layout: 'flat',
      cylinders: 4,
      bankAngle: 180,
      rotation: 'clockwise',
      numbering: { scheme: 'bankByBank', start: 'front', firstBank: 'right' },
    },
    units: 'metric',
    plannedBore: fromMm(94.25),
    service: forUse('marine'),
    duty: null,
    construction: 'cast',
    surface: 'iron',
    elsewhere: [],
    also: ['journals'],
  };
  const day = new Day('2026-04-20T07:30:00Z', 'KM', 'combe').job(job);
  const figures: [number, number, number, number][] = [
    [94.252, 94.178, 0.5, 0.55],
    [94.251, 94.177, 0.51, 0.54],
    [94.254, 94.179, 0.5, 0.56],
    [94.252, 94.177, 0.52, 0.55],
  ];
  const places = cylindersOf(job.engine).map((c) => c.id);
  day
    .take('bore', tool('gauge-mm', '2026-02-16'))
    .take('piston', tool('mic-75-100mm', '2026-02-16'))
    .bores({ plate: true });
  const forms = [
    [2, 1, 1, 0, 0, 0],
    [1, 0, 1, 1, 0, 0],
    [2, 2, 2, 1, 0, 0],
    [1, 1, 0, 0, 0, -1],
  ];
  places.forEach((place, i) => {
    const [bore, piston, top, second] = figures[i] ?? [0, 0, 0, 0];
    day
      .bore(place, fromMm(bore), fromMm(0.001), forms[i] ?? [], inMm)
      .mm(place, 'piston', piston)
      .mm(place, 'top', 0.38, top)
      .mm(place, 'second', 0.4, second);
    day.mm(place, 'upperRail', 0.45).mm(place, 'lowerRail', 0.5);
  });
  return combeBottomEnd(day)
    .clock({ school: 'highAndLow' })
    .walk({ bore: 'engine oil', bearings: 'assembly oil', threads: 'engine oil', rings: 'engine oil' })
    .check([BLOCK], PREPARING)
    .walked(places)
    .check(
      [BLOCK],
      blockStepsOf(WHOLE_WALK).filter((s) => PHASE_OF[s] === 'engine'),
    )
    .record('demo-combe-flat-four');
}

/** A V-twin not begun: its piston is not said yet, so the tool asks. */
function scarp(): BuildRecord {
  return new Day('2026-05-18T09:00:00Z', 'AW', 'scarp')
    .job({
      name: 'Scarp V-twin',
      customer: 'Lonnen Cycles',
      description: '1.2 litre air-cooled twin',
      notes: 'Pistons on order.',
      engine: {
        layout: 'vee',
        cylinders: 2,
        bankAngle: 52,
        rotation: 'clockwise',
        numbering: { scheme: 'lettered', start: 'front', firstBank: 'right' },
      },
      units: 'metric',
      plannedBore: fromMm(96),
      service: forUse('street'),
      duty: null,
      construction: null,
      surface: null,
      elsewhere: [],
      also: [],
    })
    .record('demo-scarp-v-twin');
}

/** An in-line six with a high-ring piston: targets only, with the classic mistake called out. */
function beck(): BuildRecord {
  return new Day('2026-05-20T09:00:00Z', 'JT', 'beck')
    .job({
      name: 'Beck six',
      customer: 'Thwaite Plant Hire',
      description: 'pump engine, hypereutectic pistons with a high top ring',
      notes: '',
      engine: {
        layout: 'inline',
        cylinders: 6,
        bankAngle: 0,
        rotation: 'anticlockwise',
        numbering: { scheme: 'sequence', start: 'rear', firstBank: 'left' },
      },
      units: 'imperial',
      plannedBore: fromInches(4),
      service: forUse('race'),
      duty: null,
      construction: 'hypereutectic',
      surface: 'iron',
      elsewhere: [],
      also: [],
    })
    .record('demo-beck-six');
}

/** A turbocharged triple near the line between two rows, with more planned: what belongs side by side is in it. */
function linn(): BuildRecord {
  const day = new Day('2026-05-21T09:00:00Z', 'JT', 'linn').job({
    name: 'Linn triple',
    customer: 'Borrow & Stang',
    description: 'iron block, sold as a road engine; nitrous promised for next season',
    notes: 'Rear cylinder runs hottest: fitted a thou looser.',
    engine: {
      layout: 'inline',
      cylinders: 3,
      bankAngle: 0,
      rotation: 'clockwise',
      numbering: { scheme: 'sequence', start: 'front', firstBank: 'left' },
    },
    units: 'imperial',
    plannedBore: fromInches(3.31),
    service: {
      ...forUse('street'),
      now: { ...NO_ADDERS, boost: BOOST_14 },
      later: { ...NO_ADDERS, boost: BOOST_14, nitrous: { shots: [30], share: null, cylinders: null } },
    },
    duty: null,
    construction: 'forged4032',
    surface: 'iron',
    elsewhere: [],
    also: [],
  });
  day.entries.push({ ...day.stamp(), kind: 'chart', replaces: null, value: STARTING_CURVE });
  const allowances = [
    { cylinder: '3', gap: fromThou(1), clearance: fromThou(0.5), reason: 'rear cylinder runs hottest' },
  ];
  day.entries.push({
    ...day.stamp(),
    kind: 'targets',
    replaces: null,
    value: { ...startingChoices('imperial'), allowances },
  });
  return day.record('demo-linn-triple');
}

/** A worn in-line four before boring: read in three directions 60° apart, and the next size to be found. */
function mere(): BuildRecord {
  const day = new Day('2026-05-22T07:40:00Z', 'AW', 'mere').job({
    name: 'Mere four',
    customer: 'Sallow Growers',
    description: 'pump engine, iron block, standard bore 3.625 in, long in service',
    notes: 'Burns oil. Bores as found; pistons to be bought in the next size.',
    engine: {
      layout: 'inline',
      cylinders: 4,
      bankAngle: 0,
      rotation: 'clockwise',
      numbering: { scheme: 'sequence', start: 'front', firstBank: 'left' },
    },
    units: 'imperial',
    plannedBore: fromInches(3.625),
    service: forUse('marine'),
    duty: null,
    construction: 'cast',
    surface: 'iron',
    elsewhere: [],
    also: [],
  });
  day
    .take('bore', tool('gauge-in', '2026-02-16'))
    .bores({ directions: directionsByCount(3), ridge: true, basis: 'used', plate: false });
  const worn = [
    [2, 62, 41, 38, 40, 29, 27, 18, 14, 12],
    [1, 48, 33, 35, 32, 24, 25, 15, 12, 13],
    [3, 71, 66, 30, 48, 45, 24, 22, 19, 11],
    [2, 18, 13, 14, 14, 10, 11, 9, 6, 7],
  ];
  worn.forEach((departures, i) =>
    day.bore(String(i + 1), fromInches(3.6253), fromInches(0.0001), departures, inInches),
  );
  return day.record('demo-mere-four');
}

let demo: readonly BuildRecord[] | null = null;

/** The builds of the invented workshop; made once, for that takes seconds. */
export const demoRecords = (): readonly BuildRecord[] =>
  (demo ??= [combe(), tarn(), corrie(), scarp(), beck(), linn(), mere()]);
