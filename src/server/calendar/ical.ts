import ical, { ICalCalendarMethod, ICalEventStatus, ICalEventTransparency } from 'ical-generator';
import { DateTime } from 'luxon';
import { tzlib_get_ical_block } from 'timezones-ical-library';
import { capital, countOf, CYCLE_END_WORDS, instantAt, type Cycle } from '../../core';

/** Weeks as they go into a calendar. */
export interface CalendarOf {
  school: string;
  timeZone: string;
  halls: ReadonlyMap<string, string>;
  cycles: readonly { id: string; cycle: Cycle; changedAt: Date }[];
}

/** What a class is for, in one line and in several: rows with their minutes, nobody's name. */
function worked(cycle: Cycle, classId: string): string[] {
  return cycle.rows.flatMap((r) => {
    const cell = cycle.cells.find((c) => c.row === r.id && c.class === classId);
    return cell && cell.minutes > 0 ? [`${r.name}, ${countOf(cell.minutes, 'minute')}`] : [];
  });
}

/**
 * The weeks as an iCalendar file (RFC 5545): one event a class, with its rows and minutes, and the day it is all for. Ids are
 * those of the classes, so that a program that asks again puts the new in place of the old; a class that is off is called off.
 * Times are in the school's zone, whose rules are in the file.
 */
export function calendarFile({ school, timeZone, halls, cycles }: CalendarOf): string {
  const calendar = ical({
    name: school,
    prodId: { company: 'Stavewright', product: 'Stavewright', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
    timezone: { name: timeZone, generator: (zone) => tzlib_get_ical_block(zone)[0] ?? null },
    ttl: 3600,
  });
  // A plain Date would be written by the clock of this machine, wherever it stands.
  const at = (day: string, minutes: number) =>
    DateTime.fromMillis(instantAt(timeZone, day, minutes), { zone: timeZone });
  for (const { id, cycle, changedAt } of cycles) {
    for (const c of cycle.classes) {
      const list = worked(cycle, c.id);
      const hall = c.hallId === null ? undefined : halls.get(c.hallId);
      calendar.createEvent({
        id: `${c.id}@stavewright`,
        start: at(c.day, c.starts),
        end: at(c.day, c.starts + c.minutes),
        timezone: timeZone,
        stamp: changedAt,
        lastModified: changedAt,
        summary: c.off === null ? `Class, ${school}` : `No class, ${school}`,
        description: [
          ...(c.off === null ? list : [capital(c.off)]),
          ...(c.guest && c.off === null ? [`${c.guest.name}, ${countOf(c.guest.minutes, 'minute')}`] : []),
        ].join('\n'),
        status: c.off === null ? ICalEventStatus.CONFIRMED : ICalEventStatus.CANCELLED,
        ...(hall !== undefined && { location: hall }),
      });
    }
    const day = DateTime.fromISO(cycle.day, { zone: timeZone });
    calendar.createEvent({
      id: `${id}@stavewright`,
      start: day,
      end: day.plus({ days: 1 }),
      allDay: true,
      timezone: timeZone,
      stamp: changedAt,
      lastModified: changedAt,
      summary: `${cycle.name} (${CYCLE_END_WORDS[cycle.end]}), ${school}`,
      transparency: ICalEventTransparency.TRANSPARENT,
    });
  }
  return calendar.toString();
}
