// What is believed, beyond what is judged: the school's pool and habits, chances, corrections and what is worth a look.
import { forecastInput, gateInWords, type ForecastInput } from '../../core';
import { judgeGates } from '../judging/gates';
import { judgeStudent } from '../judging/judge';
import { type Judging } from '../judging/judging';
import { rankAbove } from '../judging/rankAbove';
import { groundsOf } from './chance';
import type { SchoolBeliefs } from './school';

/** All that the forecast of a student needs, to be simulated in a worker. */
export function forecastFor(
  j: Judging,
  s: SchoolBeliefs,
  student: { id: string; since: string; rankId: string; born: string | null },
  first: string | null,
  grading: string | null,
): ForecastInput | null {
  const { ranks } = j.syllabusOf(student);
  const next = rankAbove(ranks, student.rankId);
  if (!next) return null;
  const judged = judgeStudent(j, student, next.id);
  const rankName = ranks.find((r) => r.id === student.rankId)?.name ?? '';
  return forecastInput(
    judged.map((x) => ({
      requirement: x.requirement,
      name: j.items.nameOf(x.requirement.item),
      verdict: x.verdict,
      settled: x.override?.word === 'met',
    })),
    groundsOf(j, s, student),
    {
      attended: (j.attendance.get(student.id) ?? []).map((c) => c.day).sort((a, b) => a - b),
      trainedSince: first,
      habits: s.habits,
      growth: s.spreads.growth,
      gates: judgeGates(j, student, next.id).map((verdict) => ({
        verdict,
        name: gateInWords(verdict, rankName, j.today).has,
      })),
      gradingDay: grading,
    },
  );
}
