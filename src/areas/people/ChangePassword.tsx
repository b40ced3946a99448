import { useState } from 'react';
import * as v from 'valibot';
import { password } from '../../contracts/fields';
import { TextField } from '../../kit/form/fields';
import { SheetForm } from '../../kit/form/SheetForm';
import { useSheet } from '../../kit/form/useSheet';
import { post } from '../../kit/send';

const passwords = v.pipe(
  v.object({
    old: v.pipe(v.string(), v.nonEmpty('The present password is missing.')),
    fresh: password,
    again: v.string(),
  }),
  v.forward(
    v.check((p) => p.fresh === p.again, 'The two new passwords differ.'),
    ['again'],
  ),
);
const WORDS: Record<number, string> = {
  400: 'The present password is not right.',
  429: 'Too many tries. Wait a minute, then try again.',
};

/** A new password for oneself; every other device has to sign in again. */
export function ChangePassword({ email }: { email: string }) {
  const [done, setDone] = useState(false);
  const sheet = useSheet({
    start: { old: '', fresh: '', again: '' },
    schema: passwords,
    saving: async ({ old, fresh }) => {
      setDone(false);
      const answer = await post('/api/auth/change-password', {
        currentPassword: old,
        newPassword: fresh,
        revokeOtherSessions: true,
      });
      return answer.ok ? answer : { ...answer, title: WORDS[answer.status] ?? answer.title };
    },
    done: (_draft, form) => {
      form.reset();
      setDone(true);
    },
  });
  return (
    <SheetForm sheet={sheet} title="Change the password" saves="Change it">
      <p className="sub">You sign in as {email}.</p>
      <input type="text" name="username" autoComplete="username" value={email} readOnly hidden />
      <TextField name="old" label="Present password" type="password" autoComplete="current-password" />
      <TextField
        name="fresh"
        label="New password"
        type="password"
        autoComplete="new-password"
        help="At least ten letters; a short sentence is best."
      />
      <TextField name="again" label="New password once more" type="password" autoComplete="new-password" />
      <div role="status">
        {done && <p className="message good">The password is changed. Other devices have to sign in again.</p>}
      </div>
    </SheetForm>
  );
}
