import type { ShellView } from '../../contracts/views';
import type { Transaction } from '../../data/connection';
import type { Who } from '../who';

export const shellView = (_tx: Transaction, who: Who): Promise<ShellView> =>
  Promise.resolve({
    school: { name: who.schoolName, timeZone: who.timeZone },
    me: { personId: who.personId, name: who.name, role: who.role },
    today: who.today,
  });
