/** What is to be known of the bottom end. */
import { CRANK } from '../../foundation/engine/places';
import type { Nm } from '../../foundation/quantity/length';
import { type Message, clear, say, size, sizeOrClearance } from '../../foundation/quantity/message';
import { acceptedWords, lapsedWords } from '../../record/reading';
import { type Finding, type Severity, about } from '../contract/finding';
import { chanceWords } from '../../foundation/verdict/decide';
import { clearanceIsDone } from '../../models/clearance/clearance';
import { fittedAt } from './fittedShells';
import type { BearingKind, JournalChoices, PlannedShells } from './choices';
import type { All, JudgedFigure, JudgedBearing, Whole } from './types';

interface Named {
  /** E.g. `Main 3: clearance`. */
  what: string;
  why: { tight: string; loose: string };
  place: string | null;
}

/** Readings that cannot all be true. */
const disagreeing = ({ what, place }: Named, { disagreements, accepted }: JudgedFigure): Finding[] =>
  accepted
    ? []
    : disagreements.map(({ what: of, least, most }) =>
        about(
          'mend',
          'journals',
          place,
          say`${what}: ${of} readings disagree, ${sizeOrClearance(least)} and ${sizeOrClearance(most)}. The one that leaves less room counts. Read it twice more, or strike out the wrong one.`,
        ),
      );

/** Of a figure that is held against what it may be. */
function heldFindings(named: Named, held: JudgedFigure): Finding[] {
  const { what, why, place } = named;
  const { value, state, target, accepted, chance, uncertainty } = held;
  const at = (severity: Severity, says: ReturnType<typeof say>): Finding => about(severity, 'journals', place, says);
  const apart = [
    ...disagreeing(named, held),
    ...(held.lapsed ? [at('note', say`${what}:${lapsedWords(held.lapsed)}`)] : []),
  ];
  if (value === null || !target.set) return apart;
  const { least, most } = target.inForce;
  if (accepted && !clearanceIsDone(state))
    return [at('note', say`${what} ${clear(value)} is ${state}, ${acceptedWords(accepted)}.`)];
  if (state === 'tight')
    return [at('stop', say`${what} ${clear(value)} is under ${clear(least)}: ${why.tight}`), ...apart];
  if (state === 'over' && most !== null)
    return [at('mend', say`${what} ${clear(value)} is over ${clear(most)}: ${why.loose}`), ...apart];
  if (state === 'not proven' && apart.length === 0)
    return [
      at(
        'mend',
        say`${what} ${clear(value)} ± ${clear(uncertainty)} against a least of ${clear(least)}: the chance that it is too tight is ${chanceWords(chance ?? 0)}. Read it again, with finer tools if there are any.`,
      ),
    ];
  return apart;
}

const BEARING_WHY = {
  tight: 'a film this thin breaks. Thinner shells, or look for dirt behind them.',
  loose: 'oil runs out at it. Thicker shells, or the next undersize.',
};

/** What of a journal is past its limits. */
function journalOut(
  { words, journal: { outOfRound, taper, least, limits: sizes, size: thickest } }: JudgedBearing,
  { form }: JournalChoices,
): Message {
  const over = (figure: Nm | null, most: Nm | null): figure is Nm => figure !== null && most !== null && figure > most;
  const faults = [
    ...(over(outOfRound, form.outOfRound) ? [say`out of round by ${clear(outOfRound)}`] : []),
    ...(over(taper, form.taper) ? [say`tapered by ${clear(taper)}`] : []),
    ...(least !== null && sizes.least !== null && least < sizes.least
      ? [say`${size(least)} where it is thinnest, under ${size(sizes.least)}`]
      : []),
    ...(over(thickest?.value ?? null, sizes.most)
      ? [say`${size(thickest?.value ?? 0)} where it is thickest, over ${size(sizes.most ?? 0)}`]
      : []),
  ];
  return say`${words}: its journal is ${faults.reduce<Message>((all, fault, i) => (i === 0 ? fault : say`${all}, and ${fault}`), [])}, past its limits: grind to the next undersize, or accept it with a reason.`;
}

function bearingFindings(b: JudgedBearing, choices: JournalChoices): Finding[] {
  const place = b.id;
  const { words, clearance, journal } = b;
  const { check, value, otherwise, uncertainty } = clearance;
  const at = (severity: Severity, says: ReturnType<typeof say>): Finding => about(severity, 'journals', place, says);
  if (value !== null && value < 0)
    return [
      at('stop', say`${words}: its journal reads ${clear(-value)} larger than what it runs in. Read both again.`),
    ];
  return [
    ...heldFindings({ what: `${words}: clearance`, why: BEARING_WHY, place }, clearance),
    ...(check && value !== null && !check.agrees
      ? [
          at(
            'mend',
            say`${words}: measured and crushed thread do not agree: the thread says ${clear(check.low)} to ${clear(check.high)}, the measures ${clear(clearance.by === 'thread' ? (otherwise ?? value) : value)} ± ${clear(uncertainty)}. One of them is off: was the crank turned, was it dry, was the cap tight?`,
          ),
        ]
      : []),
    ...(clearance.by !== 'thread' &&
    otherwise !== null &&
    value !== null &&
    Math.abs(otherwise - value) > 2 * uncertainty
      ? [
          at(
            'mend',
            say`${words}: with its shells in it comes to ${clear(clearance.by === 'with shells' ? value : otherwise)}, measured apart to ${clear(clearance.by === 'apart' ? value : otherwise)}: more than the tools explain.`,
          ),
        ]
      : []),
    ...(journal.state === 'out'
      ? [
          journal.accepted
            ? at('note', say`${words}: its journal is out of its limits, ${acceptedWords(journal.accepted)}.`)
            : at('mend', say`${journalOut(b, choices)}${journal.lapsed ? lapsedWords(journal.lapsed) : ''}`),
        ]
      : []),
  ];
}

