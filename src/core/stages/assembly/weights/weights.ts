/**
 * What was weighed: of each part how far it is above the lightest of its kind, and of each cylinder the set that goes up
 * and down together. Everything is brought to the lightest, within what the shop allows. Common practice, no source.
 */
import { furthestOver } from '../../../foundation/verdict/figureAtLimit';
import { isOutvoted } from '../../../foundation/verdict/repeats';
import type { WalkChoices } from '../walkChoices';
import { type Mg, gramsText } from '../../../foundation/quantity/mass';
import { type WeighedEntry, type WeighedPart, WEIGHED_PARTS } from '../../../record/benchWork';
import { benchedOf, holds } from '../../../record/countedWork';
import { type Answer, lastOf, answerOf } from '../../../record/reading';
import type { Log } from '../../../record/log';
import { pistonIn } from '../../../record/fittedParts';
import type { State } from '../../../foundation/verdict/state';
import { type BalanceChoices, type SetChoices, STARTING_BALANCE, UNMIXED, mixedAs } from './choices';

export const PART_WORDS: Record<WeighedPart, string> = {
  piston: 'piston',
  pin: 'pin',
  clips: 'clips',
  rings: 'ring pack',
  smallEnd: 'rod, small end',
  bigEnd: 'rod, big end',
};

/** What goes up and down with the piston. */
const RECIPROCATING: readonly WeighedPart[] = ['piston', 'pin', 'clips', 'rings', 'smallEnd'];

/** What is machined or replaced when the mass of a part no longer holds. */
const RENEWED_AS: Record<WeighedPart, readonly string[]> = {
  piston: ['piston'],
  pin: [],
  clips: [],
  rings: ['top', 'second'],
  smallEnd: [],
  bigEnd: [],
};

export interface Weighed {
  part: WeighedPart;
  number: string;
  mass: Mg;
  /** Above the lightest of its kind. */
  over: Mg;
  entry: WeighedEntry;
  /** What it was found to weigh before, the last first. */
  before: Mg[];
  /** It was found lighter before, and nothing explains that; null where not. */
  disagreement: { least: Mg; most: Mg } | null;
}

export interface MassSet extends Answer {
  /** The cylinder. */
  id: string;
  label: string;
  /** What is in it, as it was mixed; null where it was not weighed. */
  parts: Record<WeighedPart, Weighed | null>;
  /** All that goes up and down; null until all of it is weighed. */
  total: Mg | null;
  /** Above the lightest set. */
  over: Mg | null;
  /** Of the big end, which only turns. */
  bigOver: Mg | null;
  state: Extract<State, 'to do' | 'part read' | 'within' | 'over'>;
  /** What is to be taken off which part so that it is as light as the lightest. */
  takeOff: { part: WeighedPart; mass: Mg }[];
}

export interface JudgedWeights {
  choices: BalanceChoices;
  /** What is asked of each number. */
  asks: WeighedPart[];
  /** What was weighed of at least one. */
  inPlay: WeighedPart[];
  /** By part and number, see `weighedKey`. */
  weighed: ReadonlyMap<string, Weighed>;
  lightest: Partial<Record<WeighedPart, Mg>>;
  sets: MassSet[];
  /** Between the heaviest and the lightest set; null for under two. */
  spread: Mg | null;
}

/** What something weighed is found under. */
export const weighedKey = (part: WeighedPart, number: string): string => `${part} ${number}`;

/** What is asked of a judgement. */
export interface Known {
  log: Log;
  cylinders: readonly { id: string; label: string }[];
  choices: { balance: BalanceChoices | null; sets: SetChoices | null; walk: Pick<WalkChoices, 'clips'> };
}

/** Which number of a part is in a cylinder. */
export function numberIn(
  { log, choices }: Pick<Known, 'log' | 'choices'>,
  part: WeighedPart,
  cylinder: string,
): string {
  const mixed = mixedAs(part);
  if (mixed === null) return pistonIn(log, cylinder);
  return (choices.sets ?? UNMIXED)[mixed].find((p) => p.cylinder === cylinder)?.number ?? cylinder;
}

/** One part weighed twice lies within three tenths of a gram. From memory. */
const REPEAT: Mg = 300;

/**
 * What a part was found to weigh before, where it is heavier now: metal is taken off and does not come back. Lighter
 * it was lightened. Two weighings that agree settle it.
 *
 * @param values in the order they were made
 */
function grownOver(values: readonly Mg[]): Weighed['disagreement'] {
  const most = values.at(-1) ?? 0;
  const lighter = values.filter((v, i) => most - v > REPEAT && !isOutvoted(v, values.slice(i + 1), REPEAT));
  return lighter.length === 0 ? null : { least: Math.min(...lighter), most };
}

/** What each part was last found to weigh, before it is known what its like weigh. */
function lastWeighed(log: Known['log']): Map<string, Omit<Weighed, 'over'>> {
  const found = new Map<string, Omit<Weighed, 'over'>>();
  for (const benched of benchedOf(log, 'weighed')) {
    const { entry } = benched;
    if (!holds(log, benched, RENEWED_AS[entry.part])) continue;
    const key = weighedKey(entry.part, entry.cylinder);
    const last = found.get(key);
    const before = last ? [last.mass, ...last.before] : [];
    found.set(key, {
      part: entry.part,
      number: entry.cylinder,
      mass: entry.value,
      entry,
      before,
      disagreement: grownOver([...before.toReversed(), entry.value]),
    });
  }
  return found;
}

