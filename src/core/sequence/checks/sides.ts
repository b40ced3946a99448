import { capital, inWords } from '../../words/speak';
import { kindInWords, tally } from '../tally';
import type { Check } from './finding';

/** Of each kind of technique neither side has two thirds or more, where there are three at least. */
export const sides: Check = ({ seq, found }) => {
  if (seq.about.kind === 'partner drill') return;
  const t = tally(seq);
  let level = true;
  for (const kind of ['strike', 'block', 'kick', 'weapon cut'] as const) {
    const cells = t.cells.filter((c) => c.kind === kind);
    const [l, r] = [cells.reduce((s, c) => s + c.left, 0), cells.reduce((s, c) => s + c.right, 0)];
    const n = l + r;
    if (n < 3 || Math.max(l, r) / n <= 2 / 3 - 1e-9 || Math.abs(l - r) < 2) continue;
    level = false;
    found(
      'sides',
      false,
      [],
      `${capital(kindInWords(kind, 2))} lean ${l > r ? 'left' : 'right'}: ${inWords(Math.max(l, r), 20)} of ${inWords(n, 20)}.`,
    );
  }
  if (level && t.cells.length > 0) found('sides', true, [], 'Left and right are in balance.');
};
