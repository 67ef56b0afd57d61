'use client';

import { polar } from '@/core/stages/clocking/arcs';
import type { Rod } from '@/core/foundation/engine/crankcase';
import { SIDE_WORDS } from '@/core/stages/clocking/ruleWords';
import { useJudgement, useMoving } from '../openBuild/contexts';
import { Table } from '../shared/Table';
import type { JudgedCylinder } from '@/core/judge/judgement';

const BORE = 0.4;
const CHEEK = 0.055;
const CHAMFER: Record<Rod['faces'], string> = { front: '▲ front', rear: '▼ rear', both: 'either cheek' };

interface Placed {
  cylinder: JudgedCylinder;
  x: number;
  y: number;
  /** Where its rod meets the crank, and the bore's near edge. */
  from: number;
  to: number;
}

/** The engine from above, its bores laid out beside the crank: which way each piston and each rod faces. */
export function CrankPlan() {
  const { cylinders } = useJudgement();
  const two = cylinders.some((c) => c.bank !== 'only');
  const placed = cylinders.map((cylinder): Placed => {
    const side = cylinder.bank === 'left' ? -1 : 1;
    return { cylinder, x: side * 1.75, y: cylinder.deck.y, from: side * 0.14, to: side * (1.75 - BORE) };
  });
  const throws = [...new Set(cylinders.map((c) => c.clocking.rod.throw))].map((number) => {
    const ys = placed.filter((p) => p.cylinder.clocking.rod.throw === number).map((p) => p.y);
    return { number, top: Math.min(...ys) - 0.1, bottom: Math.max(...ys) + 0.1 };
  });
  const ys = placed.map((p) => p.y);
  const [top, bottom] = [Math.min(...ys) - 0.85, Math.max(...ys) + 0.75];
  const [left, right] = two ? [-2.5, 2.5] : [-0.8, 2.6];
  return (
    <div className="grid items-start gap-x-6 gap-y-4 pt-3 sm:grid-cols-2">
      <CrankDrawing left={left} top={top} right={right} bottom={bottom} throws={throws} placed={placed} />
      <RodTable />
    </div>
  );
}

/** Which rod is on which throw, and which way it faces. */
function RodTable() {
  const judgement = useJudgement();
  const { cylinder: current, toCylinder } = useMoving();
  const { cylinders } = judgement;
  const { clocking } = judgement.choices;
  return (
    <div>
      <Table
        caption="Which rod is on which throw, and which way it faces"
        region="Pistons and rods"
        className="text-[0.9375rem]"
        rows={cylinders}
        keyOf={(c) => c.id}
        isHere={(c) => c.id === current?.id}
        columns={[
          [
            'cylinder',
            ({ id, label }) => (
              <button
                type="button"
                className="min-h-11 min-w-11 font-bold"
                aria-label={`Cylinder ${label}, to it`}
                onClick={() => toCylinder(id)}
              >
                {label}
              </button>
            ),
          ],
          [
            'throw',
            ({ clocking: { rod } }) => (
              <>
                <span className="figures">{rod.throw}</span>
                {rod.besidesLabel && <span className="text-soft">, with {rod.besidesLabel}</span>}
              </>
            ),
            'whitespace-nowrap',
          ],
          ['chamfer', (c) => CHAMFER[c.clocking.rod.faces], 'whitespace-nowrap'],
          [
            'front mark to',
            ({ clocking: { round } }) =>
              round.frontMark ? `${round.frontMark.what}, ${round.frontMark.points}` : 'not set',
          ],
        ]}
      />
      <p className="mt-2 max-w-prose text-sm text-soft">
        The wedge on a rod is its chamfered side: it faces the cheek of the crank. Two rods on one throw face opposite
        ways, flat sides together.
        {clocking.rods.numbers
          ? ` The dot is where rod numbers and tangs point: ${SIDE_WORDS[clocking.rods.numbers]}.`
          : ' Direction of the rod numbers not set.'}{' '}
        Throws, the bank that sits further forward, marks and numbers are set under Clocking, Engine.
      </p>
    </div>
  );
}

