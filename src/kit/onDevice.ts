import type { StoredDocument } from '../contracts/stored/document';

// What is typed and not saved yet waits on the device, so that no page that is closed loses it.

/** Keeps it; a full or closed store only forgets it over a reload. */
export function keepOnDevice<T>(key: string, document: StoredDocument<T>, value: T): void {
  try {
    localStorage.setItem(key, JSON.stringify({ kept: document.version, body: value }));
  } catch {
    // It still stands on the page.
  }
}

/** What was kept, of whatever version it was; null: nothing, or nothing that can be read. */
export function readFromDevice<T>(key: string, document: StoredDocument<T>): T | null {
  try {
    const text = localStorage.getItem(key);
    if (text === null) return null;
    const raw: unknown = JSON.parse(text);
    const wrapped = typeof raw === 'object' && raw !== null && 'kept' in raw && 'body' in raw;
    return wrapped ? document.upgradeFrom(raw.kept, raw.body) : document.upgradeFrom(1, raw);
  } catch {
    return null;
  }
}

export function dropFromDevice(key: string): void {
  try {
    localStorage.removeItem(key);
  } catch {
    // A closed store holds nothing.
  }
}
