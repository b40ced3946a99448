import { authPool } from '../databases';
import { Refusal } from '../http/problem';
import { Pace } from '../limits/pace';
import type { Who } from '../who';

/** Teachers' tablets come back with a thousand marks; a student or guardian writes a few lines. */
const pace = new Pace(authPool, { most: 120, seconds: 60 });
export async function inPace(who: Who): Promise<void> {
  if (who.role !== 'student' && who.role !== 'guardian') return;
  const own = await pace.allows(`command ${who.personId}`);
  if (!own.ok) throw new Refusal(429, `That is very much at once. Wait ${own.seconds} seconds, then go on.`);
}