/** Clearances of a kind that lie further apart than they may, and mains that are looser than rods. */
function setFindings({ mains, rods, apart, tooFarApart, choices: { journals } }: All): Finding[] {
  const at = (says: ReturnType<typeof say>): Finding => about('note', 'journals', null, says);
  const most = journals.spread;
  const spread = (['main', 'rod'] as const satisfies readonly BearingKind[]).flatMap((kind) => {
    const found = apart[kind];
    return most !== null && found !== null && tooFarApart[kind]
      ? [
          at(
            say`${kind === 'main' ? 'Mains' : 'Rods'} lie ${clear(found)} apart in clearance, more than ${clear(most)}: one half of another grade may bring them together.`,
          ),
        ]
      : [];
  });
  const values = (of: readonly JudgedBearing[]) =>
    of.flatMap((b) =>
      b.clearance.value === null
        ? []
        : [{ words: b.words, value: b.clearance.value, uncertainty: b.clearance.uncertainty }],
    );
  const [main] = values(mains).sort((a, b) => b.value - a.value);
  const [rod] = values(rods).sort((a, b) => a.value - b.value);
  const isStarved =
    journals.mainsNoLooser &&
    main !== undefined &&
    rod !== undefined &&
    main.value - rod.value > Math.hypot(main.uncertainty, rod.uncertainty);
  return isStarved
    ? [
        ...spread,
        at(
          say`${main.words} is looser (${clear(main.value)}) than ${rod.words.toLowerCase()} (${clear(rod.value)}): oil that leaves at the mains never reaches the rods.`,
        ),
      ]
    : spread;
}

/** Shells that were decided on and are not in yet. */
function waitingFindings({ choices: { shells }, mains, rods }: All): Finding[] {
  const isOther = (p: PlannedShells): boolean => {
    const now = fittedAt(shells, p.place);
    return p.upper !== now.upper || p.lower !== now.lower;
  };
  const waiting = (isOrdered: boolean): string[] =>
    [...mains, ...rods]
      .filter((b) => shells.planned.some((p) => p.place === b.id && (p.ordered !== null) === isOrdered && isOther(p)))
      .map((b) => b.words.toLowerCase());
  return [false, true].flatMap((isOrdered) => {
    const words = waiting(isOrdered);
    return words.length > 0
      ? [
          about(
            'note',
            'journals',
            null,
            say`Other shells are ${isOrdered ? 'ordered' : 'planned, and not ordered yet,'} for ${words.join(', ')}: measure again once they are fitted.`,
          ),
        ]
      : [];
  });
}

/**
 * What is to be known of the bottom end.
 *
 * @example findings(demo, demo.cylinders).length // 5
 */
export function findings(engine: All, cylinders: readonly Whole[]): Finding[] {
  const { crank } = engine;
  if (!crank) return [];
  return [
    ...engine.mains.flatMap((b) => bearingFindings(b, engine.choices.journals)),
    ...heldFindings(
      {
        what: 'Crank: end play',
        why: { tight: 'the thrust faces run dry.', loose: 'new thrust washers.' },
        place: CRANK,
      },
      crank.endPlay,
    ),
    ...engine.others.flatMap((o) =>
      heldFindings(
        {
          what: o.words,
          why: { tight: 'less than the manual asks for.', loose: 'more than the manual allows.' },
          place: o.id,
        },
        o.clearance,
      ),
    ),
    ...cylinders.flatMap((c) => [
      ...bearingFindings(c.rod, engine.choices.journals),
      ...(c.sideOf === c.id
        ? heldFindings(
            {
              what: `Rod ${c.label}: side clearance`,
              why: { tight: 'it takes no oil and binds.', loose: 'it throws oil on the bores.' },
              place: c.id,
            },
            c.side,
          )
        : []),
      ...heldFindings(
        {
          what: `Rod ${c.label}: pin in the small end`,
          why: { tight: 'the pin seizes. Hone the bush to its pin.', loose: 'the pin knocks: a new bush.' },
          place: c.id,
        },
        c.smallEnd,
      ),
    ]),
    ...setFindings(engine),
    ...waitingFindings(engine),
  ];
}
