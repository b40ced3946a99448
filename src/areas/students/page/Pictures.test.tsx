import { cleanup, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { StudentView } from '../../../contracts/views';
import { keepPicture, picturesOf } from '../../../kit/pictures/keptPictures';
import { doneAs, idIn, shown } from '../../../kit/testing/server';
import { forStudent, pageOf } from '../testing/student';
import Student from './Student';

/** The server in small: what was sent, and the page as it is afterwards. */
let sent: { name: string; input: Record<string, unknown> }[] = [];
let fresh: StudentView = pageOf();
beforeEach(() => {
  sent = [];
  vi.stubGlobal('fetch', (path: string, init?: RequestInit) => {
    if (path.startsWith('/api/views/')) return Promise.resolve(shown(fresh));
    sent.push(JSON.parse(init?.body as string) as (typeof sent)[number]);
    return Promise.resolve(doneAs(idIn(init), {}));
  });
});
afterEach(() => vi.unstubAllGlobals());
const open = (view: StudentView) => {
  render(<Student view={view} />);
  return userEvent.setup({ delay: null });
};
const button = (name: string | RegExp) => screen.getByRole('button', { name });

describe('pictures of a student', () => {
  it('whether pictures may be kept is said with the guardian of a minor; nobody is asked why not', async () => {
    fresh = pageOf();
    const user = open(pageOf());
    expect(screen.getByText('None are kept: nobody was asked')).toBeTruthy();
    await user.click(button('Record what was said'));
    const sheet = () => within(screen.getByRole('form', { name: 'May pictures be kept?' }));
    expect(sheet().queryByLabelText('Guardian who agrees')).toBeNull();
    await user.click(sheet().getByRole('radio', { name: 'may be kept' }));
    await user.type(sheet().getByLabelText('Guardian who agrees'), 'R. Vane');
    await user.click(button('Record it'));
    await waitFor(() =>
      expect(sent).toMatchObject([{ name: 'pictures.agree', input: { agreed: true, guardian: 'R. Vane' } }]),
    );
  });

  it('a student whose guardian has not agreed can only say no', async () => {
    const because = 'Your guardian has not agreed to pictures being kept: for more, they say so first.';
    fresh = forStudent();
    const user = open(forStudent({ picturesSaid: { most: 0, asksGuardian: false, because, minor: true } }));
    await user.click(button('Say whether they may'));
    expect(screen.getByText(because)).toBeTruthy();
    expect(screen.queryByRole('radio', { name: 'may be kept' })).toBeNull();
    await user.click(button('Say no'));
    await waitFor(() => expect(sent).toMatchObject([{ name: 'pictures.agree', input: { agreed: false } }]));
  });

  it('pictures that this device has kept are seen, taken away, and gone once the word is taken back', async () => {
    URL.createObjectURL = () => 'blob:kept';
    URL.revokeObjectURL = () => undefined;
    const said = { agreed: true, day: '2026-03-01', guardian: 'R. Vane', counts: true };
    const { id } = pageOf().student;
    const picture = { studentId: id, of: 'Front stance, length', day: '2026-03-02', width: 8, height: 6 };
    const keep = (of: string) => keepPicture({ ...picture, id: of, says: of, jpeg: new ArrayBuffer(3) });
    for (const of of ['74 cm', '75 cm', '76 cm']) await keep(of);
    await keepPicture({ ...picture, id: 'old', says: 'old', day: '2024-03-02', jpeg: new ArrayBuffer(3) });
    const user = open(pageOf({ pictures: said }));
    expect(await screen.findByText('3 pictures on this device alone')).toBeTruthy();
    await user.click(button(/^Take away .*75 cm/));
    await waitFor(async () => expect((await picturesOf(id)).map((p) => p.id)).toEqual(['76 cm', '74 cm']));
    await user.click(button(/74 cm.*larger$/));
    expect(await screen.findByRole('img', { name: /74 cm/ })).toBeTruthy();
    await user.click(button('Close'));
    cleanup();
    // No page of a student or guardian shows what a teacher's device has.
    open(forStudent({ pictures: said }));
    expect(screen.getByText('May be kept on a device')).toBeTruthy();
    expect(screen.queryByText(/on this device alone/)).toBeNull();
    cleanup();
    open(pageOf({ pictures: { ...said, agreed: false, counts: false } }));
    await waitFor(async () => expect(await picturesOf(id)).toEqual([]));
    expect(screen.queryByText(/on this device alone/)).toBeNull();
  });
});
