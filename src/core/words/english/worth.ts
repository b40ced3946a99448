import type { LookWorth, WorthALook } from '../../evidence/nextLooks';
import type { PlainDate } from '../../units/plainDate';
import { dayInWords } from './day';
import { listInWords } from './speak';

/** Why a look at it is worth its time: the verdict's own reason, or the day on which it goes stale. */
export const worthInWords = (w: Pick<LookWorth, 'freshUntil'>, reason: string, today: PlainDate): string =>
  w.freshUntil === null
    ? reason
    : `Met, but fresh only until ${dayInWords(w.freshUntil, today)}; the grading is later.`;

/** What a sweep along the line would tell; names are those it could settle. */
export const sweepInWords = (
  x: Pick<WorthALook, 'couldSettle' | 'studentIds'>,
  nameOf: (id: string) => string,
): string =>
  x.couldSettle.length > 0
    ? `One sweep could settle ${listInWords(x.couldSettle.map(nameOf), 4)}.`
    : `Not sure yet of ${x.studentIds.length} on the line; one sweep tells of all of them.`;
