import type { Difference } from '../../syllabus/compare';

/** A difference with the belt it is about: "Straw: asks for low block in air too". */
export const differenceInWords = (d: Difference): string => (d.rank === null ? d.text : `${d.rank}: ${d.text}`);
