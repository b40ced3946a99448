import type { APIRoute } from 'astro';
import { calendarFor } from '../../server/calendar/feed';
import { db } from '../../server/databases';
import { problem, problemOf } from '../../server/http/problem';

/** Weeks as a file for a calendar, for those who see them. */
export const GET: APIRoute = async ({ params, locals }) => {
  try {
    if (!locals.me) return problem(401, 'Sign in first.');
    const file = await calendarFor(db, locals.me, params.id ?? '', new Date());
    return new Response(file, {
      headers: {
        'content-type': 'text/calendar; charset=utf-8',
        'content-disposition': 'attachment; filename="classes.ics"',
        'cache-control': 'no-store',
      },
    });
  } catch (error) {
    return problemOf(error, 'calendar');
  }
};
