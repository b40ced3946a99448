import { inSchool, openDatabase, openPool } from './connection';
import { restandAll, standingsAstray } from './queries/standings';
import { school } from './tables';

/** Compares what is kept of every student of every school with their looks, and makes it anew. Nobody is signed in meanwhile. */
export async function standAnew(appUrl: string, authUrl: string): Promise<{ name: string; astray: number }[]> {
  const [pool, auth] = [openPool(appUrl, 1), openPool(authUrl, 1)];
  try {
    // Which schools there are only those know who sign people in: the app sees one at a time.
    const { rows } = await auth.query<{ id: string }>('select distinct school_id as id from auth."user" order by 1');
    const out: { name: string; astray: number }[] = [];
    for (const { id } of rows)
      await inSchool(openDatabase(pool), id, async (tx) => {
        const [row] = await tx.select({ name: school.name }).from(school);
        const astray = new Set((await standingsAstray(tx)).map((a) => a.studentId)).size;
        await restandAll(tx);
        if (row) out.push({ name: row.name, astray });
      });
    return out;
  } finally {
    await pool.end();
    await auth.end();
  }
}
