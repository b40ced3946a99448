import Button from '@mui/material/Button';
import type { LookKitView } from '../../contracts/views';
import { Belt } from '../../kit/marks/Belt';
import { Guests } from './Guests';
import { Peg } from './Peg';
import type { TheGuests } from './useGuests';
import type { TheLine } from './useLine';

const WORDS = { here: '', late: 'late', left: 'left', away: 'away' } as const;

/** The roll by belt, a peg each: a tap says here or away, and after the beginning late with its time. */
export function RollCall({ kit, line, guests }: { kit: LookKitView; line: TheLine; guests: TheGuests }) {
  const groups = [...kit.ranks]
    .reverse()
    .map((rank) => ({ rank, students: kit.students.filter((s) => s.rankId === rank.id) }))
    .filter((g) => g.students.length > 0);
  const states = kit.students.map((s) => line.stateOf(s.id));
  const count = (of: string) => states.filter((s) => s === of).length;
  const sum = line.called
    ? [
        `${count('here')} here`,
        ...(count('late') > 0 ? [`${count('late')} late`] : []),
        ...(count('left') > 0 ? [`${count('left')} left`] : []),
      ].join(', ')
    : `${line.expected.length} expected`;
  return (
    <section className="roll-call" aria-labelledby="roll-head">
      <div className="spread">
        <h2 id="roll-head">Roll call</h2>
        <span className="second">{sum}</span>
      </div>
      {kit.students.length === 0 && (
        <p className="second">
          Nobody is on the roll yet. <a href="/students">Add students</a> first.
        </p>
      )}
      {!line.called && line.expected.length > 0 && (
        <p className="row wrap">
          <Button size="small" onClick={() => line.all(line.expected.map((s) => s.id))}>
            All who are expected
          </Button>
          <span className="second">then tap who is not here</span>
        </p>
      )}
      <ul>
        {groups.map(({ rank, students }) => (
          <li key={rank.id}>
            <Belt name={rank.name} cloth={rank.cloth} width={40} height={13} />
            <ul>
              {students.map((s) => {
                const state = line.stateOf(s.id);
                const time = state === 'left' ? line.line.left[s.id] : line.line.late[s.id];
                return (
                  <li key={s.id} className={state}>
                    <button
                      type="button"
                      role="checkbox"
                      aria-checked={state === 'here' || state === 'late'}
                      onClick={() => line.toggle(s.id)}
                    >
                      <Peg state={state} /> {s.name}{' '}
                      {(state === 'late' || state === 'left') && <small>{time ?? WORDS[state]}</small>}
                      {line.called && state === 'away' && <small>away</small>}
                    </button>
                    {line.line.classId !== null && (state === 'here' || state === 'late' || state === 'left') && (
                      <button type="button" className="leave" onClick={() => line.leave(s.id)}>
                        {state === 'left' ? 'stays' : 'leaves'}
                        <span className="hidden"> {s.name}</span>
                      </button>
                    )}
                  </li>
                );
              })}
            </ul>
          </li>
        ))}
      </ul>
      <Guests of={guests} />
      {line.problem !== '' && <p className="hurts">{line.problem}</p>}
    </section>
  );
}
