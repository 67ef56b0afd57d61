/**
 * The crown of one piston as a drawing: shapes and words with their places, free of any screen, so that the
 * page, the card and the drawing file show the same thing. The bore, its valve pockets and every angle are to
 * scale; the rings, which lie one below the other, are drawn nested, and their gaps wide enough to see.
 */
import { turned } from '../../foundation/quantity/angle';
import type { Nm } from '../../foundation/quantity/length';
import { polar, sector as sectorPath, splitRing } from './arcs';
import { type Joint, JOINTS, JOINT_MARKS } from '../../foundation/parts/joints';
import type { KeptFree } from './rules';
import {
  type Box,
  type CrownAsk,
  type CrownStyle,
  type Item,
  type Mark,
  type Scene,
  type Tone,
  type Words,
  BORE_RADIUS,
} from './crownScene';
import { cardWords, jointLabels, shown, sideWords, wordsBox } from './crownLabels';

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
