/**
 * What works out the bottom end: the bearings of crank and rods, end play and side clearance, held against what the manual
 * gives. It is loaded with a build that has one, and fitted into the stage then.
 */
import { inspectsRods } from '../assembly/choices';
import { rodsOf } from '../clocking/crankcase';
import { CRANK, mainId } from '../engine/places';
import { ROD_EXPANSION } from '../heat/metals';
import type { Expected } from '../quantity/hear';
import type { Nm, Units } from '../quantity/length';
import { near } from '../quantity/near';
import { clear, say } from '../quantity/saying';
import { bearingPartsIn } from '../record/parts';
import { passesOf, roundOf } from '../record/log';
import { livePasses } from '../record/reading';
import { type Memo, ENGINE } from '../stage/memo';
import { type Caption, type Judged, type Missing, type Outcome, type Place, counted } from '../stage/stage';
import type { Task } from '../stage/tasks';
import { rangeOf, sizedOf } from '../uncertainty/sized';
import { JOURNAL_SUBJECTS, type JournalSubject, type Working } from './subjects';
import { CHECKS_OF_CRANK, checksOf } from './checks';
import { type BearingKind, type JournalChoices, NO_LIMITS } from './choices';
import { crankOf, throwsFrom, usualMains } from './crank';
import type {
  All,
  Engine,
  HeldAgainst,
  JournalsMade,
  JournalsPart,
  JudgedBearing,
  JudgedCrank,
  JudgedOther,
  Pistoned,
  Whole,
} from './found';
import { underAt } from './fittedShells';
import { housingExpansion } from './hot';
import { isJournalRight, isLookedAt, isOpen, isSettled, journalLacks } from './settled';
import { SHELL_SPOTS, endPlayOf, journalSpots, judgedBearing, looksOf, sideOf, smallEndOf } from './judged';

/** Mains as chosen, and never fewer than were read: a reading is not put out of sight. */
function mainsOf({ log, choices }: Engine, throws: number): number {
  const read = [...log.numbers.keys()].flatMap((id) => (id.startsWith('M') ? Number(id.slice(1)) : []));
  return Math.max(choices.journals.mains ?? usualMains(throws), ...read);
}

function bearingAt(engine: Engine, place: Place, kind: BearingKind, memo: Memo): JudgedBearing {
  const { log, choices, job } = engine;
  const { id, label, words } = place;
  const passes = {
    journal: passesOf(log, id, 'journal'),
    housing: passesOf(log, id, 'housing'),
    bare: passesOf(log, id, 'bare'),
    shell: passesOf(log, id, 'shell'),
    thread: passesOf(log, id, 'thread'),
  };
  const rounds = {
    shells: roundOf(log, id, 'shells'),
    journal: roundOf(log, id, 'journal'),
    housing: roundOf(log, id, 'housing'),
  };
  const ticks = log.ticks.get(id);
  const expansion = housingExpansion(kind, choices.journals.metals, job?.surface ?? null);
  const { journals, deciding } = choices;
  const isInspected = kind === 'rod' && inspectsRods(job, choices.walk);
  const under = underAt(choices.shells, kind, id);
  const from = [
    ...Object.values(passes),
    ...Object.values(rounds),
    ...[
      label,
      ticks,
      expansion,
      journals,
      deciding,
      log.tools,
      log.accepted,
      isInspected,
      choices.walk.sidedShells,
      under,
    ],
  ];
  return memo('bearing', id, from, () =>
    judgedBearing({
      ...{ id, label, words, kind, passes, rounds, expansion },
      ...{ choices: journals, under },
      tools: log.tools,
      strictness: deciding,
      accepted: log.accepted,
      looks: looksOf(checksOf(kind, choices.walk), ticks, bearingPartsIn(log, id), isInspected),
    }),
  );
}

/** The clearances that the builder named, and those of before that were read. */
function othersIn({ log, choices }: Engine, memo: Memo): JudgedOther[] {
  const { journals, deciding } = choices;
  const named = new Map(journals.others.map((other) => [other.id, other]));
  const read = [...log.numbers.keys()].filter((id) => id.startsWith('X') && passesOf(log, id, 'other').length > 0);
  return [...new Set([...named.keys(), ...read])].map((id) => {
    const readings = passesOf(log, id, 'other');
    const { words, limits } = named.get(id) ?? { words: `Clearance ${id}, no longer on the list`, limits: NO_LIMITS };
    return memo('other', id, [readings, words, limits, deciding, log.tools, log.accepted], () => ({
      ...{ id, label: id, words },
      clearance: sideOf({
        readings,
        limits,
        ask: 'What the manual gives for it.',
        tools: log.tools,
        strictness: deciding,
        accepted: log.accepted,
      }),
    }));
  });
}

