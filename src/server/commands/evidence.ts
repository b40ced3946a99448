import { eq, sql } from 'drizzle-orm';
import type { CommandName } from '../../contracts/commands';
import { daysBetween } from '../../core';
import { adaptation, attendance, classHeld, look, override, point } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Runs } from './command';

type Mine = Extract<CommandName, `look.${string}` | `class.${string}` | `adaptation.${string}` | `override.${string}`>;

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
    const { marks, at, ...rest } = l;
    await tx.insert(look).values({ schoolId: who.schoolId, ...rest, at: new Date(at), by: who.personId });
    if (marks.length === 0) return {};
    const rows = marks.map((m) =>
      m.kind === 'measured'
        ? { pointId: m.pointId, kind: m.kind, held: 0, of: m.values.length, values: m.values }
        : { pointId: m.pointId, kind: m.kind, held: m.held, of: m.of, values: null },
    );
    const done = await tx.execute(sql`
      insert into mark (school_id, look_id, point_id, kind, held, "of", "values")
      select ${who.schoolId}::uuid, ${l.id}::uuid, x.point_id, x.kind, x.held, x."of", x."values"
      from jsonb_to_recordset(${JSON.stringify(rows.map((r) => ({ ...r, point_id: r.pointId })))}::jsonb)
        as x(point_id uuid, kind text, held smallint, "of" smallint, "values" double precision[])
      join point p on p.school_id = ${who.schoolId}::uuid and p.id = x.point_id and p.kind = x.kind`);
    if (done.rowCount !== marks.length)
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
      .onConflictDoUpdate({ target: [classHeld.schoolId, classHeld.id], set: { minutes: c.minutes } });
    await tx.delete(attendance).where(eq(attendance.classId, c.id));
    const people = [...new Set(present)];
    if (people.length > 0)
      await tx
        .insert(attendance)
        .values(people.map((personId) => ({ schoolId: who.schoolId, classId: c.id, personId })));
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
    await tx.insert(override).values({ schoolId: who.schoolId, ...o, by: who.personId, day: who.today });
    return {};
  },
};
