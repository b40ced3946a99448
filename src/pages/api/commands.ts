import type { APIRoute } from 'astro';
import { authPool, db } from '../../server/databases';
import { readJson } from '../../server/http/body';
import { json, problem, problemOf, Refusal } from '../../server/http/problem';
import { Pace } from '../../server/limits/pace';
import { runCommand } from '../../server/commands/run';
import type { Who } from '../../server/who';

/** Teachers' tablets come back with a thousand marks; a student or guardian writes a few lines. */
const pace = new Pace(authPool, { most: 120, seconds: 60 });
async function inPace(who: Who): Promise<void> {
  if (who.role !== 'student' && who.role !== 'guardian') return;
  const own = await pace.allows(`command ${who.personId}`);
  if (!own.ok) throw new Refusal(429, `That is very much at once. Wait ${own.seconds} seconds, then go on.`);
}

/** The id of a command as it was sent: every answer names it, so that no other can be taken for it. */
const idOf = (body: unknown): string | null => {
  const id = (body as { id?: unknown } | null)?.id;
  return typeof id === 'string' && id.length <= 100 ? id : null;
};

export const POST: APIRoute = async ({ request, locals }) => {
  let id: string | null = null;
  try {
    if (!locals.me) return problem(401, 'Sign in first.');
    const body = await readJson(request);
    id = idOf(body);
    return json({ id, answer: await runCommand(db, locals.me, body, new Date(), undefined, inPace) });
  } catch (error) {
    return problemOf(error, 'commands', id === null ? null : `/commands/${id}`);
  }
};
