import type { SequenceKind } from '../sequence/move';
import type { TechniqueKind } from '../technique/technique';
import { BODY_PARTS, type BodyPart } from '../technique/point';
import { fold } from '../units/fold';
import type { PlainDate } from '../units/plainDate';

/** With what something lands. */
export type Limbs = 'hands' | 'legs';

/** Work that is laid off: by an injury that says in words what rests, by a pause that names the item, or by open skin. */
export interface Resting {
  what: string;
  until: PlainDate | null;
  /** The item of a pause; null: the words say what rests. */
  itemKey: string | null;
  /** Only what lands on something rests, a post, a bag, a pad, with these limbs. */
  impact?: Limbs;
}

/** An item as far as rest goes. */
export interface RestedItem {
  key: string;
  name: string;
  kind: TechniqueKind | SequenceKind;
  bodyParts: readonly BodyPart[];
  partner: boolean;
  /** What lands on something. */
  impact: readonly Limbs[];
}

/** Why an item rests, and how much of it: the parts of the body that are named, or null where all of it does. */
export interface Rest extends Resting {
  parts: readonly BodyPart[] | null;
}

const KIND_WORDS: Partial<Record<TechniqueKind | SequenceKind, RegExp>> = {
  kick: /\bkick/,
  strike: /\b(strike|striking|punch)/,
  block: /\bblock/,
  fall: /\b(fall|roll|throw)/,
  'weapon cut': /\b(weapon|staff|cut)/,
  grip: /\bgrip/,
  'partner drill': /\b(partner|contact|drill)/,
  'equipment set': /\b(post|bag|pad|impact|equipment)/,
  form: /\bform/,
};
const PART_WORDS: Partial<Record<BodyPart, RegExp>> = {
  feet: /\b(foot|feet|ankle|toe|heel)/,
  knees: /\bknee/,
  hips: /\b(hip|groin)/,
  trunk: /\b(back|trunk|rib|chest|belly)/,
  shoulders: /\bshoulder/,
  limb: /\b(arm|elbow|leg|shin)/,
  hand: /\b(hand|wrist|finger|thumb|fist|knuckle)/,
};
const EVERYTHING = /\b(everything|all work|all training|no training)\b/;

/**
 * Why an item rests for somebody on a day, or null: a pause names it; open skin rests what the hands strike; an injury's words name it, its kind, or a part of
 * the body that the item is looked at by. What lays all of it off goes before what lays off a part, and parts add up. When
 * in doubt it rests: the teacher decides, and local rules and a doctor's word come first.
 */
export function restsWork(item: RestedItem, resting: readonly Resting[]): Rest | null {
  let first: Resting | null = null;
  const named = new Set<BodyPart>();
  for (const r of resting) {
    if (r.itemKey !== null) {
      if (r.itemKey === item.key) return { ...r, parts: null };
      continue;
    }
    if (r.impact) {
      if (item.impact.includes(r.impact)) return { ...r, parts: null };
      continue;
    }
    const words = fold(r.what);
    const whole =
      EVERYTHING.test(words) ||
      words.includes(fold(item.name)) ||
      KIND_WORDS[item.kind]?.test(words) ||
      (item.partner && KIND_WORDS['partner drill']!.test(words));
    if (whole) return { ...r, parts: null };
    const parts = BODY_PARTS.filter((b) => PART_WORDS[b]?.test(words));
    if (!parts.some((b) => item.bodyParts.includes(b))) continue;
    first ??= r;
    for (const b of parts) named.add(b);
  }
  return first && { ...first, parts: [...named] };
}
