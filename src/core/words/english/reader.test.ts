import { describe, expect, it } from 'vitest';
import { VERDICTS } from '../../evidence/verdict';
import { reasonFor } from './reader';

describe('a reason for whoever reads it', () => {
  const said = (who: string) => `${who}: Rear heel down, 9 of 10 left, 10 of 10 right, over two days.`;
  const [thin, least] = [said('Thinnest'), said('Least sure')];

  it('is left as it is for those who teach', () => expect(reasonFor('teacher', 'Ilse', 'met', thin)).toBe(thin));

  it('speaks to the student, and of the child by name to their guardian', () => {
    expect(reasonFor('student', 'Ilse', 'met', least)).toBe(`You have this. ${least}`);
    expect(reasonFor('guardian', 'Ilse', 'met', least)).toBe(`Ilse has this. ${least}`);
    expect(reasonFor('guardian', 'Ilse', 'stale', 'Held well, but last seen 21 September.')).toBe(
      'Ilse had this, and is to show it again. Held well, but last seen 21 September.',
    );
    expect(reasonFor('student', 'Ilse', 'unseen', 'Nobody has watched it yet.')).toBe(
      'Ask to be watched. Nobody has watched it yet.',
    );
  });

  it('keeps every number of every verdict', () => {
    const reason = 'Rear heel held in 5 of the last 9 on the left; needs 8 of 10.';
    for (const word of VERDICTS)
      for (const reader of ['student', 'guardian'] as const)
        expect(reasonFor(reader, 'Ilse', word, reason).endsWith(reason)).toBe(true);
  });
});
