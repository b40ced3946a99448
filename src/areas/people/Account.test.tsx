import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import * as queue from '../../kit/deviceQueue/deviceQueue';
import * as offline from '../../kit/offline';
import { leaving } from '../../kit/testing/leaving';
import { refusedAs, shown } from '../../kit/testing/server';
import Account from './Account';

vi.mock(import('../../kit/deviceQueue/deviceQueue'), async (read) => ({ ...(await read()), waitingHere: vi.fn() }));
vi.mock(import('../../kit/offline'), async (read) => ({ ...(await read()), forgetPeople: vi.fn() }));

const [waitingHere, forgetPeople] = [vi.mocked(queue.waitingHere), vi.mocked(offline.forgetPeople)];
let assign = vi.fn();
let asked: string[] = [];
let answers: Record<string, () => Promise<Response>> = {};
beforeEach(() => {
  forgetPeople.mockReset().mockResolvedValue(undefined);
  waitingHere.mockReset().mockResolvedValue(0);
  [asked, answers] = [[], {}];
  assign = leaving();
  vi.stubGlobal('fetch', (path: string) => {
    asked.push(path);
    return (answers[path] ?? (() => Promise.resolve(shown({}))))();
  });
});
const user = userEvent.setup({ delay: null });
const press = (name: string) => user.click(screen.getByRole('button', { name }));

describe('signing out', () => {
  it('here ends this sign-in alone; everywhere ends all; what the device kept of people goes', async () => {
    const { unmount } = render(<Account email="maren@hall.example" />);
    await press('Sign out here');
    await waitFor(() => expect(assign).toHaveBeenCalledWith('/signin'));
    expect(asked).toEqual(['/api/auth/sign-out']);
    expect(forgetPeople).toHaveBeenCalledOnce();
    unmount();
    asked = [];
    render(<Account email="maren@hall.example" />);
    await press('Sign out everywhere');
    await waitFor(() => expect(assign).toHaveBeenCalledTimes(2));
    expect(asked).toEqual(['/api/auth/revoke-sessions', '/api/auth/sign-out']);
  });

  it('says how many marks wait here: they stay', async () => {
    waitingHere.mockResolvedValue(1);
    const { unmount } = render(<Account email="maren@hall.example" />);
    expect(await screen.findByText(/^1 mark waits on this device/)).toBeTruthy();
    unmount();
    waitingHere.mockResolvedValue(3);
    render(<Account email="maren@hall.example" />);
    expect(await screen.findByText(/^3 marks wait on this device.*They stay here/)).toBeTruthy();
  });

  it('without a network is not said to be done; somebody who is out already is led to the door', async () => {
    answers['/api/auth/sign-out'] = () => Promise.reject(new TypeError('no network'));
    render(<Account email="maren@hall.example" />);
    await press('Sign out here');
    await waitFor(() => expect(screen.getAllByRole('alert').some((a) => a.textContent !== '')).toBe(true));
    expect(assign).not.toHaveBeenCalled();
    expect(forgetPeople).not.toHaveBeenCalled();
    answers['/api/auth/sign-out'] = () => Promise.resolve(refusedAs(401, 'Sign in first.'));
    await press('Sign out here');
    await waitFor(() => expect(assign).toHaveBeenCalledWith('/signin'));
    expect(forgetPeople).toHaveBeenCalledOnce();
  });
});
