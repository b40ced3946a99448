import { eq } from 'drizzle-orm';
import { adaptation, point } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Runs } from './command';
import { mustBeOnTheRoll } from './onTheRoll';

export const adaptationCommands: Runs<'adaptation.write'> = {
  'adaptation.write': async (tx, who, a) => {
    await mustBeOnTheRoll(tx, who, a.studentId);
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
};
