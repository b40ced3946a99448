import { daysBetween, type PlainDate, type Point, type Technique } from '../../core';
import { type Dice } from './dice';
import { type DemoSchool, type DemoStudent, MONTHS_OF_RECORD } from './demoSchool';

const logistic = (x: number) => 1 / (1 + Math.exp(-x));

/** A value inside the accepted range if it holds, else a little outside of one end, in whole units. */
export function measuredValue(p: Point, holds: boolean, d: Dice): number {
  const { lo, hi } = p.accepted!;
  const width = hi - lo;
  if (holds) {
    const aim = p.wanted ? (p.wanted.lo + p.wanted.hi) / 2 : (lo + hi) / 2;
    return Math.round(Math.min(hi, Math.max(lo, d.normal(aim, width / 6))));
  }
  return Math.round(d.chance(0.7) ? lo - 1 - d.next() * width * 0.3 : hi + 1 + d.next() * width * 0.2);
}

/** How the logit of a share grows in a month in the demo, and what it has come to by the end of its record. */
export const GROWTH = 0.15;

const LEVEL_AT = 0.13;

/** Each student's chance per point and side grows with training; some points stay hard, one side lags, a few are habits. */
export function makeTruth(
  students: readonly DemoStudent[],
  techniques: readonly Technique[],
  d: Dice,
  start: PlainDate,
  growth: number,
): DemoSchool['truth'] {
  const hard = new Map<string, number>();
  for (const t of techniques) for (const p of t.points) hard.set(p.id, d.normal(0, 0.45));
  const base = new Map<string, number>();
  for (const s of students)
    for (const t of techniques)
      for (const p of t.points)
        for (const side of ['left', 'right', 'none'] as const) {
          const habit = d.chance(0.05 * (1.15 - s.talent)) ? -2.4 * s.habits : 0;
          base.set(
            `${s.id} ${p.id} ${side}`,
            (s.talent - 0.5) * 4.2 + 0.55 + d.normal(0, 0.35) + habit - hard.get(p.id)! - (side === 'left' ? 0.15 : 0),
          );
        }
  const pace = new Map(students.map((s) => [s.id, (0.9 + s.talent) * s.comes]));
  return (studentId, pointId, side, day) => {
    const months = daysBetween(start, day) / 30;
    const grown = LEVEL_AT * MONTHS_OF_RECORD + growth * (months - MONTHS_OF_RECORD);
    const x = (base.get(`${studentId} ${pointId} ${side}`) ?? 0) + (pace.get(studentId) ?? 0) * grown;
    return Math.min(0.985, Math.max(0.03, logistic(x)));
  };
}
