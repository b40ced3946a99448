import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { LookKitView } from '../../../contracts/views';
import { put } from '../../../kit/deviceQueue/deviceQueue';
import { Belt } from '../../../kit/marks/Belt';
import { newId } from '../../../kit/send';
import { AtTheName } from '../AtTheName';
import { lineUp, taughtTonight, type KitItem, type KitStudent, type Line } from '../line';
import { dayNow } from '../record';
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
  const [minutes, setMinutes] = useState('90');
  const [said, setSaid] = useState('');
  const noteClass = async () => {
    const id = line.classId ?? newId();
    const n = Number(minutes);
    if (!(n >= 5 && n <= 600)) return setSaid('A class lasts from 5 to 600 minutes.');
    try {
      await put({
        id: newId(),
        at: new Date().toISOString(),
        name: 'class.record',
        input: {
          id,
          day: dayNow(kit.timeZone),
          minutes: Math.round(n),
          // As they stand from the door, so that the next class can stand as this one.
          present: lineUp(kit, { ...line, flipped: false }).map((s) => s.id),
          taught: taughtTonight(items, line),
        },
        label: `Class of ${line.present.length}, ${n} minutes`,
        by: kit.me.personId,
        open: false,
      });
      onLine({ classId: id });
      setSaid(`The class is noted: ${line.present.length} here, ${Math.round(n)} minutes.`);
    } catch (e) {
      setSaid(e instanceof Error ? e.message : 'The class could not be noted.');
    }
  };

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
    onLine({ present: line.present.filter((x) => x !== id), late });
  };
  const lately = kit.students.filter((s) => s.lastHere !== null).map((s) => s.id);
  return (
    <section aria-labelledby="line-head">
      <div className="spread">
        <h2 id="line-head">Who is on the line?</h2>
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
        <Button onClick={() => onLine({ present: kit.students.map((s) => s.id) })} disabled={kit.students.length === 0}>
          Everybody
        </Button>
        {lately.length > 0 && lately.length < kit.students.length && (
          <Button onClick={() => onLine({ present: lately })}>Who came before</Button>
        )}
        <Button onClick={() => onLine({ present: [] })} disabled={line.present.length === 0}>
          Nobody
        </Button>
        <Button onClick={() => onLine({ flipped: !line.flipped })} aria-pressed={line.flipped}>
          Flip the line
        </Button>
        {people.length > 1 && <Button onClick={() => onOrder()}>Order the line</Button>}
      </div>
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
        <Button disabled={line.present.length === 0} onClick={() => void noteClass()}>
          {line.classId ? 'Note the class again' : 'Note who is here'}
        </Button>
        <p role="status">{said || 'Hours and classes of the gates are counted from this.'}</p>
      </div>
    </section>
  );
}
