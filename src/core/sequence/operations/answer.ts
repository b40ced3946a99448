import { fold } from '../../units/fold';
import type { Zone } from '../../units/zone';
import { EMPTY_STEP, type Action, type ActionKind, type Move, type Sequence, type Step } from '../move';
import { mirrorStep } from './mirror';

/**
 * From an attack to its defence. The first rule that fits is taken; the defence is written for an attack with the
 * attacker's right and mirrored for the left.
 */
export interface AnswerRule {
  name?: string | undefined;
  kind?: ActionKind | undefined;
  zone?: Zone | undefined;
  /** The attacker's limb, where the answer depends on it. */
  side?: 'left' | 'right' | undefined;
  step: Step;
}

const act = (name: string, kind: ActionKind, side: Action['side'], zone: Zone): Action => ({
  name,
  kind,
  side,
  zone,
  path: null,
  target: null,
});

/**
 * Answers where the school has not said otherwise: common practice, no source. The partners face each other, so an
 * attack with the right comes to the defender's left; a leg is met by going back and out, not by an arm.
 */
export const COMMON_ANSWERS: readonly AnswerRule[] = [
  {
    kind: 'kick',
    step: {
      ...EMPTY_STEP,
      foot: { side: 'right', way: 'slide', toward: 135 },
      actions: [act('evade', 'evasion', 'none', 'middle')],
    },
  },
  { name: 'hook punch', step: { ...EMPTY_STEP, actions: [act('duck', 'evasion', 'none', 'upper')] } },
  { kind: 'strike', zone: 'upper', step: { ...EMPTY_STEP, actions: [act('rising block', 'block', 'left', 'upper')] } },
  { kind: 'strike', zone: 'middle', step: { ...EMPTY_STEP, actions: [act('inner block', 'block', 'left', 'middle')] } },
  { kind: 'strike', zone: 'lower', step: { ...EMPTY_STEP, actions: [act('low block', 'block', 'left', 'lower')] } },
  { kind: 'weapon cut', step: { ...EMPTY_STEP, foot: { side: 'right', way: 'step', toward: 135 } } },
  { kind: 'grip', step: { ...EMPTY_STEP, actions: [act('pull free', 'grip', 'left', 'middle')] } },
];

const ruleFor = (attack: Action, rules: readonly AnswerRule[]): AnswerRule | undefined =>
  rules.find(
    (r) =>
      (r.name === undefined || fold(r.name) === fold(attack.name)) &&
      (r.kind === undefined || r.kind === attack.kind) &&
      (r.side === undefined || r.side === attack.side) &&
      (r.zone === undefined || r.zone === (attack.zone ?? 'middle')),
  );

export interface Answered {
  sequence: Sequence;
  /** Counts (1-based) whose attack no rule answers. */
  unanswered: number[];
  /** Rules (their places, from 0) that no attack asked for. */
  unused: number[];
}

/** Writes lane B: for each attack in lane A the defence of the first rule that fits. What stands in lane B already is replaced. */
export function answer(seq: Sequence, rules: readonly AnswerRule[] = COMMON_ANSWERS): Answered {
  const unanswered: number[] = [];
  const used = new Set<AnswerRule>();
  const moves = seq.moves.map((m, i): Move => {
    const attack = m.step.actions.find((a) => ['strike', 'kick', 'weapon cut', 'grip'].includes(a.kind));
    if (!attack) return { ...m, partner: EMPTY_STEP };
    const rule = ruleFor(attack, rules);
    if (!rule) {
      unanswered.push(i + 1);
      return { ...m, partner: EMPTY_STEP };
    }
    used.add(rule);
    return { ...m, partner: attack.side === 'left' ? mirrorStep(rule.step) : rule.step };
  });
  return {
    sequence: { ...seq, about: { ...seq.about, kind: 'partner drill' }, moves },
    unanswered,
    unused: rules.flatMap((r, i) => (used.has(r) ? [] : [i])),
  };
}

/** The partners change roles: lane A becomes lane B. Done twice it gives the start. A sequence of one performer stays. */
export const swapRoles = (seq: Sequence): Sequence => ({
  ...seq,
  moves: seq.moves.map((m) => (m.partner === null ? m : { ...m, step: m.partner, partner: m.step })),
});
