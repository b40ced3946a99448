import { consentOf, dayNumber, judgeGate, type GateFacts, type GateVerdict, type Requirement } from '../../core';
import type { Judgeable, Judging } from './judging';
import { staleEarlier } from './stale';

/** What gates ask of a student: classes and hours count from the day the present belt was given. */
function factsOf(j: Judging, student: Judgeable): GateFacts & { classes: number; hours: number } {
  const since = dayNumber(student.since);
  const classes = (j.attendance.get(student.id) ?? []).filter((c) => c.day >= since);
  return {
    born: student.born,
    rankSince: student.since,
    classes: classes.length,
    hours: classes.reduce((sum, c) => sum + c.minutes, 0) / 60,
  };
}

/** The gates of a rank for one student. */
export function judgeGates(j: Judging, student: Judgeable, rankId: string): GateVerdict[] {
  const syllabus = j.syllabusOf(student);
  const mine = syllabus.gates.filter((g) => g.rankId === rankId);
  if (mine.length === 0) return [];
  const facts = {
    ...factsOf(j, student),
    consent: consentOf(j.consents.get(student.id), student.born, j.today, j.ofAge),
    injuredUntil: j.injured.get(student.id) ?? null,
    stale: mine.some((g) => g.kind === 'earlier ranks fresh')
      ? staleEarlier(j, student).map((x) => j.items.nameOf(x.requirement.item))
      : [],
  };
  return mine.map((g) => judgeGate(g, facts, j.today));
}

/** What one item still waits for; null: it is open to the student. */
export function waitsFor(j: Judging, student: Judgeable, r: Pick<Requirement, 'id' | 'opens'>): GateVerdict | null {
  if (r.opens === null) return null;
  const verdict = judgeGate({ id: r.id, ...r.opens }, factsOf(j, student), j.today);
  return verdict.word === 'met' ? null : verdict;
}
