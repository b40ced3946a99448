import type { RollView } from '../../contracts/views';
import { ageOn } from '../../core';
import type { Transaction } from '../../data/connection';
import { readRoll } from '../../data/queries/roll';
import { readSyllabus } from '../../data/queries/syllabus';
import { nextGrading } from '../belief/gradings';
import type { Who } from '../who';

export async function rollView(tx: Transaction, who: Who): Promise<RollView> {
  const { ranks } = await readSyllabus(tx, who.today);
  const roll = await readRoll(tx, { withLeft: true });
  return {
    ranks: ranks.map(({ id, name, cloth }) => ({ id, name, cloth })),
    students: roll
      .filter((s) => s.leftOn === null)
      .map((s) => ({
        id: s.id,
        name: s.name,
        born: s.born,
        age: s.born ? ageOn(s.born, who.today) : null,
        rankId: s.rankId,
        since: s.since,
        lastHere: s.lastHere,
        hasSignIn: s.userId !== null,
      })),
    gradingDay: await nextGrading(tx, who.today),
    leftLately: roll.filter((s) => s.leftOn !== null).map((s) => ({ id: s.id, name: s.name, leftOn: s.leftOn! })),
  };
}
