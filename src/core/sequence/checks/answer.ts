import type { Action, Step } from '../move';
import type { Check } from './finding';

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

/** With a partner every answer reaches its attack. */
export const answer: Check = ({ seq, found }) => {
  let attacks = 0;
  let met = true;
  for (const [i, m] of seq.moves.entries()) {
    if (!m.partner) continue;
    const attack = m.step.actions.find((a) => a.kind === 'strike' || a.kind === 'kick' || a.kind === 'weapon cut');
    if (!attack) continue;
    attacks++;
    const why = cannotMeet(attack, m.partner);
    if (!why) continue;
    met = false;
    found(attack.kind === 'kick' ? 'leg met by arm' : 'answer', false, [i + 1], `Count ${i + 1}: ${why}.`);
  }
  if (attacks > 0 && met) found('answer', true, [], 'Every answer reaches its attack.');
};
