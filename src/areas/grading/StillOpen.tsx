import type { GradingView } from '../../contracts/views';
import { dateInWords, oneOfInWords } from '../../core';
import { waitsFor } from './waits';

/** Who still has to decide what, and by when: the word of the student or the guardian, then what the head lets through. */
export function StillOpen({ view }: { view: GradingView }) {
  const { answerBy, day } = view.grading;
  const by = answerBy ?? day;
  const late = answerBy !== null && answerBy < view.today;
  const open = view.candidates.flatMap((c) => {
    const first = c.name.split(' ')[0]!;
    const who = waitsFor(c);
    if (who === 'them' && c.yes === null)
      return [{ id: c.id, who: oneOfInWords([c.name, ...c.guardians]), what: `whether ${first} comes`, own: false }];
    if (who === 'you')
      return [{ id: c.id, who: 'The head', what: `whether ${c.name} goes up all the same`, own: true }];
    return [];
  });
  if (open.length === 0 || view.grading.closed) return null;
  return (
    <section aria-label="Still to decide">
      <h2>Still to decide</h2>
      <p className={late ? 'attention' : 'second'}>
        {late ? 'They were asked to say by ' : 'By '}
        {dateInWords(by)}.
      </p>
      <ul>
        {open.map((o) => (
          <li key={o.id} className="line py-1">
            <b>{o.who}</b>: {o.what}
          </li>
        ))}
      </ul>
    </section>
  );
}
