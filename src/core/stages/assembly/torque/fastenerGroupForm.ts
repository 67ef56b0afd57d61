/** A group of fasteners: what is wrong with it, and what was typed of it. */
import { type Faults, faultsAmong } from '../../../foundation/quantity/faults';
import { printLength } from '../../../foundation/quantity/format';
import type { Nm, Units } from '../../../foundation/quantity/length';
import { parseLengths } from '../../../foundation/quantity/parseLengths';
import { parseTorques, torqueText } from '../../../foundation/quantity/torque';
import { type FastenerGroup, MOST_FASTENERS, MOST_STEPS, MOST_USES } from './fastenerGroups';

/** The most stretch that a bolt is given, nm. From memory. */
export const MOST_STRETCH: Nm = 5_000_000;
/** The most degrees after the last torque. From memory. */
export const MOST_ANGLE = 720;

const isOrder = (order: number[], count: number): boolean =>
  order.length === count && order.toSorted((a, b) => a - b).every((n, i) => n === i + 1);

/**
 * What is wrong with a group.
 *
 * @example
 *   groupFaults({ id: 'g', words: 'Caps', on: 'engine', count: 2, lubricant: '', source: '', steps: [60_000],
 *   angle: null, stretch: null, order: null, measured: false })
 *   // { lubricant: 'Enter the lubricant that the figure is given for.' }
 */
export function groupFaults({ words, count, lubricant, steps, angle, stretch, order }: FastenerGroup): Faults {
  const isLess = steps.some((step, i) => step <= (steps[i - 1] ?? 0));
  return faultsAmong({
    words: words.trim() === '' && 'Enter a name.',
    lubricant: lubricant.trim() === '' && 'Enter the lubricant that the figure is given for.',
    steps:
      steps.length > MOST_STEPS
        ? `At most ${MOST_STEPS} steps.`
        : isLess
          ? 'Each step must be more than the one before.'
          : steps.length === 0 && !stretch && 'Enter a torque or a stretch.',
    stretch: stretch && stretch.from >= stretch.to && 'Enter two figures: the least, then the most.',
    angle: angle !== null && stretch !== null && 'Enter an angle or a stretch, not both.',
    order: order && !isOrder(order, count) && `Enter each number from 1 to ${count} once.`,
  });
}

/** A group as it is typed. */
export interface TypedGroup {
  /** What its figures are typed in, whatever is shown meanwhile. */
  units: Units;
  words: string;
  on: FastenerGroup['on'];
  count: string;
  lubricant: string;
  source: string;
  steps: string;
  angle: string;
  stretch: string;
  order: string;
  measured: boolean;
  /** New, used, or not set; and how often they were tightened before. */
  state: 'new' | 'used' | 'unset';
  used: string;
}

/**
 * A group as a form shows it, in the shop's units.
 *
 * @example
 *   typedGroup({ id: 'g', words: 'Caps', on: 'engine', count: 2, lubricant: 'oil', source: '', steps: [60_000],
 *   angle: null, stretch: null, order: null, measured: false }, 'metric').steps // '60'
 */
export function typedGroup(group: FastenerGroup, units: Units): TypedGroup {
  const bare = (text: string): string => text.replace(/ .*$/, '');
  const fine = (nm: Nm): string => printLength(nm, units, 'clearance').number;
  return {
    units,
    words: group.words,
    on: group.on,
    count: String(group.count),
    lubricant: group.lubricant,
    source: group.source,
    steps: group.steps.map((s) => bare(torqueText(s, units))).join(' '),
    angle: group.angle === null ? '' : String(group.angle),
    stretch: group.stretch ? `${fine(group.stretch.from)} ${fine(group.stretch.to)}` : '',
    order: group.order?.join(' ') ?? '',
    measured: group.measured,
    state: group.used === undefined ? 'unset' : group.used === 0 ? 'new' : 'used',
    used: group.used === undefined || group.used === 0 ? '' : String(group.used),
  };
}

const numbersIn = (text: string): number[] =>
  text
    .trim()
    .split(/[\s,;]+/)
    .filter(Boolean)
    .map(Number);

