/** Crowns as an SVG file for a drawing program: plain shapes and words, colours written out, the bore at its true size. */
import { type Scene, type Item, type Tone, BORE_RADIUS } from '@/core/stages/clocking/crownScene';
import type { Nm } from '@/core/foundation/quantity/length';

/** Colours on white paper. */
const PAPER: Record<Tone, string> = {
  none: 'none',
  ink: '#14171b',
  soft: '#4e545b',
  line: '#c8c3b8',
  edge: '#8d897f',
  sheet: '#ffffff',
  paper: '#f4f2ec',
  blue: '#17349a',
  ring: '#4b5157',
  short: '#984300',
};

const FONT = "'Atkinson Hyperlegible Next', Helvetica, Arial, sans-serif";

const escaped = (text: string): string => text.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);
const n = (value: number): string => String(Math.round(value * 100) / 100);

const looks = (item: Extract<Item, { kind: 'circle' | 'path' }>): string =>
  [
    `fill="${PAPER[item.fill ?? 'none']}"`,
    item.stroke && `stroke="${PAPER[item.stroke]}" stroke-width="${n(item.width ?? 1)}"`,
    item.dash && `stroke-dasharray="${item.dash}"`,
    item.opacity !== undefined && `opacity="${item.opacity}"`,
  ]
    .filter(Boolean)
    .join(' ');

function itemSvg(item: Item): string {
  if (item.kind === 'circle') return `<circle cx="${n(item.x)}" cy="${n(item.y)}" r="${n(item.r)}" ${looks(item)}/>`;
  if (item.kind === 'path')
    return `<path d="${item.d}" ${item.x === undefined ? '' : `transform="translate(${n(item.x)} ${n(item.y ?? 0)})" `}${looks(item)}/>`;
  const { x, y, size, anchor, tone, bold, turn, text } = item;
  return `<text x="${n(x)}" y="${n(y)}" font-size="${size}" text-anchor="${anchor}" fill="${PAPER[tone]}"${bold ? ' font-weight="700"' : ''}${turn ? ` transform="rotate(${turn} ${n(x)} ${n(y)})"` : ''}>${escaped(text)}</text>`;
}

/** One crown, what is written over it, and its bore: null draws it at 100 mm. */
export interface CrownDrawing {
  id: string;
  title: string;
  /** Under the title, e.g. which way the rod faces. */
  lines: string[];
  scene: Scene;
  bore: Nm | null;
}

const HEAD = 34;
const LINE = 24;
const ACROSS = 4;

/** One or more crowns as an SVG document. A bore of 100 mm is 100 mm across when it is printed at full size. */
export function crownSvg(crowns: readonly CrownDrawing[], title: string): string {
  const widest = Math.max(...crowns.map((c) => c.bore ?? 0)) || 100_000_000;
  const mm = widest / 1_000_000 / (2 * BORE_RADIUS);
  const lines = Math.max(0, ...crowns.map((c) => c.lines.length));
  const cell = {
    w: Math.max(...crowns.map((c) => c.scene.box.w)),
    h: Math.max(...crowns.map((c) => c.scene.box.h)) + HEAD + lines * LINE + 10,
  };
  const columns = Math.min(ACROSS, crowns.length);
  const size = { w: columns * cell.w, h: Math.ceil(crowns.length / columns) * cell.h };
  const drawn = crowns.map(({ id, title: name, lines: under, scene, bore }, i) => {
    const [x, y] = [(i % columns) * cell.w, Math.floor(i / columns) * cell.h];
    const scale = (bore ?? widest) / widest;
    const middle = { x: x + cell.w / 2, y: y + HEAD + lines * LINE - scene.box.y };
    return [
      `<g id="cylinder-${escaped(id)}">`,
      `<text x="${n(middle.x)}" y="${n(y + HEAD)}" font-size="28" font-weight="700" text-anchor="middle" fill="${PAPER.ink}">${escaped(name)}</text>`,
      ...under.map(
        (text, k) =>
          `<text x="${n(middle.x)}" y="${n(y + HEAD + (k + 1) * LINE)}" font-size="17" text-anchor="middle" fill="${PAPER.soft}">${escaped(text)}</text>`,
      ),
      `<g transform="translate(${n(middle.x)} ${n(middle.y)}) scale(${Math.round(scale * 1e6) / 1e6})">`,
      ...scene.items.map(itemSvg),
      '</g>',
      '</g>',
    ].join('\n');
  });
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" width="${n(size.w * mm)}mm" height="${n(size.h * mm)}mm" viewBox="0 0 ${n(size.w)} ${n(size.h)}" font-family="${FONT}">`,
    `<title>${escaped(title)}</title>`,
    `<rect width="${n(size.w)}" height="${n(size.h)}" fill="#ffffff"/>`,
    ...drawn,
    '</svg>',
    '',
  ].join('\n');
}
