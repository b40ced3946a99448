import fc from 'fast-check';
import jstat from 'jstat';
import { describe, expect, it } from 'vitest';
import { seeded } from '../units/random';
import {
  atLeastOf,
  betaBinomial,
  betaBinomialAtLeast,
  betaCdf,
  binomialAtLeast,
  drawHeavy,
  logBeta,
  logGamma,
} from './beta';

const shape = fc.double({ min: 0.3, max: 80, noNaN: true });
const share = fc.double({ min: 0.001, max: 0.999, noNaN: true });

// The independent implementation is the registry's jstat.
describe('beta and its relatives against jstat', () => {
  it('gamma and beta functions', () => {
    fc.assert(
      fc.property(shape, shape, (a, b) => {
        expect(logGamma(a)).toBeCloseTo(jstat.gammaln(a), 8);
        expect(logBeta(a, b)).toBeCloseTo(jstat.betaln(a, b), 8);
      }),
    );
  });

  it('distribution', () => {
    fc.assert(
      fc.property(share, shape, shape, (x, a, b) => {
        expect(betaCdf(x, a, b)).toBeCloseTo(jstat.beta.cdf(x, a, b), 7);
      }),
    );
  });

  it('binomial tails', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 20 }), fc.nat(20), share, (m, k, p) => {
        const below = k <= 0 ? 0 : jstat.binomial.cdf(k - 1, m, p);
        expect(binomialAtLeast(k, m, p)).toBeCloseTo(k > m ? 0 : 1 - below, 8);
      }),
    );
  });
});

describe('beta-binomial', () => {
  it('adds up to one, and is the binomial where the share is known', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 15 }), shape, shape, (m, a, b) => {
        let sum = 0;
        for (let h = 0; h <= m; h += 1) sum += betaBinomial(h, m, a, b);
        expect(sum).toBeCloseTo(1, 8);
      }),
    );
    expect(betaBinomialAtLeast(4, 5, 8e6, 2e6)).toBeCloseTo(binomialAtLeast(4, 5, 0.8), 4);
  });

  it('by hand: a share that may be anything holds none, one or two of two alike', () => {
    for (const h of [0, 1, 2]) expect(betaBinomial(h, 2, 1, 1)).toBeCloseTo(1 / 3, 10);
  });
});

describe('at least so many of several things', () => {
  it('is what counting every case gives', () => {
    fc.assert(
      fc.property(fc.array(share, { maxLength: 9 }), fc.integer({ min: 0, max: 10 }), (ps, k) => {
        let sum = 0;
        for (let bits = 0; bits < 2 ** ps.length; bits += 1) {
          let chance = 1;
          let came = 0;
          ps.forEach((p, i) => {
            const yes = (bits >> i) % 2 === 1;
            chance *= yes ? p : 1 - p;
            if (yes) came += 1;
          });
          if (came >= k) sum += chance;
        }
        expect(atLeastOf(k, ps)).toBeCloseTo(sum, 9);
      }),
    );
  });
});

it('draws of Student’s t with four degrees of freedom have its tails', () => {
  // Its 0.975 and 0.75 quantiles are 2.776 and 0.741: jstat, and every printed table.
  const random = seeded(4);
  const draws = Array.from({ length: 40_000 }, () => drawHeavy(random));
  for (const [q, share] of [
    [jstat.studentt.inv(0.975, 4), 0.05],
    [jstat.studentt.inv(0.75, 4), 0.5],
  ] as const) {
    const beyond = draws.filter((x) => Math.abs(x) > q).length / draws.length;
    expect(Math.abs(beyond - share)).toBeLessThan(0.01);
  }
});
