import * as v from 'valibot';
import { commonStance } from '../../floor/stance';
import { fold } from '../../units/fold';
import { ok } from '../../units/result';
import { ZONES, type Zone } from '../../units/zone';
import {
  ACTION_KINDS,
  EMPTY_STEP,
  isAdvancing,
  isEmptyStep,
  moveOf,
  type Action,
  type ActionKind,
  type BodySide,
  type Move,
  type Sequence,
  type Step,
} from '../move';
import { familyOf, kindInName, NO_WORDS, zoneInName, type Family, type Vocabulary } from '../notation/vocabulary';
import type { OperationKind } from './kind';
import { inLane, LANES, type Lane } from './lane';
import { mirrorStep, otherBodySide } from './mirror';
import { nameNow } from './named';
import { inLaneSaid, stepWords } from './saidOf';

/** Which actions are meant; what is left out does not matter. */
export interface Pattern {
  name?: string | undefined;
  kind?: ActionKind | undefined;
  /** One of several kinds. */
  kinds?: readonly ActionKind[] | undefined;
  family?: Family | undefined;
  zone?: Zone | undefined;
  /** The limb; or whether it is on the side of the forward foot. */
  side?: BodySide | 'lead' | 'rear' | undefined;
  stance?: string | undefined;
  /** The count steps forward without a turn. */
  advancing?: boolean | undefined;
  turning?: boolean | undefined;
}

/**
 * What happens where the pattern fits. A step is written for a match on the right and mirrored for one on the left; a leg
 * that is put in before a count that steps is the leg that is about to step, whatever the hand does. `become` takes the
 * height that the new name says, and keeps what is not named.
 */
export type Replacement =
  | {
      do: 'before';
      step: Step;
      /** The standing foot slides up with the leg that was put in; otherwise it stays. */
      slidesUp?: boolean | undefined;
    }
  | { do: 'after'; step: Step }
  | { do: 'instead'; step: Step }
  | {
      do: 'become';
      name?: string | undefined;
      zone?: Zone | undefined;
      stance?: string | undefined;
      target?: string | undefined;
    }
  | { do: 'remove' };

/** The forward foot of a step: said, or the foot that stepped forward (or the one that did not step back). */
export function leadOf(s: Step): BodySide | null {
  if (s.lead) return s.lead;
  if (!s.foot || s.foot.way === 'draw') return null;
  return Math.abs(s.foot.toward) <= 90 ? s.foot.side : s.foot.side === 'left' ? 'right' : 'left';
}

const sameStance = (a: string | null, b: string): boolean =>
  a !== null && (fold(a) === fold(b) || fold(a) === `${fold(b)} stance`);

/** Walks lane A with the forward foot and the stance that each count inherits from those before. */
export function withStanding(moves: readonly Move[]): { lead: BodySide | null; stance: string | null }[] {
  let lead: BodySide | null = null;
  let stance: string | null = null;
  return moves.map(({ step }) => {
    const own = leadOf(step);
    if (own) lead = own;
    if (step.stance) {
      stance = step.stance;
      const even = commonStance(step.stance);
      if (!own && even?.length === 0) lead = null;
    } else if (step.foot?.way === 'draw') {
      lead = null;
      stance = null;
    }
    return { lead, stance };
  });
}

export function fits(
  p: Pattern,
  action: Action,
  step: Step,
  standing: { lead: BodySide | null; stance: string | null },
): boolean {
  if (p.name !== undefined && fold(p.name) !== fold(action.name)) return false;
  if (p.kind !== undefined && p.kind !== action.kind) return false;
  if (p.kinds !== undefined && !p.kinds.includes(action.kind)) return false;
  if (p.family !== undefined && p.family !== familyOf(action)) return false;
  if (p.zone !== undefined && p.zone !== (action.zone ?? 'middle')) return false;
  if (p.side === 'left' || p.side === 'right') {
    if (action.side !== p.side) return false;
  } else if (p.side !== undefined) {
    if (standing.lead === null || (action.side !== 'left' && action.side !== 'right')) return false;
    if ((action.side === standing.lead) !== (p.side === 'lead')) return false;
  }
  if (p.stance !== undefined && !sameStance(standing.stance, p.stance)) return false;
  if (p.advancing !== undefined && isAdvancing(step) !== p.advancing) return false;
  return p.turning === undefined || (step.turn !== null) === p.turning;
}

/** The leg that a step works with; null where it works with none, or with both. */
const legOf = (step: Step): BodySide | null => {
  const leg = step.actions.find((a) => familyOf(a) === 'foot');
  return leg?.side === 'left' || leg?.side === 'right' ? leg.side : null;
};

/** The step that comes before a count: with the leg that is about to step, or else on the side of the match. */
function putBefore(r: Extract<Replacement, { do: 'before' }>, next: Step, match: BodySide): Step {
  const leg = legOf(r.step);
  const steps = next.foot && next.foot.way !== 'draw' && next.foot.way !== 'jump' ? next.foot.side : null;
  const mirrored = leg && steps ? leg !== steps : match === 'left';
  const step = mirrored ? mirrorStep(r.step) : r.step;
  const own = legOf(step);
  return r.slidesUp && own && step.foot === null
    ? { ...step, foot: { side: otherBodySide(own), way: 'slide', toward: 0 } }
    : step;
}

/**
 * Replaces, inserts or removes wherever the pattern fits an action of lane A. Turns and steps of the other counts stay;
 * a section begins with what is put before its first count. With the identity (`become` nothing) nothing changes.
 */
