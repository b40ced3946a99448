import { sql } from 'drizzle-orm';

/**
 * The looks that stand, as a table: what was replaced is left out, wherever anything is read from looks. Only the history
 * of looks itself shows the others.
 */
export const standingLook = sql.raw(`(
  select k.* from look k where not exists (select 1 from look r where r.school_id = k.school_id and r.replaces = k.id))`);

/** The showings that stand: of those, the ones whose sequence still has as many counts as when it was shown. */
export const standingShowing = sql.raw(`(
  select k.* from look k join sequence q on q.school_id = k.school_id and q.id = k.sequence_id
  where k.counts is not null and q.counts = k.of_counts
    and not exists (select 1 from look r where r.school_id = k.school_id and r.replaces = k.id))`);
