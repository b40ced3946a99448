import { eq, sql } from 'drizzle-orm';
import type { CommandName } from '../../contracts/commands';
import { daysBetween } from '../../core';
import { adaptation, attendance, classHeld, override, point } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Runs } from './command';

type Mine = Extract<CommandName, 'look.record' | 'class.record' | 'adaptation.write' | 'override.set'>;

// Look and marks in one prepared statement: this is what a whole line of tablets sends at once. A mark whose point is
// of another kind, or gone, finds no partner in the join; the count then tells.
const RECORD = `
  with l as (
    insert into look (school_id, id, student_id, technique_id, condition_id, day, at, side, purpose, replaces, by, note,
      stage, sequence_id, part_from, part_to, of_counts, counts, slips, partner_id)
    values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $14, $15, $16, $17, $18, $19, $20, $21)
  )
  insert into mark (school_id, look_id, point_id, kind, held, "of", "values", reps, told_by)
  select $1, $2, x.point_id, x.kind, x.held, x."of", x."values", x.reps, x.told_by
  from jsonb_to_recordset($13::jsonb)
    as x(point_id uuid, kind text, held smallint, "of" smallint, "values" double precision[], reps text, told_by uuid)
  join point p on p.school_id = $1 and p.id = x.point_id and p.kind = x.kind`;

export const evidenceCommands: Runs<Mine> = {
  /**
   * Adds a look. It is a fact: a correction is another look that replaces it. The watcher is who sent it. A tablet's
   * clock may run ahead a little, but a look is never of a later day than tomorrow.
   */
  'look.record': async (tx, who, l) => {
    if (daysBetween(who.today, l.day) > 1)
      throw new Refusal(422, 'This look is dated in the future. Set the tablet’s clock.', [
        { path: 'day', message: 'Set the tablet’s clock.' },
      ]);
    const rows = l.marks.map((m) =>
      m.kind === 'measured'
        ? { point_id: m.pointId, kind: m.kind, held: 0, of: m.values.length, values: m.values }
        : {
            point_id: m.pointId,
            kind: m.kind,
            held: m.held,
            of: m.of,
            values: null,
            reps: m.reps,
            told_by: m.toldBy,
          },
    );
    const done = await tx.$client.query({
      name: 'look.record',
      text: RECORD,
      values: [
        who.schoolId,
        l.id,
        l.studentId,
        l.techniqueId,
        l.conditionId,
        l.day,
        l.at,
        l.side,
        l.purpose,
        l.replaces,
        who.personId,
        l.note,
        JSON.stringify(rows),
        l.stage,
        l.sequence?.id ?? null,
        l.sequence?.from ?? null,
        l.sequence?.to ?? null,
        l.sequence?.ofCounts ?? null,
        l.sequence?.counts ?? null,
        l.sequence ? JSON.stringify(l.sequence.slips) : null,
        l.partnerId,
      ],
    });
    if (done.rowCount !== l.marks.length)
      throw new Refusal(409, 'A point of this look has been changed or taken away meanwhile.');
    return {};
  },

  'class.record': async (tx, who, c) => {
    if (c.day > who.today)
      throw new Refusal(422, 'This class is still to come.', [
        { path: 'day', message: 'This class is still to come.' },
      ]);
    const { present, ...rest } = c;
    await tx
      .insert(classHeld)
      .values({ schoolId: who.schoolId, ...rest, by: who.personId })
      .onConflictDoUpdate({
        target: [classHeld.schoolId, classHeld.id],
        set: { minutes: c.minutes, taught: c.taught },
      });
    await tx.delete(attendance).where(eq(attendance.classId, c.id));
    const people = [...new Set(present)];
    if (people.length > 0)
      await tx
        .insert(attendance)
        .values(people.map((personId, place) => ({ schoolId: who.schoolId, classId: c.id, personId, place })));
    return {};
  },

  'adaptation.write': async (tx, who, a) => {
    const found = await tx.select({ kind: point.kind }).from(point).where(eq(point.id, a.pointId));
    if (a.range !== null && found[0]?.kind !== 'measured')
      throw new Refusal(422, 'Only a measured point can have another range.', [
        { path: 'range', message: 'Only a measured point can have another range.' },
      ]);
    const { range, ...rest } = a;
    await tx.insert(adaptation).values({
      schoolId: who.schoolId,
      ...rest,
      rangeLo: range?.lo ?? null,
      rangeHi: range?.hi ?? null,
      by: who.personId,
    });
    return {};
  },

  'override.set': async (tx, who, o) => {
    const asked = await tx.execute<{ n: number }>(sql`
      select count(*)::int as n from syllabus_version where body->'requirements' @> ${JSON.stringify([{ id: o.requirementId }])}::jsonb`);
    if (asked.rows[0]!.n === 0) throw new Refusal(404, 'No version of the syllabus asks for this.');
    await tx.insert(override).values({ schoolId: who.schoolId, ...o, by: who.personId, day: who.today });
    return {};
  },
};
