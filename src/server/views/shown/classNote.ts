import type { ClassNoteShown } from '../../../contracts/views';

export const classNoteShown = ({ id, block, said }: ClassNoteShown): ClassNoteShown => ({ id, block, said });
