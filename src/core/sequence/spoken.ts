import type { At } from '../floor/trace';
import { listInWords, oneOfInWords } from '../words/speak';
import type { Action, Move, Step } from './move';

/** Whether a name tells a height by itself: “rising block”. */
export const saysHeight = (name: string): boolean => /\b(high|low|rising|upper|lower|middle)\b/i.test(name);

/** An action as it is called: “rising block right”. */
export const actionSaid = (a: Action): string =>
  [a.name, a.side === 'none' ? '' : a.side, a.target ? `at ${a.target}` : ''].filter(Boolean).join(' ');

const directionSaid = (toward: number) =>
  toward === 0
    ? 'forward'
    : toward === 180
      ? 'back'
      : toward === 90
        ? 'to the right'
        : toward === -90
          ? 'to the left'
          : `${Math.abs(toward)} degrees to the ${toward < 0 ? 'left' : 'right'}`;

/** A count of one performer in full words, for those who listen instead of looking. */
export function stepSaid(s: Step, at?: At): string {
  const parts: string[] = [];
  if (s.turn) {
    const how = s.turn.by === 'cross' ? ', stepping across' : s.turn.by === 'pivot' ? ' in place' : '';
    parts.push(`turn ${Math.abs(s.turn.degrees)} degrees ${s.turn.degrees < 0 ? 'left' : 'right'}${how}`);
  }
  if (s.foot) {
    const where = s.foot.way === 'draw' ? 'in' : directionSaid(s.foot.toward);
    parts.push(`${s.foot.way} with the ${s.foot.side} foot ${where}`);
  }
  if (s.stance) parts.push(s.lead ? `${s.stance}, ${s.lead} foot forward` : s.stance);
  for (const a of s.actions)
    parts.push(
      [actionSaid(a), a.zone ? `${a.zone} height` : '', a.path ? `from ${a.path}` : ''].filter(Boolean).join(', '),
    );
  if (s.free) parts.push('free: whatever answers');
  if (s.cue) parts.push(`the holder shows: ${s.cue}`);
  if (s.level) parts.push(s.level === 'rise' ? 'rising' : 'sinking');
  if (s.powers.length > 0) parts.push(`power by ${listInWords(s.powers)}`);
  if (s.tempo) parts.push(s.tempo);
  if (s.breath) parts.push(s.breath === 'hold' ? 'breath held' : `breath ${s.breath}`);
  if (s.shout) parts.push('shout');
  if (at) parts.push(`weight ${at.weightEnd} left, ${100 - at.weightEnd} right`);
  return parts.join('; ') || 'nothing';
}

/** Under which conditions alone something holds, to stand behind it; nothing where it holds under all. */
export const onlySaid = (only: readonly string[]): string => (only.length === 0 ? '' : `, only ${oneOfInWords(only)}`);

/** The whole count, both lanes, for a screen reader. */
export function moveSaid(move: Move, count: number, at?: At): string {
  const sections = move.begins.map((b) => `Section ${b.name}. `).join('');
  const a = `Count ${count}: ${stepSaid(move.step, at)}.`;
  const b = move.partner ? ` Partner: ${stepSaid(move.partner)}.` : '';
  const variants = move.variants
    .map(
      (v) => ` Variant of ${v.school}${v.graded ? ', shown at gradings' : ''}${onlySaid(v.only)}: ${stepSaid(v.step)}.`,
    )
    .join('');
  const branches = move.branches
    .map((x) => ` If ${x.when}: ${x.steps.map((s) => stepSaid(s)).join(', then ')}.`)
    .join('');
  const points = move.points
    .map(
      (p) =>
        ` ${p.between ? 'Before the next' : 'Here'}: ${p.name}${p.felt ? ', as it is felt' : ''}${onlySaid(p.only)}.`,
    )
    .join('');
  return `${sections}${a}${b}${move.swaps ? ' Sides switch after it.' : ''}${points}${variants}${branches}`;
}

/** A count in few words, as under the stave. */
export function shortName(s: Step): string[] {
  if (s.actions.length > 0) return s.actions.map((a) => a.name);
  if (s.free) return ['free'];
  if (s.cue) return [s.cue];
  if (s.foot?.way === 'draw') return [s.stance?.replace(/ stance$/, '') ?? 'ready'];
  if (s.stance) return [s.stance];
  if (s.turn) return ['turn'];
  if (s.foot) return [s.foot.way];
  return [];
}
