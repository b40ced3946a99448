import Button from '@mui/material/Button';
import { useState } from 'react';
import { accessInput } from '../../contracts/access';
import { TextField } from '../../kit/form/fields';
import { SheetForm } from '../../kit/form/SheetForm';
import { useCommandSheet } from '../../kit/form/useSheet';
import { send } from '../../kit/send';
import type { Person } from './person';
import { sayablePassword } from './sayablePassword';

/** Gives somebody a sign-in, a new password, or takes it away. */
export function AccessSheet({ person }: { person: Person }) {
  const [given, setGiven] = useState<{ email: string; password: string; guardianFirst: boolean } | null>(null);
  const sheet = useCommandSheet({
    command: 'access.give',
    schema: accessInput,
    start: { personId: person.id, email: person.email ?? '' },
    make: (x) => ({ ...x, password: sayablePassword() }),
    done: ({ email, password }, _form, answer) =>
      setGiven({
        email,
        password,
        guardianFirst: (answer as { guardianFirst?: boolean } | null)?.guardianFirst ?? false,
      }),
  });
  const take = async () => {
    const answer = await send('access.take', { personId: person.id, why: '' });
    if (answer.ok) return location.reload();
    sheet.form.setError('root', { message: answer.title });
  };
  if (given)
    return (
      <section className="sheet stack" role="status">
        <h2>{person.name} can sign in</h2>
        <p>
          Address: <b>{given.email}</b>
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
    <SheetForm
      sheet={sheet}
      title={person.email ? `${person.name}’s sign-in` : `Let ${person.name} in`}
      saves={person.email ? 'Give a new password' : 'Give a sign-in'}
      more={person.email && <Button onClick={() => void take()}>Take it away</Button>}
    >
      <TextField name="email" label="E-mail" help="No message is sent. You hand over the password yourself." />
      {person.email && <p className="sub">A new password ends the old one, and signs {person.name} out everywhere.</p>}
    </SheetForm>
  );
}