interface CrankDrawingProps {
  left: number;
  top: number;
  right: number;
  bottom: number;
  throws: { number: number; top: number; bottom: number }[];
  placed: Placed[];
}

/** Throws, rods and mains, seen from the side. */
function CrankDrawing({ left, top, right, bottom, throws, placed }: CrankDrawingProps) {
  const { cylinder: current } = useMoving();
  return (
    <svg
      viewBox={`${left} ${top} ${right - left} ${bottom - top}`}
      role="img"
      aria-label="The engine from above: pistons and rods"
      className="mx-auto block max-h-[640px] w-full max-w-[560px]"
    >
      <text x={0} y={top + 0.2} textAnchor="middle" fontSize={0.17} fill="var(--soft)">
        front of engine
      </text>
      <path d={`M0 ${top + 0.27}l-.07 .11h.14z`} fill="var(--soft)" />
      <line
        x1={0}
        x2={0}
        y1={top + 0.42}
        y2={bottom - 0.1}
        stroke="var(--edge)"
        strokeWidth={0.02}
        strokeDasharray="0.12 0.06 0.03 0.06"
      />
      {throws.map((t) => (
        <g key={t.number}>
          {[t.top - CHEEK - 0.03, t.bottom + 0.03].map((y) => (
            <rect key={y} x={-0.3} y={y} width={0.6} height={CHEEK} rx={0.02} fill="var(--ring)" />
          ))}
          <rect
            x={-0.13}
            y={t.top - 0.03}
            width={0.26}
            height={t.bottom - t.top + 0.06}
            fill="var(--steel)"
            stroke="var(--edge)"
            strokeWidth={0.012}
          />
        </g>
      ))}
      {placed.map((p) => (
        <OneRod key={p.cylinder.id} placed={p} current={p.cylinder.id === current?.id} />
      ))}
    </svg>
  );
}

/** A bore with its front mark, and its rod with the chamfered side as a wedge. */
function OneRod({ placed: { cylinder, x, y, from, to }, current }: { placed: Placed; current: boolean }) {
  const { rod, round } = cylinder.clocking;
  const half = 0.085;
  const wedge = (sense: 1 | -1): string =>
    `M${from} ${y + sense * half}L${from + Math.sign(x) * 0.34} ${y + sense * half}L${from + Math.sign(x) * 0.17} ${y + sense * (half + 0.09)}Z`;
  const mark = round.frontMark && {
    tip: polar(BORE - 0.05, round.frontMark.degrees),
    left: polar(BORE - 0.17, round.frontMark.degrees - 16),
    right: polar(BORE - 0.17, round.frontMark.degrees + 16),
  };
  const numbers = rod.numbers === null ? null : polar(0.2, rod.numbers);
  return (
    <g data-rod={cylinder.id} data-faces={rod.faces}>
      <rect
        x={Math.min(from, to)}
        y={y - half}
        width={Math.abs(to - from)}
        height={2 * half}
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth={0.018}
      />
      {rod.faces !== 'front' && rod.faces !== 'rear' ? null : (
        <path d={wedge(rod.faces === 'front' ? -1 : 1)} fill="var(--blue)" />
      )}
      <circle
        cx={x}
        cy={y}
        r={BORE}
        fill="var(--sheet)"
        stroke={current ? 'var(--blue)' : 'var(--edge)'}
        strokeWidth={current ? 0.05 : 0.02}
      />
      {mark && (
        <path
          d={`M${x + mark.tip.x} ${y + mark.tip.y}L${x + mark.left.x} ${y + mark.left.y}L${x + mark.right.x} ${y + mark.right.y}Z`}
          fill="var(--ink)"
        />
      )}
      {numbers && <circle cx={x + numbers.x} cy={y + numbers.y} r={0.035} fill="var(--blue)" />}
      <text
        x={x}
        y={y + 0.075}
        textAnchor="middle"
        fontSize={0.22}
        fontWeight={700}
        fill={current ? 'var(--blue)' : 'var(--ink)'}
      >
        {cylinder.label}
      </text>
    </g>
  );
}
