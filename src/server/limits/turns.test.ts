import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Turns } from './turns';

/** Work that ends when it is told to. */
function job() {
  let end!: () => void;
  const done = new Promise<void>((resolve) => (end = resolve));
  return { work: () => done, end };
}
const settle = async () => {
  for (let i = 0; i < 20; i += 1) await Promise.resolve();
};

describe('heavy work by turns', () => {
  it('one who asks for thirty pages at once has one of them, and the next person does not wait for the rest', async () => {
    const turns = new Turns({ atOnce: 2, each: 1, waiting: 6 });
    const began: string[] = [];
    const jobs = Array.from({ length: 30 }, () => job());
    const asked = jobs.map((j, i) =>
      turns.take('student', () => {
        began.push(`student ${i}`);
        return j.work();
      }),
    );
    await settle();
    expect(began).toEqual(['student 0']);
    const teacher = job();
    const theirs = turns.take('teacher', () => {
      began.push('teacher');
      return teacher.work();
    });
    await settle();
    expect(began).toEqual(['student 0', 'teacher']);
    teacher.end();
    await theirs;
    for (const j of jobs) {
      j.end();
      await settle();
    }
    const results = await Promise.all(asked);
    expect(results.filter((r) => r === null)).toHaveLength(23);
    expect(began).toHaveLength(8);
  });

  it('never runs more than it may, forgets nobody who waits, and gives the place back when work fails', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.record({ who: fc.constantFrom('a', 'b', 'c'), fails: fc.boolean() }), { maxLength: 25 }),
        async (asked) => {
          const turns = new Turns({ atOnce: 2, each: 1, waiting: 100 });
          let now = 0;
          let most = 0;
          const own = new Map<string, number>();
          const all = asked.map(({ who, fails }) =>
            turns
              .take(who, async () => {
                now += 1;
                own.set(who, (own.get(who) ?? 0) + 1);
                most = Math.max(most, now, own.get(who)! > 1 ? 99 : 0);
                await Promise.resolve();
                now -= 1;
                own.set(who, own.get(who)! - 1);
                if (fails) throw new Error('fell');
                return who;
              })
              .catch(() => 'fell'),
          );
          expect(await Promise.all(all)).toHaveLength(asked.length);
          expect(most).toBeLessThanOrEqual(2);
          expect(now).toBe(0);
        },
      ),
    );
  });
});
