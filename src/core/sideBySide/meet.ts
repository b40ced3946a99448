/** Which of two saves stands at a place; of words and of added things both can. */
export type Choice = 'mine' | 'theirs' | 'both';

/** A place at which two saves that began alike differ. */
export interface Divergence {
  /** The keys down to it; things of a list by their id. */
  path: readonly string[];
  /** `changed`: both changed it; `taken out`: one took it out, the other changed it. */
  what: 'changed' | 'taken out';
  was: unknown;
  mine: unknown;
  theirs: unknown;
  /** What can be chosen. */
  choices: readonly Choice[];
  /** Null: somebody has to say. */
  chosen: Choice | null;
}

export interface Met<T> {
  /** What comes out, with what is open as they have it. */
  value: T;
  places: Divergence[];
  /** Changes of one side that touch nothing of the other: they stand. */
  onlyMine: number;
  onlyTheirs: number;
}

type Thing = Record<string, unknown>;
const isThing = (x: unknown): x is Thing => typeof x === 'object' && x !== null && !Array.isArray(x);
const hasId = (x: unknown): x is Thing & { id: string } => isThing(x) && typeof x['id'] === 'string';
const isListOfThings = (x: unknown): x is (Thing & { id: string })[] => Array.isArray(x) && x.every(hasId);

/** Whether two values are the same through and through; a key that is not there is as one that is undefined. */
export function isSame(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (Array.isArray(a) && Array.isArray(b)) return a.length === b.length && a.every((x, i) => isSame(x, b[i]));
  if (!isThing(a) || !isThing(b)) return false;
  return [...new Set([...Object.keys(a), ...Object.keys(b)])].every((k) => isSame(a[k], b[k]));
}

/** The key under which a choice for a place is kept. */
export const placeKey = (path: readonly string[]): string => path.join(' / ');

/**
 * Brings two saves together that both began from `was`. What only one side changed stands; what both changed otherwise is
 * a place to choose at, and what one took out while the other changed it is always asked. Things of a list are known by
 * their ids, so that both can add some. `choices` by `placeKey`; without one, words and things are as theirs for the
 * time being. Laws: with nothing changed by one side, the other's comes out; whoever is called mine, the places are the
 * same.
 */
export function meet<T>(was: T, mine: T, theirs: T, choices: ReadonlyMap<string, Choice> = new Map()): Met<T> {
  const places: Divergence[] = [];
  let onlyMine = 0;
  let onlyTheirs = 0;
  const choose = (place: Omit<Divergence, 'chosen'>): Choice | null => {
    const wanted = choices.get(placeKey(place.path));
    const chosen = wanted !== undefined && place.choices.includes(wanted) ? wanted : null;
    places.push({ ...place, chosen });
    return chosen;
  };
  const at = (path: readonly string[], w: unknown, m: unknown, t: unknown): unknown => {
    if (isSame(m, t)) return m;
    if (isSame(w, m)) {
      onlyTheirs += 1;
      return t;
    }
    if (isSame(w, t)) {
      onlyMine += 1;
      return m;
    }
    if (isThing(m) && isThing(t)) {
      const base = isThing(w) ? w : {};
      const keys = [...new Set([...Object.keys(t), ...Object.keys(m)])];
      return Object.fromEntries(keys.map((k) => [k, at([...path, k], base[k], m[k], t[k])]));
    }
    if (isListOfThings(m) && isListOfThings(t)) return list(path, isListOfThings(w) ? w : [], m, t);
    const words =
      typeof m === 'string' && typeof t === 'string' && /\s/.test(`${m} ${t}`.trim()) && m !== '' && t !== '';
    const chosen = choose({
      path,
      what: 'changed',
      was: w,
      mine: m,
      theirs: t,
      choices: words ? ['theirs', 'mine', 'both'] : ['theirs', 'mine'],
    });
    return chosen === 'mine' ? m : chosen === 'both' ? sentences(t as string, m as string) : t;
  };
  const list = (
    path: readonly string[],
    w: readonly (Thing & { id: string })[],
    m: readonly (Thing & { id: string })[],
    t: readonly (Thing & { id: string })[],
  ): unknown[] => {
    const byId = (l: readonly (Thing & { id: string })[]) => new Map<string, Thing>(l.map((x) => [x.id, x]));
    const [was, mine, theirs] = [byId(w), byId(m), byId(t)];
    // In their order, with what is only mine behind what it stands behind in mine.
    const order = t.map((x) => x.id);
    for (const [i, { id }] of m.entries()) {
      if (theirs.has(id)) continue;
      const before = m.slice(0, i).findLast((x) => order.includes(x.id));
      order.splice(before ? order.indexOf(before.id) + 1 : 0, 0, id);
    }
    return order.flatMap((id) => {
      const [a, b, c] = [was.get(id), mine.get(id), theirs.get(id)];
      const here = [...path, id];
      if (b && c) return [at(here, a, b, c)];
      // Added by one of them: it stands. Taken out by one and left as it was by the other: it goes.
      if (!a) {
        if (b) onlyMine += 1;
        else onlyTheirs += 1;
        return [b ?? c];
      }
      if (isSame(a, b ?? c)) {
        if (b) onlyTheirs += 1;
        else onlyMine += 1;
        return [];
      }
      const chosen = choose({ path: here, what: 'taken out', was: a, mine: b, theirs: c, choices: ['theirs', 'mine'] });
      const stands = chosen === 'mine' ? b : chosen === 'theirs' ? c : (b ?? c);
      return stands ? [stands] : [];
    });
  };
  const value = at([], was, mine, theirs) as T;
  return { value, places, onlyMine, onlyTheirs };
}

/** Both sentences, theirs first. */
function sentences(theirs: string, mine: string): string {
  const first = theirs.trim();
  return `${/[.!?…]$/.test(first) ? first : `${first}.`} ${mine.trim()}`;
}
