import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { CommandDraft, CommandName, FieldError } from '../contracts/commands';
import { post } from './send';

/** A command that was done on this device. Open ones are still being written and are not sent yet. */
export interface Waiting<N extends CommandName = CommandName> {
  id: string;
  at: string;
  name: N;
  input: CommandDraft<N>;
  /** What the person sees of it: "Ilse Marrow, rear heel: held". */
  label: string;
  /** Who was signed in; another person's marks are never sent under one's own name. */
  by: string;
  open: boolean;
  refused: { title: string; errors: FieldError[] } | null;
}

interface Shape extends DBSchema {
  commands: { key: string; value: Waiting };
}

// What this page knows the device to have: a screen can begin with it at once, without waiting for the disk.
const known = new Map<string, Waiting>();

let opening: Promise<IDBPDatabase<Shape>> | undefined;
const database = () =>
  (opening ??= openDB<Shape>('stavewright', 1, {
    upgrade: (db) => void db.createObjectStore('commands', { keyPath: 'id' }),
  }));

/** How a device stands with the server. */
export interface OutboxState {
  waiting: number;
  refused: Waiting[];
  /** Why the last try did not go through: no network, or not signed in. */
  trouble: 'none' | 'network' | 'signed out' | 'other person';
}

type Listener = (state: OutboxState) => void;
const listeners = new Set<Listener>();
let trouble: OutboxState['trouble'] = 'none';

async function tell() {
  const all = await (await database()).getAll('commands');
  const state: OutboxState = {
    waiting: all.filter((c) => c.refused === null).length,
    refused: all.filter((c) => c.refused !== null),
    trouble,
  };
  for (const l of listeners) l(state);
}

/** Asks the browser not to throw the marks away when space runs short; the answer is its own affair. */
const keep = () => void navigator.storage?.persist?.().catch(() => false);

/**
 * Writes a command down on this device; only when this has returned may it be shown as taken. Putting the same id again
 * changes it as long as it is open. Throws with a plain message if the device has no room.
 */
export async function put<N extends CommandName>(command: Omit<Waiting<N>, 'refused'>): Promise<void> {
  try {
    const db = await database();
    const tx = db.transaction('commands', 'readwrite', { durability: 'strict' });
    await tx.store.put({ ...command, refused: null });
    await tx.done;
    known.set(command.id, { ...command, refused: null });
  } catch (error) {
    throw new Error(
      error instanceof DOMException && error.name === 'QuotaExceededError'
        ? 'This device has no room left. The mark was not taken; free some space first.'
        : 'This device cannot keep marks just now. The mark was not taken.',
      { cause: error },
    );
  }
  void tell();
  if (!command.open) void flush(command.by);
}

/** Takes away a command that was never sent (one that is still open). */
export async function drop(id: string): Promise<void> {
  await (await database()).delete('commands', id);
  known.delete(id);
  void tell();
}

/** Reads what is still being written on this device; a page that shows such things waits for this once. */
export async function readOpen(): Promise<Waiting[]> {
  for (const c of await (await database()).getAll('commands')) known.set(c.id, c);
  return openNow();
}

/** What is still being written, as far as this page has read or written it. */
export const openNow = (): Waiting[] => [...known.values()].filter((c) => c.open);

/**
 * Sends what waits, oldest first, and forgets each command only when the server has answered. A refused one stays with
 * its reason. A lock keeps two tabs from sending the same.
 */
export async function flush(by: string): Promise<void> {
  await navigator.locks.request('stavewright-outbox', { ifAvailable: true }, async (lock) => {
    if (!lock) return;
    const db = await database();
    let found: OutboxState['trouble'] = 'none';
    for (const c of await db.getAll('commands')) {
      if (c.open || c.refused) continue;
      if (c.by !== by) {
        found = 'other person';
        continue;
      }
      const answer = await post('/api/commands', { id: c.id, at: c.at, name: c.name, input: c.input });
      if (answer.ok) await db.delete('commands', c.id);
      else if (answer.status === 0 || answer.status >= 500 || answer.status === 429) {
        found = 'network';
        break;
      } else if (answer.status === 401) {
        found = 'signed out';
        break;
      } else await db.put('commands', { ...c, refused: { title: answer.title, errors: answer.errors } });
    }
    trouble = found;
  });
  await tell();
}

/** Drops a refused command after the person has seen why. */
export async function dismiss(id: string): Promise<void> {
  await (await database()).delete('commands', id);
  await tell();
}

/** Keeps trying, since browsers do not say when only the server was away. Returns how to stop. */
export function keepSending(by: string, listener: Listener, every = 3000): () => void {
  listeners.add(listener);
  keep();
  const go = () => void flush(by);
  const timer = setInterval(go, every);
  addEventListener('online', go);
  document.addEventListener('visibilitychange', go);
  go();
  return () => {
    listeners.delete(listener);
    clearInterval(timer);
    removeEventListener('online', go);
    document.removeEventListener('visibilitychange', go);
  };
}

/** How many commands wait here, of anybody: asked before somebody signs out. */
export const waitingHere = async (): Promise<number> => (await (await database()).getAll('commands')).length;
