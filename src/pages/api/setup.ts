import type { APIRoute } from 'astro';
import { readJson } from '../../server/http/body';
import { json, problemOf } from '../../server/http/problem';
import { setUp } from '../../server/setup';

export const POST: APIRoute = async ({ request }) => {
  try {
    return json(await setUp(await readJson(request)));
  } catch (error) {
    return problemOf(error, 'setup');
  }
};
