/** What is to be known of bores: their verdicts, what their shapes say, readings that stand apart, the torque plate. */
import type { Cylinder } from '../../foundation/engine/engine';
import { outlierOf, NEAR } from '../../foundation/quantity/outlier';
import type { Nm } from '../../foundation/quantity/length';
import { type Message, fine, say, size } from '../../foundation/quantity/message';
import { type LoggedReading, acceptedWords, lapsedWords, isLive, livePasses } from '../../record/reading';
import { type Finding, type Severity, about } from '../contract/finding';
import type { BoresCylinderResult } from './types';
import { ABOVE, spotWords } from '../../foundation/parts/spots';
import type { BoreChoices } from './measuringPlan';
import type { EngineContext } from '../contract/stage';
import type { Supplied } from './suppliedSizes';
import type { Tools } from '../../foundation/verdict/measuredSize';
import type { SizeLimits } from '../../foundation/quantity/sizeLimits';
import { boreIsDone } from './verdict';

type Measured = Cylinder & BoresCylinderResult;

/** A measured bore this far from the plan is worth a look: 0.25 mm. From memory. */
const OFF_PLAN: Nm = 250_000;
/** A lean of the wear under this is common. From memory. */
const LEAN = 20;

/** Sayings in one, a semicolon between them. */
export const joined = (sayings: Message[]): Message =>
  sayings.reduce<Message>((all, s, i) => (i === 0 ? s : say`${all}; ${s}`), []);

/** What to do about a reading that lies apart: the slip that would explain it, where one does. */
export const slipWords = (slip: string | null): string =>
  slip === null ? 'Read it again.' : `A slip would explain it: ${slip}. Strike it out and read it again.`;

function verdictFindings({ label, id, bore }: Measured): Finding[] {
  const { state, reasons } = bore.verdict;
  const at = (severity: Severity, says: Message): Finding[] => [about(severity, 'bores', id, says)];
  const why = say`${joined(reasons)}.${bore.lapsed ? lapsedWords(bore.lapsed) : ''}`;
  if (bore.accepted && !boreIsDone(state))
    return at('note', say`Cylinder ${label}, bore ${state}, ${acceptedWords(bore.accepted)}. ${why}`);
  if (state === 'not proven') return at('mend', say`Cylinder ${label}, bore not proven: ${why}`);
  if (state === 'hone') return at('mend', say`Cylinder ${label}, bore to be honed: ${why}`);
  if (state === 'next size') return at('mend', say`Cylinder ${label}, bore to the next size: ${why}`);
  return state === 'out' ? at('stop', say`Cylinder ${label}, bore out: ${why}`) : [];
}

function shapeFindings({ label, id, bore }: Measured): Finding[] {
  const { shape } = bore;
  if (!shape) return [];
  const out: Finding[] = [];
  const oval = shape.depths.find((d) => d.oval?.understated);
  if (oval?.oval)
    out.push(
      about(
        'note',
        'bores',
        id,
        say`Cylinder ${label}: largest − smallest reading says ${fine(oval.most - oval.least)} out-of-round, and understates it. The oval through them is ${fine(oval.oval.total)}, longest at ${oval.oval.direction.toFixed(0)}°.`,
      ),
    );
  const { lean, ridge } = shape;
  if (lean && Math.abs(lean.degrees) - lean.uncertainty > LEAN)
    out.push(
      about(
        'note',
        'bores',
        id,
        say`Cylinder ${label}: direction of wear ${Math.abs(lean.degrees).toFixed(0)}° ± ${lean.uncertainty.toFixed(0)}° ${lean.degrees > 0 ? 'clockwise' : 'anticlockwise'} from square to the crank. Wear is normally worst there: look for a bent rod, or a bore out of square.`,
      ),
    );
  if (ridge && ridge.value > ridge.uncertainty)
    out.push(
      about(
        'note',
        'bores',
        id,
        say`Cylinder ${label}: a ridge of ${fine(ridge.value)} on the diameter above ring travel. It is cut away before a new ring can strike it.`,
      ),
    );
  return out;
}

