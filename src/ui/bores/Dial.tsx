import { dialFigures, needleAt } from '@/core/stages/bores/gauge';
import type { Nm, Units } from '@/core/foundation/quantity/length';
import { lengthText, printLength } from '@/core/foundation/quantity/format';
import type { GaugeKit } from '@/core/foundation/uncertainty/instrument';

interface Props {
  kit: GaugeKit;
  /** What it was zeroed at. */
  setting: Nm;
  /** The bore it is to show; null while nothing is typed or read. */
  shown: Nm | null;
  units: Units;
  /** Whether it shows what is being typed. */
  live: boolean;
}

const R = 86;
const point = (degrees: number, radius: number): string => {
  const radians = ((degrees - 90) * Math.PI) / 180;
  return `${(radius * Math.cos(radians)).toFixed(2)} ${(radius * Math.sin(radians)).toFixed(2)}`;
};

/** The divisions of the dial, and the figures at some of them. */
function Divisions({ kit, units }: Pick<Props, 'kit' | 'units'>) {
  const { divisions, every, figures } = dialFigures(kit);
  return (
    <>
      {Array.from({ length: divisions }, (_, i) => {
        const degrees = (i * 360) / divisions;
        const main = i % every === 0;
        return (
          <path
            key={i}
            d={`M${point(degrees, R)}L${point(degrees, main ? R - 12 : R - 6)}`}
            stroke="var(--ink)"
            strokeWidth={main ? 1.6 : 0.7}
          />
        );
      })}
      {figures.map((figure) => {
        const [x = 0, y = 0] = point(figure.angle, R - 22)
          .split(' ')
          .map(Number);
        return (
          <text
            key={figure.angle}
            x={x}
            y={y + 3.5}
            textAnchor="middle"
            fontSize={figures.length > 11 ? 9 : 10.5}
            fill={figure.off < 0 ? 'var(--over)' : 'var(--soft)'}
            className="figures"
          >
            {printLength(figure.off, units, 'fine').number}
          </text>
        );
      })}
    </>
  );
}

/** The dial of the bore gauge with the needle where it should stand, so that the fitter can compare. */
export function Dial({ kit, setting, shown, units, live }: Props) {
  const { off, angle, turns } = needleAt(shown ?? setting, setting, kit);
  const words =
    shown === null
      ? `zeroed at ${lengthText(setting, units, 'size')}`
      : `${off < 0 ? '' : '+'}${lengthText(off, units, 'fine')} from ${lengthText(setting, units, 'size')}${turns > 0 ? `, ${turns} whole ${turns === 1 ? 'turn' : 'turns'} past` : ''}`;
  return (
    <figure className="mt-3">
      <svg viewBox="-100 -100 200 200" className="mx-auto block w-[200px]" role="img" aria-label={`Dial: ${words}`}>
        <circle r={97} fill="var(--paper)" stroke="var(--edge)" strokeWidth={2} />
        <Divisions kit={kit} units={units} />
        <text y={34} textAnchor="middle" fontSize={11} fill="var(--soft)">
          {units === 'imperial' ? 'thou' : 'mm'}
        </text>
        {turns > 0 && (
          <text y={50} textAnchor="middle" fontSize={13} fontWeight={700} fill="var(--short)">
            {turns} {turns === 1 ? 'turn' : 'turns'} past
          </text>
        )}
        <g transform={`rotate(${angle.toFixed(3)})`}>
          <path d="M0 16L-2.4 0 0 -80 2.4 0Z" fill={live ? 'var(--blue)' : 'var(--ink)'} />
        </g>
        <circle r={5} fill="var(--ink)" />
      </svg>
      <figcaption className="text-center">
        <span className="figures font-bold">
          {shown === null ? '0' : `${off < 0 ? '' : '+'}${lengthText(off, units, 'fine')}`}
        </span>{' '}
        <span className="text-soft">
          {live ? 'should show' : shown === null ? 'zeroed at' : 'last read, from'}{' '}
          {shown === null || !live ? lengthText(setting, units, 'size') : ''}
        </span>
      </figcaption>
    </figure>
  );
}
