import { weekdayInWords, type PlainDate } from '../../core';

/** The question of an evening’s page. */
export const questionOf = (day: PlainDate, today: PlainDate): string =>
  day === today ? 'What shall I watch tonight?' : `What shall I watch on ${weekdayInWords(day)}?`;
