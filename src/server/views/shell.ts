import type { ShellView } from '../../contracts/views';
import type { Transaction } from '../../data/connection';
import { readPutRight } from '../../data/queries/putRight';
import type { Who } from '../who';

export async function shellView(tx: Transaction, who: Who): Promise<ShellView> {
  const teaches = who.role === 'head' || who.role === 'instructor';
  return {
    school: { name: who.schoolName, timeZone: who.timeZone },
    me: { personId: who.personId, name: who.name, role: who.role },
    today: who.today,
    putRight: teaches ? (await readPutRight(tx, who.personId, who.now)).length : 0,
  };
}
