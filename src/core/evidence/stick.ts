import type { Requirement } from '../syllabus/standard';
import type { ConditionOrder } from '../units/condition';
import type { Side } from '../units/side';
import { entriesOn, type Evidence } from './looks';
import type { Verdict } from './verdict';
import { dayLimit, qualifies } from './window';

/** One repetition as a notch: held, slipped, or not seen. */
export type StickNotch = 'H' | 'S' | 'U';

/** The deciding point's repetitions on one side, and after how many of them it was shown, and lost. */
export interface StickRead {
  side: Side;
  marks: StickNotch[];
  /** Counted from the left; null: not while these were made. 0: before the oldest of them. */
  shown: number | null;
  lost: number | null;
}

/** Repetitions of the deciding point, oldest first, as notches; held ones before slipped ones within a look. */
export function stick(
  evidence: Evidence,
  judged: { requirement: Requirement; verdict: Verdict },
  side: Side,
  order: ConditionOrder,
): StickRead {
  const { requirement: r, verdict } = judged;
  const most = Math.min(r.standard.repetitions, 10);
  const pointId = verdict.worst?.point.id;
  const entries = pointId === undefined ? [] : entriesOn(evidence, pointId, side);
  const asked = { conditionId: r.conditionId, purpose: r.purpose, stage: r.stage, order };
  const marks: StickNotch[] = [];
  const days: number[] = [];
  let day = Number.NaN;
  let today = 0;
  for (const e of entries) {
    if (marks.length >= most) break;
    if (!qualifies(e, asked)) continue;
    if (e.day !== day) [day, today] = [e.day, 0];
    const fit = Math.min(e.of, most - marks.length, dayLimit(r.standard) - today);
    const held = Math.round((fit * e.held) / e.of);
    for (let i = 0; i < fit; i += 1) {
      marks.unshift(i < fit - held ? 'S' : 'H');
      days.unshift(e.day);
    }
    today += Math.max(0, fit);
  }
  const unseen = most - marks.length;
  const own = verdict.points.find((p) => p.point.id === pointId && p.side === side);
  const after = (at: { day: number } | null | undefined) => {
    if (!at) return null;
    const n = days.filter((d) => d <= at.day).length;
    return n === 0 ? 0 : unseen + n;
  };
  return {
    side,
    marks: [...Array<StickNotch>(unseen).fill('U'), ...marks],
    shown: after(own?.shown ?? own?.lost?.shown),
    lost: after(own?.lost?.fell),
  };
}
