import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { CommandName, Mend } from '../../contracts/commands';
import { PAGE } from './page';
import { postCommand, postCommands, type Answer } from '../send';
import {
  again,
  afterAnswer,
  begun,
  followUp,
  nextTogether,
  readWaiting,
  type NewCommand,
  type Trouble,
  type Waiting,
} from './queue';

export type { Waiting } from './queue';

// Everything that is written without waiting for a network goes through here: on the device before it is shown, sent in
// order, kept until our own server has answered, set aside with its reason where it was refused.

interface Shape extends DBSchema {
  commands: { key: string; value: Waiting };
}

// What this page knows the device to have: a screen can begin with it at once, without waiting for the disk.
const known = new Map<string, Waiting>();

let opening: Promise<IDBPDatabase<Shape>> | undefined;
const database = () =>
  (opening ??= openDB<Shape>('stavewright', 1, {
    upgrade: (db) => void db.createObjectStore('commands', { keyPath: 'id' }),
  }).catch((error: unknown) => {
    // The next one tries anew.
    opening = undefined;
    throw error;
  }));
const all = async (): Promise<Waiting[]> => (await (await database()).getAll('commands')).map(readWaiting);

/** How a device stands with the server. */
export interface QueueState {
  /** Finished, and not answered yet. */
  waiting: number;
  /** Still being written: they are sent once they are finished. */
  open: number;
  aside: Waiting[];
  /** Why the last try did not go through. */
  trouble: Trouble;
  /** Why something that stands on this page is not kept on the device; empty: all of it is. */
  unkept: string;
}

type Listener = (state: QueueState) => void;
const listeners = new Set<Listener>();
/** Told of each command that was answered, in the order of the answers, also to another tab of this device. */
type Answered = (c: Waiting, answer: Answer) => void;
const answered = new Set<Answered>();
let trouble: Trouble = 'none';

// What one tab sends may have been done in another one, which hears of it as well.
const tabs = typeof window === 'undefined' ? null : new BroadcastChannel('stavewright answers');
tabs?.addEventListener('message', ({ data }: MessageEvent<Parameters<Answered>>) => {
  for (const l of answered) l(...data);
});
function hear(...said: Parameters<Answered>) {
  for (const l of answered) l(...said);
  tabs?.postMessage(said);
}

/** What this page could not write down, and goes on trying to; and what was said when it last tried. */
const unkept = new Map<string, NewCommand>();
let whyUnkept = '';

async function tell() {
  // A device that keeps nothing at all must not look as if all were sent.
  let unread = '';
  const now = await all().catch((): Waiting[] => {
    unread = CANNOT_KEEP;
    return [];
  });
  const state: QueueState = {
    waiting: now.filter((c) => c.aside === null && !c.open).length,
    open: now.filter((c) => c.aside === null && c.open).length,
    aside: now.filter((c) => c.aside !== null),
    trouble,
    unkept: unkept.size > 0 ? whyUnkept : unread,
  };
  for (const l of listeners) l(state);
}

/** Asks the browser not to throw the marks away when space runs short; the answer is its own affair. */
const keep = () => void navigator.storage?.persist?.().catch(() => false);

const CANNOT_KEEP = 'This device cannot keep marks just now. The mark is not kept yet.';

/**
 * Just being written down, each as it was put last: where the one before it is answered meanwhile, it goes over what that
 * has made.
 */
interface Kept {
  command: Waiting;
}
const writing = new Map<string, Kept>();

async function store(command: Waiting): Promise<void> {
  try {
    const db = await database();
    const tx = db.transaction('commands', 'readwrite', { durability: 'strict' });
    await tx.store.put(command);
    await tx.done;
    known.set(command.id, command);
  } catch (error) {
    throw new Error(
      error instanceof DOMException && error.name === 'QuotaExceededError'
        ? 'This device has no room left. The mark is not kept yet; free some space, then go on.'
        : CANNOT_KEEP,
      { cause: error },
    );
  }
}

/**
 * Writes a command down on this device; only when this has returned may it be shown as taken. Putting the same id again
 * changes it as long as it is open. Throws with a plain message if the device has no room.
 */
export async function put<N extends CommandName>(command: NewCommand<N>): Promise<void> {
  const kept: Kept = { command: begun({ page: PAGE, ...command }) };
  writing.set(command.id, kept);
  const isLast = () => writing.get(command.id) === kept;
  try {
    let written: Waiting;
    do await store((written = kept.command));
    while (
      // One that was put again since is written down by that, and must not come after it.
      kept.command !== written &&
      isLast()
    );
  } finally {
    if (isLast()) writing.delete(command.id);
  }
  void tell();
  if (!command.open) void flush(command.by);
}

/**
 * Writes a command down whose doing stands on the page already: where the device has no room that is told to every screen,
 * and tried again until it has.
 */
export function keepTrying<N extends CommandName>(command: NewCommand<N>): void {
  void put(command).catch((e: unknown) => {
    unkept.set(command.id, command);
    whyUnkept = e instanceof Error ? e.message : CANNOT_KEEP;
    void tell();
  });
}

async function keepAgain(): Promise<void> {
  for (const [id, command] of unkept) {
    await store(begun({ page: PAGE, ...command }));
    unkept.delete(id);
  }
}

/** Takes away a command that was never sent (one that is still open). */
export async function drop(id: string): Promise<void> {
  await (await database()).delete('commands', id);
  known.delete(id);
  void tell();
}

