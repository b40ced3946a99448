import { distance } from 'fastest-levenshtein';
import type { StanceGeometry } from '../../floor/stance';
import type { ContactKind } from '../../technique/ceiling';
import { fold } from '../../units/fold';
import type { Zone } from '../../units/zone';
import type { ActionKind } from '../move';

/** A technique as the notation knows it. */
export interface Word {
  id: string;
  /** As it stands in the library. */
  name: string;
  kind: ActionKind | 'stance' | 'step' | 'turn';
  zone: Zone | null;
  /** Names in other languages; each finds the technique too. */
  terms: readonly string[];
  retired: boolean;
  geometry: StanceGeometry | null;
  /** Place of the lowest rank that asks for it, lowest 0; null: no rank asks for it. */
  rank: number | null;
  /** The farthest it may go: condition, and contact. Empty strings say nothing. */
  ceiling: { condition: string; kind: ContactKind | null; contact: string; targets: string } | null;
}

export interface Vocabulary {
  words: readonly Word[];
  find(text: string): Word | undefined;
  /** Known names nearest to what was written, nearest first; none that shares little with it. */
  near(text: string, kinds?: (w: Word) => boolean): string[];
}

/** As a name is written in a line: its first letter small, unless it is an abbreviation. */
export const written = (name: string): string =>
  name.length > 1 && name[1] === name[1]!.toLowerCase() ? name[0]!.toLowerCase() + name.slice(1) : name;

/** Nobody means a name by more letters. */
const LONGEST_GUESSED = 60;

/** `suggests: false` names nothing near: where nobody reads the suggestions they only cost time. */
export function makeVocabulary(words: readonly Word[], { suggests = true } = {}): Vocabulary {
  const byText = new Map<string, Word>();
  // Names win over terms, and what is in use wins over what is retired.
  const ordered = [...words].sort((a, b) => Number(a.retired) - Number(b.retired));
  for (const w of ordered) if (!byText.has(fold(w.name))) byText.set(fold(w.name), w);
  for (const w of ordered) for (const t of w.terms) if (!byText.has(fold(t))) byText.set(fold(t), w);
  const known = ordered.filter((w) => !w.retired);
  return {
    words,
    find: (text) => byText.get(fold(text)),
    near: (text, kinds = () => true) => {
      const wanted = fold(text);
      if (!suggests || wanted.length > LONGEST_GUESSED) return [];
      return known
        .filter(kinds)
        .map((w) => {
          const names = [w.name, ...w.terms].map(fold);
          const far = Math.min(
            ...names.map((n) => (n.includes(wanted) || wanted.includes(n) ? 1 : distance(n, wanted))),
          );
          return { name: written(w.name), far };
        })
        .filter((n) => n.far <= Math.max(2, Math.ceil(wanted.length * 0.4)))
        .sort((a, b) => a.far - b.far || a.name.localeCompare(b.name))
        .slice(0, 3)
        .map((n) => n.name);
    },
  };
}

export const NO_WORDS: Vocabulary = makeVocabulary([]);

// What a name says by itself, in any library: its last telling word gives the kind, any of its words the height.
const KIND_WORDS: Record<string, ActionKind> = Object.fromEntries(
  (
    [
      ['strike', 'punch strike jab elbow palm backfist hammer uppercut hook chop claw spear knuckles knee'],
      ['kick', 'kick'],
      ['block', 'block parry ward cover check brush'],
      ['weapon cut', 'cut thrust sweep slash'],
      ['grip', 'grip grab pull lock hold push'],
      ['hand shape', 'touch fist hand'],
      ['fall', 'fall roll'],
      ['evasion', 'slip duck evade lean weave'],
    ] as const
  ).flatMap(([kind, words]) => words.split(' ').map((w) => [w, kind])),
);
const ZONE_WORDS: Record<string, Zone> = {
  rising: 'upper',
  upper: 'upper',
  high: 'upper',
  head: 'upper',
  middle: 'middle',
  mid: 'middle',
  inner: 'middle',
  outer: 'middle',
  low: 'lower',
  lower: 'lower',
};

export function kindInName(name: string, vocabulary: Vocabulary): ActionKind | null {
  const word = vocabulary.find(name);
  if (word && word.kind !== 'stance' && word.kind !== 'step' && word.kind !== 'turn') return word.kind;
  const words = fold(name).split(' ').reverse();
  for (const w of words) if (Object.hasOwn(KIND_WORDS, w)) return KIND_WORDS[w]!;
  return null;
}

export function zoneInName(name: string, vocabulary: Vocabulary): Zone | null {
  const word = vocabulary.find(name);
  if (word?.zone) return word.zone;
  for (const w of fold(name).split(' ')) if (Object.hasOwn(ZONE_WORDS, w)) return ZONE_WORDS[w]!;
  return null;
}

export type Family = 'hand' | 'foot' | 'weapon' | 'body';
/** What does the work: hand, foot (a knee is one), weapon, or the whole body. */
export const familyOf = (action: { name: string; kind: ActionKind }): Family =>
  action.kind === 'kick' || /\bknee\b/i.test(action.name)
    ? 'foot'
    : action.kind === 'weapon cut'
      ? 'weapon'
      : action.kind === 'fall' || action.kind === 'evasion'
        ? 'body'
        : 'hand';
