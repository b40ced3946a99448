import type { APIRoute } from 'astro';
import { readJson } from '../../server/http/body';
import { json, problem, problemOf } from '../../server/http/problem';
import { answerTo } from '../../server/commands/door';

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
    return json({ id, answer: await answerTo(locals.me, body) });
  } catch (error) {
    return problemOf(error, 'commands', id === null ? null : `/commands/${id}`);
  }
};
