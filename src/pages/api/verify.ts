import type { APIRoute } from 'astro';
import { readInput } from '../../contracts/commands';
import { verifyInput } from '../../contracts/credential';
import { verifyCertificate } from '../../server/certificates/verify';
import { authPool, db } from '../../server/databases';
import { readJson } from '../../server/http/body';
import { json, problemOf, Refusal } from '../../server/http/problem';

/** Whether a certificate stands, by its code or its file. Open to everybody: whoever holds one asks. */
export const POST: APIRoute = async ({ request }) => {
  try {
    const read = readInput(verifyInput, await readJson(request));
    if (!read.ok) throw new Refusal(422, 'Type the code, or take a file of at most 20 kB.', read.errors);
    return json(await verifyCertificate(db, authPool, read.value.asked));
  } catch (error) {
    return problemOf(error, 'verify');
  }
};
