import type { LookKitView } from '../../contracts/views';
import { readClock } from '../../core';
import { put } from '../deviceQueue/deviceQueue';
import { newId } from '../send';
import { lineUp, taughtTonight, type KitItem, type Line } from './line';
import { dayNow, writtenDay } from './record';

/**
 * Notes the class of this line, or notes it again with what has changed: through the queue of the device, so that it
 * works without a network. Other devices may note the same class; each adds whom it knows. What the line remembers of it
 * comes back.
 */
export async function noteClass(
  kit: LookKitView,
  items: readonly KitItem[],
  line: Line,
): Promise<Pick<Line, 'classId' | 'openedAt'>> {
  const now = new Date();
  const id = line.classId ?? newId();
  const day = writtenDay(kit.timeZone);
  // A class of another day was not opened now.
  const openedNow = day === dayNow(kit.timeZone) ? now.toISOString() : null;
  const openedAt = line.classId === null ? openedNow : line.openedAt;
  await put({
    id: newId(),
    at: now.toISOString(),
    name: 'class.record',
    input: {
      id,
      day,
      minutes: line.minutes,
      openedAt,
      joins: true,
      gone: line.gone,
      // As they stand from the door, so that the next class can stand as this one.
      present: lineUp(kit, { ...line, flipped: false }).map((s) => s.id),
      taught: taughtTonight(items, line),
      times: timesOf(line),
    },
    label: `Class of ${line.present.length}`,
    by: kit.me.personId,
    open: false,
  });
  return { classId: id, openedAt };
}

/** When people came late or left early, as the hours count them. */
function timesOf({ late, left }: Line): Record<string, { came: number | null; went: number | null }> {
  const at = (text: string | undefined) => (text === undefined ? null : readClock(text));
  return Object.fromEntries(
    [...new Set([...Object.keys(late), ...Object.keys(left)])].map((id) => [
      id,
      { came: at(late[id]), went: at(left[id]) },
    ]),
  );
}

/** The line as somebody joins a class that another device has opened. */
export const joining = (line: Line, one: LookKitView['classes'][number]): Partial<Line> => ({
  classId: one.id,
  openedAt: null,
  minutes: null,
  present: [...new Set([...one.present, ...line.present])],
  gone: [],
});
