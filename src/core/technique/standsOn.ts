import { graphOrder } from '../units/graphOrder';

/**
 * The techniques that would stand on themselves, by way of their stances and steps, in the order in which they stand on
 * each other; null: none does.
 */
export function standsOnItself(
  techniques: readonly { id: string; stanceId: string | null; stepId: string | null }[],
): string[] | null {
  const order = graphOrder(
    techniques.map((t) => t.id),
    techniques.flatMap((t) => [t.stanceId, t.stepId].flatMap((on) => (on === null ? [] : [{ of: t.id, on }]))),
  );
  return order.ok ? null : order.error.circle;
}
