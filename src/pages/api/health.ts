import type { APIRoute } from 'astro';
import { sql } from 'drizzle-orm';
import { db } from '../../server/databases';
import { json, problemOf } from '../../server/http/problem';

export const GET: APIRoute = async () => {
  try {
    await db.execute(sql`select 1`);
    return json({ ok: true });
  } catch (error) {
    return problemOf(error);
  }
};
