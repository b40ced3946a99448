/**
 * Puts what is new of a list among what is there: each after the one before it in the list, or before the next one that is
 * there; at the end where the list knows none of those there. What is there keeps its own order. `here` and `list` hold
 * each thing once.
 */
export function mergeOrder<T>(here: readonly T[], list: readonly T[]): T[] {
  const out = [...here];
  list.forEach((x, i) => {
    if (out.includes(x)) return;
    const before = i === 0 ? -1 : out.indexOf(list[i - 1]!);
    const after = list.slice(i + 1).find((y) => out.includes(y));
    const at = before >= 0 ? before + 1 : after === undefined ? out.length : out.indexOf(after);
    out.splice(at, 0, x);
  });
  return out;
}
