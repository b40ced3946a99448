import { consentOf, dayNumber, judgeGate, type GateVerdict } from '../../core';
import type { Judgeable, Judging } from './judging';
import { staleEarlier } from './stale';

/** The gates of a rank for one student: classes and hours count from the day the present belt was given. */
export function judgeGates(j: Judging, student: Judgeable, rankId: string): GateVerdict[] {
  const syllabus = j.syllabusOf(student);
  const mine = syllabus.gates.filter((g) => g.rankId === rankId);
  if (mine.length === 0) return [];
  const since = dayNumber(student.since);
  const classes = (j.attendance.get(student.id) ?? []).filter((c) => c.day >= since);
  const facts = {
    born: student.born,
    rankSince: student.since,
    classes: classes.length,
    hours: classes.reduce((sum, c) => sum + c.minutes, 0) / 60,
    consent: consentOf(j.consents.get(student.id), student.born, j.today, j.ofAge),
    injuredUntil: j.injured.get(student.id) ?? null,
    stale: mine.some((g) => g.kind === 'earlier ranks fresh')
      ? staleEarlier(j, student).map((x) => j.items.nameOf(x.requirement.item))
      : [],
  };
  return mine.map((g) => judgeGate(g, facts, j.today));
}