function spotFindings({ label, id, bore }: Measured): Finding[] {
  const at = (says: Message, severity: Severity = 'mend'): Finding => about(severity, 'bores', id, says);
  const { shape } = bore;
  const live = bore.spots.flatMap((s) => (s.value === null || s.depth === ABOVE ? [] : [{ spot: s, value: s.value }]));
  const far = shape !== null && shape.largest.value - Math.min(...live.map((l) => l.value)) > NEAR.bore;
  const away = (far ? live : []).flatMap(({ spot, value }) => {
    const counting = spot.passes.filter((p) => p.voided === null);
    const typed = counting.at(-1)?.typed ?? '';
    const outlier = outlierOf(
      value,
      typed,
      live.flatMap((l) => (l.spot === spot ? [] : [l.value])),
      NEAR.bore,
    );
    return outlier
      ? [
          at(
            say`Cylinder ${label}, ${spotWords(spot)}: ${size(value)} is ${fine(Math.abs(outlier.off))} off the rest of the bore. ${slipWords(outlier.slip)}`,
            // read again and found the same, it is so
            counting.length > 1 && !spot.disagreement ? 'note' : 'mend',
          ),
        ]
      : [];
  });
  const apart = bore.spots.flatMap((s) =>
    s.disagreement
      ? [
          at(
            say`Cylinder ${label}, ${spotWords(s)}: readings disagree by ${fine(s.disagreement.most - s.disagreement.least)}; the smaller counts. Rock the gauge and read it twice more, or strike out the wrong one.`,
          ),
        ]
      : [],
  );
  const alone = bore.size?.disagreement;
  return [
    ...away,
    ...apart,
    ...(alone
      ? [
          at(
            say`Cylinder ${label}: sizes of its bore disagree, ${size(alone.least)} and ${size(alone.most)}; the smaller counts. Read it twice more, or strike out the wrong one.`,
          ),
        ]
      : []),
  ];
}

/** A telescoping gauge is measured over each time: of two spots it can tell less than a bore may be out of true. */
function coarseFindings(cylinders: readonly Measured[], { limits, basis }: BoreChoices, tools: Tools): Finding[] {
  const { within } = limits[basis];
  const coarse = cylinders.flatMap((cylinder) => {
    const { taper, outOfRound } = cylinder.bore.shape ?? {};
    const told = Math.max(taper?.thrust?.uncertainty ?? 0, outOfRound?.uncertainty ?? 0);
    const isSnap = counting(cylinder).some(({ instrument }) => tools.get(instrument ?? '')?.kind === 'telescoping');
    return isSnap && told > Math.min(within.taper, within.outOfRound) ? [{ label: cylinder.label, told }] : [];
  });
  const [first] = coarse;
  if (!first) return [];
  const least = Math.min(within.taper, within.outOfRound);
  return [
    about(
      'note',
      'bores',
      null,
      say`Bore ${coarse.map((c) => c.label).join(', ')}: a telescoping gauge tells taper and out-of-round to ± ${fine(first.told)}. It cannot show ${fine(least)}. Read them with a dial bore gauge.`,
    ),
  ];
}

/** What the directions that were read cannot see: one word for the build, of the bores that were read in fewest. */
function directionFindings(cylinders: readonly Measured[]): Finding[] {
  const read = cylinders.flatMap(({ bore: { shape, verdict } }) =>
    verdict.state === 'within' && shape !== null ? [Math.max(...shape.depths.map((d) => d.directions))] : [],
  );
  const fewest = Math.min(...read);
  if (fewest >= 3) return [];
  return [
    about(
      'note',
      'bores',
      null,
      fewest === 1
        ? say`Bores are within limits in the one direction that was read. Out-of-round is not known: read a second direction, or three 60° apart to see any oval.`
        : say`Bores are within limits in the two directions that were read. Two cannot see an oval whose axes lie between them; three, 60° apart, see any.`,
    ),
  ];
}

/** Readings of the bore that count now. */
const counting = ({ bore }: Measured): LoggedReading[] => livePasses(bore.passes, bore.round);

/** Whether the torque plate was on. */
function plateFindings(cylinders: readonly Measured[], { basis }: BoreChoices): Finding[] {
  const placed = cylinders.map((c) => ({
    cylinder: c,
    plates: new Set(
      counting(c)
        .filter((p) => p.place !== null)
        .map((p) => p.plate),
    ),
  }));
  const mixed = placed
    .filter(({ plates }) => plates.has(true) && plates.has(false))
    .map(({ cylinder }) =>
      about(
        'mend',
        'bores',
        cylinder.id,
        say`Cylinder ${cylinder.label}: some readings were taken with the torque plate on and some without. A bore changes shape when the head is bolted on: they do not belong together.`,
      ),
    );
  const all = placed.flatMap(({ plates }) => [...plates]);
  if (all.length === 0 || basis === 'used') return mixed;
  if (all.every((p) => p === null))
    return [
      ...mixed,
      about(
        'note',
        'bores',
        null,
        say`Torque plate not entered. Without one, half a thou to a thou of distortion is not seen.`,
      ),
    ];
  return all.every((p) => p === false)
    ? [
        ...mixed,
        about(
          'note',
          'bores',
          null,
          say`Read without a torque plate: with the head bolted on, the bores may differ by half a thou to a thou from these readings.`,
        ),
      ]
    : mixed;
}

