// X1: a school of two thousand items taken in, against PostgreSQL taking the same points as plain rows.
import type pg from 'pg';
import { v7 } from 'uuid';
import * as v from 'valibot';
import { bundleShape } from '../../src/contracts/stored/bundle';
import { inSchool, type Database } from '../../src/data/connection';
import { openSchool } from '../../src/data/openSchool';
import { starterBundle } from '../../src/data/starter';
import { person } from '../../src/data/tables';
import { user } from '../../src/data/tables/auth';
import { runCommand } from '../../src/server/commands/run';
import { timed } from './timing';

const ITEMS = 2000;

export async function benchExchange(db: Database, owner: pg.Pool) {
  const [id, head] = [v7(), v7()];
  const me = { userId: v7(), email: `${id}@example.org`, schoolId: id, personId: head };
  await inSchool(db, id, async (tx) => {
    await openSchool(tx, { id, name: 'Taking in', timeZone: 'UTC', head: { id: head, name: 'Head' }, ranks: [] }, v7);
    await tx.insert(user).values({ id: me.userId, name: 'x', email: me.email, schoolId: id, personId: head });
    await tx.update(person).set({ userId: me.userId });
  });
  const one = starterBundle();
  const bundle = v.parse(bundleShape, {
    ...one,
    techniques: Array.from({ length: ITEMS / 2 }, (_, i) => ({
      ...one.techniques[i % one.techniques.length]!,
      name: `Technique ${i}`,
      stance: null,
      step: null,
    })),
    sequences: Array.from({ length: ITEMS / 2 }, (_, i) => ({ ...one.sequences[0]!, title: `Line ${i}` })),
    syllabus: null,
  });
  const points = bundle.techniques.flatMap((t) => t.points);
  const ours = await timed(() =>
    runCommand(db, me, {
      id: v7(),
      at: new Date().toISOString(),
      name: 'bundle.import',
      input: { bundle, keep: 'file', dry: false },
    }),
  );
  const raw = await timed(async () => {
    const client = await owner.connect();
    await client.query('begin; create temporary table plain (a text, b text, c text) on commit drop');
    for (const p of points)
      await client.query('insert into plain values ($1, $2, $3)', [p.name, p.how, JSON.stringify(p.slips)]);
    await client.query('commit');
    client.release();
  });
  return {
    id: 'X1',
    what: `a school of ${ITEMS} items taken in within ${(ours / 1000).toFixed(1)} s; its ${points.length} points as plain rows, one by one, ${(raw / 1000).toFixed(1)} s`,
    ratio: ours / raw,
    goal: '<= 10',
    ok: ours / raw <= 10,
  };
}
