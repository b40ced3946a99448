import { expect, it } from 'vitest';
import { forgetPeople, forgottenAtSignOut } from './offline';

it('a list of names that was pasted leaves the device with whoever signs out; other work stays', async () => {
  localStorage.setItem(forgottenAtSignOut.roll, 'Ilse Marrow;Straw;4 May 2010');
  localStorage.setItem('stavewright-technique-new', '{}');
  await forgetPeople();
  expect(localStorage.getItem(forgottenAtSignOut.roll)).toBeNull();
  expect(localStorage.getItem('stavewright-technique-new')).toBe('{}');
});
