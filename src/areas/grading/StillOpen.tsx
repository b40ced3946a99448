import type { GradingView } from '../../contracts/views';
import { dateInWords, oneOfInWords } from '../../core';
import { waitsFor } from './waits';

/** Who still has to decide what, and by when: the word of the student or the guardian, then what the head lets through. */
export function StillOpen({ view }: { view: GradingView }) {
  const { answerBy, day, closed } = view.grading;
  const late = answerBy !== null && answerBy < view.today;
  const theirs = view.candidates.filter((c) => waitsFor(c) === 'them' && c.yes === null);
  const heads = view.candidates.filter((c) => waitsFor(c) === 'you');
  if (closed || theirs.length + heads.length === 0) return null;
  return (
    <section aria-label="Still to decide">
      <h2>Still to decide</h2>
      {theirs.length > 0 && (
        <>
          <p className={late ? 'attention' : 'second'}>
            {late ? 'They come or not; asked to say so by ' : 'They come or not, by '}
            {dateInWords(answerBy ?? day)}
          </p>
          <ul>
            {theirs.map((c) => (
              <li key={c.id} className="line py-1">
                <b>{c.name}</b>
                {c.guardians.length > 0 && <span className="second">, or {oneOfInWords(c.guardians)} for them</span>}
              </li>
            ))}
          </ul>
        </>
      )}
      {heads.length > 0 && (
        <>
          <p className="second mt-3">The head lets them go up or not, by {dateInWords(day)}</p>
          <ul>
            {heads.map((c) => (
              <li key={c.id} className="line py-1">
                <b>{c.name}</b>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}
