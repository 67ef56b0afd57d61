/**
 * Setting up a dial bore gauge: what the anvil is made up of, and where the needle should stand.
 *
 * The gauge is a comparator: its length free, less the bore, is how far the plunger is pushed in. It needs a little
 * preload, and less than one turn of the dial in all, else turns have to be counted. Common practice, no source.
 */
import type { Nm } from '../../foundation/quantity/length';
import { type Message, fine, raw, say, size } from '../../foundation/quantity/message';
import type { GaugeKit } from '../../foundation/uncertainty/instrument';

export interface MakeUp {
  rod: Nm;
  washers: Nm[];
  /** Free length over all. */
  length: Nm;
  /** How far the plunger is pushed in at the smallest and at the largest bore. */
  pushed: { most: Nm; least: Nm };
  working: Message[];
}

/** Most washers of one make-up that anyone would stack. */
const MOST_WASHERS = 3;

/** All choices of up to so many of a list, each entry used once. */
function choices(of: Nm[], most: number): Nm[][] {
  if (most === 0) return [[]];
  return of.reduce<Nm[][]>(
    (all, item) => [...all, ...all.filter((c) => c.length < most).map((c) => [...c, item])],
    [[]],
  );
}

/**
 * The make-ups of a kit that suit bores from `least` to `most`, simplest first: fewest washers, then the plunger
 * nearest the middle of what it may be pushed in.
 */
export function makeUpsFor(kit: GaugeKit, { least, most }: { least: Nm; most: Nm }): MakeUp[] {
  const middle = (kit.preload + kit.turn) / 2;
  const off = ({ pushed }: MakeUp): number => Math.abs((pushed.least + pushed.most) / 2 - middle);
  const seen = new Set<string>();
  return kit.rods
    .flatMap((rod) =>
      choices(kit.washers, MOST_WASHERS).map((washers) => ({ rod, washers: [...washers].sort((a, b) => b - a) })),
    )
    .map(({ rod, washers }): MakeUp => {
      const length = kit.body + rod + washers.reduce((sum, w) => sum + w, 0);
      const parts = washers.reduce<Message>(
        (said, w) => say`${said} + washer ${raw(w)}`,
        kit.body > 0 ? say`body ${size(kit.body)} + rod ${size(rod)}` : say`rod ${size(rod)}`,
      );
      return {
        rod,
        washers,
        length,
        pushed: { most: length - least, least: length - most },
        working: [say`${parts} = ${size(length)}, free`, say`pushed in ${fine(length - most)} at ${size(most)}`],
      };
    })
    .filter(({ pushed, rod, washers }) => {
      const key = `${rod}/${washers.join('/')}`;
      if (pushed.least < kit.preload || pushed.most >= kit.turn || seen.has(key)) return false;
      seen.add(key);
      return true;
    })
    .sort((a, b) => a.washers.length - b.washers.length || off(a) - off(b));
}

/** A bore not read yet may be this far either side of its plan: 0.1 mm. From memory. */
const ABOUT: Nm = 100_000;

/**
 * From the smallest to the largest bore a gauge is made up for: what was read, or about a bore that was asked for or
 * planned; null where nothing says.
 */
export function spanFor(
  read: { smallest: Nm; largest: Nm }[],
  asked: Nm | null,
  planned: Nm | null,
): { least: Nm; most: Nm } | null {
  if (asked === null && read.length > 0)
    return { least: Math.min(...read.map((r) => r.smallest)), most: Math.max(...read.map((r) => r.largest)) };
  const bore = asked ?? planned;
  return bore === null ? null : { least: bore - ABOUT, most: bore + ABOUT };
}

/**
 * What to set the micrometer to for a bore: the nearest figure that is easily set, 0.001 in or 0.01 mm.
 *
 * @example easySetting(fromInches(4.0652), 'imperial') // 103251000
 */
export const easySetting = (bore: Nm, units: 'imperial' | 'metric'): Nm => {
  const step = units === 'imperial' ? 25_400 : 10_000;
  return Math.round(bore / step) * step;
};

/** Where the needle stands. */
export interface Needle {
  /** From the setting; positive is a larger bore. */
  off: Nm;
  /** Degrees clockwise from the zero of the dial, 0 to under 360. */
  angle: number;
  /** Whole turns from the zero, either way. */
  turns: number;
}

/** Where the needle stands in a bore, for a gauge zeroed at a setting. */
export function needleAt(bore: Nm, setting: Nm, { turn, larger }: Pick<GaugeKit, 'turn' | 'larger'>): Needle {
  const off = bore - setting;
  const clockwise = (larger === 'clockwise' ? off : -off) / turn;
  return { off, angle: (clockwise - Math.floor(clockwise)) * 360, turns: Math.trunc(Math.abs(off) / turn) };
}

/** The figures round a dial: what each so many divisions stand for, the shorter way from zero. */
export function dialFigures({ turn, division, larger }: Pick<GaugeKit, 'turn' | 'division' | 'larger'>): {
  divisions: number;
  every: number;
  figures: { angle: number; off: Nm }[];
} {
  const divisions = Math.round(turn / division);
  const every = divisions > 60 ? 10 : 5;
  const figures = Array.from({ length: Math.floor(divisions / every) }, (_, i) => {
    const off = (larger === 'clockwise' ? 1 : -1) * i * every * division;
    return {
      angle: (i * every * 360) / divisions,
      off: off > turn / 2 ? off - turn : off <= -turn / 2 ? off + turn : off,
    };
  });
  return { divisions, every, figures };
}
