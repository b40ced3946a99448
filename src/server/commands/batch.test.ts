import { sql } from 'drizzle-orm';
import { v7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { CommandDraft } from '../../contracts/commands';
import { inSchool } from '../../data/connection';
import { standingsAstray } from '../../data/queries/standings';
import { makeDatabase, type TestDatabase } from '../../data/testing/database';
import { Refusal } from '../http/problem';
import { aLook, NOW, smallSchool, type SmallSchool } from '../testing/school';
import { runBatch } from './batch';
import { Gathering, plainLook } from './plainLooks';

let t: TestDatabase;
beforeAll(async () => {
  t = await makeDatabase();
});
afterAll(() => t.drop());

const command = (look: CommandDraft<'look.record'>, id = v7()) => ({
  id,
  at: NOW.toISOString(),
  name: 'look.record',
  input: look,
});
const statuses = async (s: SmallSchool, bodies: unknown[], as: keyof SmallSchool['as'] = 'instructor') =>
  (await runBatch(t.db, s.as[as], bodies, NOW)).map((d) =>
    d.ok ? 200 : d.error instanceof Refusal ? d.error.status : String(d.error),
  );
const stored = (s: SmallSchool) =>
  inSchool(t.db, s.id, async (tx) => {
    const count = async (table: string) =>
      (await tx.execute<{ n: number }>(sql.raw(`select count(*)::int as n from ${table}`))).rows[0]!.n;
    return {
      looks: await count('look'),
      marks: await count('mark'),
      history: await count(`history where command = 'look.record'`),
      astray: await standingsAstray(tx),
    };
  });

describe('many commands at once', () => {
  it('looks are written down together, each with its own line in the history; sent again they are not doubled', async () => {
    const s = await smallSchool(t, 'Together');
    const bodies = Array.from({ length: 40 }, () => command(aLook(s)));
    expect(new Set(await statuses(s, bodies))).toEqual(new Set([200]));
    const once = { looks: 40, marks: 40, history: 40, astray: [] };
    expect(await stored(s)).toEqual(once);
    expect(new Set(await statuses(s, bodies))).toEqual(new Set([200]));
    // Half of an evening was answered, half was not: that half comes again with what is new.
    expect(new Set(await statuses(s, [...bodies.slice(20), command(aLook(s))]))).toEqual(new Set([200]));
    expect(await stored(s)).toEqual({ looks: 41, marks: 41, history: 41, astray: [] });
  });

  it('each is answered by itself, in order; what is refused holds up no other', async () => {
    const s = await smallSchool(t, 'Apart');
    const first = aLook(s);
    const twice = command(aLook(s));
    const bodies: [unknown, number][] = [
      [command(first), 200],
      [command(aLook(s, { studentId: v7() })), 409],
      [
        command(aLook(s, { replaces: first.id, marks: [{ pointId: s.points.seen, kind: 'seen', held: 2, of: 5 }] })),
        200,
      ],
      [command(aLook(s, { replaces: first.id })), 409],
      [command(aLook(s, { day: '2031-01-01' })), 422],
      [twice, 200],
      [twice, 200],
      [{ ...twice, input: aLook(s) }, 409],
      [command(aLook(s, { marks: [{ pointId: v7(), kind: 'seen', held: 1, of: 1 }] })), 409],
      [{ id: v7(), at: NOW.toISOString(), name: 'look.record', input: { nonsense: true } }, 422],
      ['nonsense', 422],
      [{ id: v7(), at: NOW.toISOString(), name: 'rank.remove', input: { id: s.ranks[0]! } }, 403],
      [command(aLook(s)), 200],
    ];
    expect(
      await statuses(
        s,
        bodies.map(([b]) => b),
      ),
    ).toEqual(bodies.map(([, status]) => status));
    expect(await stored(s)).toEqual({ looks: 4, marks: 4, history: 4, astray: [] });
  });

  it('is open to whom one command is open to, and to nobody of another school', async () => {
    const [s, other] = [await smallSchool(t, 'Mine'), await smallSchool(t, 'Other')];
    const mine = () => [command(aLook(s)), command(aLook(s))];
    for (const role of ['student', 'guardian', 'examiner'] as const)
      expect(await statuses(s, mine(), role)).toEqual([403, 403]);
    expect(await statuses(other, mine())).toEqual([409, 409]);
    expect((await stored(s)).looks).toBe(0);
    expect((await stored(other)).looks).toBe(0);
  });

  it('two tablets that send the same people at once wait for each other, and nothing is lost', async () => {
    const s = await smallSchool(t, 'At once');
    const all = Array.from({ length: 6 }, () => Array.from({ length: 20 }, () => command(aLook(s))));
    const done = await Promise.all(all.map((bodies) => statuses(s, bodies)));
    expect(new Set(done.flat())).toEqual(new Set([200]));
    expect(await stored(s)).toEqual({ looks: 120, marks: 120, history: 120, astray: [] });
  });
});

describe('looks that come one by one from many tablets', () => {
  it('gather while others are written; each is answered as if it had come alone, whoever sent it', async () => {
    const s = await smallSchool(t, 'Gathering');
    const other = await smallSchool(t, 'Beside');
    const gathering = new Gathering(t.db);
    const send = (as: SmallSchool['as']['head'], body: unknown) =>
      gathering.take(as, plainLook(body)!, NOW).then(
        () => 200,
        (e: unknown) => (e instanceof Refusal ? e.status : String(e)),
      );
    const twice = command(aLook(s));
    const sent: [SmallSchool['as']['head'], unknown, number][] = [
      ...Array.from({ length: 60 }, (_, i): [SmallSchool['as']['head'], unknown, number] => [
        s.as[i % 2 ? 'head' : 'instructor'],
        command(aLook(s)),
        200,
      ]),
      [s.as.student, command(aLook(s)), 403],
      [s.as.instructor, command(aLook(s, { studentId: v7() })), 409],
      [s.as.instructor, twice, 200],
      [s.as.instructor, twice, 200],
      [other.as.head, command(aLook(s)), 409],
      [other.as.head, command(aLook(other)), 200],
      [{ ...s.as.head, userId: v7() }, command(aLook(s)), 403],
    ];
    expect(await Promise.all(sent.map(([as, body]) => send(as, body)))).toEqual(sent.map(([, , status]) => status));
    expect(await stored(s)).toEqual({ looks: 61, marks: 61, history: 61, astray: [] });
    expect((await stored(other)).looks).toBe(1);
    const by = await inSchool(t.db, s.id, (tx) =>
      tx.execute<{ by: string; n: number }>(sql`select by, count(*)::int as n from look group by 1`),
    );
    expect(new Map(by.rows.map((r) => [r.by, r.n]))).toEqual(
      new Map([
        [s.as.head.personId, 30],
        [s.as.instructor.personId, 31],
      ]),
    );
  });
});
