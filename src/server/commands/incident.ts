import { incident, person } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Runs } from './command';
import { notAhead } from './days';

export const incidentCommands: Runs<'incident.record'> = {
  'incident.record': async (tx, who, i) => {
    notAhead(who, i.day, 'The day of an incident');
    const parties = [i.hurtId, i.chargeId, ...(i.causeId ? [i.causeId] : [])];
    const known = await tx.select({ id: person.id }).from(person);
    const ids = new Set(known.map((p) => p.id));
    if (parties.some((p) => !ids.has(p))) throw new Refusal(409, 'One of these people is not in the school.');
    await tx.insert(incident).values({ schoolId: who.schoolId, ...i, by: who.personId });
    return { id: i.id };
  },
};
