import type { Requirement } from '../syllabus/standard';
import type { ConditionOrder } from '../units/condition';
import type { Side } from '../units/side';
import type { Entry, Evidence } from './looks';
import type { Verdict } from './verdict';
import { dayLimit } from './window';

/** One repetition as a notch: held, slipped, or not seen. */
export type StickNotch = 'H' | 'S' | 'U';

/** Repetitions of the deciding point, oldest first, as notches; held ones before slipped ones within a look. */
export function stick(
  evidence: Evidence,
  judged: { requirement: Requirement; verdict: Verdict },
  side: Side,
  order: ConditionOrder,
): { side: Side; marks: StickNotch[] } {
  const n = judged.requirement.standard.repetitions;
  const shown = Math.min(n, 10);
  const pointId = judged.verdict.worst?.point.id;
  const sides = pointId === undefined ? undefined : evidence.get(pointId);
  const entries: readonly Entry[] = sides
    ? side === 'none'
      ? [...sides.none, ...sides.left, ...sides.right]
      : sides[side]
    : [];
  const marks: StickNotch[] = [];
  let day = Number.NaN;
  let today = 0;
  const counting = order.get(judged.requirement.conditionId);
  for (const e of entries) {
    if (marks.length >= shown) break;
    if (!counting?.has(e.conditionId)) continue;
    if (judged.requirement.purpose !== null && e.purpose !== judged.requirement.purpose) continue;
    if (e.day !== day) [day, today] = [e.day, 0];
    const fit = Math.min(e.of, shown - marks.length, dayLimit(judged.requirement.standard) - today);
    const held = Math.round((fit * e.held) / e.of);
    for (let i = 0; i < fit; i += 1) marks.unshift(i < fit - held ? 'S' : 'H');
    today += Math.max(0, fit);
  }
  while (marks.length < shown) marks.unshift('U');
  return { side, marks };
}
