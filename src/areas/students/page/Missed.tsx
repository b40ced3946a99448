import type { StudentView } from '../../../contracts/views';
import { dateInWords } from '../../../core';
import { firstName } from '../../../kit/words';
import { Word } from '../../../kit/Word';

/** What was missed while away, and how it can be made up; ticked off by the next look. */
export function Missed({ view }: { view: StudentView }) {
  if (view.missed.length === 0) return null;
  return (
    <section>
      <h2>
        <Word of="makeUp">To make up</Word>
      </h2>
      <ul>
        {view.missed.slice(0, 6).map((m) => (
          <li key={m.itemKey} className="line py-1">
            <b className="item">{m.item}</b> <span className="second">shown on {dateInWords(m.day)}</span>
            <p className="second">
              {m.points.map((p) => (p.cue === '' ? p.name : `${p.name}: “${p.cue}”`)).join(' ')} {m.version}
              {m.drill !== '' && ` Or in a drill: ${m.drill}`}
            </p>
          </li>
        ))}
      </ul>
      <p className="second line pt-1">
        {view.missed.length > 6 && `${view.missed.length - 6} more. `}
        The next look at {view.reader === 'student' ? 'you' : firstName(view.student.name)} ticks each off.
      </p>
    </section>
  );
}
