import { eq } from 'drizzle-orm';
import { post } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Runs } from './command';
import { nextVersion, notMeanwhile } from './meanwhile';
import { mustBeOnTheRoll } from './onTheRoll';

export const postCommands: Runs<'post.save' | 'post.remove'> = {
  'post.save': async (tx, who, { id, post: kept, version }) => {
    if (kept.studentId !== null) await mustBeOnTheRoll(tx, who, kept.studentId);
    const [now] = await tx.select().from(post).where(eq(post.id, id)).for('update');
    await notMeanwhile(tx, now?.post.title ?? '', now, version, () => ({ id, post: now!.post }));
    const [saved] = await tx
      .insert(post)
      .values({ schoolId: who.schoolId, id, post: kept, changedBy: who.personId })
      .onConflictDoUpdate({ target: [post.schoolId, post.id], set: { post: kept, ...nextVersion(post, who) } })
      .returning({ version: post.version });
    return { id, version: saved!.version };
  },
  'post.remove': async (tx, _who, { id }) => {
    const gone = await tx.delete(post).where(eq(post.id, id)).returning({ id: post.id });
    if (gone.length === 0) throw new Refusal(404, 'This post is no longer planned.');
    return {};
  },
};
