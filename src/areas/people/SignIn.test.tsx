import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { leaving } from '../../kit/testing/leaving';
import { captivePage, refusedAs, shown } from '../../kit/testing/server';
import { ChangePassword } from './ChangePassword';
import SignIn from './SignIn';

let assign = vi.fn();
let sent: { path: string; body: unknown }[] = [];
let answer: () => Promise<Response> = () => Promise.resolve(shown({}));
beforeEach(() => {
  sent = [];
  answer = () => Promise.resolve(shown({}));
  assign = leaving();
  vi.stubGlobal('fetch', (path: string, init?: RequestInit) => {
    sent.push({ path, body: JSON.parse(init?.body as string) as unknown });
    return answer();
  });
});
const user = userEvent.setup({ delay: null });
/** Puts a text into a field at once. */
const put = async (name: string, text: string) => {
  await user.clear(screen.getByLabelText(name));
  await user.click(screen.getByLabelText(name));
  await user.paste(text);
};
const button = (name: string | RegExp) => screen.getByRole('button', { name });

describe('the door', () => {
  const come = async (email = 'maren@hall.example', password = 'reeds and rope') => {
    render(<SignIn to="/look?student=7" />);
    if (email) await put('E-mail', email);
    if (password) await put('Password', password);
  };

  it('opens to where one wanted to go; a tablet of the hall forgets who it was when it is closed', async () => {
    await come(' maren@hall.example ');
    await user.click(screen.getByRole('checkbox', { name: /hall’s tablet/ }));
    await user.click(button('Sign in'));
    await waitFor(() => expect(assign).toHaveBeenCalledWith('/look?student=7'));
    expect(sent).toEqual([
      {
        path: '/api/auth/sign-in/email',
        body: { email: 'maren@hall.example', password: 'reeds and rope', rememberMe: false },
      },
    ]);
  });

  it('asks for both before it asks anybody', async () => {
    await come('', '');
    await user.click(button('Sign in'));
    expect(screen.getByRole('alert').textContent).toBe('Enter your e-mail address and your password.');
    expect(sent).toEqual([]);
  });

  it.each([
    ['a wrong password', () => refusedAs(401, 'INVALID'), 'This address and password do not belong together.'],
    ['an unknown address', () => refusedAs(404, 'NOBODY'), 'This address and password do not belong together.'],
    ['too many tries', () => refusedAs(429, 'Wait 40 seconds.'), 'Wait 40 seconds.'],
    ['a fault of ours', () => refusedAs(500, 'boom'), 'Stavewright cannot check this just now. Try again in a moment.'],
  ])('says of %s only what may be known', async (_, refused, says) => {
    answer = () => Promise.resolve(refused());
    await come();
    await user.click(button('Sign in'));
    await waitFor(() => expect(screen.getByRole('alert').textContent).toBe(says));
    expect(assign).not.toHaveBeenCalled();
    // What was typed stays, and it can be tried again.
    expect(screen.getByLabelText('E-mail')).toHaveProperty('value', 'maren@hall.example');
    expect(button('Sign in')).toHaveProperty('disabled', false);
  });

  it('without a network, or with one that answers for itself, says so', async () => {
    answer = () => Promise.reject(new TypeError('no network'));
    await come();
    await user.click(button('Sign in'));
    await waitFor(() => expect(screen.getByRole('alert').textContent).not.toBe(''));
    const without = screen.getByRole('alert').textContent;
    answer = () => Promise.resolve(captivePage());
    await user.click(button('Sign in'));
    await waitFor(() => expect(screen.getByRole('alert').textContent).not.toMatch(without));
    expect(screen.getByRole('alert').textContent).not.toMatch(/belong together/);
    expect(assign).not.toHaveBeenCalled();
  });

  it('shows a password to who asks for it, and says whom to ask for another', async () => {
    await come();
    await user.click(button('Show'));
    expect(screen.getByLabelText('Password').getAttribute('type')).toBe('text');
    await user.click(button('Hide'));
    expect(screen.getByLabelText('Password').getAttribute('type')).toBe('password');
    await user.click(button('I do not know my password'));
    expect(screen.getByText(/^Ask your head instructor/)).toBeTruthy();
  });
});

describe('a new password', () => {
  const change = async (old: string, fresh: string, again = fresh) => {
    render(<ChangePassword email="maren@hall.example" />);
    for (const [name, text] of [
      ['Present password', old],
      ['New password', fresh],
      ['New password once more', again],
    ] as const)
      if (text) await put(name, text);
    await user.click(button('Change it'));
  };
  const invalid = (name: string) => screen.getByLabelText(name).getAttribute('aria-invalid');

  it('is taken, other devices are signed out, and nothing of it stays in the fields', async () => {
    await change('reeds and rope', 'a boat in the reeds');
    expect(await screen.findByText(/^The password is changed\./)).toBeTruthy();
    expect(sent).toEqual([
      {
        path: '/api/auth/change-password',
        body: { currentPassword: 'reeds and rope', newPassword: 'a boat in the reeds', revokeOtherSessions: true },
      },
    ]);
    for (const name of ['Present password', 'New password', 'New password once more'])
      expect(screen.getByLabelText(name)).toHaveProperty('value', '');
  });

  it('that is short, or typed differently twice, is said at its field and not sent', async () => {
    await change('reeds and rope', 'short', 'shore');
    await waitFor(() => expect(invalid('New password')).toBe('true'));
    await put('New password', 'a boat in the reeds');
    await user.click(button('Change it'));
    await waitFor(() => expect(invalid('New password once more')).toBe('true'));
    expect(screen.getByText('The two new passwords differ.')).toBeTruthy();
    expect(sent).toEqual([]);
  });

  it.each([
    [400, 'The present password is not right.'],
    [429, 'Too many tries. Wait a minute, then try again.'],
    [503, 'The database cannot be reached just now.'],
  ])('refused with %i is said in words', async (status, says) => {
    answer = () => Promise.resolve(refusedAs(status, 'The database cannot be reached just now.'));
    await change('reeds and ropes', 'a boat in the reeds');
    expect(await screen.findByText(says)).toBeTruthy();
    expect(screen.queryByText(/^The password is changed/)).toBeNull();
  });
});
