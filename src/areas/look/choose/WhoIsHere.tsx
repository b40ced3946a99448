import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { LookKitView } from '../../../contracts/views';
import { clockInWords, timeOfDayIn } from '../../../core';
import { Belt } from '../../../kit/marks/Belt';
import { Word } from '../../../kit/Word';
import { AtTheName } from '../../../kit/mat/AtTheName';
import { standing, type KitItem, type KitStudent, type Line } from '../../../kit/mat/line';
import { joining, noteClass } from '../../../kit/mat/noteClass';
import './WhoIsHere.css';

/** Who is on the line, by belts, and the class noted as they stand. */
export function WhoIsHere({
  kit,
  items,
  line,
  people,
  onLine,
  onArrive,
  onOrder,
}: {
  kit: LookKitView;
  items: readonly KitItem[];
  line: Line;
  /** Those on the line, as they stand. */
  people: readonly KitStudent[];
  onLine: (change: Partial<Line>) => void;
  /** Somebody came after the class was noted. */
  onArrive: (id: string) => void;
  onOrder: () => void;
}) {
  const open = kit.classes.find((c) => c.id === line.classId);
  const [minutes, setMinutes] = useState(String(line.minutes ?? open?.minutes ?? kit.usualMinutes));
  const [said, setSaid] = useState('');
  const keep = async (next: Line) => {
    try {
      onLine(await noteClass(kit, items, next));
      setSaid(
        `The class is noted: ${next.present.length} here${next.minutes === null ? '' : `, ${next.minutes} minutes`}.`,
      );
    } catch (e) {
      setSaid(e instanceof Error ? e.message : 'The class could not be noted.');
    }
  };
  const note = () => {
    const n = Number(minutes);
    if (!(n >= 5 && n <= 600)) return setSaid('A class lasts from 5 to 600 minutes.');
    const change = { minutes: Math.round(n) };
    onLine(change);
    void keep({ ...line, ...change });
  };
  const join = (one: LookKitView['classes'][number]) => {
    const change = joining(line, one);
    onLine(change);
    setMinutes(String(one.minutes));
    void keep({ ...line, ...change });
  };
  const timeOf = (at: string) => clockInWords(timeOfDayIn(kit.timeZone, Date.parse(at)));

  const groups = [...kit.ranks]
    .reverse()
    .map((r) => ({ rank: r, students: kit.students.filter((s) => s.rankId === r.id) }))
    .filter((g) => g.students.length > 0);
  // Whoever is tapped in after the class was noted came late, and the peg says when.
  const toggle = (id: string) => {
    if (!line.present.includes(id)) {
      if (line.classId !== null) onArrive(id);
      else onLine({ present: [...line.present, id] });
      return;
    }
    const { [id]: _gone, ...late } = line.late;
    const change = {
      ...standing(
        line,
        line.present.filter((x) => x !== id),
      ),
      late,
    };
    onLine(change);
    // What is noted follows at once, so that every other device knows.
    if (line.classId !== null) void keep({ ...line, ...change });
  };
  const lately = kit.students.filter((s) => s.lastHere !== null).map((s) => s.id);
  return (
    <section aria-labelledby="line-head">
      <div className="spread">
        <h2 id="line-head">
          Who is on the <Word of="line">line</Word>?
        </h2>
        <span>
          {line.present.length} of {kit.students.length} here
        </span>
      </div>
      {kit.students.length === 0 && (
        <p>
          Nobody is on the roll yet. <a href="/students">Add students</a> at the desk.
        </p>
      )}
      <div className="tools">
        <Button
          onClick={() =>
            onLine(
              standing(
                line,
                kit.students.map((s) => s.id),
              ),
            )
          }
          disabled={kit.students.length === 0}
        >
          Everybody
        </Button>
        {lately.length > 0 && lately.length < kit.students.length && (
          <Button onClick={() => onLine(standing(line, lately))}>Who came before</Button>
        )}
        <Button onClick={() => onLine(standing(line, []))} disabled={line.present.length === 0}>
          Nobody
        </Button>
        <Button onClick={() => onLine({ flipped: !line.flipped })} aria-pressed={line.flipped}>
          Flip the line
        </Button>
        {people.length > 1 && <Button onClick={() => onOrder()}>Order the line</Button>}
      </div>
      {line.classId === null &&
        kit.classes.map((c) => (
          <div key={c.id} className="open-class">
            <p>
              {c.opened === null ? `${c.by} wrote a class in` : `${c.by} opened a class at ${timeOf(c.opened)}`},{' '}
              {c.present.length} here, {c.minutes} minutes.
            </p>
            <Button onClick={() => join(c)}>Join it</Button>
          </div>
        ))}
      {groups.map((g) => (
        <div key={g.rank.id} className="belt-group">
          <p className="row">
            <Belt name={g.rank.name} cloth={g.rank.cloth} width={54} height={17} /> {g.rank.name}
          </p>
          <ul>
            {g.students.map((s) => {
              const here = line.present.includes(s.id);
              return (
                <li key={s.id}>
                  <ButtonBase
                    role="checkbox"
                    aria-checked={here}
                    onClick={() => toggle(s.id)}
                    className={here ? 'here' : ''}
                  >
                    <svg width="20" height="28" viewBox="0 0 20 28" aria-hidden="true">
                      {here ? (
                        <path
                          d={line.late[s.id] ? 'M10 14V25' : 'M10 3V25'}
                          stroke="var(--pine)"
                          strokeWidth="5"
                          strokeLinecap="round"
                        />
                      ) : (
                        <path d="M3 22H17" stroke="var(--ink2)" strokeWidth="3" strokeLinecap="round" />
                      )}
                    </svg>
                    <span>
                      {s.name}
                      {line.late[s.id] && <small> {line.late[s.id]}</small>}
                      <AtTheName student={s} today={kit.today} />
                    </span>
                  </ButtonBase>
                </li>
              );
            })}
          </ul>
        </div>
      ))}
      <div className="class-note">
        <TextField
          id="minutes"
          label="Minutes of this class"
          type="number"
          value={minutes}
          onChange={(e) => setMinutes(e.target.value)}
          sx={{ maxWidth: 180 }}
        />
        <Button disabled={line.present.length === 0} onClick={note}>
          {line.classId ? 'Note the class again' : 'Note who is here'}
        </Button>
        <p role="status">{said || 'Hours and classes of the gates are counted from this.'}</p>
      </div>
    </section>
  );
}
