/** Words round a crown: its sides, and what each end gap is called. */
import { turned } from '../../foundation/quantity/angle';
import { sideWord } from './words';
import type { Surroundings } from './surroundings';
import type { Box, Words, Item, CrownAsk, Mark } from './crownScene';
import { polar } from './arcs';
import { type Joints, type Joint, JOINTS } from '../../foundation/parts/joints';

/** Degrees from the front to the picture's own angle, clockwise from its top. */
export const shown = (degrees: number, turn: number): number => turned(degrees + turn);

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
export const widthOf = (text: string, size: number): number => text.length * size * 0.52;

/** The box that words take in a drawing, in its units. */
export function wordsBox(x: number, y: number, text: string, size: number, anchor: 'start' | 'middle' | 'end'): Box {
  const w = widthOf(text, size);
  return { x: anchor === 'start' ? x : anchor === 'end' ? x - w : x - w / 2, y: y - size * 0.8, w, h: size };
}

/** The words at the four sides of the full crown. */
export function sideWords({ round, turn }: CrownAsk, size: number): Words {
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
export function cardWords({ round, turn }: CrownAsk, size: number): Words {
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
export interface Label {
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
export function jointLabels({ turn, broken }: CrownAsk, joints: Joints, marks: readonly Mark[]): Words {
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
