// A form of two hundred counts, as people write them.
import { DEMO_WRITTEN } from '../../src/data/demo/hall';

export function longText(counts: number): string {
  const lines = DEMO_WRITTEN.flatMap((s) => (s.text.includes('kind: form') ? s.text.split('\n') : [])).filter(
    (l) => l && !/^([a-z][a-z ]*\d?:|[=~#?>!])/.test(l),
  );
  return Array.from(
    { length: counts },
    (_, i) => (i % 20 === 0 ? `= Part ${i / 20 + 1}\n` : '') + lines[i % lines.length]!,
  ).join('\n');
}
