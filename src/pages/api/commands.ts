import type { APIRoute } from 'astro';
import { db } from '../../server/databases';
import { readJson } from '../../server/http/body';
import { json, problem, problemOf } from '../../server/http/problem';
import { runCommand } from '../../server/commands/run';

export const POST: APIRoute = async ({ request, locals }) => {
  try {
    if (!locals.me) return problem(401, 'Sign in first.');
    return json(await runCommand(db, locals.me, await readJson(request)));
  } catch (error) {
    return problemOf(error);
  }
};
