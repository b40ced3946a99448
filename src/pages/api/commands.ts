import type { APIRoute } from 'astro';
import { authPool, db } from '../../server/databases';
import { readJson } from '../../server/http/body';
import { json, problem, problemOf, Refusal } from '../../server/http/problem';
import { Pace } from '../../server/limits/pace';
import { runCommand } from '../../server/commands/run';

/** A tablet that comes back after an evening without a network has a thousand marks. */
const pace = new Pace(authPool, { most: 6000, seconds: 60 });

export const POST: APIRoute = async ({ request, locals }) => {
  try {
    if (!locals.me) return problem(401, 'Sign in first.');
    const own = await pace.allows(`command ${locals.me.userId}`);
    if (!own.ok) throw new Refusal(429, `That is very much at once. It is sent again in ${own.seconds} seconds.`);
    return json(await runCommand(db, locals.me, await readJson(request)));
  } catch (error) {
    return problemOf(error, 'commands');
  }
};
