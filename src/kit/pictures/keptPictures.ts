import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { isPictureKept } from '../../core';
import { PICTURE_STORE } from '../offline';

/** A picture that somebody agreed to have kept: what it was of, and what it told. */
export interface KeptPicture {
  id: string;
  studentId: string;
  /** The item and its point. */
  of: string;
  /** The numbers, in words. */
  says: string;
  day: string;
  width: number;
  height: number;
  /** As it was measured, drawn anew: nothing of the camera’s own notes is in it. */
  jpeg: ArrayBuffer;
}

interface Shape extends DBSchema {
  pictures: { key: string; value: KeptPicture; indexes: { student: string } };
}

const open = (): Promise<IDBPDatabase<Shape>> =>
  openDB<Shape>(PICTURE_STORE, 1, {
    upgrade: (db) => void db.createObjectStore('pictures', { keyPath: 'id' }).createIndex('student', 'studentId'),
  });

async function within<T>(does: (db: IDBPDatabase<Shape>) => Promise<T>): Promise<T | null> {
  try {
    const db = await open();
    try {
      return await does(db);
    } finally {
      db.close();
    }
  } catch {
    return null;
  }
}

/** Keeps one on this device, which alone has it. False: there is no room for it, or the device keeps nothing. */
export const keepPicture = async (picture: KeptPicture): Promise<boolean> =>
  (await within((db) => db.put('pictures', picture))) !== null;

/** What this device has kept of somebody, the newest first. */
export async function picturesOf(studentId: string): Promise<KeptPicture[]> {
  const all = (await within((db) => db.getAllFromIndex('pictures', 'student', studentId))) ?? [];
  return all.sort((a, b) => b.day.localeCompare(a.day) || b.id.localeCompare(a.id));
}

/** Takes pictures away for good. */
export async function dropPictures(ids: readonly string[]): Promise<void> {
  if (ids.length === 0) return;
  await within((db) => Promise.all(ids.map((id) => db.delete('pictures', id))));
}

/**
 * Takes away what is no longer kept: of those who have not agreed or took it back, of those who left, and what is a year
 * old. How many went.
 */
export async function dropWhatIsOver(agreed: ReadonlySet<string>, today: string): Promise<number> {
  const all = (await within((db) => db.getAll('pictures'))) ?? [];
  const over = all.filter((p) => !isPictureKept(p, agreed, today)).map((p) => p.id);
  await dropPictures(over);
  return over.length;
}
