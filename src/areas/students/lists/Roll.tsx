import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState, type SyntheticEvent } from 'react';
import type { RollView } from '../../../contracts/views';
import { dateInWords, foldName, plural } from '../../../core';
import { IslandRoot } from '../../../kit/IslandRoot';
import { Belt } from '../../../kit/marks/Belt';
import { errorAt, send } from '../../../kit/send';
import { Word } from '../../../kit/Word';
import { AddStudent } from './AddStudent';
import { GiveBelt } from './GiveBelt';
import './Roll.css';

/** The next day on which the school grades: looks and forecasts aim at it. */
function Grading({ day, mayChange }: { day: string | null; mayChange: boolean }) {
  const [open, setOpen] = useState(false);
  const [value, setValue] = useState('');
  const [wrong, setWrong] = useState('');
  const set = async (when: string, graded: boolean) => {
    const answer = await send('gradingDay.set', { day: when, graded });
    if (answer.ok) location.reload();
    else setWrong(errorAt(answer.errors, 'day') ?? answer.title);
  };
  return (
    <div className="row grading">
      <span>{day ? `Next grading on ${dateInWords(day)}.` : 'No grading is set.'}</span>
      {mayChange && !open && (
        <Button variant="text" onClick={() => setOpen(true)}>
          {day ? 'Another day' : 'Set the day'}
        </Button>
      )}
      {mayChange && day && !open && (
        <Button variant="text" onClick={() => void set(day, false)}>
          Take it back
        </Button>
      )}
      {open && (
        <form
          className="row"
          noValidate
          onSubmit={(e: SyntheticEvent) => {
            e.preventDefault();
            void set(value, true);
          }}
        >
          <TextField
            id="grading-day"
            label="Day of the next grading"
            value={value}
            onChange={(e) => setValue(e.target.value)}
            error={wrong !== ''}
            helperText={wrong}
            sx={{ width: 220 }}
          />
          <Button type="submit">Set it</Button>
          <Button onClick={() => setOpen(false)}>Leave it</Button>
        </form>
      )}
    </div>
  );
}

/** "Who is on the roll?": everybody by belt, with age, since when, and when last here. */
export default function Roll({ view, mayChange, today }: { view: RollView; mayChange: boolean; today: string }) {
  const [find, setFind] = useState('');
  const [open, setOpen] = useState<'add' | 'belt' | null>(null);
  const leave = () => setOpen(null);
  const q = foldName(find);
  const shown = view.students.filter((s) => q === '' || foldName(s.name).includes(q));
  const ranks = [...view.ranks].reverse();
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>Who is on the roll?</h1>
          <p className="sub">
            <Word of="roll">On the roll</Word>: {view.students.length} {plural(view.students.length, 'student')}
            {view.leftLately.length > 0 && `, ${view.leftLately.length} who left`}. A belt’s name shows who is ready for
            the next one.
          </p>
          <p className="row links no-print">
            <a href="/students/everybody">Who is ready, of all belts?</a>
            <a href="/students/missed">Who has something to make up?</a>
            <a href="/students/classes">What was taught?</a>
            <a href="/students/incidents">Who was hurt?</a>
            {mayChange && <a href="/students/calibration">How good were our chances?</a>}
          </p>
          <Grading day={view.gradingDay} mayChange={mayChange} />
        </div>
        {mayChange && (
          <div className="actions">
            <a className="button" href="/students/import">
              Take in a list
            </a>
            {view.students.length > 1 && <Button onClick={() => setOpen('belt')}>Give several a belt</Button>}
            <Button variant="contained" onClick={() => setOpen('add')}>
              Add a student
            </Button>
          </div>
        )}
      </div>
      <div className={open ? 'columns' : ''}>
        <div>
          {view.students.length === 0 ? (
            <p className="message">
              Nobody is on the roll yet.{' '}
              {mayChange && (
                <>
                  <a href="/students/import">Take in a list</a> of names, belts and dates of birth, or add students one
                  by one.
                </>
              )}
            </p>
          ) : (
            <TextField
              id="find"
              label={<span className="hidden">Find a student</span>}
              placeholder="Find a student"
              value={find}
              onChange={(e) => setFind(e.target.value)}
              sx={{ width: 260, mb: 3 }}
            />
          )}
          {shown.length === 0 && view.students.length > 0 && <p className="sub">Nobody of this name.</p>}
          {ranks.map((r) => {
            const people = shown.filter((s) => s.rankId === r.id);
            if (people.length === 0) return null;
            return (
              <section key={r.id} className="group">
                <h2>
                  <a href={`/students/ready?rank=${r.id}`}>{r.name}</a>
                  <Belt name={r.name} cloth={r.cloth} width={52} height={14} />
                  <span className="second">{people.length}</span>
                </h2>
                <div className="scroll">
                  <table className="list">
                    <thead>
                      <tr>
                        <th>Name</th>
                        <th>Age</th>
                        <th>{r.name} since</th>
                        <th>Last here</th>
                        <th>Signs in</th>
                      </tr>
                    </thead>
                    <tbody>
                      {people.map((s) => (
                        <tr key={s.id}>
                          <td>
                            <a href={`/students/${s.id}`}>{s.name}</a>
                          </td>
                          <td className="num">{s.age ?? <span className="attention">date of birth?</span>}</td>
                          <td>{dateInWords(s.since)}</td>
                          <td className="second">{s.lastHere ? dateInWords(s.lastHere) : 'not yet'}</td>
                          <td className="second">{s.hasSignIn ? 'yes' : ''}</td>
                        </tr>
                      ))}
                    </tbody>
                  </table>
                </div>
              </section>
            );
          })}
          {view.leftLately.length > 0 && (
            <section className="group">
              <h2>Who left</h2>
              <p>
                {view.leftLately.map((s, i) => (
                  <span key={s.id}>
                    {i > 0 && ', '}
                    <a href={`/students/${s.id}`}>{s.name}</a> on {dateInWords(s.leftOn)}
                  </span>
                ))}
              </p>
            </section>
          )}
        </div>
        {open === 'add' && <AddStudent view={view} today={today} leave={leave} />}
        {open === 'belt' && <GiveBelt view={view} today={today} leave={leave} />}
      </div>
    </IslandRoot>
  );
}