/** Of one bore, held against the planned size. */
function boreFindings(cylinder: Measured, planned: Nm | null, sizes: SizeLimits): Finding[] {
  const { bore, label, id } = cylinder;
  const off = bore.size && planned !== null && Math.abs(bore.size.value - planned) > OFF_PLAN ? bore.size.value : null;
  const isInNone = bore.size !== null && sizes.classes.length > 0 && bore.sizeClass === null;
  return [
    ...verdictFindings(cylinder),
    ...(isInNone
      ? [
          about(
            'note',
            'bores',
            id,
            say`Cylinder ${label}: bore ${size(bore.size?.value ?? 0)} is in none of the size classes.`,
          ),
        ]
      : []),
    ...shapeFindings(cylinder),
    ...spotFindings(cylinder),
    ...(off === null || planned === null
      ? []
      : [
          about(
            'note',
            'bores',
            id,
            say`Cylinder ${label}: bore ${size(off)} is ${fine(Math.abs(off - planned))} from the planned ${size(planned)}.`,
          ),
        ]),
  ];
}

/** Ordered and reported this far apart is worth a word: 0.0005 in. From memory. */
const OFF_ORDER: Nm = 12_700;

/**
 * What was found of a part, against what was reported of it, and that against what was ordered.
 *
 * @example suppliedFindings('bores', 'L1', 'Bore 1', cylinder.boreSupplied, cylinder.bore.size).length // 0
 */
export function suppliedFindings(
  stage: 'bores' | 'pistons',
  cylinder: string,
  what: string,
  { by, ordered, reported, against }: Supplied,
  found: { value: Nm; uncertainty: Nm } | null,
): Finding[] {
  if (reported === null) return [];
  const who = by === '' ? '' : ` by ${by}`;
  const larger = (off: Nm): string => (off > 0 ? 'larger' : 'smaller');
  return [
    ...(against && !against.agrees && found
      ? [
          about(
            'mend',
            stage,
            cylinder,
            say`${what} was reported as ${size(reported)}${who} and is found as ${size(found.value)} ± ${fine(found.uncertainty)}: ${fine(Math.abs(against.off))} ${larger(against.off)}. What is found counts; read it again, and ask.`,
          ),
        ]
      : []),
    ...(ordered !== null && Math.abs(reported - ordered) > OFF_ORDER
      ? [
          about(
            'note',
            stage,
            cylinder,
            say`${what} was ordered as ${size(ordered)} and is reported as ${size(reported)}${who}: ${fine(Math.abs(reported - ordered))} ${larger(reported - ordered)}.`,
          ),
        ]
      : []),
  ];
}

/** Readings from a zero in a bore: of none that has a size yet, or of one that was set anew before it had. */
function unsizedFindings(cylinders: readonly Measured[]): Finding[] {
  const waiting = cylinders.filter((c) => c.bore.relative !== null);
  const lost = cylinders.filter(({ bore }) =>
    bore.passes.some((p) => p.unsized && isLive(p, bore.round) && p.zero !== bore.relative?.zero),
  );
  const names = (some: readonly Measured[]): string => some.map((c) => c.label).join(', ');
  return [
    ...(waiting.length > 0
      ? [
          about(
            'note',
            'bores',
            null,
            say`Bore ${names(waiting)}: read from a zero that has no size yet. Squeeze the gauge in the micrometer until it shows nought, and type here and what that reads.`,
          ),
        ]
      : []),
    ...(lost.length > 0
      ? [
          about(
            'mend',
            'bores',
            null,
            say`Bore ${names(lost)}: some readings are from a zero that was set anew before it had a size. They do not count: read them again.`,
          ),
        ]
      : []),
  ];
}

/** That nobody says what bores came to that are not measured here: one word for the build. */
function unsaidFindings(cylinders: readonly Measured[]): Finding[] {
  const unsaid = cylinders.filter((c) => !c.boreSupplied.here && !c.bore.size && c.boreSupplied.reported === null);
  return unsaid.length === 0
    ? []
    : [
        about(
          'note',
          'bores',
          null,
          say`Not measured here, and no size is reported of ${unsaid.length === cylinders.length ? 'any bore' : `cylinder ${unsaid.map((c) => c.label).join(', ')}`}: targets stand on the planned bore.`,
        ),
      ];
}

/**
 * What is to be known of bores.
 *
 * @example findings(demo, demo.cylinders).length // 1
 */
export const findings = (
  { job, choices, log }: EngineContext<{ bores: BoreChoices }>,
  cylinders: readonly Measured[],
): Finding[] => [
  ...cylinders.flatMap((c) => boreFindings(c, job?.plannedBore ?? null, choices.bores.sizes)),
  ...directionFindings(cylinders),
  ...coarseFindings(cylinders, choices.bores, log.tools),
  ...plateFindings(cylinders, choices.bores),
  ...cylinders.flatMap((c) => suppliedFindings('bores', c.id, `Bore ${c.label}`, c.boreSupplied, c.bore.size)),
  ...unsaidFindings(cylinders),
  ...unsizedFindings(cylinders),
];
