import { Refusal } from '../http/problem';
import type { Who } from '../who';

/** Refuses a day that is still to come. */
export const notAhead = (who: Who, day: string, what: string) => {
  if (day > who.today)
    throw new Refusal(422, `${what} is not in the future.`, [
      { path: 'day', message: `${what} is not in the future.` },
    ]);
};
