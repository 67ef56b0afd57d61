'use client';

import {
  type ChartDataset,
  type LegendItem,
  type Plugin,
  type Point,
  Chart,
  Filler,
  Legend,
  LineController,
  LineElement,
  LinearScale,
  PointElement,
} from 'chart.js';
import { type PointerEvent, useEffect, useRef, useState } from 'react';

Chart.register(LineController, LineElement, PointElement, LinearScale, Filler, Legend);
Chart.defaults.font.family = '"Atkinson Hyperlegible Next Variable", sans-serif';

/** A line, marked where it ends; both `x` and `y` in the units the plot is labelled with. */
export interface PlotLine {
  label: string;
  points: Point[];
  /** Name of a colour variable, e.g. `--ok`. */
  colour: string;
  width?: number;
  dash?: number[];
  /** Whether it is points alone, each marked. */
  scattered?: boolean;
  /** Whether it goes on beyond the picture: its end is not marked then. */
  goesOn?: boolean;
}

export interface PlotBand {
  label: string;
  low: Point[];
  high: Point[];
  colour: string;
}

interface Props {
  label: string;
  lines: PlotLine[];
  bands?: PlotBand[];
  /** Places on the x axis to stand out, with their words; the strong one is drawn whole. */
  stands: { at: number; words: string; strong?: boolean }[];
  xTitle: string;
  yTitle: string;
  xEnds: [number, number];
  yEnds: [number, number];
  /** What lies under nothing, e.g. `ends meet`; null where the plot does not go so low. */
  zero: string | null;
  /** Told where on the x axis the pointer is dragged. */
  onDrag?: (x: number) => void;
}

const colour = (name: string): string => getComputedStyle(document.documentElement).getPropertyValue(name).trim();

/** Vertical lines with their words, and the line where nothing is left. */
const marksOf = (stands: Props['stands'], zero: string | null): Plugin<'line'> => ({
  id: 'marks',
  afterDatasetsDraw({ ctx, chartArea: { left, right, top, bottom }, scales: { x, y } }) {
    if (!x || !y) return;
    ctx.save();
    ctx.font = '600 13px "Atkinson Hyperlegible Next Variable", sans-serif';
    stands.forEach(({ at: place, words, strong = false }, i) => {
      const at = x.getPixelForValue(place);
      if (at <= left || at >= right) return;
      ctx.strokeStyle = colour(strong ? '--blue' : '--ink');
      ctx.fillStyle = ctx.strokeStyle;
      ctx.lineWidth = strong ? 2.5 : 1.5;
      ctx.setLineDash(strong ? [] : [2, 3]);
      ctx.beginPath();
      ctx.moveTo(at, top + 18 * (i + 1));
      ctx.lineTo(at, bottom);
      ctx.stroke();
      ctx.textAlign = at > (left + right) / 2 ? 'right' : 'left';
      ctx.fillText(words, at + (at > (left + right) / 2 ? 4 : -4), top + 12 + 18 * i);
    });
    if (zero === null) {
      ctx.restore();
      return;
    }
    const none = y.getPixelForValue(0);
    ctx.setLineDash([]);
    ctx.strokeStyle = colour('--over');
    ctx.fillStyle = colour('--over');
    ctx.lineWidth = 2;
    ctx.beginPath();
    ctx.moveTo(left, none);
    ctx.lineTo(right, none);
    ctx.stroke();
    ctx.textAlign = 'left';
    ctx.fillText(zero, left + 6, none + 16);
    ctx.restore();
  },
});

function datasetsOf(lines: PlotLine[], bands: PlotBand[]): ChartDataset<'line', Point[]>[] {
  const edges = bands.flatMap(({ label, high, low, colour: name }): ChartDataset<'line', Point[]>[] => [
    { label, data: high, borderWidth: 0, pointRadius: 0, backgroundColor: `${colour(name)}2e`, fill: '+1' },
    { label: '', data: low, borderWidth: 0, pointRadius: 0 },
  ]);
  return [
    ...lines.map((line): ChartDataset<'line', Point[]> => ({
      label: line.label,
      data: line.points,
      borderColor: colour(line.colour),
      backgroundColor: colour(line.colour),
      borderWidth: line.width ?? 2,
      borderDash: line.dash ?? [],
      showLine: !line.scattered,
      pointRadius: line.scattered
        ? 4.5
        : line.points.map((_, i) => (i === line.points.length - 1 && !line.goesOn ? 6 : 0)),
      pointStyle: line.scattered ? 'circle' : 'triangle',
    })),
    ...edges,
  ];
}

