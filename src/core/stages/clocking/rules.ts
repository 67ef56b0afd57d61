/**
 * Rules that a plan is held against, each with the angle its verdict rests on and the turn that would cure it.
 * Common practice, no source; the widths of the sectors are from memory. Every one can be switched and set.
 */
import { apart, turned } from '../../foundation/quantity/angle';
import { type Joint, type Joints, JOINTS, JOINT_WORDS } from '../../foundation/parts/joints';
import { type Sector, type Surroundings, around, isInside, middleOf, widened } from './surroundings';

export const RULES = [
  'topToSecond',
  'railsApart',
  'railsOffExpander',
  'pinEnds',
  'majorThrust',
  'minorThrust',
  'lowSide',
  'pockets',
  'ownSectors',
] as const;
export type RuleId = (typeof RULES)[number];

export const RULE_SEVERITIES = ['note', 'mend', 'stop'] as const;
export type RuleSeverity = (typeof RULE_SEVERITIES)[number];

/** To which joints a rule about places applies. */
export const SCOPES = ['all', 'gaps', 'compression'] as const;
export type Scope = (typeof SCOPES)[number];

const SCOPE_JOINTS: Record<Scope, readonly Joint[]> = {
  all: JOINTS,
  gaps: ['top', 'second', 'upperRail', 'lowerRail'],
  compression: ['top', 'second'],
};

export interface Rule {
  on: boolean;
  /** Least degrees between two joints, degrees to either side of a place, or degrees beyond the edge of a pocket or a sector. */
  limit: number;
  severity: RuleSeverity;
  /** Of top to second: under this it is a stop. */
  stopUnder: number | null;
  /** Of a rule about places. */
  scope: Scope;
}

export type Rules = Record<RuleId, Rule>;

const rule = (limit: number, severity: RuleSeverity, change: Partial<Rule> = {}): Rule => ({
  on: true,
  limit,
  severity,
  stopUnder: null,
  scope: 'all',
  ...change,
});

/** Limits in degrees, and how grave each is. Common practice, no source. */
export const STARTING_RULES: Rules = {
  topToSecond: rule(120, 'mend', { stopUnder: 60 }),
  railsApart: rule(15, 'mend'),
  railsOffExpander: rule(15, 'mend'),
  pinEnds: rule(10, 'note'),
  majorThrust: rule(20, 'mend'),
  minorThrust: rule(20, 'note'),
  lowSide: rule(30, 'note'),
  pockets: rule(0, 'mend'),
  ownSectors: rule(0, 'mend'),
};

/** The pairs that a rule keeps apart. */
export const PAIRS: Partial<Record<RuleId, readonly (readonly [Joint, Joint])[]>> = {
  topToSecond: [['top', 'second']],
  railsApart: [['upperRail', 'lowerRail']],
  railsOffExpander: [
    ['upperRail', 'expander'],
    ['lowerRail', 'expander'],
  ],
};

/** A sector that a rule keeps free on one crown. */
export interface KeptFree {
  rule: RuleId;
  sector: Sector;
  /** What lies there, e.g. `the front end of the pin`. */
  words: string;
  joints: readonly Joint[];
}

/** Every sector that the rules in force keep free on a crown. */
export function keptFree(rules: Rules, round: Surroundings): KeptFree[] {
  const { majorThrust: major, low } = round;
  const places: [RuleId, Sector, string][] = [
    ['pinEnds', around(0, rules.pinEnds.limit), 'the front end of the pin'],
    ['pinEnds', around(180, rules.pinEnds.limit), 'the rear end of the pin'],
    ['majorThrust', around(major, rules.majorThrust.limit), 'the major thrust face'],
    ['minorThrust', around(major + 180, rules.minorThrust.limit), 'the minor thrust face'],
    ...(low === null
      ? []
      : [
          ['lowSide', around(low, rules.lowSide.limit), 'the low side, where oil lies at rest'] as [
            RuleId,
            Sector,
            string,
          ],
        ]),
    ...round.pockets.flatMap(({ valve, sector }): [RuleId, Sector, string][] =>
      sector ? [['pockets', widened(sector, rules.pockets.limit), `the ${valve} valve pocket`]] : [],
    ),
    ...round.sectors.map(({ words, ...sector }): [RuleId, Sector, string] => [
      'ownSectors',
      widened(sector, rules.ownSectors.limit),
      words || 'a sector to be kept free',
    ]),
  ];
  return places
    .filter(([id, sector]) => rules[id].on && turned(sector.to - sector.from) > 0)
    .map(([id, sector, words]) => ({ rule: id, sector, words, joints: SCOPE_JOINTS[rules[id].scope] }));
}

/** A turn of one joint. */
export interface Cure {
  joint: Joint;
  /** Where it is turned to, whole degrees. */
  to: number;
  /** How far, clockwise positive. */
  by: number;
}

export interface RuleResult {
  rule: RuleId;
  verdict: 'pass' | RuleSeverity;
  /** The joints it is about; all that were looked at where it passes. */
  joints: readonly Joint[];
  /** Between the joints, or from the middle of the place; null where nothing is near. */
  degrees: number | null;
  says: string;
  /** The least turn of one joint that ends it and begins nothing else; null where there is none, or nothing to cure. */
  cure: Cure | null;
}

interface Breach {
  rule: RuleId;
  severity: RuleSeverity;
  joints: readonly Joint[];
  degrees: number;
  free: KeptFree | null;
}

