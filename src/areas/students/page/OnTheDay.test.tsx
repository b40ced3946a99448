import { render } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { StudentView } from '../../../contracts/views';
import { forStudent, need, pageOf } from '../testing/student';
import { OnTheDay } from './OnTheDay';

const said = (view: StudentView) => {
  const { container } = render(<OnTheDay view={view} />);
  return container.textContent;
};
const chance = { words: 'about 7 in 10', chance: 0.7, lo: 0.6, hi: 0.8, looks: 23, correctedBy: 0 };

describe('how likely it passes on the day', () => {
  it('a beginner reads what comes next, in the words of who reads', () => {
    const requirements = [
      need('Fist', { word: 'close' }),
      need('Front stance', { word: 'unseen' }),
      need('Knee lift', { word: 'unseen' }),
    ];
    expect(said(forStudent({ requirements }))).toMatch(
      /Too early to say: you have been watched at one of three things so far\. Next: front stance and knee lift\./,
    );
    expect(said(pageOf({ requirements }))).toMatch(/Ilse has been watched at one of three things so far\./);
    expect(said(pageOf({ requirements: [need('Fist', { word: 'unseen' })] }))).toMatch(/at none of one thing so far/);
  });

  it('says why word and chance point different ways, and nothing where they agree', () => {
    const open = [need('Fist', { word: 'short' }), need('Cover', { word: 'met' })];
    const met = [need('Fist', { word: 'met' }), need('Cover', { word: 'met' })];
    expect(said(pageOf({ requirements: open, chance }))).toMatch(/Likelier than its words look: a grading asks less/);
    expect(said(pageOf({ requirements: met, chance }))).not.toMatch(/than its words look/);
    const poor = { ...chance, words: 'about 2 in 10', chance: 0.2, lo: 0.1, hi: 0.3 };
    expect(said(pageOf({ requirements: met, chance: poor }))).toMatch(/Less likely than its words look/);
    expect(said(pageOf({ requirements: open, chance: poor }))).not.toMatch(/than its words look/);
  });

  it('a belt that asks nothing has no chance', () => {
    expect(said(pageOf({ requirements: [], chance }))).toBe('');
  });
});
