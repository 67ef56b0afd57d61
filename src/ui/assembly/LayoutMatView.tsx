'use client';

import { Printer } from 'lucide-react';
import { useState } from 'react';
import { mostMains } from '@/core/foundation/engine/places';
import { engineWords } from '@/core/foundation/engine/engine';
import type { JudgedCylinder } from '@/core/judge/judgement';
import { useJudgement } from '../openBuild/contexts';
import { Button } from '../shared/Button';
import { Segmented } from '../shared/Segmented';
import { Labels } from './Labels';

const WHATS = [
  ['mat', 'mat for the bench'],
  ['labels', 'labels'],
] as const;
const PAPERS = [
  ['a4', 'A4'],
  ['a3', 'A3'],
  ['letter', 'Letter'],
] as const;

/** Sheets laid across, and what of them is left inside 8 mm of margin, and a little less; mm. */
const ROOM = { a4: [281, 186], a3: [404, 272], letter: [263, 191] } as const;
const HEAD = 12;
const MAINS = 26;

/** What lies on the bench while it is put together: a place for each part, as they lie in the engine; and labels for them. */
export function LayoutMatView() {
  const judgement = useJudgement();
  const [what, setWhat] = useState<(typeof WHATS)[number][0]>('mat');
  const [paper, setPaper] = useState<keyof typeof ROOM>('a4');
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-4 pt-3 print:block print:pt-0">
      <div className="no-print flex flex-wrap items-center gap-x-6 gap-y-2">
        <Segmented label="To print" value={what} options={WHATS} onChange={setWhat} />
        {what === 'mat' && <Segmented label="Paper" value={paper} options={PAPERS} onChange={setPaper} />}
        <Button kind="strong" onClick={() => window.print()}>
          <Printer size={18} aria-hidden /> Print
        </Button>
      </div>
      {what === 'mat' ? (
        <div className={`border border-line bg-sheet print:border-0 paper-${paper}`}>
          <Mat paper={paper} />
        </div>
      ) : (
        <Labels />
      )}
      <p className="no-print max-w-prose text-soft">
        {what === 'mat'
          ? 'Front of the engine to the left, banks as seen from above. Every part lies in its own place until it goes in: what is left on the mat was forgotten.'
          : 'One label a part. The code opens its cylinder on this build, from any device that reaches this address.'}{' '}
        {judgement.mains.length === 0 && what === 'mat' && 'Mains stand on it once the job covers journals.'}
      </p>
    </div>
  );
}

function Mat({ paper }: { paper: keyof typeof ROOM }) {
  const judgement = useJudgement();
  const { job, cylinders, mains, choices } = judgement;
  if (!job) return null;
  const [width, height] = ROOM[paper];
  const banks = (['right', 'only', 'left'] as const)
    .map((bank) => cylinders.filter((c) => c.bank === bank).sort((a, b) => a.row - b.row))
    .filter((bank) => bank.length > 0);
  const most = Math.max(...banks.map((b) => b.length));
  // a long row is laid in two
  const rows = banks.flatMap((bank) =>
    most > 6 && banks.length === 1 ? [bank.slice(0, Math.ceil(most / 2)), bank.slice(Math.ceil(most / 2))] : [bank],
  );
  const columns = Math.max(...rows.map((r) => r.length));
  const cell = { w: width / columns, h: (height - HEAD - (mains.length > 0 ? MAINS : 0)) / rows.length };
  const { clips } = choices.walk;
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="block w-full"
      role="img"
      aria-label={`Layout mat of ${job.name}: a place for every part`}
    >
      <text x={1} y={7} fontSize={6} fontWeight={700} fill="var(--ink)">
        {job.name}
      </text>
      <text x={width - 1} y={7} textAnchor="end" fontSize={4} fill="var(--soft)">
        {engineWords(job.engine)} · ◀ front of the engine
      </text>
      {rows.map((row, r) =>
        row.map((c, i) => (
          <g key={c.id} transform={`translate(${i * cell.w} ${HEAD + r * cell.h})`}>
            <Cell cylinder={c} w={cell.w} h={cell.h} clips={clips.count} />
          </g>
        )),
      )}
      {mains.map((m, i) => {
        const w = width / Math.min(mains.length, mostMains(cylinders.length));
        return (
          <g key={m.id} transform={`translate(${i * w} ${height - MAINS})`}>
            <rect x={0.7} y={0.7} width={w - 1.4} height={MAINS - 1.4} rx={1.5} {...LINE} />
            <text x={3} y={7} fontSize={5} fontWeight={700} fill="var(--ink)">
              {m.label}
            </text>
            <Shells x={w / 2} y={13} r={Math.min(6, w / 6)} />
            <Named x={w / 2} y={MAINS - 2.5}>
              {w > 30 ? 'block · cap, bolts' : 'cap'}
            </Named>
          </g>
        );
      })}
    </svg>
  );
}