const least = (masses: readonly Mg[]): Mg | null => (masses.length === 0 ? null : Math.min(...masses));

/** The part that most is above its lightest: metal is taken there, where its maker leaves some for it. */
function lightened(parts: MassSet['parts'], over: Mg): { part: WeighedPart; mass: Mg } {
  const { piston, smallEnd } = parts;
  return { part: (smallEnd?.over ?? 0) > (piston?.over ?? 0) ? 'smallEnd' : 'piston', mass: over };
}

/** What is known of the masses of an engine. */
export function weightsOf(judgement: Known): JudgedWeights {
  const { log, cylinders } = judgement;
  const choices = judgement.choices.balance ?? STARTING_BALANCE;
  const asks = WEIGHED_PARTS.filter((part) => part !== 'clips' || judgement.choices.walk.clips.count > 0);
  const found = lastWeighed(log);
  const inPlay = asks.filter((part) => [...found.values()].some((w) => w.part === part));
  const lightest: JudgedWeights['lightest'] = {};
  for (const part of inPlay)
    lightest[part] = Math.min(...[...found.values()].flatMap((w) => (w.part === part ? [w.mass] : [])));
  const weighed = new Map(
    [...found].map(([key, w]): [string, Weighed] => [key, { ...w, over: w.mass - (lightest[w.part] ?? w.mass) }]),
  );
  const begun = cylinders.map(({ id, label }) => {
    const parts = Object.fromEntries(
      WEIGHED_PARTS.map((part) => [part, weighed.get(weighedKey(part, numberIn(judgement, part, id))) ?? null]),
    ) as MassSet['parts'];
    const moving = RECIPROCATING.filter((part) => inPlay.includes(part)).map((part) => parts[part]);
    const isWhole = moving.length > 0 && moving.every((w) => w !== null);
    return { id, label, parts, total: isWhole ? moving.reduce((sum, w) => sum + w.mass, 0) : null };
  });
  const lightestSet = least(begun.flatMap(({ total }) => total ?? []));
  const sets = begun.map((set): MassSet => {
    const { parts, total } = set;
    const over = total === null || lightestSet === null ? null : total - lightestSet;
    const bigOver = parts.bigEnd?.over ?? null;
    const isRead = inPlay.length > 0 && inPlay.every((part) => parts[part] !== null);
    const { within } = choices;
    const tooMuch = furthestOver(
      [over, bigOver].flatMap((o) => (o !== null && o > within ? [{ figure: o, limit: within }] : [])),
    );
    const isBegun = inPlay.some((part) => parts[part] !== null);
    const state = !isRead ? (isBegun ? 'part read' : 'to do') : tooMuch ? 'over' : 'within';
    const acceptId = isRead ? lastOf(inPlay.flatMap((part) => parts[part]?.entry ?? [])) : null;
    return {
      ...set,
      over,
      bigOver,
      state,
      takeOff: isRead
        ? [
            ...(over !== null && over > choices.within ? [lightened(parts, over)] : []),
            ...(bigOver !== null && bigOver > choices.within ? [{ part: 'bigEnd' as const, mass: bigOver }] : []),
          ]
        : [],
      ...answerOf(log.accepted, { acceptId, what: 'set', state, held: tooMuch && { ...tooMuch, of: 'mass' } }),
    };
  });
  const totals = sets.flatMap(({ total }) => total ?? []);
  return {
    choices,
    asks,
    inPlay,
    weighed,
    lightest,
    sets,
    spread: totals.length < 2 ? null : Math.max(...totals) - Math.min(...totals),
  };
}

/** Something open on the weights of a cylinder. */
interface OpenWeight {
  place: string;
  says: string;
  lapsed: MassSet['lapsed'];
  /** Whether weighings contradict each other. */
  isDisagreement: boolean;
}

/** What is open on the weights of an engine: sets over what the shop allows, sets that were begun, and weighings that disagree. */
export function openWeights({ sets, inPlay, choices }: JudgedWeights): OpenWeight[] {
  if (inPlay.length === 0) return [];
  return sets.flatMap(({ id, parts, state, over, bigOver, accepted, lapsed }) => {
    if (accepted) return [];
    const of = { place: id, lapsed: null, isDisagreement: false };
    const disagreeing = WEIGHED_PARTS.flatMap((part): OpenWeight[] => {
      const apart = parts[part]?.disagreement;
      return apart
        ? [
            {
              ...of,
              says: `${PART_WORDS[part]} weighed ${gramsText(apart.least)}, then ${gramsText(apart.most)}: weigh it once more, or strike out the wrong one`,
              isDisagreement: true,
            },
          ]
        : [];
    });
    if (state === 'within') return disagreeing;
    if (state !== 'over') return [...disagreeing, { ...of, says: 'masses not all weighed' }];
    const what = (over ?? 0) > choices.within ? `${gramsText(over ?? 0)} over the lightest set` : '';
    const big = (bigOver ?? 0) > choices.within ? `big end ${gramsText(bigOver ?? 0)} over the lightest` : '';
    return [...disagreeing, { ...of, says: [what, big].filter(Boolean).join(', '), lapsed }];
  });
}
