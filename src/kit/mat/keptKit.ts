import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { KeptKit } from '../../contracts/kit';
import { KIT_STORE } from '../offline';

interface Shape extends DBSchema {
  kits: { key: string; value: KeptKit };
}

const open = (): Promise<IDBPDatabase<Shape>> =>
  openDB<Shape>(KIT_STORE, 1, { upgrade: (db) => void db.createObjectStore('kits') });

/** What this device took along last for somebody; null: nothing, or a device that cannot be read. */
export async function readKit(personId: string): Promise<KeptKit | null> {
  try {
    const db = await open();
    const kept = await db.get('kits', personId);
    db.close();
    return kept ?? null;
  } catch {
    return null;
  }
}

/** Keeps it for an evening without a network. A device without room goes on with what it has. */
export async function keepKit(personId: string, kept: KeptKit): Promise<void> {
  try {
    const db = await open();
    await db.put('kits', kept, personId);
    db.close();
  } catch {
    // The page has it.
  }
}
