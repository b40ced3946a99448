// A form of two hundred counts, as people write them.
import { DEMO_SEQUENCES } from '../../src/data/demo/sequences';

export function longText(counts: number): string {
  const lines = DEMO_SEQUENCES.flatMap((s) => (s.text?.includes('kind: form') ? s.text.split('\n') : [])).filter(
    (l) => l && !/^(kind|rank|sections|[=~#?>])/.test(l),
  );
  return Array.from(
    { length: counts },
    (_, i) => (i % 20 === 0 ? `= Part ${i / 20 + 1}\n` : '') + lines[i % lines.length]!,
  ).join('\n');
}
