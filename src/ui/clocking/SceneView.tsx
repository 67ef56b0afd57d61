import { memo } from 'react';
import type { Scene, Item, Tone } from '@/core/stages/clocking/crownScene';

const paint = (tone: Tone | undefined): string => (tone === undefined || tone === 'none' ? 'none' : `var(--${tone})`);

function Drawn({ item }: { item: Item }) {
  if (item.kind === 'text') {
    const { x, y, size, anchor, tone, bold, turn, text } = item;
    return (
      <text
        x={x}
        y={y}
        fontSize={size}
        textAnchor={anchor}
        fill={paint(tone)}
        fontWeight={bold ? 700 : 400}
        transform={turn ? `rotate(${turn} ${x} ${y})` : undefined}
      >
        {text}
      </text>
    );
  }
  const look = {
    fill: paint(item.fill),
    stroke: paint(item.stroke),
    strokeWidth: item.width,
    strokeDasharray: item.dash,
    opacity: item.opacity,
  };
  if (item.kind === 'circle') return <circle cx={item.x} cy={item.y} r={item.r} {...look} />;
  return (
    <path d={item.d} transform={item.x === undefined ? undefined : `translate(${item.x} ${item.y ?? 0})`} {...look} />
  );
}

/** A drawing's shapes and words, in the colours of the page. */
export const SceneView = memo(function SceneView({ scene }: { scene: Scene }) {
  return scene.items.map((item, i) => <Drawn key={i} item={item} />);
});
