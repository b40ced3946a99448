import { addDays, weekdayOf, type PlainDate } from '../units/plainDate';
import { inTime, type CycleClass, type WeeklyClass } from './model';

/** A class never begins twice: what it is known by when weeks are laid out anew. */
const when = (c: { day: PlainDate; starts: number }) => `${c.day} ${c.starts}`;

const isOf = (w: WeeklyClass, c: { day: PlainDate; starts: number }) =>
  w.weekday === weekdayOf(c.day) && w.starts === c.starts;

/** What is known of classes already when weeks are laid out anew. */
export interface KnownWeeks {
  classes: readonly CycleClass[];
  /** The weekly classes they came from. */
  weekly: readonly WeeklyClass[];
  /** Whether a class is over: it stays, whatever the weeks are. */
  isOver: (c: CycleClass) => boolean;
}
export const NO_WEEKS: KnownWeeks = { classes: [], weekly: [], isOver: () => false };

/**
 * The classes of some weeks, in order: every weekly class from the first day up to the last. A class that came from the
 * weeks before keeps what was said of it by hand, also where its hour changes; one that was put in by hand stays, as does
 * one that is over.
 */
export function classesOf(
  weekly: readonly WeeklyClass[],
  from: PlainDate,
  to: PlainDate,
  known: KnownWeeks,
  newId: () => string,
): CycleClass[] {
  const out = new Map<string, CycleClass>();
  const free: { c: CycleClass; of: WeeklyClass }[] = [];
  for (const c of known.classes) {
    const of = known.weekly.find((w) => isOf(w, c));
    if (of) free.push({ c, of });
    else if (known.isOver(c) || (c.day >= from && c.day <= to)) out.set(when(c), c);
  }
  for (let day = from; day <= to; day = addDays(day, 1))
    for (const w of weekly) {
      if (w.weekday !== weekdayOf(day) || out.has(when({ day, starts: w.starts }))) continue;
      const here = free.filter((x) => x.c.day === day);
      // The class of this hour, or else one whose hour no week has any more.
      const was =
        here.find((x) => x.c.starts === w.starts) ?? here.find((x) => !weekly.some((other) => isOf(other, x.c)));
      if (was) free.splice(free.indexOf(was), 1);
      const { weekday: _, ...usual } = w;
      const c: CycleClass = was
        ? known.isOver(was.c)
          ? was.c
          : {
              ...was.c,
              starts: w.starts,
              minutes: was.c.minutes === was.of.minutes ? w.minutes : was.c.minutes,
              hallId: was.c.hallId === was.of.hallId ? w.hallId : was.c.hallId,
            }
        : { id: newId(), day, ...usual, off: null, guest: null, frame: null };
      out.set(when(c), c);
    }
  for (const { c } of free) if (known.isOver(c)) out.set(when(c), c);
  return [...out.values()].sort(inTime);
}
