import { mayGive, WORTH_BEGINNING, type Block, type ClassPlan } from './plan';

const MINUTE = 60_000;

/** A block that is over, as it went. */
export interface Spent {
  block: string;
  /** Instants in milliseconds since 1970. */
  from: number;
  to: number;
  skipped: boolean;
}

/**
 * How far an evening has come. Everything follows from it and a clock, so that it is the same on every device and after a
 * reload. All instants are in milliseconds since 1970, by the server's clock.
 */
export interface Run {
  began: number;
  /** When it is meant to be over. */
  endsBy: number;
  /** The block that runs, and since when; null: the evening is over. */
  block: string | null;
  since: number;
  /** How long the clock stood in this block, and since when it stands; null: it runs. */
  waited: number;
  stoppedAt: number | null;
  /** Minutes of blocks that were changed on the way. */
  minutes: Readonly<Record<string, number>>;
  spent: readonly Spent[];
  /** Changes so far: of two devices the one that has seen more is right. */
  changes: number;
}

export const beginRun = (e: ClassPlan, now: number, endsBy: number): Run => ({
  began: now,
  endsBy,
  block: e.blocks[0]?.id ?? null,
  since: now,
  waited: 0,
  stoppedAt: null,
  minutes: {},
  spent: [],
  changes: 1,
});

const minutesOf = (run: Run, b: Block) => run.minutes[b.id] ?? b.minutes;

/** How long the block has run, without the time in which the clock stood; in milliseconds. */
const ran = (run: Run, now: number) => Math.max(0, (run.stoppedAt ?? now) - run.since - run.waited);

/** Where the evening stands. */
export interface Standing {
  /** Null: it is over. */
  block: Block | null;
  next: Block | null;
  /** Seconds left of the block; below 0: it is over by so many. */
  left: number;
  /** What the block has in all, in seconds. */
  of: number;
  /** When the block will be over and the evening with it, as things stand. */
  endsAt: number;
  eveningEnds: number;
  /** Every block as it went or is expected, skipped ones with no length. */
  times: readonly { block: Block; from: number; to: number; state: 'done' | 'now' | 'to come' }[];
  /** Whole minutes by which the evening would end late; below 0: early. */
  late: number;
}

/** Works out where an evening stands at an instant. Blocks that were put in or taken out meanwhile are followed. */
export function standsAt(e: ClassPlan, run: Run, now: number): Standing {
  const spent = new Map(run.spent.map((s) => [s.block, s]));
  const block = e.blocks.find((b) => b.id === run.block) ?? null;
  const times: Standing['times'][number][] = [];
  let at = block ? run.since : (run.spent.at(-1)?.to ?? run.began);
  const of = block ? minutesOf(run, block) * 60 : 0;
  const left = block ? Math.ceil(of - ran(run, now) / 1000) : 0;
  const endsAt = block ? Math.max(now, now + left * 1000) : at;
  for (const b of e.blocks) {
    const s = spent.get(b.id);
    if (s) times.push({ block: b, from: s.from, to: s.to, state: 'done' });
    else if (b === block) {
      times.push({ block: b, from: run.since, to: endsAt, state: 'now' });
      at = endsAt;
    } else if (block !== null) {
      times.push({ block: b, from: at, to: at + minutesOf(run, b) * MINUTE, state: 'to come' });
      at += minutesOf(run, b) * MINUTE;
    }
  }
  const next = block ? (followingOf(e, run) ?? null) : null;
  return {
    block,
    next,
    left,
    of,
    endsAt,
    eveningEnds: at,
    times,
    late: Math.round((at - run.endsBy) / MINUTE),
  };
}

/** The first block after the one that runs which has not been. */
function followingOf(e: ClassPlan, run: Run): Block | undefined {
  const at = e.blocks.findIndex((b) => b.id === run.block);
  const been = new Set(run.spent.map((s) => s.block));
  return e.blocks.slice(at + 1).find((b) => !been.has(b.id));
}

const after = (run: Run, change: Partial<Run>): Run => ({ ...run, ...change, changes: run.changes + 1 });

/** On to the next block, or to the end after the last. */
export function onwards(e: ClassPlan, run: Run, now: number, skipped = false): Run {
  if (run.block === null) return run;
  const spent = [...run.spent, { block: run.block, from: run.since, to: Math.max(now, run.since), skipped }];
  return after(run, { block: followingOf(e, run)?.id ?? null, since: now, waited: 0, stoppedAt: null, spent });
}

/** Back to the block before, which goes on as if it had not ended. */
export function backwards(run: Run): Run {
  const last = run.spent.at(-1);
  if (!last) return run;
  return after(run, {
    block: last.block,
    since: last.from,
    waited: 0,
    stoppedAt: null,
    spent: run.spent.slice(0, -1),
  });
}

/** The clock stands, or goes on where it stood. */
export function stopOrGo(run: Run, now: number): Run {
  if (run.block === null) return run;
  return run.stoppedAt === null
    ? after(run, { stoppedAt: Math.max(now, run.since) })
    : after(run, { waited: run.waited + Math.max(0, now - run.stoppedAt), stoppedAt: null });
}

/** So many minutes more or less for a block; one that runs keeps at least what it has had. */
export function lengthened(e: ClassPlan, run: Run, id: string, by: number, now: number): Run {
  const b = e.blocks.find((x) => x.id === id);
  if (!b || run.spent.some((s) => s.block === id)) return run;
  const least = id === run.block ? Math.ceil(ran(run, now) / MINUTE) : WORTH_BEGINNING;
  const minutes = Math.max(Math.min(least, minutesOf(run, b)), minutesOf(run, b) + by);
  return after(run, { minutes: { ...run.minutes, [id]: minutes } });
}

/** Which blocks that are still to come could give the minutes by which the evening would end late. */
export function whoGives(e: ClassPlan, run: Run, minutes: number, short?: (b: Block) => number): Block[] {
  const been = new Set([...run.spent.map((s) => s.block), run.block]);
  const toCome = e.blocks.filter((b) => !been.has(b.id)).map((b) => ({ ...b, minutes: minutesOf(run, b) }));
  return minutes > 0 ? mayGive(toCome, minutes, short) : [];
}

/** Whether a block came to its turn: it ran, or runs now. */
export const hasBegun = (run: Run, id: string): boolean =>
  run.block === id || run.spent.some((s) => s.block === id && !s.skipped);

/** Of two accounts of the same evening, the one that has seen more. */
export const laterRun = (a: Run | null, b: Run | null): Run | null => {
  if (!a || !b) return a ?? b;
  if (a.changes !== b.changes) return a.changes > b.changes ? a : b;
  return a.since >= b.since ? a : b;
};

/** How many minutes each block took as the class went: what was skipped took none; what never began is as it was planned. */
export function minutesTaken(e: ClassPlan, run: Run | null): { block: Block; minutes: number; skipped: boolean }[] {
  return e.blocks.map((block) => {
    const spent = run?.spent.filter((s) => s.block === block.id) ?? [];
    if (spent.length === 0) return { block, minutes: block.minutes, skipped: false };
    const minutes = spent.reduce((n, s) => n + (s.skipped ? 0 : (s.to - s.from) / MINUTE), 0);
    return { block, minutes, skipped: spent.every((s) => s.skipped) };
  });
}
