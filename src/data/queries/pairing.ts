import { sql } from 'drizzle-orm';
import type { Transaction } from '../connection';

/** Partners of so many days count as lately. */
const LATELY = 42;

/** What is known of who works with whom besides consent: said by somebody, or from rounds of the last weeks. */
export interface PairingKnown {
  /** Each two, who came first by their ids. */
  apart: [string, string][];
  wishes: [string, string][];
  recent: { a: string; b: string; times: number; last: string }[];
  /** How often somebody was a third, and how often first. */
  odd: Record<string, number>;
  first: Record<string, number>;
}

export async function readPairing(tx: Transaction, today: string): Promise<PairingKnown> {
  const said = await tx.execute<{ a: string; b: string; kind: string }>(sql`
    select distinct least(a::text, b::text) as a, greatest(a::text, b::text) as b, kind from partners
    where ended_at is null order by 1, 2`);
  const lately = sql`from paired where day > ${today}::date - ${LATELY}::int and day < ${today}::date`;
  // An evening counts once however many rounds two had in it.
  const recent = await tx.execute<{ a: string; b: string; times: number; last: string }>(sql`
    select least(x.a::text, x.b::text) as a, greatest(x.a::text, x.b::text) as b,
      count(distinct x.day)::int as times, max(x.day)::text as last
    from (select a, b, day ${lately} union all select a, c, day ${lately} and c is not null
      union all select b, c, day ${lately} and c is not null) x
    group by 1, 2 order by 1, 2`);
  const odd = await tx.execute<{ id: string; n: number }>(
    sql`select c as id, count(*)::int as n ${lately} and c is not null group by c order by c`,
  );
  const first = await tx.execute<{ id: string; n: number }>(
    sql`select first as id, count(*)::int as n ${lately} group by first order by first`,
  );
  const both = (kind: string) => said.rows.filter((r) => r.kind === kind).map(({ a, b }): [string, string] => [a, b]);
  return {
    apart: both('apart'),
    wishes: both('together'),
    recent: recent.rows,
    odd: Object.fromEntries(odd.rows.map((r) => [r.id, r.n])),
    first: Object.fromEntries(first.rows.map((r) => [r.id, r.n])),
  };
}
