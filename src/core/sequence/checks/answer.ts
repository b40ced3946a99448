import { atHeld } from '../held';
import type { Action, Move, Step } from '../move';
import { countsSaid, type Check } from './finding';

/** Whether a defence can meet an attack, or why not (F 9, F 11; common practice, no source). */
export function cannotMeet(attack: Action, defence: Step): string | null {
  const zone = attack.zone ?? 'middle';
  const block = defence.actions.find((a) => a.kind === 'block');
  const away = defence.foot !== null && Math.abs(defence.foot.toward) >= 30;
  if (attack.kind === 'kick') {
    if (block && !away) return 'an arm does not stop a leg: go back and lead it past';
    return null;
  }
  if (!block) return null;
  const at = block.zone ?? 'middle';
  if (at !== zone) return `a block at the ${at} height does not meet an attack at the ${zone}`;
  // Face to face, the attacker's right comes to the defender's left. An outer block starts at the centre and moves out.
  const comes = attack.side === 'left' ? 'right' : attack.side === 'right' ? 'left' : null;
  if (comes && /\bouter\b/i.test(block.name) && block.side !== 'none' && block.side !== 'both' && block.side !== comes)
    return `an outer block with the ${block.side} moves away from an attack with the ${attack.side}`;
  return null;
}

/** What is struck, kicked or cut with comes at somebody; a push, a grip and a touch do as well. */
const ATTACKS: readonly Action['kind'][] = ['strike', 'kick', 'weapon cut', 'grip', 'hand shape'];
/** What only answers: by itself it is no work at a partner. */
const ANSWERS: readonly Action['kind'][] = ['block', 'evasion'];
const blocksIn = (s: Step): boolean => s.actions.some((a) => ANSWERS.includes(a.kind));
const attackIn = (s: Step): Action | undefined => s.actions.find((a) => ATTACKS.includes(a.kind));
/** Whether nobody has to answer: what strikes while it blocks answers itself, and work at what is held or shown is wanted. */
const asksForNone = (attack: Action, one: Step, other: Step): boolean =>
  blocksIn(one) || atHeld(attack) || other.cue !== null;
/** What a step does against an attack: anything with a limb, or a foot that leaves the line. */
const answersIn = (s: Step): boolean =>
  s.free || s.cue !== null || s.actions.length > 0 || s.foot !== null || s.turn !== null;

const lanesOf = (m: Move): [Step, Step][] =>
  m.partner
    ? [
        [m.step, m.partner],
        [m.partner, m.step],
      ]
    : [];

/** With a partner every attack of either is answered, and every answer reaches its attack. */
export const answer: Check = ({ seq, found }) => {
  // Lanes that go round by themselves meet in another way each round.
  if (seq.about.apart) return;
  const alone: number[] = [];
  const nothing: number[] = [];
  let attacks = 0;
  let met = true;
  for (const [i, m] of seq.moves.entries())
    for (const [one, other] of lanesOf(m)) {
      const attack = attackIn(one);
      if (!attack) {
        if (blocksIn(one) && !other.free && other.cue === null && !other.actions.some((a) => ATTACKS.includes(a.kind)))
          nothing.push(i + 1);
        continue;
      }
      attacks++;
      if (!answersIn(other)) {
        if (!asksForNone(attack, one, other)) alone.push(i + 1);
        continue;
      }
      const why = cannotMeet(attack, other);
      if (!why) continue;
      met = false;
      found(attack.kind === 'kick' ? 'leg met by arm' : 'answer', false, [i + 1], `Count ${i + 1}: ${why}.`);
    }
  if (alone.length > 0)
    found('answer', false, alone, `${countsSaid(alone)}: nobody answers the attack; “free” leaves an answer open.`);
  if (nothing.length > 0) found('answer', false, nothing, `${countsSaid(nothing)}: the answer meets nothing.`);
  if (attacks > 0 && met && alone.length === 0 && nothing.length === 0)
    found('answer', true, [], 'Every attack is answered, and every answer reaches it.');
};
