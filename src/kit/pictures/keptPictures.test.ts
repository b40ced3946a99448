import 'fake-indexeddb/auto';
import { beforeEach, expect, it, vi } from 'vitest';
import { forgetPeople, PICTURE_STORE } from '../offline';
import { dropPictures, dropWhatIsOver, keepPicture, picturesOf, type KeptPicture } from './keptPictures';

const picture = (id: string, studentId: string, day = '2026-11-20'): KeptPicture => ({
  id,
  studentId,
  of: 'Front stance, front knee over the toes',
  says: '74 ± 3 cm',
  day,
  width: 800,
  height: 600,
  jpeg: new Uint8Array([255, 216, 255]).buffer,
});
const ids = async (studentId: string) => (await picturesOf(studentId)).map((p) => p.id);

beforeEach(async () => {
  await new Promise((done) => (indexedDB.deleteDatabase(PICTURE_STORE).onsuccess = done));
});

it('are found by whom they show, the newest first, whole as they were kept', async () => {
  expect(await picturesOf('a')).toEqual([]);
  for (const p of [picture('1', 'a'), picture('2', 'a', '2026-11-25'), picture('3', 'b')])
    expect(await keepPicture(p)).toBe(true);
  expect(await ids('a')).toEqual(['2', '1']);
  expect(new Uint8Array((await picturesOf('b'))[0]!.jpeg)).toEqual(new Uint8Array([255, 216, 255]));
  await dropPictures(['2']);
  expect(await ids('a')).toEqual(['1']);
});

it('go when whoever is seen takes the word back or leaves, and after a year', async () => {
  for (const p of [picture('1', 'a'), picture('2', 'b'), picture('3', 'a', '2025-11-01')]) await keepPicture(p);
  expect(await dropWhatIsOver(new Set(['a', 'b']), '2026-11-30')).toBe(1);
  expect(await dropWhatIsOver(new Set(['a']), '2026-11-30')).toBe(1);
  expect([await ids('a'), await ids('b')]).toEqual([['1'], []]);
  expect(await dropWhatIsOver(new Set(), '2026-11-30')).toBe(1);
});

it('go when somebody signs out', async () => {
  vi.stubGlobal('localStorage', { removeItem: () => undefined });
  await keepPicture(picture('1', 'a'));
  await forgetPeople();
  await vi.waitFor(async () => expect(await ids('a')).toEqual([]));
  vi.unstubAllGlobals();
});

it('a device without room says so', async () => {
  const full = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
    throw new DOMException('no room', 'QuotaExceededError');
  });
  expect(await keepPicture(picture('1', 'a'))).toBe(false);
  full.mockRestore();
});