const LINE = { fill: 'none', stroke: 'var(--ink)', strokeWidth: 0.3 };
const PLACE = { fill: 'none', stroke: 'var(--soft)', strokeWidth: 0.35, strokeDasharray: '1.4 1' };

const Named = ({ x, y, children }: { x: number; y: number; children: string }) => (
  <text x={x} y={y} textAnchor="middle" fontSize={2.7} fill="var(--soft)">
    {children}
  </text>
);

/** Places of two half shells. */
const Shells = ({ x, y, r }: { x: number; y: number; r: number }) => (
  <>
    <path d={`M${x - r} ${y - 1.8}a${r} ${r} 0 0 1 ${2 * r} 0`} {...PLACE} />
    <path d={`M${x - r} ${y + 1.8}a${r} ${r} 0 0 0 ${2 * r} 0`} {...PLACE} />
  </>
);

interface CellProps {
  cylinder: JudgedCylinder;
  w: number;
  h: number;
  clips: number;
}

/** The places of one cylinder's parts. */
function Cell({ cylinder: { label }, w, h, clips }: CellProps) {
  const r = Math.min(w / 4.6, h / 6.5);
  const ring = Math.min(w / 12.5, h / 14);
  const ringsAt = h - ring - 5.5;
  const rings = ['top', 'second', 'rail', 'rail', 'expander'];
  const middle = 8 + r + 1;
  const rodTop = middle + r + 4.5;
  const rodLow = ringsAt - ring - 5;
  const rod = w * 0.36;
  const rodEnd = Math.min(rodLow - 3, rodTop + w * 1.05);
  const big = Math.min(w / 7, (rodEnd - rodTop) / 4);
  return (
    <>
      <rect x={0.7} y={0.7} width={w - 1.4} height={h - 1.4} rx={2} {...LINE} />
      <text x={3} y={10} fontSize={9} fontWeight={700} fill="var(--ink)">
        {label}
      </text>
      <circle cx={w / 2} cy={middle} r={r} {...PLACE} />
      <Named x={w / 2} y={middle + 1}>
        piston
      </Named>
      <rect x={w - 4 - w / 9} y={middle - r * 0.8} width={w / 9} height={r * 1.6} rx={1} {...PLACE} />
      <Named x={w - 4 - w / 18} y={middle + r * 0.8 + 3.6}>
        pin
      </Named>
      {Array.from({ length: clips }, (_, i) => (
        <circle key={i} cx={5 + (i % 2) * 6} cy={middle - 1 + Math.floor(i / 2) * 6} r={2.2} {...PLACE} />
      ))}
      {clips > 0 && (
        <Named x={8} y={middle + 6 + (clips > 2 ? 5 : 0)}>
          {`${clips} clips`}
        </Named>
      )}
      <path
        d={`M${rod} ${rodTop}m${-big * 0.5} ${big * 0.5}a${big * 0.5} ${big * 0.5} 0 0 1 ${big} 0l${big * 0.15} ${rodEnd - rodTop - 2 * big}a${big} ${big} 0 1 1 ${-big * 1.3} 0z`}
        {...PLACE}
      />
      <path d={`M${rod - big} ${rodEnd - big * 0.75}h${2 * big}`} {...PLACE} />
      <Named x={rod} y={rodEnd + 4}>
        rod, cap, bolts
      </Named>
      <Shells x={w * 0.76} y={(rodTop + rodEnd) / 2} r={Math.min(w / 9, (rodEnd - rodTop) / 4)} />
      <Named x={w * 0.76} y={rodEnd + 4}>
        shells
      </Named>
      {rings.map((name, i) => {
        const x = 2.5 + ((w - 5) * (i + 0.5)) / rings.length;
        return (
          <g key={i}>
            <circle cx={x} cy={ringsAt} r={ring} {...PLACE} />
            <Named x={x} y={ringsAt + ring + 3.4}>
              {name}
            </Named>
          </g>
        );
      })}
    </>
  );
}
