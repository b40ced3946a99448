import type { APIRoute } from 'astro';
import { starterBundle } from '../../data/starter';
import { json, problem } from '../../server/http/problem';

/** The small neutral school that an empty one can begin from. */
export const GET: APIRoute = ({ locals }) => (locals.me ? json(starterBundle()) : problem(401, 'Sign in first.'));
