import { override, syllabusVersion } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Runs } from './command';
import { mustBeOnTheRoll } from './onTheRoll';

export const overrideCommands: Runs<'override.set'> = {
  'override.set': async (tx, who, o) => {
    await mustBeOnTheRoll(tx, who, o.studentId);
    const versions = await tx.select({ body: syllabusVersion.body }).from(syllabusVersion);
    if (!versions.some((x) => x.body.requirements.some((r) => r.id === o.requirementId)))
      throw new Refusal(404, 'No version of the syllabus asks for this.');
    await tx.insert(override).values({ schoolId: who.schoolId, ...o, by: who.personId, day: who.today });
    return {};
  },
};
