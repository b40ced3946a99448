import { type RankRow } from '../../../data/queries/syllabus';

export const rankShown = ({ id, name, cloth }: RankRow) => ({ id, name, cloth });
