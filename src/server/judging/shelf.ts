/** Keeps things up to a size of all together; what was asked for longest ago goes first, the newest always stays. */
export class Shelf<T> {
  private readonly things = new Map<string, { value: T; size: number }>();
  private size = 0;

  constructor(private readonly most: number) {}

  get(key: string): T | undefined {
    const found = this.things.get(key);
    if (!found) return undefined;
    this.things.delete(key);
    this.things.set(key, found);
    return found.value;
  }

  put(key: string, value: T, size: number): void {
    this.drop(key);
    this.things.set(key, { value, size });
    this.size += size;
    for (const oldest of this.things.keys()) {
      if (this.size <= this.most || oldest === key) return;
      this.drop(oldest);
    }
  }

  private drop(key: string): void {
    this.size -= this.things.get(key)?.size ?? 0;
    this.things.delete(key);
  }
}
