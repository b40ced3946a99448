import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState, type SyntheticEvent } from 'react';
import type { FieldError } from '../../contracts/commands';
import type { Role } from '../../contracts/role';
import type { PeopleView } from '../../contracts/views';
import { IslandRoot } from '../../kit/IslandRoot';
import { errorAt, newId, send } from '../../kit/send';
import { Choice, Field } from '../../kit/sheet/Field';
import { SheetForm } from '../../kit/sheet/SheetForm';
import { useDecision } from '../../kit/sheet/useDecision';

const RIGHTS: Record<Exclude<Role, 'student' | 'guardian'>, string> = {
  head: 'everything',
  instructor: 'teaches, looks, plans; sees every student',
  examiner: 'only the gradings they are invited to',
};
const WORD = {
  head: 'head instructor',
  instructor: 'instructor',
  examiner: 'examiner',
  student: 'student',
  guardian: 'guardian',
};

/** A password that can be said aloud once: three words of the workshop and a number. */
function sayablePassword(): string {
  const words = [
    'reed',
    'sluice',
    'ferry',
    'plank',
    'rope',
    'heron',
    'lantern',
    'willow',
    'causeway',
    'notch',
    'pole',
    'marsh',
    'oar',
    'peg',
    'cord',
    'staff',
    'gate',
    'alder',
    'dyke',
    'thatch',
    'eel',
    'rush',
    'tide',
    'lock',
    'plum',
    'brass',
    'linen',
    'wedge',
    'chisel',
    'plane',
    'hull',
    'mast',
  ];
  const dice = crypto.getRandomValues(new Uint32Array(5));
  const pick = (i: number) => words[dice[i]! % words.length]!;
  return `${pick(0)}-${pick(1)}-${pick(2)}-${pick(3)}-${(dice[4]! % 900) + 100}`;
}

interface Person {
  id: string;
  name: string;
  role: Role;
  email: string | null;
  /** Of a guardian: for whom. */
  answers?: string;
}

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
        <div className="stack" style={{ gap: 24 }}>
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
            <AddGuardian view={view} leave={() => setAdding(null)} />
          ) : adding === 'teacher' ? (
            <AddTeacher leave={() => setAdding(null)} />
          ) : open ? (
            <Access key={open.id} person={open} />
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

function AddGuardian({ view, leave }: { view: PeopleView; leave: () => void }) {
  const [name, setName] = useState('');
  const [wards, setWards] = useState<PeopleView['students']>([]);
  const { decide, at, wrong } = useDecision(() => location.reload());
  const answersFor = at('studentIds');
  return (
    <SheetForm
      title="A new guardian"
      save="Add"
      wrong={wrong}
      leave={leave}
      onSave={() => void decide('guardian.save', { id: newId(), name, studentIds: wards.map((w) => w.id) })}
    >
      <Field id="guardian-name" label="Name" value={name} onValue={setName} {...at('name')} />
      <Autocomplete
        id="guardian-of"
        multiple
        options={view.students}
        getOptionKey={(s) => s.id}
        getOptionLabel={(s) => s.name}
        value={wards}
        onChange={(_, v) => setWards(v)}
        renderInput={(p) => (
          <TextField
            {...p}
            label="Answers for"
            error={answersFor.error}
            helperText={answersFor.helperText ?? 'Sees the pages of these students, and of no others.'}
          />
        )}
      />
    </SheetForm>
  );
}

const TEACHES = ['head', 'instructor', 'examiner'] as const;

function AddTeacher({ leave }: { leave: () => void }) {
  const [name, setName] = useState('');
  const [role, setRole] = useState<(typeof TEACHES)[number]>('instructor');
  const { decide, at, wrong } = useDecision(() => location.reload());
  return (
    <SheetForm
      title="A new teacher"
      save="Add"
      wrong={wrong}
      leave={leave}
      onSave={() => void decide('teacher.save', { id: newId(), name, role })}
    >
      <Field id="teacher-name" label="Name" value={name} onValue={setName} {...at('name')} />
      <Choice
        id="teacher-role"
        label="Rights"
        value={role}
        onValue={setRole}
        options={TEACHES.map((r) => ({ value: r, word: WORD[r] }))}
        helperText={`May: ${RIGHTS[role]}.`}
      />
    </SheetForm>
  );
}

function Access({ person }: { person: Person }) {
  const [email, setEmail] = useState(person.email ?? '');
  const [errors, setErrors] = useState<FieldError[]>([]);
  const [wrong, setWrong] = useState('');
  const [given, setGiven] = useState<{ password: string; guardianFirst: boolean } | null>(null);
  const give = async (e: SyntheticEvent) => {
    e.preventDefault();
    const password = sayablePassword();
    const answer = await send('access.give', { personId: person.id, email, password });
    setErrors(answer.ok ? [] : answer.errors);
    setWrong(answer.ok || answer.errors.length ? '' : answer.title);
    if (answer.ok)
      setGiven({ password, guardianFirst: (answer.answer as { guardianFirst?: boolean }).guardianFirst ?? false });
  };
  const take = async () => {
    const answer = await send('access.take', { personId: person.id, why: '' });
    if (answer.ok) return location.reload();
    setWrong(answer.title);
  };
  if (given)
    return (
      <section className="sheet stack" role="status">
        <h2>{person.name} can sign in</h2>
        <p>
          Address: <b>{email}</b>
        </p>
        <p>
          Password, shown this once: <b className="num">{given.password}</b>
        </p>
        <p className="sub">Ask them to change it on their account page.</p>
        {given.guardianFirst && (
          <p className="message">A minor: give this to the guardian. Local rules about minors’ data come first.</p>
        )}
        <div>
          <Button onClick={() => location.reload()}>Done</Button>
        </div>
      </section>
    );
  return (
    <form className="sheet stack" onSubmit={(e) => void give(e)} noValidate>
      <h2>{person.email ? `${person.name}’s sign-in` : `Let ${person.name} in`}</h2>
      <TextField
        id="access-email"
        label="E-mail"
        value={email}
        onChange={(e) => setEmail(e.target.value)}
        error={!!errorAt(errors, 'email')}
        helperText={errorAt(errors, 'email') ?? 'No message is sent. You hand over the password yourself.'}
      />
      <div role="alert">{wrong && <p className="message wrong">{wrong}</p>}</div>
      <div className="row">
        <Button type="submit" variant="contained">
          {person.email ? 'Give a new password' : 'Give a sign-in'}
        </Button>
        {person.email && <Button onClick={() => void take()}>Take it away</Button>}
      </div>
      {person.email && <p className="sub">A new password ends the old one, and signs {person.name} out everywhere.</p>}
    </form>
  );
}
