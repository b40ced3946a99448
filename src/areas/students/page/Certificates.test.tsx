import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, expect, it, vi } from 'vitest';
import { idFor } from '../../../kit/testing/ids';
import { doneAs, idIn } from '../../../kit/testing/server';
import { pageOf } from '../testing/student';
import { Certificates } from './Certificates';

let sent: { name: string; input: Record<string, unknown> }[] = [];
beforeEach(() => {
  sent = [];
  vi.stubGlobal('fetch', (_path: string, init?: RequestInit) => {
    sent.push(JSON.parse(init?.body as string) as (typeof sent)[number]);
    return Promise.resolve(doneAs(idIn(init), {}));
  });
});

const certificate = (number: string, back = false) => ({
  id: idFor(number),
  number,
  back,
  day: '2026-02-01',
  to: pageOf().next!,
});

it('a head takes one back with why, and gives one for the belt that has none', async () => {
  const user = userEvent.setup({ delay: null });
  const done = vi.fn(() => Promise.resolve());
  const give = vi.fn();
  const view = pageOf({
    certificates: [certificate('2026-004'), certificate('2026-001', true)],
    certifiable: idFor('held'),
  });
  render(<Certificates view={view} onGive={give} done={done} />);
  expect(screen.getAllByRole('button', { name: /^Take back number/ })).toHaveLength(1);
  await user.click(screen.getByRole('button', { name: 'Take back number 2026-004' }));
  await user.click(screen.getByRole('button', { name: 'Take it back' }));
  expect(await screen.findByText(/Some fields need a look/)).toBeTruthy();
  expect(sent).toEqual([]);
  await user.type(screen.getByLabelText('Because'), 'The name is misspelt');
  await user.click(screen.getByRole('button', { name: 'Take it back' }));
  await waitFor(() => expect(done).toHaveBeenCalled());
  expect(sent).toMatchObject([
    { name: 'certificate.back', input: { id: idFor('2026-004'), reason: 'The name is misspelt' } },
  ]);
  await user.click(screen.getByRole('button', { name: /^Give a certificate for/ }));
  expect(give).toHaveBeenCalledWith(idFor('held'));
});

it('a student prints their own and takes its file along, and changes nothing', () => {
  render(
    <Certificates
      view={pageOf({ certificates: [certificate('2026-004')] })}
      onGive={null}
      done={() => Promise.resolve()}
    />,
  );
  const at = (name: string) => screen.getByRole('link', { name }).getAttribute('href');
  expect([at('Print on A4'), at('File to be checked')]).toEqual([
    `/certificates/${idFor('2026-004')}.pdf`,
    `/certificates/${idFor('2026-004')}.jws`,
  ]);
  expect(screen.queryByRole('button')).toBeNull();
});
