/** What is shown of one thing: what the device has, and what was tapped last, which may still be on its way there. */
export interface Seen<V> {
  stored: V | undefined;
  wanted: V | undefined;
}

/**
 * Runs ahead of the device: taps come quicker than a disk writes, and a disk may refuse. Of each thing the newest value is
 * wanted; it is written over what the device really has, one after the other. A write that fails loses nothing: the
 * value stays wanted, later taps are laid upon it, and it is tried again with the next tap or by `retry`.
 */
export class Ahead<K, V> {
  private readonly stored: Map<K, V>;
  private readonly wanted = new Map<K, V>();
  private running: Promise<void> | null = null;
  private failed = '';

  constructor(
    /**
     * Writes a value over what the device has of the thing and says what it has then; throws in plain words if it cannot.
     */
    private readonly write: (key: K, value: V, over: V | undefined) => Promise<V | undefined>,
    private readonly changed: () => void = () => undefined,
    begun: Iterable<readonly [K, V]> = [],
  ) {
    this.stored = new Map(begun);
  }

  /** What the device has. */
  has(key: K): V | undefined {
    return this.stored.get(key);
  }
  /** What was set last, or what the device has. */
  latest(key: K): V | undefined {
    return this.wanted.get(key) ?? this.stored.get(key);
  }
  /** All things that the device has. */
  entries(): [K, V][] {
    return [...this.stored];
  }
  /** Why something is not on the device yet; empty: all is. */
  get problem(): string {
    return this.failed;
  }

  set(key: K, value: V): void {
    // A thing that is set again goes last, as it was done.
    this.wanted.delete(key);
    this.wanted.set(key, value);
    this.changed();
    void this.retry();
  }

  /** Forgets a thing here; what the device has of it stays there. */
  forget(key: K): void {
    this.wanted.delete(key);
    this.stored.delete(key);
    this.changed();
  }

  /** Writes what is wanted; resolves when all of it is on the device or one could not be written. */
  retry(): Promise<void> {
    this.running ??= this.run().finally(() => {
      this.running = null;
    });
    return this.running;
  }

  /** Resolves when everything is on the device: true, or false where something could not be written. */
  async settled(): Promise<boolean> {
    await this.retry();
    return this.wanted.size === 0;
  }

  private async run(): Promise<void> {
    for (;;) {
      const [first] = this.wanted;
      if (!first) break;
      const [key, value] = first;
      let now: V | undefined;
      try {
        now = await this.write(key, value, this.stored.get(key));
      } catch (error) {
        this.failed = error instanceof Error ? error.message : 'The mark is not kept yet.';
        this.changed();
        return;
      }
      if (now === undefined) this.stored.delete(key);
      else this.stored.set(key, now);
      if (this.wanted.get(key) === value) this.wanted.delete(key);
      this.failed = '';
      this.changed();
    }
    if (this.failed !== '') {
      this.failed = '';
      this.changed();
    }
  }
}
