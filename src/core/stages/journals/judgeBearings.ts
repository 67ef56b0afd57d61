/** What is found of the bottom end: bearings of crank and rods, end play and side clearance, held against the manual's limits. */
import type { Nm } from '../../foundation/quantity/length';
import { inspectsRods } from './rodInspection';
import { rodsOf } from '../../foundation/engine/crankcase';
import { CRANK, mainId } from '../../foundation/engine/places';
import { ROD_EXPANSION } from '../../models/heat/metals';
import { bearingPartsIn } from '../../record/fittedParts';
import { passesOf, roundOf } from '../../record/log';
import { livePasses } from '../../record/reading';
import { type Memo, ENGINE } from '../contract/memo';
import type { StageResult, Place } from '../contract/stage';
import { rangeOf, sizedOf } from '../../foundation/verdict/measuredSize';
import { CHECKS_OF_CRANK, checksOf } from './checks';
import { type BearingKind, NO_LIMITS } from './choices';
import { crankOf, throwsFrom, usualMains } from './crank';
import type {
  Engine,
  JournalsEngineResult,
  JournalsCylinderResult,
  JudgedBearing,
  JudgedCrank,
  JudgedOther,
  Pistoned,
} from './types';
import { underAt } from './fittedShells';
import { housingExpansion } from './thermalClearance';
import { judgeBearing } from './bearingClearance';
import { looksOf } from './inspection';
import { smallEndOf, sideOf, endPlayOf } from './otherClearances';

/** Mains as chosen, and never fewer than were read: a reading is not put out of sight. */
function mainsOf({ log, choices }: Engine, throws: number): number {
  const read = [...log.numbers.keys()].flatMap((id) => (id.startsWith('M') ? Number(id.slice(1)) : []));
  return Math.max(choices.journals.mains ?? usualMains(throws), ...read);
}

function bearingAt(engine: Engine, place: Place, kind: BearingKind, memo: Memo): JudgedBearing {
  const { log, choices, job } = engine;
  const { id, label, words } = place;
  const ticks = log.ticks.get(id);
  const expansion = housingExpansion(kind, choices.journals.metals, job?.surface ?? null);
  const { journals, deciding } = choices;
  const isInspected = kind === 'rod' && inspectsRods(job, choices.walk);
  const under = underAt(choices.shells, kind, id);
  const { sidedShells } = choices.walk;
  const beside = [
    label,
    ticks,
    expansion,
    journals,
    deciding,
    log.tools,
    log.accepted,
    isInspected,
    sidedShells,
    under,
  ];
  // a number's whole log first: most entries are of another one, or of its rings
  return memo('number of a bearing', id, [log.numbers.get(id), ...beside], () => {
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
    return memo('bearing', id, [...Object.values(passes), ...Object.values(rounds), ...beside], () =>
      judgeBearing({
        ...{ id, label, words, kind, passes, rounds, expansion },
        ...{ choices: journals, under },
        tools: log.tools,
        strictness: deciding,
        accepted: log.accepted,
        looks: looksOf(checksOf(kind, choices.walk), ticks, bearingPartsIn(log, id), isInspected),
      }),
    );
  });
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

/** Whether a rod is on the crank: side clearance means nothing before. Where no walk is asked for, nobody says, and it is taken as in. */
const isRodIn = ({ job, log, choices }: Engine, id: string): boolean =>
  !inspectsRods(job, choices.walk) || (log.ticks.get(id)?.has('pistonIn') ?? false);

/** What is found of a rod; its side clearance is read at `sideId`, which may be the rod beside it. */
function rodPart(engine: Engine, { id, label, piston }: Pistoned, sideId: string, memo: Memo): JournalsCylinderResult {
  const { log, choices } = engine;
  const { journals, deciding } = choices;
  const rod = bearingAt(engine, { id, label, words: `Rod ${label}` }, 'rod', memo);
  const sides = passesOf(log, sideId, 'side');
  const bushes = passesOf(log, id, 'smallEnd');
  const { pin } = piston.pin;
  const asked = { tools: log.tools, strictness: deciding, accepted: log.accepted };
  const isSideDue = isRodIn(engine, id) && isRodIn(engine, sideId);
  const from = [rod, sides, sideId, isSideDue, bushes, pin, journals, deciding, log.tools, log.accepted];
  return memo('rod', id, from, () => {
    const live = livePasses(bushes, 0);
    return {
      rod,
      sideOf: sideId,
      isSideDue,
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

const apartOf = (bearings: readonly JudgedBearing[]): Nm | null => {
  const values = bearings.flatMap((b) => b.clearance.value ?? []);
  return values.length > 1 ? rangeOf(values) : null;
};

/** Every bearing, the crank and what else is named, and of each cylinder its rod. */
export function judgeBearings(
  engine: Engine,
  cylinders: readonly Pistoned[],
  memo: Memo,
): StageResult<JournalsCylinderResult, JournalsEngineResult> {
  const { job, choices } = engine;
  if (!job)
    return {
      cylinders: new Map(),
      engine: {
        ...{ mains: [], rods: [], crank: null, along: [], others: [] },
        ...{ apart: { main: null, rod: null }, tooFarApart: { main: false, rod: false } },
      },
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
  const limit = choices.journals.spread;
  const apart = { main: apartOf(mains), rod: apartOf(all.map((p) => p.rod)) };
  const isOver = (spread: Nm | null): boolean => limit !== null && spread !== null && spread > limit;
  return {
    cylinders: new Map(parts.map(({ id, part }) => [id, part])),
    engine: memo('bottom end', ENGINE, [rods, crank, limit, ...mains, ...all, ...others], () => ({
      mains,
      others,
      rods: all.map((p) => p.rod),
      crank,
      along: crankOf(throws, count),
      apart,
      tooFarApart: { main: isOver(apart.main), rod: isOver(apart.rod) },
    })),
  };
}
