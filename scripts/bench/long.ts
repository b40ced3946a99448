// A form, or a drill for two, of two hundred counts, as people write them.
import { DEMO_WRITTEN } from '../../src/data/demo/hall';

export function longText(counts: number, kind: 'form' | 'drill' = 'form'): string {
  const lines = DEMO_WRITTEN.flatMap((s) =>
    /kind: (form|partner drill)/.test(s.text) ? s.text.split('\n') : [],
  ).filter((l) => l && !/^([a-z][a-z ]*\d?:|[=~#?>!])/.test(l) && l.includes(' | ') === (kind === 'drill'));
  return Array.from(
    { length: counts },
    (_, i) => (i % 20 === 0 ? `= Part ${i / 20 + 1}\n` : '') + lines[i % lines.length]!,
  ).join('\n');
}
