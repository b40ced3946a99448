// What is believed, beyond what is judged: the school's pool and habits, chances, corrections and what is worth a look.
import {
  beliefOf,
  itemKey,
  lookWorths,
  reasonInWords,
  showingSeconds,
  worthInWords,
  type Grounds,
  type LookWorth,
  type Resting,
} from '../../core';
import { type Judged } from '../judging/judge';
import { type Judging } from '../judging/judging';
import { reasonContext } from '../judging/reasonContext';
import { waitsFor } from '../judging/gates';
import type { Judgeable } from '../judging/judging';
import { restOf } from '../judging/rests';

/** What looks at each requirement of a student are worth today; what rests or is not open yet is left out. */
export function worthsOf(
  j: Judging,
  g: Grounds,
  student: Judgeable,
  judged: readonly Judged[],
  grading: string | null,
  resting: readonly Resting[],
): (LookWorth & { reason: string })[] {
  const byId = new Map(judged.map((x) => [x.requirement.id, x]));
  const reasonOf = (w: LookWorth) => {
    const { requirement: r, verdict } = byId.get(w.requirementId)!;
    return worthInWords(w, reasonInWords(verdict, reasonContext(j, r)), j.today);
  };
  return lookWorths(
    student.id,
    judged
      .filter(
        (x) =>
          x.override === null &&
          waitsFor(j, student, x.requirement) === null &&
          restOf(j, x.requirement.item, resting, x.requirement.conditionId) === null,
      )
      .map((x) => {
        const { requirement: r, verdict } = x;
        return {
          requirementId: r.id,
          itemKey: itemKey(r.item),
          conditionId: r.conditionId,
          freshDays: r.standard.freshDays,
          repetitions: r.standard.repetitions,
          days: r.standard.days,
          verdict,
          ...('sequence' in r.item ? { seconds: showingSeconds(verdict.points.length) } : {}),
          belief: (p, side) => beliefOf(r, p.id, side, g),
        };
      }),
    j.today,
    grading,
  ).map((w) => ({ ...w, reason: reasonOf(w) }));
}
