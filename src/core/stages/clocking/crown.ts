/**
 * The crown of one piston as a drawing: shapes and words with their places, free of any screen, so that the
 * page, the card and the drawing file show the same thing. The bore, its valve pockets and every angle are to
 * scale; the rings, which lie one below the other, are drawn nested, and their gaps wide enough to see.
 */
import { turned } from '../../foundation/quantity/angle';
import type { Nm } from '../../foundation/quantity/length';
import { polar, sector as sectorPath, splitRing } from './arcs';
import { type Joint, type Joints, JOINTS, JOINT_MARKS } from '../../foundation/parts/joints';
import type { KeptFree } from './rules';
import type { Surroundings } from './surroundings';
import { sideWord } from './words';

/** What a colour stands for; whoever paints says which colour. */
export type Tone = 'none' | 'ink' | 'soft' | 'line' | 'edge' | 'sheet' | 'paper' | 'blue' | 'ring' | 'short';

interface Look {
  fill?: Tone;
  stroke?: Tone;
  width?: number;
  dash?: string;
  opacity?: number;
}

export type Item =
  | ({ kind: 'circle'; x: number; y: number; r: number } & Look)
  | ({ kind: 'path'; d: string; x?: number; y?: number } & Look)
  | {
      kind: 'text';
      x: number;
      y: number;
      text: string;
      size: number;
      anchor: 'start' | 'middle' | 'end';
      tone: Tone;
      bold?: boolean;
      turn?: number;
    };

export interface Box {
  x: number;
  y: number;
  w: number;
  h: number;
}

export interface Mark {
  joint: Joint;
  x: number;
  y: number;
}

export interface Scene {
  box: Box;
  items: Item[];
  /** Where the joints' marks are. */
  marks: Mark[];
  /** Where the words stand. */
  words: Box[];
}

/** `full` has a scale and a label for each joint; `card` is read small, beside a list of the angles. */
export type CrownStyle = 'full' | 'card';

export interface CrownAsk {
  /** Null for the piston without its rings, as it is hung on its rod: its front mark is what is looked at. */
  joints: Joints | null;
  round: Surroundings;
  free: readonly KeptFree[];
  /** Joints that break a rule. */
  broken: ReadonlySet<Joint>;
  /** Degrees the picture is turned by. */
  turn: number;
  style: CrownStyle;
}

/** Radius of the bore in the drawing. */
export const BORE_RADIUS = 240;

interface Measures {
  box: Box;
  radii: Record<Joint, number>;
  strokes: Record<Joint, number>;
  mark: number;
  letter: number;
  word: number;
  middle: number;
}

/** The full crown turned a quarter has its longer words above and below it. */
const TALL: Box = { x: -475, y: -362, w: 950, h: 724 };

const MEASURES: Record<CrownStyle, Measures> = {
  full: {
    box: { x: -475, y: -308, w: 950, h: 616 },
    radii: { top: 221, second: 187, upperRail: 154, expander: 123, lowerRail: 92 },
    strokes: { top: 12, second: 12, upperRail: 5, expander: 9, lowerRail: 5 },
    mark: 14,
    letter: 16,
    word: 20,
    middle: 70,
  },
  card: {
    box: { x: -292, y: -292, w: 584, h: 584 },
    radii: { top: 216, second: 172, upperRail: 132, expander: 95, lowerRail: 58 },
    strokes: { top: 14, second: 14, upperRail: 7, expander: 11, lowerRail: 7 },
    mark: 20,
    letter: 27,
    word: 28,
    middle: 34,
  },
};

/** Degrees from the front to the picture's own angle, clockwise from its top. */
const shown = (degrees: number, turn: number): number => turned(degrees + turn);

/**
 * The mark of each joint, about its middle: no two have the same outline.
 *
 * @example markPath('top', 1) // 'M-1 0A1 1 0 1 1 1 0A1 1 0 1 1 -1 0Z'
 */
export function markPath(joint: Joint, r: number): string {
  switch (joint) {
    case 'top':
      return `M${-r} 0A${r} ${r} 0 1 1 ${r} 0A${r} ${r} 0 1 1 ${-r} 0Z`;
    case 'second':
      return `M${-r} ${-r}H${r}V${r}H${-r}Z`;
    case 'upperRail':
      return `M0 ${-1.3 * r}L${1.25 * r} ${0.85 * r}H${-1.25 * r}Z`;
    case 'expander':
      return `M0 ${-1.35 * r}L${1.35 * r} 0L0 ${1.35 * r}L${-1.35 * r} 0Z`;
    case 'lowerRail':
      return `M0 ${1.3 * r}L${-1.25 * r} ${-0.85 * r}H${1.25 * r}Z`;
  }
}