function crankAt({ job, log, choices }: Engine, memo: Memo): JudgedCrank {
  const isInspected = inspectsRods(job, choices.walk);
  const { journals, deciding } = choices;
  const readings = passesOf(log, CRANK, 'endPlay');
  const ticks = log.ticks.get(CRANK);
  return memo('crank', CRANK, [readings, ticks, journals, deciding, log.tools, log.accepted, isInspected], () => ({
    id: CRANK,
    label: 'crank',
    words: journals.thrust === null ? 'Crank' : `Crank, thrust at main ${journals.thrust}`,
    endPlay: endPlayOf({
      readings,
      limits: journals.endPlay,
      ask: 'What the manual gives for end play.',
      tools: log.tools,
      strictness: deciding,
      accepted: log.accepted,
    }),
    looks: looksOf(CHECKS_OF_CRANK, ticks, bearingPartsIn(log, CRANK), isInspected),
  }));
}

/** What is found of a rod; its side clearance is read at `sideId`, which may be the rod beside it. */
function rodPart(engine: Engine, { id, label, piston }: Pistoned, sideId: string, memo: Memo): JournalsPart {
  const { log, choices } = engine;
  const { journals, deciding } = choices;
  const rod = bearingAt(engine, { id, label, words: `Rod ${label}` }, 'rod', memo);
  const sides = passesOf(log, sideId, 'side');
  const bushes = passesOf(log, id, 'smallEnd');
  const { pin } = piston.pin;
  const asked = { tools: log.tools, strictness: deciding, accepted: log.accepted };
  const from = [rod, sides, sideId, bushes, pin, journals, deciding, log.tools, log.accepted];
  return memo('rod', id, from, () => {
    const live = livePasses(bushes, 0);
    return {
      rod,
      sideOf: sideId,
      side: sideOf({
        readings: sides,
        limits: journals.side,
        ask: 'What the manual gives for the side clearance of rods.',
        ...asked,
      }),
      smallEnd: smallEndOf(
        sizedOf(live, { expansion: ROD_EXPANSION[journals.metals.rod], tools: log.tools, shop: null }, 'least'),
        pin,
        {
          readings: live,
          limits: journals.smallEnd,
          ask: 'What the manual gives for the pin in the small end.',
          ...asked,
        },
      ),
    };
  });
}

const apartOf = (bearings: readonly JudgedBearing[]) => {
  const values = bearings.flatMap((b) => b.clearance.value ?? []);
  return values.length > 1 ? rangeOf(values) : null;
};

function judge(engine: Engine, cylinders: readonly Pistoned[], memo: Memo): Judged<JournalsPart, JournalsMade> {
  const { job, choices } = engine;
  if (!job)
    return {
      cylinders: new Map(),
      engine: { mains: [], rods: [], crank: null, along: [], apart: { main: null, rod: null }, others: [] },
    };
  const bare = cylinders.map((c) => c.id).join();
  const rods = memo('rods on the crank', ENGINE, [bare, job.engine, choices.clocking.rods], () =>
    rodsOf(cylinders, job.engine, choices.clocking.rods),
  );
  const throws = throwsFrom(rods);
  const count = mainsOf(engine, throws.length);
  const mains = Array.from({ length: count }, (_, i) =>
    bearingAt(engine, { id: mainId(i + 1), label: mainId(i + 1), words: `Main ${i + 1}` }, 'main', memo),
  );
  const crank = crankAt(engine, memo);
  const parts = cylinders.map((cylinder) => {
    const on = rods.get(cylinder.id);
    const isBehind = choices.journals.sidePer === 'throw' && on?.faces === 'rear' && on.besides !== null;
    return {
      id: cylinder.id,
      part: rodPart(engine, cylinder, isBehind ? (on.besides ?? cylinder.id) : cylinder.id, memo),
    };
  });
  const all = parts.map((p) => p.part);
  const others = othersIn(engine, memo);
  return {
    cylinders: new Map(parts.map(({ id, part }) => [id, part])),
    engine: memo('bottom end', ENGINE, [rods, crank, ...mains, ...all, ...others], () => ({
      mains,
      others,
      rods: all.map((p) => p.rod),
      crank,
      along: crankOf(throws, count),
      apart: { main: apartOf(mains), rod: apartOf(all.map((p) => p.rod)) },
    })),
  };
}

const task = (cylinder: string, subject: JournalSubject, done: boolean, spot: Task['spot'] = null) => ({
  cylinder,
  subject,
  spot,
  done,
});

