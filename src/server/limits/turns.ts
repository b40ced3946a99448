/** How many at once, how many of one person, and how many of one person may wait. */
export interface TurnRules {
  atOnce: number;
  each: number;
  waiting: number;
}

interface Waiting {
  run: () => void;
}

/**
 * Heavy work by turns: a few at once, and who asked for thirty things waits with them while everybody else has theirs.
 * `take` resolves with the work's result, or with null where somebody has too many waiting already.
 */
export class Turns {
  private running = 0;
  private readonly runningOf = new Map<string, number>();
  /** Those who wait, in the order of their next turn. */
  private readonly queue = new Map<string, Waiting[]>();

  constructor(private readonly rules: TurnRules) {}

  async take<T>(who: string, work: () => Promise<T>): Promise<{ value: T } | null> {
    if (!this.begin(who)) {
      const own = this.queue.get(who) ?? [];
      if (own.length >= this.rules.waiting) return null;
      await new Promise<void>((run) => {
        own.push({ run });
        this.queue.set(who, own);
      });
    }
    try {
      return { value: await work() };
    } finally {
      this.end(who);
    }
  }

  /** Takes a place if there is one. */
  private begin(who: string): boolean {
    const own = this.runningOf.get(who) ?? 0;
    if (this.running >= this.rules.atOnce || own >= this.rules.each) return false;
    this.running += 1;
    this.runningOf.set(who, own + 1);
    return true;
  }

  private end(who: string): void {
    this.running -= 1;
    const own = this.runningOf.get(who)! - 1;
    if (own === 0) this.runningOf.delete(who);
    else this.runningOf.set(who, own);
    for (const [next, list] of [...this.queue]) {
      if (!this.begin(next)) continue;
      const first = list.shift()!;
      // Behind all others: one turn each.
      this.queue.delete(next);
      if (list.length > 0) this.queue.set(next, list);
      first.run();
      if (this.running >= this.rules.atOnce) return;
    }
  }
}
