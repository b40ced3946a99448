// The beta distribution and its relatives: what is needed to say how sure one may be of a share.
import type { Random } from '../units/random';

/** Lanczos's coefficients (g = 7, n = 9), as widely reprinted. */
const LANCZOS = [
  0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059,
  12.507343278686905, -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7,
];

/** The logarithm of the gamma function, for positive numbers. */
export function logGamma(x: number): number {
  if (x < 0.5) return Math.log(Math.PI / Math.sin(Math.PI * x)) - logGamma(1 - x);
  const y = x - 1;
  let sum = LANCZOS[0]!;
  for (let i = 1; i < LANCZOS.length; i += 1) sum += LANCZOS[i]! / (y + i);
  const t = y + 7.5;
  return 0.5 * Math.log(2 * Math.PI) + (y + 0.5) * Math.log(t) - t + Math.log(sum);
}

export const logBeta = (a: number, b: number): number => logGamma(a) + logGamma(b) - logGamma(a + b);

/** The continued fraction of the incomplete beta function, by Lentz's method. */
function fraction(x: number, a: number, b: number): number {
  const tiny = 1e-300;
  let c = 1;
  let d = 1 - ((a + b) * x) / (a + 1);
  d = 1 / (Math.abs(d) < tiny ? tiny : d);
  let h = d;
  for (let m = 1; m <= 300; m += 1) {
    const step = (numerator: number) => {
      d = 1 + numerator * d;
      d = 1 / (Math.abs(d) < tiny ? tiny : d);
      c = 1 + numerator / c;
      if (Math.abs(c) < tiny) c = tiny;
      return d * c;
    };
    h *= step((m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m)));
    const last = step((-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1)));
    h *= last;
    if (Math.abs(last - 1) < 1e-12) break;
  }
  return h;
}

/** The chance that a share with the distribution Beta(a, b) is at most `x`. */
export function betaCdf(x: number, a: number, b: number): number {
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  const front = Math.exp(a * Math.log(x) + b * Math.log(1 - x) - logBeta(a, b));
  return x < (a + 1) / (a + b + 2) ? (front * fraction(x, a, b)) / a : 1 - (front * fraction(1 - x, b, a)) / b;
}

/** The chance of `h` held of `m` when the share is distributed as Beta(a, b). */
export function betaBinomial(h: number, m: number, a: number, b: number): number {
  const choose = logGamma(m + 1) - logGamma(h + 1) - logGamma(m - h + 1);
  return Math.exp(choose + logBeta(h + a, m - h + b) - logBeta(a, b));
}

/** The chance of at least `k` held of `m` when the share is distributed as Beta(a, b). */
export function betaBinomialAtLeast(k: number, m: number, a: number, b: number): number {
  let sum = 0;
  for (let h = Math.max(0, k); h <= m; h += 1) sum += betaBinomial(h, m, a, b);
  return Math.min(1, sum);
}

/** The chance of at least `k` held of `m` when each holds with the chance `p`. */
export function binomialAtLeast(k: number, m: number, p: number): number {
  if (k <= 0) return 1;
  if (k > m || p <= 0) return 0;
  if (p >= 1) return 1;
  // From all held downwards: the terms follow from each other.
  let term = p ** m;
  let sum = term;
  for (let h = m; h > k; h -= 1) {
    term *= (h / (m - h + 1)) * ((1 - p) / p);
    sum += term;
  }
  return Math.min(1, sum);
}

/** The chance that at least `k` of several things with chances of their own come true. */
export function atLeastOf(k: number, chances: readonly number[]): number {
  if (k <= 0) return 1;
  if (k > chances.length) return 0;
  // Chances of exactly 0, 1, … misses, as far as they matter.
  const most = chances.length - k;
  const missed = new Float64Array(most + 1);
  missed[0] = 1;
  for (const p of chances)
    for (let i = most; i >= 0; i -= 1) missed[i] = missed[i]! * p + (i > 0 ? missed[i - 1]! * (1 - p) : 0);
  let sum = 0;
  for (const x of missed) sum += x;
  return Math.min(1, sum);
}

/** A standard normal draw (Box and Muller 1958). */
export const drawNormal = (random: Random): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

/** A draw from Student's t with four degrees of freedom: normal in the middle, with heavy tails. */
export const drawHeavy = (random: Random): number =>
  drawNormal(random) / Math.sqrt(-(Math.log(1 - random()) + Math.log(1 - random())) / 2);
