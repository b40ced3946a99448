import type { ClassRunView } from '../../contracts/views';
import { clockInWords } from '../../core';
import type { Line } from './line';

/**
 * The line with what other devices noted of the class: whoever they know is here too, with their times; whom they knew and
 * took off again goes; whom they took off and brought back is here again, also where it was this device that took them off.
 * Whom only this device knows stays: it may not have been sent. `before` are those whom the class had when it was last
 * asked; null: it was not asked yet, and whom this device took off stays off. The same line where nothing is new.
 */
export function followed(
  line: Line,
  classId: string,
  before: ReadonlySet<string> | null,
  theirs: ClassRunView['here'],
): Line {
  if (theirs.length === 0 || (line.classId !== null && line.classId !== classId)) return line;
  const there = new Set(theirs.map((t) => t.id));
  const off = [...(before ?? [])].filter((id) => !there.has(id) && line.present.includes(id));
  const back = before === null ? [] : line.gone.filter((id) => there.has(id) && !before.has(id));
  const known = new Set([...line.present, ...line.gone]);
  const fresh = [...theirs.filter((t) => !known.has(t.id)).map((t) => t.id), ...back];
  const times = (of: 'came' | 'went') =>
    Object.fromEntries(theirs.flatMap((t) => (t[of] === null ? [] : [[t.id, clockInWords(t[of])]])));
  const late = { ...times('came'), ...line.late };
  const left = { ...times('went'), ...line.left };
  const same = (a: object, b: object) => Object.keys(a).length === Object.keys(b).length;
  const nothingNew = fresh.length === 0 && off.length === 0;
  if (line.classId === classId && nothingNew && same(late, line.late) && same(left, line.left)) return line;
  return {
    ...line,
    classId,
    openedAt: line.classId === classId ? line.openedAt : null,
    present: [...line.present.filter((id) => !off.includes(id)), ...fresh],
    gone: [...line.gone.filter((id) => !back.includes(id)), ...off],
    late,
    left,
  };
}