/** How far the middle of a mark's letter is below the middle of the mark. */
const letterDrop = (joint: Joint, r: number): number =>
  joint === 'upperRail' ? 0.22 * r : joint === 'lowerRail' ? -0.22 * r : 0;

/** Words about one side of the crown, the most needed first. */
function sideLines(degrees: number, { bank, intake, majorThrust, low }: Surroundings): string[] {
  if (degrees === 0) return ['front'];
  if (degrees === 180) return ['flywheel'];
  const side = sideWord(degrees, { bank, intake });
  const valves = bank !== 'only' && intake !== null ? (degrees === intake ? 'intake side' : 'exhaust side') : null;
  const height = low === null ? null : degrees === low ? 'low side' : 'high side';
  return [
    degrees === majorThrust ? 'major thrust' : 'minor thrust',
    side ?? (degrees === 90 ? 'right' : 'left'),
    height,
    valves,
  ].filter((w) => w !== null);
}

/** As wide as words of the page's font come out at most. */
const widthOf = (text: string, size: number): number => text.length * size * 0.52;

function wordsBox(x: number, y: number, text: string, size: number, anchor: 'start' | 'middle' | 'end'): Box {
  const w = widthOf(text, size);
  return { x: anchor === 'start' ? x : anchor === 'end' ? x - w : x - w / 2, y: y - size * 0.8, w, h: size };
}

interface Words {
  items: Item[];
  boxes: Box[];
}

/** The words at the four sides of the full crown. */
function sideWords({ round, turn }: CrownAsk, size: number): Words {
  const items: Item[] = [];
  const boxes: Box[] = [];
  const step = size * 1.1;
  for (const degrees of [0, 90, 180, 270]) {
    const lines = sideLines(degrees, round).map((line, i) => (i === 0 ? `${line} ${degrees}°` : line));
    const at = shown(degrees, turn);
    const x = at === 90 ? 272 : at === 270 ? -272 : 0;
    const anchor = at === 90 ? 'start' : at === 270 ? 'end' : 'middle';
    const first = at === 0 ? -272 - (lines.length - 1) * step : at === 180 ? 286 : 6 - ((lines.length - 1) * step) / 2;
    lines.forEach((text, i) => {
      const y = first + i * step;
      items.push({ kind: 'text', x, y, text, size, anchor, tone: i === 0 ? 'ink' : 'soft', bold: i === 0 });
      boxes.push(wordsBox(x, y, text, size, anchor));
    });
  }
  return { items, boxes };
}

/** The words at the four sides of the crown on the card, along its edge. */
function cardWords({ round, turn }: CrownAsk, size: number): Words {
  const items = [0, 90, 180, 270].map((degrees): Item => {
    const lines = sideLines(degrees, round);
    const at = shown(degrees, turn);
    const text = lines.slice(0, 2).join(', ');
    const { x, y } = polar(270, at);
    const rotated = at === 90 ? 90 : at === 270 ? -90 : 0;
    return {
      kind: 'text',
      x: rotated ? x + (at === 90 ? -8 : 8) : x,
      y: rotated ? y : y + size * 0.35,
      text,
      size,
      anchor: 'middle',
      tone: 'ink',
      bold: degrees === 0 || degrees === round.majorThrust,
      turn: rotated,
    };
  });
  return { items, boxes: [] };
}

const LABEL = { size: 22, height: 31, clear: 300, band: 86, reach: 300 };

/** On the drawing, where a rail needs no more words. */
const LABEL_WORDS: Record<Joint, string> = {
  top: 'top',
  second: 'second',
  upperRail: 'upper',
  expander: 'expander',
  lowerRail: 'lower',
};

interface Label {
  joint: Joint;
  text: string;
  right: boolean;
  y: number;
}

/** Moves labels of one column apart, within a stretch of it. */
function spreadOut(labels: Label[], from: number, to: number): void {
  labels.sort((a, b) => a.y - b.y);
  let least = from;
  for (const label of labels) {
    label.y = Math.max(label.y, least);
    least = label.y + LABEL.height;
  }
  let most = to;
  for (const label of [...labels].reverse()) {
    label.y = Math.min(label.y, most);
    most = label.y - LABEL.height;
  }
}

