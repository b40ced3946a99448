// Forecasts held against what happened afterwards in the record.
import {
  dayNumber,
  driftOf,
  forecast,
  forecastInput,
  gatherEvidence,
  expectedOf,
  levelOf,
  rangesFor,
  seeded,
  seedOf,
  type PlainDate,
} from '../../../core';
import { type DemoStudent } from '../generate';
import { askedOf, evidenceBefore, habitsBefore, judgeOn, priorsBefore, spreadsBefore, type TrueSchool } from './school';

/** The first day on which everything a student is asked was met, looking at the record as it went on; null: not by then. */
function metOn(school: TrueSchool, s: DemoStudent, from: PlainDate, until: PlainDate): PlainDate | null {
  const ranges = rangesFor(
    school.techniques.flatMap((t) => t.points),
    new Map(),
  );
  const mine = school.looksOf.get(s.id)!;
  const asked = askedOf(school, s, from);
  const days = [from, ...new Set(mine.filter((l) => l.day >= from && l.day < until).map((l) => l.day))].sort();
  for (const day of days) {
    const evidence = gatherEvidence(
      mine.filter((l) => l.day <= day),
      ranges,
    );
    if (asked.every((r) => judgeOn(school, r, evidence, day).word === 'met')) return day;
  }
  return null;
}

/**
 * Forecast ranges against what happened afterwards in the record: how many of the 80 % ranges hold the day. What a student
 * worked on that day is asked, and followed until another belt was worn.
 */
export function rangesThatHold(school: TrueSchool, from: PlainDate, until: PlainDate, runs: number) {
  const prior = priorsBefore(school, from);
  const habits = habitsBefore(school, from);
  const spreads = spreadsBefore(school, prior, habits.slope, from);
  let spoken = 0;
  let inside = 0;
  let early = 0;
  let late = 0;
  let silent = 0;
  // Those who truly get there within the two years that a forecast looks ahead, and how many of them are told a range.
  let there = 0;
  let told = 0;
  let open = 0;
  for (const s of school.students) {
    const asked = askedOf(school, s, from);
    if (asked.length === 0) continue;
    const next = s.held.find((h) => h.since > from)?.since;
    const end = next && next < until ? next : until;
    const evidence = evidenceBefore(school, s.id, from);
    const drift = spreads.growth * driftOf(habits.slope, school.attendedBy.get(s.id)!, from);
    const level = levelOf(prior, evidence, from, drift, spreads);
    const g = { evidence, order: school.order, today: from, expected: expectedOf(prior, level, spreads), drift };
    const list = asked.map((requirement) => ({
      requirement,
      name: requirement.id,
      verdict: judgeOn(school, requirement, g.evidence, from),
      settled: false,
    }));
    if (list.every((x) => x.verdict.word === 'met')) continue;
    const input = forecastInput(list, g, {
      attended: school.attendedBy.get(s.id)!.filter((d) => d < dayNumber(from)),
      trainedSince: s.held[0]!.since,
      habits,
      growth: spreads.growth,
      gates: [],
      gradingDay: null,
    });
    const f = forecast(input, seeded(seedOf(s.id)), runs);
    const reached = metOn(school, s, from, end);
    if (reached !== null) {
      there += 1;
      if (f.silent === null) told += 1;
    }
    if (f.silent !== null) {
      silent += 1;
      continue;
    }
    const day = reached;
    // What is still open at the end of the record says nothing where the range goes on beyond it.
    if (day === null && (f.to === null || f.to >= end)) continue;
    spoken += 1;
    if (f.to === null) open += 1;
    if (day === null || (f.to !== null && day > f.to)) late += 1;
    else if (day < f.from!) early += 1;
    else inside += 1;
  }
  return { spoken, inside, early, late, silent, there, told, open };
}
