import { school } from '../../data/tables';
import type { Runs } from './command';

export const schoolCommands: Runs<'school.set'> = {
  'school.set': async (tx, _who, settings) => {
    if (Object.keys(settings).length > 0) await tx.update(school).set(settings);
    return {};
  },
};
