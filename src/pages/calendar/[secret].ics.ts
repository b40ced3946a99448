import type { APIRoute } from 'astro';
import { calendarBehind } from '../../server/calendar/feed';
import { authPool, db } from '../../server/databases';
import { problem, problemOf } from '../../server/http/problem';

/** The classes of a school for a calendar that asks again, by an address with a secret. */
export const GET: APIRoute = async ({ params }) => {
  try {
    const file = await calendarBehind(db, authPool, params.secret ?? '', new Date());
    if (file === null) return problem(404, 'There is no calendar at this address.');
    return new Response(file, {
      headers: {
        'content-type': 'text/calendar; charset=utf-8',
        'cache-control': 'private, max-age=900',
        'x-robots-tag': 'noindex',
      },
    });
  } catch (error) {
    return problemOf(error, 'calendar');
  }
};