/** The key: a stroke as each line is drawn, a patch for each band. */
function keyOf(lines: PlotLine[], bands: PlotBand[]): LegendItem[] {
  const fontColor = colour('--ink');
  const strokes = lines.map(({ label, colour: name, width = 2, dash = [], scattered }): LegendItem => ({
    text: label,
    fontColor,
    strokeStyle: colour(name),
    lineWidth: width,
    lineDash: dash,
    ...(scattered && { fillStyle: colour(name) }),
    pointStyle: scattered ? 'circle' : 'line',
  }));
  return [
    ...strokes,
    ...bands.map(({ label, colour: name }): LegendItem => ({
      ...{ text: label, fontColor, fillStyle: `${colour(name)}4d` },
      ...{ lineWidth: 0, pointStyle: 'rect' },
    })),
  ];
}

/** Lines, drawn with Chart.js in the colours of the theme. The same figures stand in a table beside it. */
export function Plot({ label, lines, bands = [], stands, xTitle, yTitle, xEnds, yEnds, zero, onDrag }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const shown = useRef<Chart | null>(null);
  const drag = (event: PointerEvent<HTMLCanvasElement>): void => {
    const x = shown.current?.scales.x;
    if (!onDrag || !x || event.buttons === 0) return;
    const at = x.getValueForPixel(event.clientX - event.currentTarget.getBoundingClientRect().left);
    if (at !== undefined) onDrag(Math.min(xEnds[1], Math.max(xEnds[0], at)));
  };
  const [theme, setTheme] = useState('');
  useEffect(() => {
    const watch = new MutationObserver(() => setTheme(document.documentElement.dataset.theme ?? ''));
    watch.observe(document.documentElement, { attributeFilter: ['data-theme'] });
    return () => watch.disconnect();
  }, []);
  const drawn = JSON.stringify([lines, bands, stands, xTitle, yTitle, xEnds, yEnds, zero]);
  useEffect(() => {
    if (!canvas.current) return;
    const axis = (title: string) => ({
      title: { display: true, text: title, color: colour('--soft'), font: { size: 13 } },
      ticks: {
        color: colour('--ink'),
        includeBounds: false,
        font: { family: 'Atkinson Hyperlegible Mono Variable', size: 13 },
      },
      grid: { color: colour('--line'), lineWidth: 0.5 },
      border: { color: colour('--ink') },
    });
    const chart = new Chart(canvas.current, {
      type: 'line',
      data: { datasets: datasetsOf(lines, bands) },
      options: {
        animation: false,
        responsive: true,
        maintainAspectRatio: false,
        scales: {
          x: { type: 'linear', min: xEnds[0], max: xEnds[1], ...axis(xTitle) },
          y: { type: 'linear', min: yEnds[0], max: yEnds[1], ...axis(yTitle) },
        },
        plugins: {
          legend: {
            align: 'start',
            onClick: () => undefined,
            labels: {
              usePointStyle: true,
              pointStyleWidth: 30,
              boxHeight: 8,
              font: { size: 13 },
              generateLabels: () => keyOf(lines, bands),
            },
          },
        },
      },
      plugins: [marksOf(stands, zero)],
    });
    shown.current = chart;
    return () => {
      shown.current = null;
      chart.destroy();
    };
    // `drawn` stands for everything that is drawn, by value.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [drawn, theme]);
  return (
    <div className="relative h-[300px] w-full">
      <canvas
        ref={canvas}
        role="img"
        aria-label={label}
        className={onDrag ? 'touch-none cursor-ew-resize' : undefined}
        onPointerDown={(event) => {
          if (onDrag) event.currentTarget.setPointerCapture(event.pointerId);
          drag(event);
        }}
        onPointerMove={drag}
      />
    </div>
  );
}
