/** What one line of a list will do, before anything is done. */
export interface TakingLine<T> {
  name: string;
  /** What comes in; null where it stays out. */
  takes: T | null;
  /** Whether it is here already, and nothing has to be done: it neither comes nor is wrong. */
  isHere?: boolean;
  /** What will happen, or why it stays out. */
  said: string;
  /** A second thing to know of it. */
  more?: string;
  /** Which line of the list it is, where that helps to find it. */
  at?: number;
  /** As it stands in the source: it is kept there if it stays out. */
  source: string;
}

/** How far a taking got: what was taken, and why it went no further. */
export interface Took<T> {
  taken: T[];
  wrong: string;
}

/** A source that was read: line by line, or why none of it can be. */
export interface Reading<T> {
  lines: TakingLine<T>[];
  wrong: string;
}

/** The source without what was taken: what stays out is kept to be mended. JSON stays a list. */
export function whatStays<T>(
  source: string,
  lines: readonly TakingLine<T>[],
  taken: ReadonlySet<TakingLine<T>>,
  join: string,
): string {
  const left = lines.filter((l) => !taken.has(l) && !l.isHere).map((l) => l.source);
  if (left.length === 0) return '';
  return /^\s*[{[]/.test(source) ? `[\n${left.join(',\n')}\n]` : left.join(join);
}
