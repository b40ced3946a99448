import { describe, expect, it } from 'vitest';
import { forecast, seeded, seedOf } from '../../core';
import { runView } from './run';
import { makeDemo } from '../../data/testing/demo';
import { DEMO_SCHOOL_ID } from '../../data/demo/generate';

/** Ilse's forecast as the head sees it in a demo that was made on a day. */
async function ilsesForecast(day: string) {
  const t = await makeDemo(day);
  try {
    const { rows } = await t.owner.query<{ id: string; name: string; user_id: string | null }>(
      `select id, name, user_id from person where name in ('Ilse Marrow', 'Maren Holt') order by name`,
    );
    const [ilse, head] = [rows[0]!, rows[1]!];
    const me = { userId: head.user_id!, email: '', schoolId: DEMO_SCHOOL_ID, personId: head.id };
    const { input } = await runView(t.db, me, 'forecast', { id: ilse.id }, new Date(`${day}T12:00:00Z`));
    return forecast(input!, seeded(seedOf(ilse.id)));
  } finally {
    await t.drop();
  }
}

describe('the demo', () => {
  it('shows a range for Ilse, also on a day on which her marks of late were her worst', async () => {
    const day = '2026-11-28';
    const f = await ilsesForecast(day);
    expect(f.silent).toBeNull();
    expect(f.from! >= day && f.from! <= f.median!).toBe(true);
  });
});
