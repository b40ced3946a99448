// Verdicts held against the known truth of a generated school.
import { STEADY, type PlainDate, type Side, type Verdict } from '../../../core';
import { askedOf, evidenceBefore, judgeOn, type TrueSchool } from './school';

/** How far a true share may lie from what a verdict says before the two contradict each other. */
export const TOLERANCE = 0.15;

/**
 * Verdicts by the default standard that contradict the truth: met though more points than may fall short, or a critical
 * one, truly lie more than the tolerance below what is asked; short for the share of a point whose true share lies more
 * than the tolerance above; or short though every point, watched often enough, is truly as good as asked.
 */
export function contradictions(school: TrueSchool, days: readonly PlainDate[]): { verdicts: number; wrong: number } {
  let verdicts = 0;
  let wrong = 0;
  for (const day of days)
    for (const s of school.students) {
      const evidence = evidenceBefore(school, s.id, day);
      for (const asked of askedOf(school, s)) {
        const v = judgeOn(school, { ...asked, standard: STEADY }, evidence, day);
        const truth = (pointId: string, side: Side) => school.truth(s.id, pointId, side, day);
        if (v.word === 'met') {
          verdicts += 1;
          const low = v.points.filter((p) => truth(p.point.id, p.side) < p.share - TOLERANCE);
          const others = new Set(low.filter((p) => !p.point.critical).map((p) => p.point.id));
          if (low.some((p) => p.point.critical) || others.size > v.mayFall) wrong += 1;
        } else if (v.worst?.failing === 'share') {
          verdicts += 1;
          const { point, side, share } = v.worst;
          const above = v.points.every((p) => p.looksToFill === 0 && truth(p.point.id, p.side) >= p.share);
          if ((v.word === 'short' && above) || truth(point.id, side) > Math.min(0.98, share + TOLERANCE)) wrong += 1;
        }
      }
    }
  return { verdicts, wrong };
}

/** Whether everything a belt asks is truly there: every critical point as good as asked, of the others all but those that may fall. */
const trulyThere = (school: TrueSchool, studentId: string, v: Verdict, day: PlainDate): boolean => {
  const low = v.points.filter((p) => school.truth(studentId, p.point.id, p.side, day) < p.share);
  const others = new Set(low.map((p) => p.point.id));
  return low.every((p) => !p.point.critical) && others.size <= v.mayFall;
};

/** The belt's word against an examiner who knows every true share, where everything asked was watched often enough to say. */
export function beltsAgainstTruth(school: TrueSchool, days: readonly PlainDate[]) {
  let [cases, agree, falsely, missed] = [0, 0, 0, 0];
  for (const day of days)
    for (const s of school.students) {
      const evidence = evidenceBefore(school, s.id, day);
      const judged = askedOf(school, s).map((r) => judgeOn(school, { ...r, standard: STEADY }, evidence, day));
      if (judged.length === 0 || judged.some((v) => v.points.some((p) => p.looksToFill > 0))) continue;
      const said = judged.every((v) => v.word === 'met');
      const there = judged.every((v) => trulyThere(school, s.id, v, day));
      cases += 1;
      if (said === there) agree += 1;
      else if (said) falsely += 1;
      else missed += 1;
    }
  return { cases, agree, falsely, missed };
}
