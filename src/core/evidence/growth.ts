/** What was seen in one look: `ago` classes before today, counted as the student attended them. */
export interface Seen {
  ago: number;
  held: number;
  of: number;
}

/** How a school's people grow in a point: the slope of the logit of the share, a class. */
export interface Slope {
  mean: number;
  sd: number;
}
/** Until a school knows its own: steady work lifts a half to about two thirds in thirty classes; from memory. */
export const FIRST_SLOPE: Slope = { mean: 0.015, sd: 0.02 };
const LEVEL_SD = 1.6;

/** Where a share stands today and how it grows a class, on the logit scale, with how sure that is. */
export interface Growth {
  level: number;
  slope: number;
  /** Lower triangle of the covariance's root: the level's own, the shared part, the slope's own. */
  root: readonly [number, number, number];
}

const logistic = (x: number) => 1 / (1 + Math.exp(-x));
export const logit = (p: number): number => Math.log(p / (1 - p));
export const shareAt = (level: number): number => logistic(level);

/**
 * Fits a share that grows with the classes attended, pulled towards what the school's people do: the most probable level
 * and slope under normal beliefs, by Newton's steps; how sure it is follows from the curvature there (Laplace).
 */
export function fitGrowth(seen: readonly Seen[], prior: { level: number; slope: Slope }): Growth {
  let level = prior.level;
  let slope = prior.slope.mean;
  const tightLevel = 1 / LEVEL_SD ** 2;
  const tightSlope = 1 / prior.slope.sd ** 2;
  let [hll, hls, hss] = [tightLevel, 0, tightSlope];
  for (let step = 0; step < 12; step += 1) {
    let gl = -(level - prior.level) * tightLevel;
    let gs = -(slope - prior.slope.mean) * tightSlope;
    [hll, hls, hss] = [tightLevel, 0, tightSlope];
    for (const s of seen) {
      const p = logistic(level - slope * s.ago);
      const off = s.held - s.of * p;
      const w = s.of * p * (1 - p);
      gl += off;
      gs -= off * s.ago;
      hll += w;
      hls -= w * s.ago;
      hss += w * s.ago * s.ago;
    }
    const det = hll * hss - hls * hls;
    const dl = (hss * gl - hls * gs) / det;
    const ds = (hll * gs - hls * gl) / det;
    level += Math.max(-2, Math.min(2, dl));
    slope += Math.max(-0.1, Math.min(0.1, ds));
    if (Math.abs(dl) < 1e-6 && Math.abs(ds) < 1e-8) break;
  }
  const det = hll * hss - hls * hls;
  const vl = hss / det;
  const cov = -hls / det;
  const vs = hll / det;
  const a = Math.sqrt(vl);
  const b = cov / a;
  return { level, slope, root: [a, b, Math.sqrt(Math.max(0, vs - b * b))] };
}

/** The school's own slope from many fits: their mean, and how far people differ; few fits leave the first belief. */
export function poolSlope(series: readonly (readonly Seen[])[]): Slope {
  const long = series.filter(
    (s) => s.length >= 4 && Math.max(...s.map((x) => x.ago)) - Math.min(...s.map((x) => x.ago)) >= 10,
  );
  if (long.length < 20) return FIRST_SLOPE;
  const wide = { mean: FIRST_SLOPE.mean, sd: 0.06 };
  let sum = 0;
  let weight = 0;
  const fits = long.map((s) => {
    // Begun from where the series itself lies: a belief about the level of today would bend the slope towards it.
    const held = s.reduce((n, e) => n + e.held, 0);
    const of = s.reduce((n, e) => n + e.of, 0);
    const middle = s.reduce((n, e) => n + e.of * e.ago, 0) / of;
    const g = fitGrowth(s, { level: logit((held + 1) / (of + 2)) + wide.mean * middle, slope: wide });
    return { slope: g.slope, variance: g.root[1] ** 2 + g.root[2] ** 2 };
  });
  // What each series says by itself, without the belief that held its fit: else many weak ones would only repeat it.
  for (const f of fits) {
    const own = Math.max(0, 1 / f.variance - 1 / wide.sd ** 2);
    sum += f.slope / f.variance - wide.mean / wide.sd ** 2;
    weight += own;
  }
  if (weight <= 0) return FIRST_SLOPE;
  const mean = sum / weight;
  const spread = fits.reduce((s, f) => s + (f.slope - mean) ** 2, 0) / fits.length;
  const noise = fits.reduce((s, f) => s + f.variance, 0) / fits.length;
  return { mean, sd: Math.sqrt(Math.min(0.03 ** 2, Math.max(0.008 ** 2, spread - noise))) };
}
