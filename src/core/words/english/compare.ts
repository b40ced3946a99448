import type { Beside, Comparison } from '../../sequence/compare';
import { listInWords } from './speak';

const runsOf = (rows: readonly Beside[]): Beside[][] => {
  const out: Beside[][] = [];
  for (const r of rows) {
    const last = out.at(-1)?.at(-1);
    if (last?.how === 'same' && r.how === 'same') out.at(-1)!.push(r);
    else out.push([r]);
  }
  return out;
};

/** “1 to 7 are the same”, “8: other technique and side”, “12 stands at 15 there”, in the order of the counts. */
export function comparisonInWords({ rows }: Comparison): { text: string; a: number | null; b: number | null }[] {
  return runsOf(rows).map((run) => {
    const [first, last] = [run[0]!, run.at(-1)!];
    const at = { a: first.a, b: first.b };
    if (first.how === 'same') {
      const here = first.a === last.a ? `${first.a}` : `${first.a} to ${last.a}`;
      const there = first.a === first.b ? '' : `, there ${first.b === last.b ? first.b : `${first.b} to ${last.b}`}`;
      return { ...at, text: `${here}${there}: the same` };
    }
    const text = {
      changed: `${first.a}${first.a === first.b ? '' : `, there ${first.b}`}: ${listInWords(first.parts.map((p) => (p === 'rest' ? 'other details' : `another ${p}`)))}`,
      moved: `${first.a}: stands at ${first.b} there`,
      'only here': `${first.a}: only here`,
      'only there': `${first.b} there: only there`,
    }[first.how];
    return { ...at, text };
  });
}
