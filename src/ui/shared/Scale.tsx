import type { Nm, Units } from '@/core/foundation/quantity/length';
import { printLength } from '@/core/foundation/quantity/format';
import type { Limits, Target } from '@/core/models/targets/target';
import type { State } from '@/core/foundation/verdict/state';
import { stateColour } from './StateMark';

export interface Pass {
  id: string;
  value: Nm;
  upTo: Nm | null;
}

interface Props {
  target: Target;
  /** Readings that count, oldest first. */
  passes: Pass[];
  state: State;
  units: Units;
  /** What lies under the minimum and over the window, in a few words. */
  under: string;
  over: string;
  /** Whether the passes creep towards the window, so that the steps between them mean metal taken off. */
  steps?: boolean;
  label: string;
}

const WIDTH = 634;
const HEIGHT = 176;
const BASE = 118;
const EDGE = 22;

const STEPS: Record<Units, Nm[]> = {
  imperial: [2_540, 12_700, 25_400, 50_800, 127_000, 254_000, 508_000],
  metric: [1_000, 5_000, 10_000, 20_000, 50_000, 100_000, 200_000],
};

/** Fine and main tick of a scale that spans so many nanometres, in round figures of the unit. */
function ticks(span: Nm, units: Units): { fine: Nm; main: Nm } {
  const steps = STEPS[units];
  const fine = steps.find((step) => span / step <= 48) ?? Math.ceil(span / 48);
  const main = steps.find((step) => step % fine === 0 && step > fine && span / step <= 9) ?? fine * 5;
  return { fine, main };
}

/** A rule with the aim window on it and the readings standing where they were read. */
export function Scale({ target, passes, state, units, under, over, steps = false, label }: Props) {
  const band = target.set ? target.inForce : null;
  const ends = [
    ...passes.flatMap((p) => [p.upTo ?? p.value, p.value]),
    ...(band ? [band.least, band.most ?? band.aimTo ?? band.aimFrom] : []),
  ];
  if (ends.length === 0) return null;
  const width = band ? (band.aimTo ?? band.aimFrom * 1.2) - band.least : 50_000;
  const low = Math.max(Math.min(...ends) - width * 1.6, Math.min(0, ...ends));
  const high = Math.max(...ends) + width * 1.3;
  const x = (nm: Nm): number => EDGE + ((nm - low) * (WIDTH - 2 * EDGE)) / (high - low);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full max-w-[760px] shrink-0"
      role="img"
      aria-label={label}
    >
      {band && <Band x={x} limits={band} high={high} under={under} over={over} />}
      <Ticks x={x} low={low} high={high} units={units} />
      <text x={WIDTH} y={HEIGHT - 2} textAnchor="end" fontSize={14} fill="var(--soft)">
        {units === 'imperial' ? 'thou' : 'mm'}
      </text>
      {passes.map((pass, i) => (
        <Reading
          key={pass.id}
          x={x}
          pass={pass}
          before={steps ? (passes[i - 1] ?? null) : null}
          last={passes.at(-1) ?? pass}
          colour={stateColour(state)}
          units={units}
        />
      ))}
    </svg>
  );
}

function Ticks({ x, low, high, units }: { x: (nm: Nm) => number; low: Nm; high: Nm; units: Units }) {
  const { fine, main } = ticks(high - low, units);
  const first = Math.ceil(low / fine);
  const marks = Array.from({ length: Math.floor(high / fine) - first + 1 }, (_, i) => (first + i) * fine);
  return (
    <>
      <line x1={x(low)} x2={x(high)} y1={BASE} y2={BASE} stroke="var(--ink)" strokeWidth={2} />
      {marks.map((nm) => {
        const big = nm % main === 0;
        return (
          <g key={nm}>
            <line
              x1={x(nm)}
              x2={x(nm)}
              y1={BASE}
              y2={BASE + (big ? 18 : 9)}
              stroke="var(--ink)"
              strokeWidth={big ? 2 : 1}
            />
            {big && (
              <text
                x={x(nm)}
                y={BASE + 40}
                textAnchor="middle"
                fontSize={18}
                fontWeight={600}
                fill="var(--ink)"
                className="figures"
              >
                {printLength(nm, units, 'fine').number}
              </text>
            )}
          </g>
        );
      })}
    </>
  );
}

interface ReadingProps {
  x: (nm: Nm) => number;
  pass: Pass;
  /** The one before it, where an arc from there shows what was taken off. */
  before: Pass | null;
  last: Pass;
  colour: string;
  units: Units;
}

function Reading({ x, pass, before, last, colour, units }: ReadingProps) {
  const at = x(pass.value);
  const isLast = pass === last;
  const from = before && x(before.value);
  return (
    <g>
      {from !== null && at - from > 14 && (
        <path
          d={`M${from + 8} 100C${from + 22} 78 ${at - 22} 78 ${at - 5} 96`}
          fill="none"
          stroke="var(--soft)"
          strokeWidth={1.5}
        />
      )}
      {pass.upTo !== null && isLast && (
        <line x1={at} x2={x(pass.upTo)} y1={BASE - 6} y2={BASE - 6} stroke={colour} strokeWidth={6} />
      )}
      <path
        d={`M${at} ${BASE - 1}l-10-20h20z`}
        fill={isLast ? colour : 'var(--sheet)'}
        stroke={isLast ? colour : 'var(--soft)'}
        strokeWidth={2}
      />
      {(isLast || Math.abs(at - x(last.value)) >= 52) && (
        <text
          x={at}
          y={isLast ? 86 : 92}
          textAnchor="middle"
          fontSize={isLast ? 22 : 14}
          fontWeight={700}
          fill={isLast ? colour : 'var(--soft)'}
          stroke="var(--sheet)"
          strokeWidth={6}
          paintOrder="stroke"
          className="figures"
        >
          {printLength(pass.value, units, 'fine').number}
        </text>
      )}
    </g>
  );
}

/** Where a limit or an end of the aim lies. */
function Limit({ at, colour = 'var(--ok)', dashes = '4 3' }: { at: number; colour?: string; dashes?: string }) {
  return <line x1={at} x2={at} y1={54} y2={BASE} stroke={colour} strokeWidth={1.5} strokeDasharray={dashes} />;
}

interface BandProps {
  x: (nm: Nm) => number;
  limits: Limits;
  high: Nm;
  under: string;
  over: string;
}

function Band({ x, limits: { least, aimFrom, aimTo, most }, high, under, over }: BandProps) {
  const end = aimTo ?? high;
  return (
    <>
      <rect x={x(aimFrom)} y={54} width={x(end) - x(aimFrom)} height={BASE - 54} fill="var(--wash)" />
      <line x1={x(least)} x2={x(least)} y1={40} y2={BASE} stroke="var(--ok)" strokeWidth={3} />
      {aimFrom > least && <Limit at={x(aimFrom)} />}
      {aimTo !== null && <Limit at={x(aimTo)} />}
      {most !== null && most !== aimTo && <Limit at={x(most)} colour="var(--over)" dashes="2 3" />}
      <text x={(x(aimFrom) + x(end)) / 2} y={48} textAnchor="middle" fontSize={15} fontWeight={700} fill="var(--ok)">
        {aimTo === null ? 'enough' : 'aim'}
      </text>
      <text x={x(least) - 10} y={24} textAnchor="end" fontSize={15} fill="var(--short)">
        {under}
      </text>
      {aimTo !== null && (
        <text x={x(aimTo) + 10} y={24} fontSize={15} fill="var(--loose)">
          {over}
        </text>
      )}
    </>
  );
}
