import { daysBetween, type PlainDate } from '../units/plainDate';
import { isMinor } from './consent';

/**
 * Whether pictures of somebody may be kept on a teacher's device: they said so, and of a minor a guardian did. Nothing
 * said is no.
 */
export function mayKeepPictures(
  said: { agreed: boolean; guardian: string } | undefined,
  born: PlainDate | null,
  today: PlainDate,
  ofAge: number,
): boolean {
  return said !== undefined && said.agreed && (said.guardian.trim() !== '' || !isMinor(born, today, ofAge));
}

/** A picture is kept no longer than a year: a body is another by then, and what it told stands in the look. */
const KEPT_DAYS = 365;

/** Whether a picture is still kept: whoever is seen agrees, and its year is not over. */
export const isPictureKept = (
  picture: { studentId: string; day: PlainDate },
  agreed: ReadonlySet<string>,
  today: PlainDate,
): boolean => agreed.has(picture.studentId) && daysBetween(picture.day, today) <= KEPT_DAYS;
