// Holding is work of its own: looked at and asked for like any other. It came to Causeway Hall this autumn.
import { addDays, ALONE, conditionOrder, type ConditionFacts, type PlainDate, type Point } from '../../core';
import { FIRST_STEPS } from '../openSchool';
import { dice } from './dice';
import type { DemoSchool } from './demoSchool';
import { HOLDING } from './hall';

const onPads: ConditionFacts = { ...ALONE, gear: 'pads', home: false };
/** Still first; going back, where something soft stands behind; coming on last. */
export const HOLDS = ['holder still', 'holder going back', 'holder coming on'] as const;
export const HOLDING_STEPS: readonly [string, string][] = [
  [HOLDS[0], HOLDS[1]],
  [HOLDS[1], HOLDS[2]],
];

/** Who was watched at it, how many weeks ago, and what held of five by the point: the truth is what stands here. */
const WATCHED: readonly { who: string; weeks: number; held: readonly number[] }[] = [
  { who: 'Rafael Quill', weeks: 5, held: [4, 3, 5, 2, 5] },
  { who: 'Rafael Quill', weeks: 2, held: [5, 5, 5, 4, 5] },
  { who: 'Mei Tolland', weeks: 4, held: [5, 4, 4, 3, 2] },
  { who: 'Siân Moorhouse', weeks: 3, held: [5, 5, 5, 5, 4] },
];

/** The generated school with the holder’s work beside the rest; nothing else of it moves. */
export function withHolding(made: DemoSchool, today: PlainDate): DemoSchool {
  const d = dice(63);
  const id = (day: PlainDate) => d.id(Date.parse(`${day}T18:00:00Z`));
  const began = addDays(today, -42);
  const conditions = [...made.conditions, ...HOLDS.map((name) => ({ id: id(began), name, ...onPads }))];
  const named = new Map<string, string>(conditions.map((c) => [c.name, c.id]));
  const order = conditionOrder(
    conditions.map((c) => c.id),
    [...FIRST_STEPS, ...HOLDING_STEPS].map(([e, h]) => ({ easier: named.get(e)!, harder: named.get(h)! })),
  );
  if (!order.ok) throw new Error('the conditions of a holder form a circle');
  const techniqueId = id(began);
  const points = HOLDING.points.map((p): Point => ({
    ...p,
    id: id(began),
    slips: p.slips.map((s) => ({ id: id(began), ...s })),
  }));
  const { name, kind, sided } = HOLDING;
  const by = made.teachers[0]!.id;
  const looks = WATCHED.flatMap(({ who, weeks, held }): DemoSchool['looks'] => {
    const student = made.students.find((s) => s.name === who);
    if (!student) return [];
    const latest = addDays(today, -7 * weeks);
    const day = made.classes.filter((c) => c.day <= latest && c.present.includes(student.id)).at(-1)?.day;
    if (!day) return [];
    return (['left', 'right'] as const).map((side, i) => ({
      id: id(day),
      studentId: student.id,
      techniqueId,
      day,
      at: Date.parse(`${day}T18:${40 + i}:00Z`),
      conditionId: named.get(HOLDS[0])!,
      side,
      purpose: null,
      replaces: null,
      marks: points.map((p, k) => ({ pointId: p.id, kind: 'seen' as const, held: held[k]!, of: 5 })),
      by,
      note: '',
    }));
  });
  return {
    ...made,
    conditions,
    order: order.value,
    techniques: [...made.techniques, { id: techniqueId, name, kind, sided, stanceId: null, stepId: null, points }],
    files: new Map([...made.files, [techniqueId, HOLDING]]),
    looks: [...made.looks, ...looks],
  };
}
