/** What was tapped for somebody: how many held of how many, or what was measured; null: taken back. */
export interface Tapped {
  lookId: string;
  held: number | null;
  of: number;
  value: number | null;
  /** How far off the value may be, where it was read off a picture or a clip. */
  half?: number | null;
}

interface Pass {
  pass: number;
  done: Record<string, Tapped>;
  /** When something was tapped last, in ms. */
  at: number;
}
/** A pass as it was kept, and whether that was long ago. */
export type Kept = Pass & { over: boolean };

/** A pass that nobody went on with for so long is over, unless its watcher says otherwise; in ms. */
const PASS_OVER = 300_000;

const marksKey = (sweep: string) => `stavewright-sweep-${sweep}`;

/** How far a sweep had come on this device. */
export function readPass(sweep: string): Kept {
  try {
    const kept = (JSON.parse(localStorage.getItem(marksKey(sweep)) ?? 'null') ?? {}) as Partial<Pass>;
    // Of an older release: what it tapped had no number of its own.
    const done = Object.entries(kept.done ?? {}).map(([id, d]) => [
      id,
      { ...d, of: d.of ?? 1, value: d.value ?? null },
    ]);
    const at = kept.at ?? 0;
    return {
      pass: kept.pass ?? 1,
      done: Object.fromEntries(done) as Pass['done'],
      at,
      over: Date.now() - at > PASS_OVER,
    };
  } catch {
    return { pass: 1, done: {}, at: 0, over: false };
  }
}

/** Remembers how far it has come; without room only that is forgotten, the marks are kept elsewhere. */
export function keepPass(sweep: string, soFar: Omit<Pass, 'at'>): void {
  try {
    localStorage.setItem(marksKey(sweep), JSON.stringify({ ...soFar, at: Date.now() }));
  } catch {
    // The next reload begins the pass anew; what was marked is in the queue.
  }
}

/** What held of how many, in a word where it was one. */
export const wordFor = (held: number | null, of: number): string =>
  held === null ? 'not seen' : of === 1 ? (held === 1 ? 'held' : 'slipped') : `${held} of ${of}`;

/** What is stored of somebody in words; the counter of the keys has no part in it. */
export const wordOf = (d: Pick<Tapped, 'held' | 'of'> | undefined): string => wordFor(d?.held ?? null, d?.of ?? 1);

const ORDINAL = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth', 'ninth', 'tenth'];

/** "third pass", "pass 14". */
export const passInWords = (pass: number): string =>
  ORDINAL[pass - 1] ? `${ORDINAL[pass - 1]!} pass` : `pass ${pass}`;
