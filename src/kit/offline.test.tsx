import { expect, it } from 'vitest';
import { forgetPeople, forgottenAtSignOut, keptOfClass } from './offline';

it('a list of names that was pasted leaves the device with whoever signs out; other work stays', async () => {
  localStorage.setItem(forgottenAtSignOut.roll, 'Ilse Marrow;Straw;4 May 2010');
  localStorage.setItem('stavewright-technique-new', '{}');
  await forgetPeople();
  expect(localStorage.getItem(forgottenAtSignOut.roll)).toBeNull();
  expect(localStorage.getItem('stavewright-technique-new')).toBe('{}');
});

it('guests and whom to call for them leave with whoever signs out, of every class', async () => {
  localStorage.setItem(
    `${keptOfClass.guests}one`,
    '{"here":[{"name":"Wren Alder","phone":"01632 960 123"}],"gone":[]}',
  );
  localStorage.setItem(`${keptOfClass.called}two`, '{}');
  await forgetPeople();
  expect(Object.keys(localStorage).filter((k) => /guests|called/.test(k))).toEqual([]);
});