/** Degrees that an angle may be off by its arithmetic alone. */
const SLACK = 1e-6;

function breachesOf(joints: Joints, rules: Rules, free: KeptFree[]): Breach[] {
  const out: Breach[] = [];
  for (const id of ['topToSecond', 'railsApart', 'railsOffExpander'] as const) {
    const { on, limit, severity, stopUnder } = rules[id];
    if (!on) continue;
    for (const pair of PAIRS[id] ?? []) {
      const degrees = apart(joints[pair[0]], joints[pair[1]]);
      if (degrees < limit - SLACK)
        out.push({
          rule: id,
          severity: stopUnder !== null && degrees < stopUnder - SLACK ? 'stop' : severity,
          joints: pair,
          degrees,
          free: null,
        });
    }
  }
  for (const kept of free)
    for (const joint of kept.joints)
      if (isInside(joints[joint], kept.sector))
        out.push({
          rule: kept.rule,
          severity: rules[kept.rule].severity,
          joints: [joint],
          degrees: apart(joints[joint], middleOf(kept.sector)),
          free: kept,
        });
  return out;
}

const keyOf = ({ rule: id, joints, free }: Breach): string => `${id}/${joints.join()}/${free?.words ?? ''}`;

/**
 * The least turn of one joint of a breach that ends it and begins no other: one that leaves that joint in no breach
 * at all, where there is one.
 */
function cureOf(breach: Breach, all: Breach[], joints: Joints, rules: Rules, free: KeptFree[]): Cure | null {
  const before = new Set(all.map(keyOf));
  const key = keyOf(breach);
  let second: Cure | null = null;
  for (let by = 1; by <= 180; by += 1)
    for (const joint of [...breach.joints].reverse())
      for (const sense of [1, -1]) {
        const to = turned((sense > 0 ? Math.floor : Math.ceil)(joints[joint]) + sense * by);
        const left = breachesOf({ ...joints, [joint]: to }, rules, free);
        if (left.some((b) => keyOf(b) === key || !before.has(keyOf(b)))) continue;
        const cure = { joint, to, by: Math.round(turned(to - joints[joint] + 180) - 180) };
        if (!left.some((b) => b.joints.includes(joint))) return cure;
        second ??= cure;
      }
  return second;
}

const round1 = (degrees: number): number => Math.round(degrees * 10) / 10;
const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** What a turn is, in words, e.g. `Turn the second ring gap to 225° (12° clockwise).` */
export const cureWords = ({ joint, to, by }: Cure): string =>
  `Turn the ${JOINT_WORDS[joint]} to ${to}° (${Math.abs(by)}° ${by < 0 ? 'anticlockwise' : 'clockwise'}).`;

function breachWords({ joints: [first, second], degrees, free }: Breach): string {
  if (!first) return '';
  if (!free) return `${capital(JOINT_WORDS[first])} and ${JOINT_WORDS[second ?? first]} are ${round1(degrees)}° apart.`;
  return `${capital(JOINT_WORDS[first])} lies ${round1(degrees)}° from the middle of ${free.words}.`;
}

/** The tightest of a rule's pairs, or how far the nearest joint is from its sectors. */
function passOf(id: RuleId, joints: Joints, free: KeptFree[]): RuleResult | null {
  const pairs = PAIRS[id];
  if (pairs) {
    const degrees = Math.min(...pairs.map(([a, b]) => apart(joints[a], joints[b])));
    return {
      rule: id,
      verdict: 'pass',
      joints: pairs.flat(),
      degrees,
      says: '',
      cure: null,
    };
  }
  const own = free.filter((f) => f.rule === id);
  if (own.length === 0) return null;
  return {
    rule: id,
    verdict: 'pass',
    joints: own[0]?.joints ?? [],
    degrees: null,
    says: '',
    cure: null,
  };
}

/**
 * How a plan stands against the rules in force: a result for each breach, and one for each rule that holds.
 *
 * @param placed joints that stand where the school, or the maker's sheet, puts them: a place that the school means
 *   is told, and breaks no rule
 * @example
 *   checkJoints({ top: 45, second: 225, upperRail: 135, expander: 225, lowerRail: 315 },
 *   judgement.choices.clocking.rules, cylinder.clocking.round).map((r) => r.verdict)
 *   // [ 'pass', 'pass', 'pass', 'pass', 'pass', 'pass', 'pass' ]
 */
export function checkJoints(
  joints: Joints,
  rules: Rules,
  round: Surroundings,
  placed: ReadonlySet<Joint> = new Set(),
): RuleResult[] {
  const free = keptFree(rules, round);
  const breaches = breachesOf(joints, rules, free);
  return RULES.flatMap((id): RuleResult[] => {
    if (!rules[id].on) return [];
    const own = breaches.filter((b) => b.rule === id);
    const pass = own.length === 0 ? passOf(id, joints, free) : null;
    if (own.length === 0) return pass ? [pass] : [];
    return own.map((breach) => {
      const [joint] = breach.joints;
      const { degrees, joints: about } = breach;
      if (breach.free && joint && placed.has(joint))
        return {
          rule: id,
          verdict: 'pass',
          joints: about,
          degrees,
          says: `${capital(JOINT_WORDS[joint])} by ${breach.free.words}, as the school has it`,
          cure: null,
        };
      return {
        rule: id,
        verdict: breach.severity,
        joints: about,
        degrees,
        says: breachWords(breach),
        cure: cureOf(breach, breaches, joints, rules, free),
      };
    });
  });
}
