// The parts of jstat that the tests use; it ships no types of its own.
declare module 'jstat' {
  interface Distribution {
    cdf(x: number, a: number, b: number): number;
    inv(q: number, a: number, b: number): number;
  }
  const jstat: {
    mean(values: readonly number[]): number;
    median(values: readonly number[]): number;
    gammaln(x: number): number;
    betaln(a: number, b: number): number;
    beta: Distribution;
    binomial: Pick<Distribution, 'cdf'>;
    studentt: { inv(q: number, degrees: number): number };
  };
  export default jstat;
}