/** What is read of one bearing, by the method that was chosen. */
function bearingTasks(b: JudgedBearing, { method, ...grid }: JournalChoices): Task<JournalSubject>[] {
  if (method === 'thread') return [task(b.id, 'thread', b.clearance.check !== null)];
  const spots = journalSpots(grid);
  const read = (all: JudgedBearing['journal']['spots'], spot: Task['spot']): boolean =>
    all.some((s) => s.depth === spot?.depth && s.angle === spot.angle && s.value !== null);
  const journal = spots.map((spot) => task(b.id, 'journal', read(b.journal.spots, spot), spot));
  if (method === 'with shells') return [...journal, task(b.id, 'housing', b.housing !== null)];
  return [
    ...journal,
    ...SHELL_SPOTS.map((spot) => task(b.id, 'shell', read(b.shells.spots, spot), spot)),
    task(b.id, 'bare', b.bare !== null),
  ];
}

function journalTasks({ mains, choices: { journals } }: All, cylinders: readonly Whole[]): Task<JournalSubject>[] {
  const { route, asks } = journals;
  const inOrder = (bearings: readonly JudgedBearing[]): Task<JournalSubject>[] => {
    const tasks = bearings.flatMap((b) => bearingTasks(b, journals));
    return route === 'byBearing'
      ? tasks
      : JOURNAL_SUBJECTS.flatMap((subject) => tasks.filter((t) => t.subject === subject));
  };
  return [
    ...inOrder(mains),
    ...inOrder(cylinders.map((c) => c.rod)),
    ...(asks.smallEnd ? cylinders.map((c) => task(c.id, 'smallEnd', c.smallEnd.state !== 'to do')) : []),
  ];
}

/** Whether a rod is on the crank: side clearance means nothing before. Where no walk is asked for, nobody says, and it is taken as in. */
const isRodIn = ({ job, log, choices }: All, id: string): boolean =>
  !inspectsRods(job, choices.walk) || (log.ticks.get(id)?.has('pistonIn') ?? false);

/** What is read once crank and rods are in. */
function playTasks(engine: All, cylinders: readonly Whole[]): Task<JournalSubject>[] {
  const { crank } = engine;
  const { asks } = engine.choices.journals;
  return [
    ...(asks.endPlay && crank ? [task(CRANK, 'endPlay', crank.endPlay.value !== null)] : []),
    ...(asks.side
      ? cylinders.flatMap((c) =>
          c.sideOf === c.id && cylinders.every((o) => o.sideOf !== c.id || isRodIn(engine, o.id))
            ? [task(c.id, 'side', c.side.value !== null)]
            : [],
        )
      : []),
    ...engine.others.map((o) => task(o.id, 'other', o.clearance.value !== null)),
  ];
}

const isRodSettled = (choices: JournalChoices, { rod, side, smallEnd }: JournalsPart): boolean =>
  isSettled(choices, rod) && !isOpen(choices.asks.side, side) && !isOpen(choices.asks.smallEnd, smallEnd);

function missing(engine: All, { id, sideOf: sideAt, rod, side, smallEnd }: Whole): Missing[] {
  const { journals } = engine.choices;
  const asksSide = journals.asks.side && isRodIn(engine, id) && isRodIn(engine, sideAt);
  const lacks = (is: boolean, what: string, subject: JournalSubject): Missing[] =>
    is ? [{ says: say`${what}`, subject }] : [];
  return [
    ...lacks(!rod.clearance.done, `rod bearing: ${rod.clearance.state}`, 'housing'),
    ...lacks(!isJournalRight(rod), `rod journal: ${journalLacks(rod)}`, 'journal'),
    ...lacks(isOpen(asksSide, side), `rod side clearance: ${side.state}`, 'side'),
    ...lacks(isOpen(journals.asks.smallEnd, smallEnd), `pin in the small end: ${smallEnd.state}`, 'smallEnd'),
    ...lacks(!isLookedAt(journals, rod), 'rod bearing: not looked at', 'journal'),
  ];
}

const captionOf = ({ state, value }: HeldAgainst): Caption => ({
  state,
  word: state,
  figure: value === null ? [] : [clear(value)],
});

/** A journal and its housing as a share of the bore, and how far either way. From memory: no journal is as wide as its bore. */
const OF_BORE = { share: 0.6, within: 0.35 };

const belowBore = (bore: Nm): Expected => ({
  nm: Math.round(OF_BORE.share * bore),
  within: Math.round(OF_BORE.within * bore),
  because: 'no journal is as wide as its bore',
});