export function substitute(
  seq: Sequence,
  pattern: Pattern,
  replacement: Replacement,
  vocabulary: Vocabulary = NO_WORDS,
): Sequence {
  const standing = withStanding(seq.moves);
  let carried: Move['begins'] = [];
  const moves = seq.moves.flatMap((move, i): Move[] => {
    const inherits = carried;
    carried = [];
    const m =
      inherits.length > 0
        ? {
            ...move,
            begins: [
              ...inherits.filter((c) => !move.begins.some((b) => b.sectioning === c.sectioning)),
              ...move.begins,
            ],
          }
        : move;
    const hit = m.step.actions.filter((a) => fits(pattern, a, m.step, standing[i]!));
    if (hit.length === 0) return [m];
    const made = (step: Step) => (hit[0]!.side === 'left' ? mirrorStep(step) : step);
    const first = hit[0]!.side === 'left' ? 'left' : 'right';
    switch (replacement.do) {
      case 'before':
        return [
          { ...moveOf(putBefore(replacement, m.step, first), m.partner && EMPTY_STEP), begins: m.begins },
          { ...m, begins: [] },
        ];
      case 'after':
        return [m, moveOf(made(replacement.step), m.partner && EMPTY_STEP)];
      case 'instead':
        return [{ ...m, step: made(replacement.step) }];
      case 'become': {
        const { name, stance, target } = replacement;
        const zone = replacement.zone ?? (name === undefined ? null : zoneInName(name, vocabulary)) ?? undefined;
        const actions = m.step.actions.map((a) =>
          !hit.includes(a)
            ? a
            : {
                ...a,
                ...(name === undefined ? {} : { name, kind: kindInName(name, vocabulary) ?? a.kind }),
                ...(zone === undefined ? {} : { zone }),
                ...(target === undefined ? {} : { target }),
              },
        );
        return [{ ...m, step: { ...m.step, actions, ...(stance === undefined ? {} : { stance }) } }];
      }
      case 'remove': {
        const step = { ...m.step, actions: m.step.actions.filter((a) => !hit.includes(a)) };
        const nothingLeft =
          step.actions.length === 0 && step.turn === null && step.foot === null && step.stance === null;
        if (!nothingLeft || (m.partner !== null && !isEmptyStep(m.partner))) return [{ ...m, step }];
        carried = m.begins;
        return [];
      }
    }
  });
  return { ...seq, moves };
}

function patternWords(p: Pattern): string {
  const noun = p.name ?? (p.family && !p.kind ? `${p.family} technique` : (p.kind ?? 'technique'));
  const before = [
    p.advancing === true ? 'advancing' : p.advancing === false ? 'standing' : '',
    p.turning === true ? 'turning' : '',
    p.side ?? '',
    p.zone ?? '',
  ].filter(Boolean);
  return [...before, noun].join(' ') + (p.stance ? ` in ${p.stance}` : '');
}

export interface SubstituteOperation {
  op: 'substitute';
  pattern: Pattern;
  replacement: Replacement;
  lane?: Lane | undefined;
}
export const substituteKind: OperationKind<SubstituteOperation> = {
  op: 'substitute',
  shape: ({ line, step }) =>
    v.object({
      op: v.literal('substitute'),
      pattern: v.object({
        name: v.optional(line),
        kind: v.optional(v.picklist(ACTION_KINDS)),
        kinds: v.optional(v.pipe(v.array(v.picklist(ACTION_KINDS)), v.minLength(1), v.maxLength(ACTION_KINDS.length))),
        family: v.optional(v.picklist(['hand', 'foot', 'weapon', 'body'])),
        zone: v.optional(v.picklist(ZONES)),
        side: v.optional(v.picklist(['left', 'right', 'lead', 'rear'])),
        stance: v.optional(line),
        advancing: v.optional(v.boolean()),
        turning: v.optional(v.boolean()),
      }),
      replacement: v.variant('do', [
        v.object({ do: v.literal('before'), step, slidesUp: v.optional(v.boolean()) }),
        v.object({ do: v.literal('after'), step }),
        v.object({ do: v.literal('instead'), step }),
        v.object({
          do: v.literal('become'),
          name: v.optional(line),
          zone: v.optional(v.picklist(ZONES)),
          stance: v.optional(line),
          target: v.optional(line),
        }),
        v.object({ do: v.literal('remove') }),
      ]),
      lane: v.optional(v.picklist(LANES)),
    }),
  apply: (seq, o, { vocabulary }) => {
    const { name } = o.pattern;
    const pattern = name === undefined ? o.pattern : { ...o.pattern, name: nameNow(name, vocabulary) };
    return ok(inLane(seq, o.lane ?? 'A', (s) => substitute(s, pattern, o.replacement, vocabulary)));
  },
  words: (o) => {
    const what = patternWords(o.pattern) + inLaneSaid(o.lane);
    const r = o.replacement;
    if (r.do === 'remove') return `without each ${what}`;
    if (r.do === 'become') {
      const to = [r.zone ?? '', r.name ?? '', r.target === undefined ? '' : `at ${r.target}`].filter(Boolean).join(' ');
      const stance = r.stance ? `${to ? ' ' : ''}in ${r.stance}` : '';
      return `each ${what} becomes ${to || (r.stance ? '' : 'what it was')}${stance}`.replace(/ {2,}/g, ' ');
    }
    const step = stepWords(r.step);
    const slides = r.do === 'before' && r.slidesUp ? ', the standing foot sliding up' : '';
    return r.do === 'instead' ? `${step} in place of each ${what}` : `${step} ${r.do} each ${what}${slides}`;
  },
};
