import { eq } from 'drizzle-orm';
import { dayInWords, laterRun } from '../../core';
import { classNote, classPlan, guest, hall } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Runs } from './command';
import { mayChangeClass } from './class';
import { inTurn } from './inTurn';
import { nextVersion, notMeanwhile } from './meanwhile';
import type { Transaction } from '../../data/connection';
import type { Who } from '../who';

async function planned(tx: Transaction, who: Who, id: string) {
  const [now] = await tx.select().from(classPlan).where(eq(classPlan.id, id)).for('update');
  if (!now) throw new Refusal(404, 'This plan is no longer there.');
  await mayChangeClass(tx, who, now.day);
  return now;
}

export const classPlanCommands: Runs<
  | 'classPlan.save'
  | 'classPlan.remove'
  | 'class.run'
  | 'class.close'
  | 'classNote.add'
  | 'classNote.remove'
  | 'guest.add'
  | 'guest.remove'
> = {
  /** Whoever plans last keeps it; who began from an older one is shown both. */
  'classPlan.save': async (tx, who, { id, day, hallId, plan, version }) => {
    await inTurn(tx, who, `classes ${day}`);
    const [now] = await tx.select().from(classPlan).where(eq(classPlan.id, id));
    await mayChangeClass(tx, who, now && now.day < day ? now.day : day);
    await notMeanwhile(tx, `The plan of ${dayInWords(day, who.today)}`, now, version, () => ({
      id,
      day: now!.day,
      hallId: now!.hallId,
      plan: now!.plan,
    }));
    if (hallId !== null && (await tx.select({ id: hall.id }).from(hall).where(eq(hall.id, hallId))).length === 0)
      throw new Refusal(409, 'This hall is no longer there.', [{ path: 'hallId', message: 'Choose another hall.' }], {
        mends: [{ say: 'Keep the plan without a hall', set: { hallId: null } }],
      });
    const [kept] = await tx
      .insert(classPlan)
      .values({ schoolId: who.schoolId, id, day, hallId, plan, changedBy: who.personId })
      .onConflictDoUpdate({
        target: [classPlan.schoolId, classPlan.id],
        set: { day, hallId, plan, ...nextVersion(classPlan, who) },
      })
      .returning({ version: classPlan.version });
    return { id, version: kept!.version };
  },
  'classPlan.remove': async (tx, who, { id }) => {
    const now = await planned(tx, who, id);
    if (now.run !== null)
      throw new Refusal(409, 'This class has begun: what was done in it stays. Leave blocks out of the plan instead.');
    await tx.delete(classPlan).where(eq(classPlan.id, id));
    return {};
  },
  /** Several devices tell where a class stands; the one that has seen more is right, and every one is told. */
  'class.run': async (tx, who, { id, run }) => {
    const now = await planned(tx, who, id);
    const later = laterRun(now.run, run)!;
    if (later === run) await tx.update(classPlan).set({ run }).where(eq(classPlan.id, id));
    return { run: later };
  },
  /** Somebody who is not on the roll is here; written again it is put right. */
  'guest.add': async (tx, who, { id, ...g }) => {
    await mayChangeClass(tx, who, g.day);
    await tx
      .insert(guest)
      .values({ schoolId: who.schoolId, id, ...g, by: who.personId, at: who.now })
      .onConflictDoUpdate({
        target: [guest.schoolId, guest.id],
        set: { name: g.name, minor: g.minor, phone: g.phone },
      });
    return { id };
  },
  'guest.remove': async (tx, who, { id }) => {
    const [now] = await tx.select({ day: guest.day }).from(guest).where(eq(guest.id, id));
    if (!now) throw new Refusal(404, 'This guest is no longer there.');
    await mayChangeClass(tx, who, now.day);
    await tx.delete(guest).where(eq(guest.id, id));
    return {};
  },
  /** Said while the class ran; written again it is put right. */
  'classNote.add': async (tx, who, { id, ...n }) => {
    await mayChangeClass(tx, who, n.day);
    await tx
      .insert(classNote)
      .values({ schoolId: who.schoolId, id, ...n, by: who.personId, at: who.now })
      .onConflictDoUpdate({ target: [classNote.schoolId, classNote.id], set: { said: n.said } });
    return { id };
  },
  'classNote.remove': async (tx, who, { id }) => {
    const [now] = await tx.select({ day: classNote.day }).from(classNote).where(eq(classNote.id, id));
    if (!now) throw new Refusal(404, 'This note is no longer there.');
    await mayChangeClass(tx, who, now.day);
    await tx.delete(classNote).where(eq(classNote.id, id));
    return {};
  },
  'class.close': async (tx, who, { id, note }) => {
    await planned(tx, who, id);
    await tx.update(classPlan).set({ note, closedAt: who.now }).where(eq(classPlan.id, id));
    return {};
  },
};
