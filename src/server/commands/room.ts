import { and, eq } from 'drizzle-orm';
import { person } from '../../data/tables';
import { mustBeOwnStudent } from '../auth/ownStudent';
import { Refusal } from '../http/problem';
import type { Runs } from './command';
import { nextVersion, notMeanwhile } from './meanwhile';

export const roomCommands: Runs<'student.room'> = {
  'student.room': async (tx, who, { id, version, ...room }) => {
    await mustBeOwnStudent(tx, who, id);
    const now = (await tx.select().from(person).where(eq(person.id, id)).for('update'))[0];
    await notMeanwhile(tx, now?.name ?? '', now, version, () => ({
      id,
      roomWidth: now!.roomWidth,
      roomDepth: now!.roomDepth,
      stature: now!.stature,
      mass: now!.mass,
    }));
    const done = await tx
      .update(person)
      .set({ ...room, ...nextVersion(person, who) })
      .where(and(eq(person.id, id), eq(person.role, 'student')))
      .returning({ id: person.id });
    if (done.length === 0) throw new Refusal(404, 'This student is not on the roll.');
    return {};
  },
};
