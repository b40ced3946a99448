import type pg from 'pg';
import { count, type Limit } from './counter';

/** So many are counted here before the database is asked: not every page waits for one more question. */
const ROUND = 10;
const MOST_KEYS = 10_000;

interface Here {
  uncounted: number;
  /** Until when it is too much, in ms; 0: it is not. */
  shutUntil: number;
}

/**
 * How often somebody may ask, over all servers of the school: the count is kept in PostgreSQL, in rounds. A database
 * that is away lets everybody pass, since the question itself will then say what is wrong.
 */
export class Pace {
  private readonly here = new Map<string, Here>();

  constructor(
    private readonly pool: pg.Pool,
    private readonly limit: Limit,
    private readonly now: () => number = Date.now,
  ) {}

  /** Whether one more is within the pace; else how many seconds to wait. */
  async allows(key: string): Promise<{ ok: true } | { ok: false; seconds: number }> {
    if (this.here.size > MOST_KEYS) this.here.clear();
    let at = this.here.get(key);
    if (!at) this.here.set(key, (at = { uncounted: 0, shutUntil: 0 }));
    const left = at.shutUntil - this.now();
    if (left > 0) return { ok: false, seconds: Math.ceil(left / 1000) };
    at.uncounted += 1;
    if (at.uncounted < ROUND) return { ok: true };
    const times = at.uncounted;
    at.uncounted = 0;
    try {
      const found = await count(this.pool, key, this.limit.seconds, times);
      if (found.count <= this.limit.most) return { ok: true };
      at.shutUntil = this.now() + found.seconds * 1000;
      return { ok: false, seconds: found.seconds };
    } catch {
      return { ok: true };
    }
  }
}
