import type { APIRoute } from 'astro';
import * as v from 'valibot';
import { MOST_AT_ONCE } from '../../../contracts/commands';
import { runBatch } from '../../../server/commands/batch';
import { inPace } from '../../../server/commands/pace';
import { db } from '../../../server/databases';
import { readJson } from '../../../server/http/body';
import { json, problem, problemOf, Refusal } from '../../../server/http/problem';

const batch = v.object({ commands: v.pipe(v.array(v.unknown()), v.minLength(1), v.maxLength(MOST_AT_ONCE)) });

/** Many commands in one request; each is answered by itself, with the status it would have had alone. */
export const POST: APIRoute = async ({ request, locals }) => {
  try {
    if (!locals.me) return problem(401, 'Sign in first.');
    const read = v.safeParse(batch, await readJson(request));
    if (!read.success) throw new Refusal(422, `Send one to ${MOST_AT_ONCE} commands at once.`);
    const done = await runBatch(db, locals.me, read.output.commands, new Date(), inPace);
    const answers = await Promise.all(
      done.map(async (d) => {
        if (d.ok) return { id: d.id, status: 200, answer: d.answer };
        const refused = problemOf(d.error, 'commands', d.id === null ? null : `/commands/${d.id}`);
        return { id: d.id, status: refused.status, problem: (await refused.json()) as unknown };
      }),
    );
    return json({ id: 'batch', answer: answers });
  } catch (error) {
    return problemOf(error, 'commands', '/commands/batch');
  }
};
