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
import { useEffect, useRef, useState } from 'react';

Chart.register(LineController, LineElement, PointElement, LinearScale, Filler, Legend);
Chart.defaults.font.family = '"Atkinson Hyperlegible Next Variable", sans-serif';

/** A line over temperature, marked where it ends; `y` in the unit the plot is labelled with. */
export interface PlotLine {
  label: string;
  points: Point[];
  /** Name of a colour variable, e.g. `--ok`. */
  colour: string;
  width?: number;
  dash?: number[];
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
  band: PlotBand | null;
  /** A temperature to stand out, with its words. */
  stand: { celsius: number; words: string };
  xTitle: string;
  yTitle: string;
  xEnd: number;
  yEnds: [number, number];
  /** What lies under nothing, e.g. `ends meet`. */
  zero: string;
}

const COLD = 20;

const colour = (name: string): string => getComputedStyle(document.documentElement).getPropertyValue(name).trim();

/** A vertical line with its words, and the line where nothing is left. */
const marksOf = (stand: Props['stand'], zero: string): Plugin<'line'> => ({
  id: 'marks',
  afterDatasetsDraw({ ctx, chartArea: { left, right, top, bottom }, scales: { x, y } }) {
    if (!x || !y) return;
    ctx.save();
    ctx.font = '600 13px "Atkinson Hyperlegible Next Variable", sans-serif';
    const at = x.getPixelForValue(stand.celsius);
    if (at > left && at < right) {
      ctx.strokeStyle = colour('--ink');
      ctx.fillStyle = colour('--ink');
      ctx.lineWidth = 1.5;
      ctx.setLineDash([2, 3]);
      ctx.beginPath();
      ctx.moveTo(at, top + 18);
      ctx.lineTo(at, bottom);
      ctx.stroke();
      ctx.textAlign = at > (left + right) / 2 ? 'right' : 'left';
      ctx.fillText(stand.words, at + (at > (left + right) / 2 ? 4 : -4), top + 12);
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

function datasetsOf(lines: PlotLine[], band: PlotBand | null): ChartDataset<'line', Point[]>[] {
  const shade = band ? `${colour(band.colour)}2e` : '';
  const edges: ChartDataset<'line', Point[]>[] = band
    ? [
        { label: band.label, data: band.high, borderWidth: 0, pointRadius: 0, backgroundColor: shade, fill: '+1' },
        { label: '', data: band.low, borderWidth: 0, pointRadius: 0 },
      ]
    : [];
  return [
    ...lines.map((line): ChartDataset<'line', Point[]> => ({
      label: line.label,
      data: line.points,
      borderColor: colour(line.colour),
      backgroundColor: colour(line.colour),
      borderWidth: line.width ?? 2,
      borderDash: line.dash ?? [],
      pointRadius: line.points.map((_, i) => (i === line.points.length - 1 ? 6 : 0)),
      pointStyle: 'triangle',
    })),
    ...edges,
  ];
}

/** The key: a stroke as each line is drawn, a patch for the band. */
function keyOf(lines: PlotLine[], band: PlotBand | null): LegendItem[] {
  const fontColor = colour('--ink');
  const strokes = lines.map(({ label, colour: name, width = 2, dash = [] }): LegendItem => ({
    text: label,
    fontColor,
    strokeStyle: colour(name),
    lineWidth: width,
    lineDash: dash,
    pointStyle: 'line',
  }));
  return band
    ? [
        ...strokes,
        { text: band.label, fontColor, fillStyle: `${colour(band.colour)}4d`, lineWidth: 0, pointStyle: 'rect' },
      ]
    : strokes;
}

/** Lines over temperature, drawn with Chart.js in the colours of the theme. The same figures stand in a table beside it. */
export function Plot({ label, lines, band, stand, xTitle, yTitle, xEnd, yEnds, zero }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [theme, setTheme] = useState('');
  useEffect(() => {
    const watch = new MutationObserver(() => setTheme(document.documentElement.dataset.theme ?? ''));
    watch.observe(document.documentElement, { attributeFilter: ['data-theme'] });
    return () => watch.disconnect();
  }, []);
  const drawn = JSON.stringify([lines, band, stand, xTitle, yTitle, xEnd, yEnds, zero]);
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
      data: { datasets: datasetsOf(lines, band) },
      options: {
        animation: false,
        responsive: true,
        maintainAspectRatio: false,
        scales: {
          x: { type: 'linear', min: COLD, max: xEnd, ...axis(xTitle) },
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
              generateLabels: () => keyOf(lines, band),
            },
          },
        },
      },
      plugins: [marksOf(stand, zero)],
    });
    return () => chart.destroy();
    // `drawn` stands for everything that is drawn, by value.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [drawn, theme]);
  return (
    <div className="relative h-[300px] w-full">
      <canvas ref={canvas} role="img" aria-label={label} />
    </div>
  );
}