/** A whole number of a range as it is typed; null where it is none. */
function wholeIn(text: string, least: number, most: number): number | null {
  const number = Number(text.trim());
  return text.trim() !== '' && Number.isInteger(number) && number >= least && number <= most ? number : null;
}

/** A stretch as it is typed; null for none, a sentence where it cannot be. */
function parseStretch(text: string, units: Units): FastenerGroup['stretch'] | string {
  if (text.trim() === '') return null;
  const lengths = parseLengths(text.replace(/\s*[–-]\s*/g, ' '), units === 'metric' ? 'mm' : 'thou', 2);
  if (!lengths.ok) return lengths.why;
  const [from, to] = lengths.values;
  if (from === undefined || to === undefined || to > MOST_STRETCH)
    return 'Enter two figures: the least, then the most.';
  return { from, to };
}

/** Degrees as they are typed; null for none, a sentence where they cannot be. */
function parseDegrees(text: string): number | null | string {
  if (text.trim() === '') return null;
  const degrees = Number(text.replace('°', '').replace(',', '.'));
  return degrees > 0 && degrees <= MOST_ANGLE ? degrees : `Enter degrees from 1 to ${MOST_ANGLE}.`;
}

/**
 * The group that was typed, and what is wrong with it, by field.
 *
 * @example
 *   groupFaults(parseGroup({ units: 'metric', words: 'Caps', on: 'engine', count: '2', lubricant: 'oil', source:
 *   '', steps: '60 30', angle: '', stretch: '', order: '', measured: false, state: 'new', used: '' }, { id: 'g',
 *   count: 1 }).group) // { steps: 'Each step must be more than the one before.' }
 */
export function parseGroup(typed: TypedGroup, before: FastenerGroup): { group: FastenerGroup; faults: Faults } {
  const { units } = typed;
  const count = wholeIn(typed.count, 1, MOST_FASTENERS);
  const torques = parseTorques(typed.steps, units);
  const angle = parseDegrees(typed.angle);
  const stretch = parseStretch(typed.stretch, units);
  const order = numbersIn(typed.order);
  const used = typed.state === 'used' ? wholeIn(typed.used, 1, MOST_USES) : 0;
  const group: FastenerGroup = {
    id: before.id,
    words: typed.words.trim(),
    on: typed.on,
    count: count ?? before.count,
    lubricant: typed.lubricant.trim(),
    source: typed.source.trim(),
    steps: torques.ok ? torques.values : [],
    angle: typeof angle === 'string' ? null : angle,
    stretch: typeof stretch === 'string' ? null : stretch,
    order: order.length > 0 ? order : null,
    measured: typed.measured,
    ...(typed.state === 'unset' || used === null ? {} : { used }),
  };
  return {
    group,
    faults: {
      ...groupFaults(group),
      ...faultsAmong({
        count: count === null && `Enter a whole number from 1 to ${MOST_FASTENERS}.`,
        order: count === null && order.length > 0 && 'Enter each number once.',
        steps: !torques.ok && torques.why,
        angle: typeof angle === 'string' && angle,
        stretch: typeof stretch === 'string' && stretch,
        used: used === null && `Enter how often they were torqued before, from 1 to ${MOST_USES}.`,
      }),
    },
  };
}

/** What a group may be begun from: the usual two, and any other. */
export const GROUP_STARTS: readonly Pick<FastenerGroup, 'words' | 'on' | 'count'>[] = [
  { words: 'Main caps', on: 'engine', count: 10 },
  { words: 'Rod bolts', on: 'rods', count: 2 },
  { words: '', on: 'engine', count: 10 },
];

/**
 * A group without figures; main caps have two bolts at each main.
 *
 * @example newGroup({ words: 'Main caps', on: 'engine', count: 10 }, 'g', 3).count // 6
 */
export const newGroup = (
  start: Pick<FastenerGroup, 'words' | 'on' | 'count'>,
  id: string,
  mains: number,
): FastenerGroup => ({
  ...start,
  count: start.words === GROUP_STARTS[0]?.words ? 2 * mains : start.count,
  ...{ id, lubricant: '', source: '', steps: [], angle: null, stretch: null, order: null, measured: false },
});
