import type { MissedView } from '../../../contracts/views';
import { dateInWords, plural } from '../../../core';
import { IslandRoot } from '../../../kit/IslandRoot';
import { Belt } from '../../../kit/marks/Belt';
import './MissedList.css';

/** "Who has something to make up?": everybody who was away, with what to show them first. */
export default function MissedList({ view }: { view: MissedView }) {
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>Who has something to make up?</h1>
          <p className="sub">
            {view.students.length === 0
              ? 'Nobody: everything that was shown in the last five weeks has been looked at since.'
              : `${view.students.length} ${plural(view.students.length, 'student')} missed what was shown in the last five weeks. A look at it ticks it off.`}
          </p>
        </div>
        <div className="actions no-print">
          <a className="button" href="/students">
            The whole roll
          </a>
        </div>
      </div>
      <ul className="missed">
        {view.students.map((s) => (
          <li key={s.id} className="line">
            <p className="row">
              <Belt name={s.rank.name} cloth={s.rank.cloth} width={52} height={15} />
              <a href={`/students/${s.id}`}>
                <b>{s.name}</b>
              </a>
            </p>
            <ul>
              {s.missed.map(({ day, item }) => {
                const m = view.items[item]!;
                return (
                  <li key={m.itemKey}>
                    <p>
                      <b>{m.item}</b>{' '}
                      <span className="second">
                        {m.condition}, {dateInWords(day)}
                      </span>{' '}
                      <a className="no-print" href={`/look?student=${s.id}&item=${encodeURIComponent(m.itemKey)}`}>
                        look
                      </a>
                    </p>
                    <p className="second">
                      {m.points.map((p) => (p.cue === '' ? p.name : `${p.name}: “${p.cue}”`)).join(' ')} {m.version}
                      {m.drill !== '' && ` Or in a drill: ${m.drill}`}
                    </p>
                  </li>
                );
              })}
              {s.more > 0 && (
                <li>
                  <a href={`/students/${s.id}`}>{s.more} more</a>
                </li>
              )}
            </ul>
          </li>
        ))}
      </ul>
    </IslandRoot>
  );
}
