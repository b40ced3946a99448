import type { SyllabusView } from '../../contracts/views';
import { conditionOrder, isBeyond, type ConditionStep } from '../../core';
import { Belt } from '../../kit/marks/Belt';
import { roving } from '../../kit/roving';
import './Ladder.css';

/** Conditions from the hardest down, as far as the school's order puts them; what it leaves open keeps its place. */
export function ladderOf<C extends { id: string; name: string }>(
  conditions: readonly C[],
  steps: readonly ConditionStep[],
) {
  const made = conditionOrder(
    conditions.map((c) => c.id),
    steps,
  );
  if (!made.ok) return [...conditions].reverse();
  const depth = new Map<string, number>();
  const depthOf = (id: string): number => {
    let d = depth.get(id);
    if (d === undefined) {
      const below = steps.filter((s) => s.harder === id).map((s) => s.easier);
      d = below.length === 0 ? 0 : 1 + Math.max(...below.map(depthOf));
      depth.set(id, d);
    }
    return d;
  };
  return conditions
    .map((c, i) => ({ c, i, d: depthOf(c.id) }))
    .sort((a, b) => b.d - a.d || b.i - a.i)
    .map((x) => x.c);
}

/** The ladder of conditions: where this belt and the others ask for the item. A rung is chosen by pressing it. */
export function Ladder({
  view,
  order,
  value,
  others,
  ceiling,
  onChange,
}: {
  view: Pick<SyllabusView, 'ranks' | 'conditions'>;
  order: readonly ConditionStep[];
  value: string;
  others: readonly { rankId: string; conditionId: string }[];
  /** Beyond it, the item may not be done. */
  ceiling: string | null;
  onChange: (conditionId: string) => void;
}) {
  const rungs = ladderOf(view.conditions, order);
  const made = conditionOrder(
    view.conditions.map((c) => c.id),
    order,
  );
  return (
    <div className="ladder" role="radiogroup" aria-label="Condition">
      {rungs.map((c, i) => {
        const on = c.id === value;
        const ranks = others
          .filter((o) => o.conditionId === c.id)
          .flatMap((o) => view.ranks.find((r) => r.id === o.rankId) ?? []);
        const above = ceiling !== null && made.ok && isBeyond(made.value, c.id, ceiling);
        return (
          <button
            key={c.id}
            type="button"
            role="radio"
            aria-checked={on}
            tabIndex={on || (i === 0 && !rungs.some((x) => x.id === value)) ? 0 : -1}
            className={on ? 'on' : ''}
            onClick={() => onChange(c.id)}
            onKeyDown={(e) => {
              const all = e.currentTarget.parentElement!.children;
              roving(
                e,
                { row: i, column: 0 },
                { rows: rungs.length },
                ({ row }) => onChange(rungs[row]!.id),
                ({ row }) => all[row] as HTMLElement,
              );
            }}
          >
            <span className="who">
              {ranks.slice(0, 1).map((r) => (
                <span key={r.id}>
                  {r.name} <Belt name={r.name} cloth={r.cloth} width={30} height={10} />
                </span>
              ))}
              {ranks.length > 1 && `+${ranks.length - 1}`}
            </span>
            <span className={`rung${ranks.length > 0 ? ' asked' : ''}`} />
            <span>
              {c.name}
              {above && <em className="second"> above its ceiling</em>}
            </span>
          </button>
        );
      })}
    </div>
  );
}
