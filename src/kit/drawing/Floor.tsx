import { svgOf, type FloorPlan, type Primitive } from '../../core';
import { onScreen } from './tones';

/** So near to the number of the lit count another one would be written over it, in drawing units. */
const OVER = { x: 26, y: 13 };
const isOver = (a: Primitive, b: Primitive): boolean =>
  a.is === 'label' && b.is === 'label' && Math.abs(a.x - b.x) < OVER.x && Math.abs(a.y - b.y) < OVER.y;

/** The floor from above; the lit count's feet in pine, the others quiet. */
export function Floor({
  plan,
  title,
  lit,
  onOver,
  onPick,
}: {
  plan: FloorPlan;
  title: string;
  lit: number | null;
  onOver?: (index: number | null) => void;
  onPick?: (index: number) => void;
}) {
  const drawn = (i: number) => ({ __html: svgOf(plan.counts[i]!.primitives, onScreen) });
  const own = lit === null ? undefined : plan.counts[lit];
  return (
    <svg
      className={own ? 'floor lights' : 'floor'}
      viewBox={`0 0 ${plan.width} ${plan.height}`}
      role="img"
      aria-label={title}
    >
      <rect width={plan.width} height={plan.height} fill="var(--sheet)" rx="6" />
      <g dangerouslySetInnerHTML={{ __html: svgOf(plan.ground, onScreen) }} />
      {plan.counts.map((c) => (
        <g
          key={c.index}
          onPointerEnter={onOver && (() => onOver(c.index))}
          onPointerLeave={onOver && (() => onOver(null))}
          onClick={onPick && (() => onPick(c.index))}
          dangerouslySetInnerHTML={drawn(c.index)}
        />
      ))}
      <g
        className="numbers"
        dangerouslySetInnerHTML={{
          __html: svgOf(own ? plan.numbers.filter((n) => !isOver(n, own.number)) : plan.numbers, onScreen),
        }}
      />
      {own && (
        <g className="lit" dangerouslySetInnerHTML={{ __html: svgOf([...own.primitives, own.number], onScreen) }} />
      )}
      <rect x=".5" y=".5" width={plan.width - 1} height={plan.height - 1} fill="none" stroke="var(--rule)" rx="6" />
    </svg>
  );
}
