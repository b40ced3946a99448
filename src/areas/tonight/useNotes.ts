import { classNoteInput } from '../../contracts/classPlan';
import { readInput } from '../../contracts/commands';
import type { ClassNoteShown, ClassPlanShown } from '../../contracts/views';
import { keepTrying } from '../../kit/deviceQueue/deviceQueue';
import { keptOfClass } from '../../kit/offline';
import { newId } from '../../kit/send';
import { useOfClass } from './useOfClass';

/** What is noted while a class runs, on every device that follows. */
export function useNotes(shown: ClassPlanShown, by: string) {
  const of = useOfClass<ClassNoteShown>(keptOfClass.notes + shown.id, shown.notes ?? []);
  return {
    notes: of.here,
    merge: of.merge,
    /** What is wrong with it; empty: it is noted. */
    add(block: string, said: string): string {
      const read = readInput(classNoteInput, { id: newId(), classId: shown.id, day: shown.day, block, said });
      if (!read.ok) return read.errors[0]?.message ?? 'It could not be noted.';
      const { id } = read.value;
      of.put({ id, block, said: read.value.said });
      const label = `Note: ${read.value.said.slice(0, 60)}`;
      keepTrying({
        id: newId(),
        at: new Date().toISOString(),
        name: 'classNote.add',
        input: read.value,
        label,
        by,
        open: false,
        chain: `note ${id}`,
      });
      return '';
    },
    remove(n: ClassNoteShown) {
      of.out(n.id);
      keepTrying({
        id: newId(),
        at: new Date().toISOString(),
        name: 'classNote.remove',
        input: { id: n.id },
        label: `Note taken out: ${n.said.slice(0, 60)}`,
        by,
        open: false,
        chain: `note ${n.id}`,
      });
    },
  };
}
export type TheNotes = ReturnType<typeof useNotes>;
