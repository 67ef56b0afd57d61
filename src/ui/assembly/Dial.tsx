import { polar } from '@/core/stages/clocking/arcs';

interface Props {
  /** Degrees from now; under 0 backwards. */
  by: number;
  /** Where the crank stands now does not matter: the first. */
  isFirst: boolean;
  /** Whether the crank runs clockwise, seen from the front. */
  isClockwise: boolean;
}

/** How far the crank is turned from where it stands, seen from the front: the throw ends at the bottom. */
export function Dial({ by, isFirst, isClockwise }: Props) {
  const swept = isClockwise ? by : -by;
  const now = polar(34, 180 - swept);
  const isLarge = Math.abs(by) > 180;
  const end = polar(34, 180);
  const tick = by === 0 ? '' : `M${now.x} ${now.y}A34 34 0 ${isLarge ? 1 : 0} ${swept > 0 ? 1 : 0} ${end.x} ${end.y}`;
  return (
    <svg
      viewBox="-50 -50 100 106"
      className="block w-full max-w-[190px]"
      role="img"
      aria-label={turnWords(by, isFirst)}
    >
      <circle r={42} fill="var(--steel)" stroke="var(--edge)" />
      {[0, 45, 90, 135, 180, 225, 270, 315].map((a) => {
        const [inner, outer] = [polar(38, a), polar(42, a)];
        return <path key={a} d={`M${inner.x} ${inner.y}L${outer.x} ${outer.y}`} stroke="var(--soft)" />;
      })}
      <path d={`M0 0L${now.x} ${now.y}`} stroke="var(--soft)" strokeWidth={7} strokeLinecap="round" />
      <path d={`M0 0L${end.x} ${end.y}`} stroke="var(--blue)" strokeWidth={9} strokeLinecap="round" />
      <circle r={9} fill="var(--sheet)" stroke="var(--edge)" />
      {tick && <path d={tick} fill="none" stroke="var(--blue)" strokeWidth={2} strokeDasharray="4 3" />}
    </svg>
  );
}

/** A turn of the crank in words. */
export const turnWords = (by: number, isFirst: boolean): string =>
  isFirst
    ? 'to the bottom, from any position'
    : by === 0
      ? 'in position, no turn'
      : `${Math.round(Math.abs(by) * 10) / 10}° ${by > 0 ? 'on' : 'back'}`;
