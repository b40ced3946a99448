import { desc } from 'drizzle-orm';
import type { PostsView } from '../../contracts/views';
import { ageOn, mayStrike } from '../../core';
import type { Transaction } from '../../data/connection';
import { readBodies } from '../../data/queries/bodies';
import { readAgreed, readLoadRule } from '../../data/queries/loads';
import { readRoll } from '../../data/queries/roll';
import { post } from '../../data/tables';
import { dayIn, type Who } from '../who';

/** "How high and how stiff?" */
export async function postsView(tx: Transaction, who: Who): Promise<PostsView> {
  const { rule, ofAge } = await readLoadRule(tx);
  const agreed = await readAgreed(tx);
  const bodies = await readBodies(tx);
  return {
    today: who.today,
    rule,
    posts: (await tx.select().from(post).orderBy(desc(post.changedAt), post.id)).map((p) => ({
      id: p.id,
      post: p.post,
      version: p.version,
      changed: dayIn(who.timeZone, p.changedAt),
    })),
    students: (await readRoll(tx)).map((s) => ({
      id: s.id,
      name: s.name,
      age: s.born ? ageOn(s.born, who.today) : null,
      stature: bodies.get(s.id)?.stature ?? null,
      may: mayStrike(s.born, agreed.has(s.id), rule, ofAge, who.today),
    })),
    head: who.role === 'head',
  };
}
