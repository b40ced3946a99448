import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { Role } from '../../contracts/role';
import type { PeopleView } from '../../contracts/views';
import { IslandRoot } from '../../kit/IslandRoot';
import { AccessSheet } from './AccessSheet';
import { GuardianSheet } from './GuardianSheet';
import { RIGHTS, WORD } from './roles';
import type { Person } from './person';
import { TeacherSheet } from './TeacherSheet';

const answersFor = (view: PeopleView, ids: readonly string[]): string =>
  view.students
    .filter((s) => ids.includes(s.id))
    .map((s) => s.name)
    .join(', ');

/** "Who may do what?": teachers and their rights, and who has a sign-in. */
export default function People({ view }: { view: PeopleView }) {
  const [open, setOpen] = useState<Person | null>(null);
  const [adding, setAdding] = useState<'teacher' | 'guardian' | null>(null);
  const [find, setFind] = useState('');
  const students = view.students.filter((s) => s.name.toLowerCase().includes(find.trim().toLowerCase()));
  const teacher = view.teachers.find((t) => t.id === open?.id);
  const guardian = view.guardians.find((g) => g.id === open?.id);
  const line = (p: Person) => (
    <tr key={p.id} className={open?.id === p.id ? 'lit' : ''}>
      <td>
        <b>{p.name}</b>
      </td>
      <td>
        {WORD[p.role]}
        {p.answers && <span className="second"> of {p.answers}</span>}
      </td>
      <td className="second">{p.email ?? 'no sign-in'}</td>
      <td style={{ textAlign: 'right' }}>
        {p.id === view.me ? (
          <span className="second">you</span>
        ) : (
          <Button
            variant="text"
            onClick={() => {
              setAdding(null);
              setOpen(p);
            }}
          >
            {p.email ? 'Change' : 'Let in'}
          </Button>
        )}
      </td>
    </tr>
  );
  const head = (
    <thead>
      <tr>
        <th>Name</th>
        <th>Is</th>
        <th>Signs in as</th>
        <th>
          <span className="hidden">What can be done</span>
        </th>
      </tr>
    </thead>
  );
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>Who may do what?</h1>
          <p className="sub">Nothing of the school is shown to anybody who has no sign-in here.</p>
        </div>
        <div className="actions">
          <Button
            variant="contained"
            onClick={() => {
              setOpen(null);
              setAdding('teacher');
            }}
          >
            Add a teacher
          </Button>
          <Button
            onClick={() => {
              setOpen(null);
              setAdding('guardian');
            }}
          >
            Add a guardian
          </Button>
        </div>
      </div>
      <div className="columns">
        <div className="stack gap-5">
          <section>
            <h2>Teachers and examiners</h2>
            <div className="scroll">
              <table className="list">
                {head}
                <tbody>{view.teachers.map(line)}</tbody>
              </table>
            </div>
          </section>
          {view.guardians.length > 0 && (
            <section>
              <h2>Guardians</h2>
              <div className="scroll">
                <table className="list">
                  {head}
                  <tbody>
                    {view.guardians.map((g) =>
                      line({ ...g, role: 'guardian', answers: answersFor(view, g.studentIds) }),
                    )}
                  </tbody>
                </table>
              </div>
            </section>
          )}
          <section>
            <div className="spread" style={{ marginBottom: 8 }}>
              <h2>Students</h2>
              <TextField
                id="find"
                label={<span className="hidden">Find a student</span>}
                placeholder="Find a student"
                value={find}
                onChange={(e) => setFind(e.target.value)}
                sx={{ width: 220 }}
              />
            </div>
            {students.length === 0 ? (
              <p className="sub">
                {view.students.length === 0 ? 'Nobody is on the roll yet.' : 'Nobody of this name.'}
              </p>
            ) : (
              <div className="scroll">
                <table className="list">
                  {head}
                  <tbody>{students.map((s) => line({ ...s, role: 'student' }))}</tbody>
                </table>
              </div>
            )}
          </section>
        </div>
        <aside>
          {adding === 'guardian' ? (
            <GuardianSheet view={view} value={null} leave={() => setAdding(null)} />
          ) : adding === 'teacher' ? (
            <TeacherSheet value={null} leave={() => setAdding(null)} />
          ) : open ? (
            <div key={open.id} className="stack">
              <AccessSheet person={open} />
              {teacher && <TeacherSheet value={teacher} />}
              {guardian && <GuardianSheet view={view} value={guardian} />}
            </div>
          ) : (
            <section className="sheet stack">
              <h2>The rights</h2>
              {Object.entries(RIGHTS).map(([role, may]) => (
                <p key={role}>
                  <b>{WORD[role as Role]}</b>: {may}.
                </p>
              ))}
              <p>
                <b>student</b>: their own page, to read.
              </p>
            </section>
          )}
        </aside>
      </div>
    </IslandRoot>
  );
}
