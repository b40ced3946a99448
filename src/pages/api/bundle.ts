import type { APIRoute } from 'astro';
import { runCommand } from '../../server/commands/run';
import { db } from '../../server/databases';
import { readJson } from '../../server/http/body';
import { problem, problemOf } from '../../server/http/problem';
import { viewFor } from '../../server/views/door';

/** A school of two thousand items is about four megabytes. */
const LARGEST_SCHOOL = 24_000_000;

/**
 * The door for long work: one command like at the other, and a line of JSON for every step. Whoever goes away, or
 * presses stop, ends it, and nothing of it stays.
 */
export const POST: APIRoute = async ({ request, locals }) => {
  const { me } = locals;
  if (!me) return problem(401, 'Sign in first.');
  let body: unknown;
  try {
    // Many megabytes are read only from somebody who may send them.
    const { me: person } = await viewFor(me, 'shell', {});
    if (person.role !== 'head') return problem(403, 'Only a head instructor may do this.');
    body = await readJson(request, LARGEST_SCHOOL);
  } catch (error) {
    return problemOf(error, 'bundle');
  }
  let stopped = false;
  const text = new TextEncoder();
  const stream = new ReadableStream<Uint8Array>({
    async start(controller) {
      const say = (line: object) => {
        if (!stopped) controller.enqueue(text.encode(`${JSON.stringify(line)}\n`));
      };
      let told = 0;
      try {
        const answer = await runCommand(db, me, body, new Date(), {
          progress: (done, of) => {
            // A line for every hundredth part is enough to see it move.
            if (done < of && done - told < of / 100) return;
            told = done;
            say({ done, of });
          },
          stopped: () => stopped,
        });
        say({ answer });
      } catch (error) {
        const refused = problemOf(error, 'bundle');
        say({ problem: (await refused.json()) as object });
      }
      if (!stopped) controller.close();
    },
    cancel() {
      stopped = true;
    },
  });
  return new Response(stream, { headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'no-store' } });
};
