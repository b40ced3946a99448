import { school } from '../../data/tables';
import type { Runs } from './command';

export const schoolCommands: Runs<'school.set'> = {
  'school.set': async (tx, _who, { classDays }) => {
    await tx.update(school).set({ classDays });
    return {};
  },
};
