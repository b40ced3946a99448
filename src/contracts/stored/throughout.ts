export type Plain = Record<string, unknown>;
export const isPlain = (x: unknown): x is Plain => typeof x === 'object' && x !== null && !Array.isArray(x);

/**
 * Goes through all of a document, from the inside out, and gives every object in it to `change`: what is to be brought to
 * a later shape may stand at many places of what is kept.
 */
export function throughout(before: unknown, change: (object: Plain) => unknown): unknown {
  if (Array.isArray(before)) return before.map((x) => throughout(x, change));
  if (!isPlain(before)) return before;
  return change(Object.fromEntries(Object.entries(before).map(([k, x]) => [k, throughout(x, change)])));
}