/** A label beside the crown for each joint, none on another nor on the words at the sides, and a line to it. */
function jointLabels({ turn, broken }: CrownAsk, joints: Joints, marks: readonly Mark[]): Words {
  const columns = { left: 0, right: 0 };
  const labels = JOINTS.map((joint): Label => {
    const at = polar(LABEL.reach, shown(joints[joint], turn));
    const isMiddle = Math.abs(at.x) < 1;
    const right = isMiddle ? columns.right <= columns.left : at.x > 0;
    columns[right ? 'right' : 'left'] += 1;
    return {
      joint,
      text: `${LABEL_WORDS[joint]} ${Math.round(turned(joints[joint])) % 360}°${broken.has(joint) ? ' !' : ''}`,
      right,
      y: at.y,
    };
  });
  for (const right of [true, false])
    for (const above of [true, false]) {
      const some = labels.filter((l) => l.right === right && l.y < 0 === above);
      spreadOut(some, above ? -(LABEL.reach - 14) : LABEL.band, above ? -LABEL.band : LABEL.reach - 14);
    }
  const items: Item[] = [];
  const boxes: Box[] = [];
  for (const { joint, text, right, y } of labels) {
    const inner = Math.max(0, Math.abs(y) - LABEL.height / 2);
    const x = (right ? 1 : -1) * (Math.sqrt(Math.max(0, LABEL.clear ** 2 - inner ** 2)) + 6);
    const anchor = right ? 'start' : 'end';
    const mark = marks.find((m) => m.joint === joint);
    if (mark)
      items.push({
        kind: 'path',
        d: `M${mark.x.toFixed(1)} ${mark.y.toFixed(1)}L${(x - (right ? 4 : -4)).toFixed(1)} ${y.toFixed(1)}`,
        fill: 'none',
        stroke: 'edge',
        width: 1.2,
      });
    items.push({
      kind: 'text',
      x,
      y: y + LABEL.size * 0.35,
      text,
      size: LABEL.size,
      anchor,
      tone: broken.has(joint) ? 'short' : 'ink',
      bold: true,
    });
    boxes.push(wordsBox(x, y + LABEL.size * 0.35, text, LABEL.size, anchor));
  }
  return { items, boxes };
}

/** Ticks every 5° round the bore, and figures on the diagonals. */
function scale(turn: number): Words {
  const items: Item[] = Array.from({ length: 72 }, (_, i) => i * 5).map((degrees) => {
    const long = degrees % 45 === 0;
    const [from, to] = [
      polar(BORE_RADIUS + 3, shown(degrees, turn)),
      polar(BORE_RADIUS + (long ? 18 : degrees % 15 === 0 ? 12 : 7), shown(degrees, turn)),
    ];
    return {
      kind: 'path',
      d: `M${from.x.toFixed(2)} ${from.y.toFixed(2)}L${to.x.toFixed(2)} ${to.y.toFixed(2)}`,
      fill: 'none',
      stroke: 'ink',
      width: long ? 2 : 1,
    };
  });
  const boxes: Box[] = [];
  for (const degrees of [45, 135, 225, 315]) {
    const at = polar(BORE_RADIUS + 34, shown(degrees, turn));
    items.push({ kind: 'text', x: at.x, y: at.y + 5, text: `${degrees}°`, size: 15, anchor: 'middle', tone: 'soft' });
    boxes.push(wordsBox(at.x, at.y + 5, `${degrees}°`, 15, 'middle'));
  }
  return { items, boxes };
}

const SHADE: Record<KeptFree['rule'], { tone: Tone; opacity: number }> = {
  topToSecond: { tone: 'none', opacity: 0 },
  railsApart: { tone: 'none', opacity: 0 },
  railsOffExpander: { tone: 'none', opacity: 0 },
  pinEnds: { tone: 'blue', opacity: 0.14 },
  majorThrust: { tone: 'ink', opacity: 0.17 },
  minorThrust: { tone: 'ink', opacity: 0.09 },
  lowSide: { tone: 'ink', opacity: 0.07 },
  pockets: { tone: 'short', opacity: 0.12 },
  ownSectors: { tone: 'short', opacity: 0.16 },
};

/** A length on the crown, to the drawing's scale. */
const scaled = (nm: Nm, bore: Nm): number => (nm / bore) * 2 * BORE_RADIUS;

function pocketItems({ round, turn, style }: CrownAsk): Item[] {
  const { bore } = round;
  if (bore === null) return [];
  return round.pockets.flatMap(({ at, out, across, valve }): Item[] => {
    const { x, y } = polar(scaled(out, bore), shown(at, turn));
    const circle: Item = {
      kind: 'circle',
      x,
      y,
      r: scaled(across, bore) / 2,
      fill: 'none',
      stroke: 'edge',
      width: 1.5,
      dash: valve === 'exhaust' ? '3 4' : undefined,
    };
    return style === 'card'
      ? [circle]
      : [circle, { kind: 'text', x, y: y + 5, text: valve, size: 15, anchor: 'middle', tone: 'soft' }];
  });
}

