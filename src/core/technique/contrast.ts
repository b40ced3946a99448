/** A technique with what is looked at in it, as far as likeness is concerned. */
export interface Likened {
  id: string;
  kind: string;
  points: readonly { id: string; name: string }[];
}

/** What looks alike, and by which points the two differ: those of the one, and those of the other. */
export interface Contrast {
  with: string;
  here: readonly string[];
  there: readonly string[];
}

/** Sharing less than this of their points two things do not look alike; so many differences are said of each. */
const SHARED = 0.3;
const SAID = 2;

/**
 * The technique of the same kind that shares most of its points with another one, with what tells them apart; null: none is
 * like it, or nothing tells them apart. Of several that are as like the first by name stays, as they are given.
 */
export function contrastOf(of: Likened, others: readonly Likened[]): Contrast | null {
  const own = new Set(of.points.map((p) => p.id));
  let best: { share: number; other: Likened } | null = null;
  for (const other of others) {
    if (other.id === of.id || other.kind !== of.kind || other.points.length === 0 || own.size === 0) continue;
    const shared = other.points.filter((p) => own.has(p.id)).length;
    const share = shared / Math.min(own.size, other.points.length);
    const differs = shared < own.size || shared < other.points.length;
    if (share >= SHARED && differs && share > (best?.share ?? 0)) best = { share, other };
  }
  if (!best) return null;
  const theirs = new Set(best.other.points.map((p) => p.id));
  return {
    with: best.other.id,
    here: of.points
      .filter((p) => !theirs.has(p.id))
      .slice(0, SAID)
      .map((p) => p.name),
    there: best.other.points
      .filter((p) => !own.has(p.id))
      .slice(0, SAID)
      .map((p) => p.name),
  };
}
