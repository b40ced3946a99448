import { diffArrays } from 'diff';
import type { Move, Sequence } from '../move';
import { printMove } from '../notation/print';

/**
 * One hand edit on a derived sequence: at which computed count it stood, what the recipe gave there, what stands there
 * instead. `was` null: inserted behind `after` (null: before the first); `becomes` null: left out.
 */
export interface Departure {
  /** Count of the computed sequence, 1-based; 0 for an insertion before the first. */
  at: number;
  was: Move | null;
  becomes: Move | null;
  /** For an insertion: the computed move it follows. */
  after: Move | null;
}

const key = (m: Move): string => printMove(m).join('\n');

/** The hand edits that make `edited` of `computed`, as few as there are. */
export function findDepartures(computed: readonly Move[], edited: readonly Move[]): Departure[] {
  const out: Departure[] = [];
  const parts = diffArrays(computed.map(key), edited.map(key));
  let at = 0;
  let here = 0;
  for (let i = 0; i < parts.length; i++) {
    const p = parts[i]!;
    if (!p.added && !p.removed) {
      at += p.count;
      here += p.count;
      continue;
    }
    const next = parts[i + 1];
    const paired = next && p.added !== next.added && (next.added || next.removed) ? next : null;
    const gone = p.removed ? p.count : paired?.removed ? paired.count : 0;
    const come = p.added ? p.count : paired?.added ? paired.count : 0;
    for (let k = 0; k < Math.max(gone, come); k++) {
      const was = k < gone ? computed[at + k]! : null;
      const becomes = k < come ? edited[here + k]! : null;
      const place = was ? at + k + 1 : at + gone;
      out.push({ at: place, was, becomes, after: was ? null : (computed[place - 1] ?? null) });
    }
    at += gone;
    here += come;
    if (paired) i++;
  }
  return out;
}

export interface Departed {
  moves: Move[];
  /** For each move of the result: the departure it comes from, or null if the recipe gave it. */
  from: (Departure | null)[];
  /** Computed counts left out by hand: after which move of the result (0 for before the first). */
  gaps: { after: number; departure: Departure }[];
  /** Hand edits whose place is not there any more: reported, not dropped. */
  unfit: Departure[];
}

/**
 * Lays hand edits on what the recipe gives now. Each finds its place by the move it stood on (the nearest of its equals
 * to where it was); one whose move is gone does not fit any more. An insertion stays behind the count it followed.
 */
export function applyDepartures(computed: readonly Move[], departures: readonly Departure[]): Departed {
  const keys = computed.map(key);
  const taken = new Map<number, Departure>();
  const inserted = new Map<number, Departure[]>();
  const unfit: Departure[] = [];
  // Shift of the places so far: what came or went above moves all that follows.
  let drift = 0;
  const nearest = (move: Move, at: number, free: (i: number) => boolean) => {
    const wanted = key(move);
    let best = -1;
    for (let i = 0; i < keys.length; i++) {
      if (keys[i] !== wanted || !free(i)) continue;
      if (best < 0 || Math.abs(i - at) < Math.abs(best - at)) best = i;
    }
    if (best >= 0) drift += best - at;
    return best;
  };
  for (const d of departures) {
    const expected = d.at - 1 + drift;
    if (d.was === null) {
      const place = d.after === null ? 0 : nearest(d.after, expected, () => true) + 1;
      if (d.after !== null && place === 0) unfit.push(d);
      else inserted.set(place, [...(inserted.get(place) ?? []), d]);
      continue;
    }
    const best = nearest(d.was, expected, (i) => !taken.has(i));
    if (best < 0) unfit.push(d);
    else taken.set(best, d);
  }
  const moves: Move[] = [];
  const from: (Departure | null)[] = [];
  const gaps: Departed['gaps'] = [];
  const insert = (place: number) => {
    for (const d of inserted.get(place) ?? []) {
      moves.push(d.becomes!);
      from.push(d);
    }
  };
  insert(0);
  for (const [i, m] of computed.entries()) {
    const d = taken.get(i);
    if (!d) {
      moves.push(m);
      from.push(null);
    } else if (d.becomes) {
      moves.push(d.becomes);
      from.push(d);
    } else {
      gaps.push({ after: moves.length, departure: d });
    }
    insert(i + 1);
  }
  return { moves, from, gaps, unfit };
}

/** The sequence as it stands: what the recipe gives, with the hand edits on it. */
export const withDepartures = (
  computed: Sequence,
  departures: readonly Departure[],
): Sequence & { departed: Departed } => {
  const departed = applyDepartures(computed.moves, departures);
  return { ...computed, moves: departed.moves, departed };
};