/** How near a journal or a housing lies to others of its kind, and a housing over its journal. From memory. */
const NEAR_OTHERS = 250_000;
const OVER_JOURNAL = { by: 50_000, within: 150_000 };

/** What a size of a bearing should be near to: its neighbours or its journal; else under the bore. */
function expectedOf(engine: All, bearing: JudgedBearing, subject: string, units: Units): Expected | null {
  const bore = engine.job?.plannedBore ?? null;
  const isSize = subject === 'journal' || subject === 'bare' || subject === 'housing';
  return expectedNear(engine, bearing, subject, units) ?? (isSize && bore !== null ? belowBore(bore) : null);
}

function expectedNear(
  { mains, rods, choices: { journals } }: All,
  bearing: JudgedBearing,
  subject: string,
  units: Units,
): Expected | null {
  const { kind, journal } = bearing;
  const nominal = journals.bearings[kind].nominal;
  const others = (kind === 'main' ? mains : rods).filter((b) => b !== bearing);
  if (subject === 'journal') {
    const found = near(
      others.flatMap((b) => b.journal.size?.value ?? []),
      NEAR_OTHERS,
      `the other ${kind} journals read`,
      units,
    );
    return (
      found ??
      (nominal === null ? null : { nm: nominal, within: 1_500_000, because: 'that is what it measured as made' })
    );
  }
  if (subject === 'bare')
    return near(
      others.flatMap((b) => b.bare?.value ?? []),
      NEAR_OTHERS,
      `the other ${kind} housings read`,
      units,
    );
  if (subject !== 'housing') return null;
  return journal.size
    ? { nm: journal.size.value + OVER_JOURNAL.by, within: OVER_JOURNAL.within, because: 'its journal says so' }
    : near(
        others.flatMap((b) => b.housing?.value ?? []),
        NEAR_OTHERS,
        `the other ${kind} housings read`,
        units,
      );
}

const quiet = (soft: string): Outcome => ({ says: [], state: null, strong: null, soft: say`${soft}` });

function heldOutcome(what: string, held: HeldAgainst, waits: string): Outcome {
  if (held.value === null) return quiet(waits);
  return { says: say`${what} ${clear(held.value)}: `, state: held.state, strong: null, soft: [] };
}

function bearingOutcome({ clearance, journal }: JudgedBearing, subject: string): Outcome {
  if (subject !== 'journal') return heldOutcome('clearance', clearance, 'The journal makes a clearance of it.');
  if (clearance.value !== null) return heldOutcome('clearance', clearance, '');
  const { outOfRound, taper, state } = journal;
  if (outOfRound === null && taper === null) return quiet('');
  return {
    says: [
      ...(outOfRound === null ? [] : say`out of round ${clear(outOfRound)} `),
      ...(taper === null ? [] : say`taper ${clear(taper)} `),
    ],
    state: state === 'out' ? 'out' : null,
    strong: null,
    soft: [],
  };
}

export const working = {
  judge,
  lists: (engine, cylinders) => ({ journals: journalTasks(engine, cylinders), play: playTasks(engine, cylinders) }),
  progress: ({ mains, crank, others, choices: { journals: chosen } }, cylinders) =>
    counted([
      ...mains.map((b) => isSettled(chosen, b)),
      ...cylinders.map((c) => isRodSettled(chosen, c)),
      ...(chosen.asks.endPlay && crank ? [crank.endPlay.done && isLookedAt(chosen, crank)] : []),
      ...others.map((o) => o.clearance.done),
    ]),
  missing,
  caption: ({ rod }) => captionOf(rod.clearance),
  expected: (engine, cylinder, subject, units) => expectedOf(engine, cylinder.rod, subject, units),
  outcome: (_engine, { rod, side, smallEnd }, subject) =>
    subject === 'side'
      ? heldOutcome('side clearance', side, '')
      : subject === 'smallEnd'
        ? heldOutcome('pin clearance', smallEnd, 'The pin makes a clearance of it.')
        : bearingOutcome(rod, subject),
  places: ({ mains, crank, others }) => [...mains, ...(crank ? [crank] : []), ...others],
  expectedAt: (engine, { id }, subject, units) => {
    const main = engine.mains.find((b) => b.id === id);
    return main ? expectedOf(engine, main, subject, units) : null;
  },
  outcomeAt: ({ mains, crank, others }, { id }, subject) => {
    const main = mains.find((b) => b.id === id);
    if (main) return bearingOutcome(main, subject);
    const other = others.find((o) => o.id === id);
    if (other) return heldOutcome(other.words, other.clearance, '');
    return crank ? heldOutcome('end play', crank.endPlay, '') : quiet('');
  },
} satisfies Working;