/** The front mark of a piston that has no rings on. */
const BARE_MARK = { from: 90, to: 190, half: 32, word: 34 };

/** The front mark, as a wedge that points where the mark does. */
function frontMarkItems({ joints, round, turn, style }: CrownAsk, middle: number): Item[] {
  if (!round.frontMark) return [];
  const at = shown(round.frontMark.degrees, turn);
  const { from, to, half } = joints ? { from: middle - 26, to: middle - 4, half: 22 } : BARE_MARK;
  const [tip, left, right] = [polar(to, at), polar(from, at - half), polar(from, at + half)];
  const wedge: Item = {
    kind: 'path',
    d: `M${tip.x.toFixed(1)} ${tip.y.toFixed(1)}L${left.x.toFixed(1)} ${left.y.toFixed(1)}L${right.x.toFixed(1)} ${right.y.toFixed(1)}Z`,
    fill: 'ink',
  };
  if (style === 'card' && joints) return [wedge];
  const size = joints ? 15 : BARE_MARK.word;
  const opposite = polar(joints ? 22 : 0, at + 180);
  return [
    wedge,
    {
      kind: 'text',
      x: opposite.x,
      y: opposite.y + size / 3,
      text: round.frontMark.what,
      size,
      anchor: 'middle',
      tone: 'ink',
    },
  ];
}

/** The crown as a drawing. */
export function crownScene(ask: CrownAsk): Scene {
  const { joints, free, turn, broken, style } = ask;
  const { box, radii, strokes, mark, letter, word, middle } = MEASURES[style];
  const fitted = joints ? JOINTS : [];
  const at = (joint: Joint): number => shown(joints?.[joint] ?? 0, turn);
  const marks = fitted.map((joint): Mark => ({ joint, ...polar(radii[joint], at(joint)) }));
  const [front, rear] = [polar(BORE_RADIUS, turn), polar(BORE_RADIUS, turn + 180)];
  const sides = style === 'full' ? sideWords(ask, word) : cardWords(ask, word);
  const labels = style === 'full' && joints ? jointLabels(ask, joints, marks) : { items: [], boxes: [] };
  const ticks = style === 'full' ? scale(turn) : { items: [], boxes: [] };
  return {
    box: style === 'full' && turn % 180 !== 0 ? TALL : box,
    marks,
    words: [...sides.boxes, ...ticks.boxes, ...labels.boxes],
    items: [
      { kind: 'circle', x: 0, y: 0, r: BORE_RADIUS, fill: 'paper', stroke: 'edge', width: 2 },
      ...free.map(({ rule, sector: { from, to } }): Item => ({
        kind: 'path',
        d: sectorPath(shown(from, turn), shown(from, turn) + turned(to - from), middle + 4, BORE_RADIUS),
        fill: SHADE[rule].tone,
        opacity: SHADE[rule].opacity,
      })),
      ...ticks.items,
      ...(joints
        ? [{ kind: 'circle', x: 0, y: 0, r: middle, fill: 'sheet', stroke: 'line', width: 1 } satisfies Item]
        : []),
      ...pocketItems(ask),
      ...(joints
        ? [
            {
              kind: 'path',
              d: `M${front.x.toFixed(1)} ${front.y.toFixed(1)}L${rear.x.toFixed(1)} ${rear.y.toFixed(1)}`,
              fill: 'none',
              stroke: 'blue',
              width: 1.5,
              dash: '8 6',
            } satisfies Item,
          ]
        : []),
      ...frontMarkItems(ask, middle),
      ...sides.items,
      ...fitted.map((joint): Item => ({
        kind: 'path',
        d: splitRing(radii[joint], at(joint), (2 * mark * 180 * 1.15) / (Math.PI * radii[joint])),
        fill: 'none',
        stroke: 'ring',
        width: strokes[joint],
        dash: joint === 'expander' ? '5 4' : undefined,
      })),
      ...labels.items,
      ...marks.flatMap(({ joint, x, y }): Item[] => [
        {
          kind: 'path',
          d: markPath(joint, mark),
          x,
          y,
          fill: broken.has(joint) ? 'short' : 'sheet',
          stroke: 'ink',
          width: 2.5,
        },
        {
          kind: 'text',
          x,
          y: y + letter * 0.36 + letterDrop(joint, mark),
          text: JOINT_MARKS[joint],
          size: letter,
          anchor: 'middle',
          tone: broken.has(joint) ? 'sheet' : 'ink',
          bold: true,
        },
      ]),
    ],
  };
}
