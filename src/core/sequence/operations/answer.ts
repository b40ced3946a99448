import * as v from 'valibot';
import { fold } from '../../units/fold';
import { ok } from '../../units/result';
import { ZONES, type Zone } from '../../units/zone';
import { listInWords, plural } from '../../words/speak';
import { ACTION_KINDS, EMPTY_STEP, type Action, type ActionKind, type Move, type Sequence, type Step } from '../move';
import type { OperationKind, Sources } from './kind';
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

/** Answers that the library does not have: a rule of common practice may propose what a school calls otherwise. */
function lacking(seq: Sequence, vocabulary: Sources['vocabulary']): string[] {
  if (vocabulary.words.length === 0) return [];
  const names = [...new Set(seq.moves.flatMap((m) => m.partner?.actions.map((a) => a.name) ?? []))];
  const none = names.filter((n) => !vocabulary.find(n));
  return none.length > 0 ? [`the library has no ${listInWords(none)}: write rules of your own.`] : [];
}

export interface AnswerOperation {
  op: 'answer';
  /** Rules of its own; none: common practice. */
  rules?: readonly AnswerRule[] | undefined;
}
export const answerKind: OperationKind<AnswerOperation> = {
  op: 'answer',
  shape: ({ line, step }) =>
    v.object({
      op: v.literal('answer'),
      rules: v.optional(
        v.pipe(
          v.array(
            v.object({
              name: v.optional(line),
              kind: v.optional(v.picklist(ACTION_KINDS)),
              zone: v.optional(v.picklist(ZONES)),
              side: v.optional(v.picklist(['left', 'right'], 'A side is left or right.')),
              step,
            }),
          ),
          v.minLength(1, 'Write at least one rule, or leave the rules to common practice.'),
          v.maxLength(60, 'At most sixty rules.'),
        ),
      ),
    }),
  apply: (seq, o) => ok(answer(seq, o.rules ?? COMMON_ANSWERS).sequence),
  words: (o) => (o.rules ? 'each attack answered by its own rules' : 'each attack answered'),
  effects: (o, before, after, _same, { vocabulary }) => {
    const { unanswered, unused } = answer(before, o.rules ?? COMMON_ANSWERS);
    return [
      ...(unanswered.length > 0
        ? [`no rule answers ${plural(unanswered.length, 'count')} ${listInWords(unanswered.map(String))}.`]
        : []),
      ...(o.rules && unused.length > 0
        ? [`${plural(unused.length, 'rule')} ${listInWords(unused.map((i) => String(i + 1)))} met no attack.`]
        : []),
      ...lacking(after, vocabulary),
    ];
  },
};
