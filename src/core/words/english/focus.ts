import type { Focus, Praise, Slipping } from '../../evidence/focus';
import type { PlainDate } from '../../units/plainDate';
import { dayInWords } from './day';
import { low, onSide, plural } from './speak';

/** Why it and no other, in one line. */
export function focusInWords(f: Focus): string {
  if (f.chosen) return `Chosen: ${f.reason}`;
  const n = f.requirementIds.length;
  const lowest = f.hurts ? 'It can hurt, so it comes first' : 'The lowest thing that slips';
  const stands = f.open
    ? n > 1
      ? `${n} requirements stand on it`
      : 'one requirement stands on it'
    : 'it belongs to an earlier belt';
  return `${lowest}; ${stands}.`;
}

/** What "holds" means, in numbers. */
export const holdsInWords = (s: Slipping): string =>
  `It stays until it holds ${s.needs} of ${s.repetitions}${onSide(s.side)}${s.days > 1 ? ` over ${s.days} days` : ''}.`;

/** What is praised, as it follows a name: "eyes stay up held 5 of 5 on 3 March." */
export function praiseInWords(p: Praise, today: PlainDate): string {
  if (p.kind === 'effort')
    return p.attended === 0
      ? 'here again today.'
      : `${p.attended} ${plural(p.attended, 'class', 'classes')} in four weeks.`;
  const what = `${low(p.name)}${onSide(p.side)}`;
  const on = dayInWords(p.day, today);
  if (p.kind === 'better')
    return `${what} held ${p.now.held} of ${p.now.of} on ${on}, ${p.before.held} of ${p.before.of} the time before.`;
  return `${what} ${p.now.of === 1 ? 'held' : `held all ${p.now.of} times`} on ${on}.`;
}
