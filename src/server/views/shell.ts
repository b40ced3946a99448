import type { ShellView } from '../../contracts/views';
import type { Transaction } from '../../data/connection';
import { readPutRight } from '../../data/queries/putRight';
import { school } from '../../data/tables';
import type { Who } from '../who';
import { firstStepsView, hasVerdict } from './firstSteps';

export async function shellView(tx: Transaction, who: Who): Promise<ShellView> {
  const [own] = await tx.select({ languages: school.languages }).from(school);
  const teaches = who.role === 'head' || who.role === 'instructor';
  return {
    school: { name: who.schoolName, timeZone: who.timeZone, languages: own?.languages ?? [] },
    me: { personId: who.personId, name: who.name, role: who.role },
    today: who.today,
    firstSteps: who.role === 'head' && !(await hasVerdict(tx)) ? await firstStepsView(tx, who) : null,
    putRight: teaches ? (await readPutRight(tx, who.personId, who.now)).length : 0,
  };
}
