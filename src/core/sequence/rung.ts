import { RUNGS, type Rung } from '../syllabus/standard';
import { fold } from '../units/fold';

/** The rung of contact that a drill's words begin with or are; null: they name none. */
export function rungIn(contact: string | null): Rung | null {
  if (contact === null) return null;
  const said = fold(contact);
  return RUNGS.find((r) => said === fold(r) || said.startsWith(`${fold(r)} `)) ?? null;
}

const NONE =
  /\b(no (contact|strikes?|touch|head)|without contact|never the (face|head)|not the (face|head)|stops? short)\b/;
/** Whether a drill's words keep the head out of it. */
export const sparesTheHead = (contact: string | null): boolean => contact !== null && NONE.test(fold(contact));