/** Reads what is still being written on this device; a page that shows such things waits for this once. */
export async function readOpen(): Promise<Waiting[]> {
  for (const c of await all()) known.set(c.id, c);
  return openNow();
}

/** What is still being written, as far as this page has read or written it. */
export const openNow = (): Waiting[] => [...known.values()].filter((c) => c.open);

/** What waits on this device in a chain, oldest first, also what stands aside. */
export const waitingIn = async (chain: string, by: string): Promise<Waiting[]> =>
  (await all()).filter((c) => c.chain === chain && c.by === by);

let running: Promise<void> = Promise.resolve();
/**
 * Sends what waits, oldest first, and forgets each command only when our own server has answered for it. What is refused
 * stands aside with its reason and holds nobody up but those that follow it. A lock keeps two tabs from sending the same.
 */
export function flush(by: string): Promise<void> {
  // Whoever waits for it waits for a run that began after they asked.
  return (running = running
    .then(() => run(by))
    // A device that cannot be read just now ends this run, and none of those after it; every screen is told.
    .catch(() => tell()));
}

/** So many commands leave in one request: a slow network then still answers before it is given up. */
const AT_ONCE = 50;

async function postSome(some: readonly Waiting[]): Promise<Map<string, Answer>> {
  const plain = some.map(({ id, at, name, input }) => ({ id, at, name, input }));
  const [only] = plain;
  return plain.length === 1 ? new Map([[only!.id, await postCommand(only!)]]) : postCommands(plain);
}

/** Lays what follows a command over what that has made, on the device; returns all that stands there. */
async function goOver(done: Waiting, answer: unknown): Promise<Waiting[]> {
  // Read and written in one step: what a page writes down between the two would be undone.
  const tx = (await database()).transaction('commands', 'readwrite');
  const now = (await tx.store.getAll()).map(readWaiting);
  const next = followUp(now, done, answer);
  if (next) await tx.store.put(next);
  await tx.done;
  if (!next) return now;
  if (known.has(next.id)) known.set(next.id, next);
  return now.map((o) => (o.id === next.id ? next : o));
}

async function run(by: string): Promise<void> {
  await keepAgain().catch((e: unknown) => {
    whyUnkept = e instanceof Error ? e.message : CANNOT_KEEP;
  });
  await navigator.locks.request('stavewright-outbox', { ifAvailable: true }, async (lock) => {
    if (!lock) return;
    const db = await database();
    const tried = new Set<string>();
    let found: Trouble = 'none';
    let now = await all();
    let fresh = true;
    for (;;) {
      // What is still being written down may stand here as it was before.
      const not = new Set([...tried, ...writing.keys()]);
      const some = nextTogether(now, by, not, AT_ONCE);
      if (some.length === 0) {
        // What was put meanwhile is sent in the same run.
        if (!fresh) {
          [now, fresh] = [await all(), true];
          continue;
        }
        if (found === 'none' && now.some((o) => !o.open && o.aside === null && o.by !== by)) found = 'other person';
        break;
      }
      fresh = false;
      const answers = await postSome(some);
      let goesOn = true;
      for (const c of some) {
        tried.add(c.id);
        const answer = answers.get(c.id)!;
        const after = afterAnswer(c, answer);
        if (after.stays === null) await db.delete('commands', c.id);
        else if (after.stays !== c) await db.put('commands', after.stays);
        known.delete(c.id);
        const { stays } = after;
        now = now.flatMap((o) => (o.id !== c.id ? [o] : stays === null ? [] : [stays]));
        if (after.stays === null || after.stays.aside !== null) hear(c, answer);
        if (answer.ok && c.chain !== null) {
          // Whoever heard of it names the new version from here on. What named the old one until now is either being
          // written down, or stands on the device.
          for (const k of writing.values()) k.command = followUp([k.command], c, answer.answer) ?? k.command;
          now = await goOver(c, answer.answer);
        }
        if (after.trouble !== 'none') found = after.trouble;
        goesOn &&= after.goesOn;
      }
      if (!goesOn) break;
      // Whoever brings a long evening home sees it go down.
      void tell();
    }
    trouble = found;
  });
  await tell();
}

/**
 * Sends a command that stands aside once more, perhaps with what mends it. Whoever says so has seen it, and where they were
 * laid on what stands all those behind it in its chain: they are this page's from here on.
 */
export async function sendAgain(
  id: string,
  mend: Mend | null = null,
  seen: 'it alone' | 'all behind it' = 'it alone',
): Promise<void> {
  const here = await all();
  const c = here.find((x) => x.id === id);
  if (!c || c.aside?.taken) return;
  if (seen === 'all behind it')
    for (const o of here)
      if (o.id !== id && o.chain !== null && o.chain === c.chain && o.by === c.by) await store({ ...o, page: PAGE });
  await store({ ...again(c, mend), page: PAGE });
  await flush(c.by);
}

/** Lets a command go that stands aside, after the person has seen why and said so. */
export async function letGo(id: string): Promise<void> {
  await drop(id);
}

/** Calls back for each command of this device that is answered while this page is open; returns how to stop. */
export function whenAnswered(listener: Answered): () => void {
  answered.add(listener);
  return () => void answered.delete(listener);
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
export const waitingHere = async (): Promise<number> => (await all()).length;
