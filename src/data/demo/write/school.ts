import { eq } from 'drizzle-orm';
import { v7 } from 'uuid';

import { detailIn } from '../../../contracts/techniqueFile';
import { addDays } from '../../../core';
import { type Transaction } from '../../connection';
import { FIRST_STEPS } from '../../openSchool';
import { restandAll } from '../../queries/standings';
import {
  attendance,
  classHeld,
  condition,
  look,
  mark,
  person,
  point,
  rank,
  rankHeld,
  school,
  slip,
  syllabusVersion,
  technique,
} from '../../tables';
import { type DemoSchool } from '../generate';
import { HOLDING_STEPS } from '../holding';
import { partnersOf } from '../partners';
import { syllabusFrom } from '../way';
import { insertAll } from './insertAll';

/** So many days ago the hall began to read numbers off pictures and clips. */
const READ_OFF_SINCE = 60;

/** Writes a generated school's rows; used by the demo, the bench and the tests. */
export async function writeSchool(tx: Transaction, schoolId: string, name: string, made: DemoSchool) {
  const [head, ...others] = made.teachers;
  await tx.insert(school).values({ id: schoolId, name, timeZone: 'Europe/London' });
  await tx.insert(person).values([head!, ...others].map((t) => ({ schoolId, ...t })));
  await tx.insert(rank).values(made.ranks.map((r, position) => ({ schoolId, position, ...r })));
  await tx.insert(condition).values(made.conditions.map((c, position) => ({ schoolId, position, ...c })));
  const conditionId = new Map(made.conditions.map((c) => [c.name, c.id]));
  const standingAlone = made.techniques.map(({ points, ...t }) => ({
    schoolId,
    ...t,
    stanceId: null,
    stepId: null,
    summary: made.files.get(t.id)!.summary,
    changedBy: head!.id,
    detail: detailIn(made.files.get(t.id)!.detail, {
      pointId: (n) => points.find((p) => p.name === n)?.id,
      prerequisites: made.files.get(t.id)!.before.flatMap((n) => made.techniques.find((x) => x.name === n)?.id ?? []),
    }),
  }));
  await tx.insert(technique).values(standingAlone);
  for (const t of made.techniques)
    if (t.stanceId ?? t.stepId)
      await tx.update(technique).set({ stanceId: t.stanceId, stepId: t.stepId }).where(eq(technique.id, t.id));
  await insertAll(
    tx,
    point,
    made.techniques.flatMap((t) =>
      t.points.map((p, position) => ({
        schoolId,
        techniqueId: t.id,
        position,
        id: p.id,
        name: p.name,
        how: p.how,
        why: p.why,
        kind: p.kind,
        bodyPart: p.bodyPart,
        critical: p.critical,
        unit: p.unit,
        acceptedLo: p.accepted?.lo ?? null,
        acceptedHi: p.accepted?.hi ?? null,
        wantedLo: p.wanted?.lo ?? null,
        wantedHi: p.wanted?.hi ?? null,
        measuredBy: p.measuredBy,
      })),
    ),
  );
  await insertAll(
    tx,
    slip,
    made.techniques.flatMap((t) =>
      t.points.flatMap((p) => p.slips.map((s, position) => ({ schoolId, pointId: p.id, position, ...s }))),
    ),
  );
  const steps = [...FIRST_STEPS, ...HOLDING_STEPS].filter(([e]) => conditionId.has(e));
  const order = steps.map(([e, h]) => ({ easier: conditionId.get(e)!, harder: conditionId.get(h)! }));
  const first = syllabusFrom(made, order, v7);
  await tx.insert(syllabusVersion).values({
    schoolId,
    id: v7(),
    state: 'published',
    title: 'Techniques only',
    body: first,
    from: '2020-01-01',
    changedBy: head!.id,
  });
  await insertAll(
    tx,
    person,
    made.students.map((s) => ({ schoolId, id: s.id, name: s.name, role: 'student' as const, born: s.born })),
  );
  await insertAll(
    tx,
    rankHeld,
    made.students.flatMap((s) => s.held.map((h) => ({ schoolId, id: v7(), personId: s.id, ...h, by: head!.id }))),
  );
  const taughtOn = taughtEachDay(made);
  await insertAll(
    tx,
    classHeld,
    made.classes.map((c) => ({
      schoolId,
      id: c.id,
      day: c.day,
      minutes: c.minutes,
      by: head!.id,
      openedAt: new Date(`${c.day}T18:04:00Z`),
      // What was looked at in it was taught in it.
      taught: [...(taughtOn.get(c.day) ?? [])].map((id) => ({ technique: id })),
    })),
  );
  await insertAll(
    tx,
    attendance,
    made.classes.flatMap((c) => c.present.map((personId) => ({ schoolId, classId: c.id, personId }))),
  );
  const partnerOf = partnersOf(made);
  const unitOf = new Map(
    made.techniques.flatMap((t) => t.points.flatMap((p) => (p.measuredBy ? [[p.id, p.unit] as const] : []))),
  );
  const since = addDays(
    made.looks.reduce((last, l) => (l.day > last ? l.day : last), ''),
    -READ_OFF_SINCE,
  );
  /** Of late what can be read off a picture or a clip was: with its width. Before, it was measured by hand. */
  const widthsOf = (pointId: string, count: number, day: string): number[] | null => {
    const unit = unitOf.get(pointId);
    if (unit === undefined || day < since) return null;
    return Array.from({ length: count }, () => (unit === 'ms' ? 5 : 3));
  };
  await insertAll(
    tx,
    look,
    made.looks.map(({ marks: _marks, at, ...l }) => ({
      schoolId,
      ...l,
      at: new Date(at),
      partnerId: partnerOf(l.conditionId, l.day, l.studentId),
    })),
  );
  await insertAll(
    tx,
    mark,
    made.looks.flatMap((l) =>
      l.marks.map((m) =>
        m.kind === 'measured'
          ? {
              schoolId,
              lookId: l.id,
              pointId: m.pointId,
              kind: m.kind,
              held: 0,
              of: m.values.length,
              values: [...m.values],
              halves: widthsOf(m.pointId, m.values.length, l.day),
            }
          : { schoolId, lookId: l.id, pointId: m.pointId, kind: m.kind, held: m.held, of: m.of, values: null },
      ),
    ),
  );
  await restandAll(tx);
}

/** So many techniques are what a class was about. */
const TAUGHT = 5;

/** What was looked at most in each class was taught in it. */
function taughtEachDay(made: DemoSchool): ReadonlyMap<string, string[]> {
  const times = new Map<string, Map<string, number>>();
  for (const l of made.looks) {
    let day = times.get(l.day);
    if (!day) times.set(l.day, (day = new Map<string, number>()));
    day.set(l.techniqueId, (day.get(l.techniqueId) ?? 0) + 1);
  }
  return new Map(
    [...times].map(([day, of]) => [
      day,
      [...of]
        .sort((a, b) => b[1] - a[1])
        .slice(0, TAUGHT)
        .map(([id]) => id),
    ]),
  );
}
