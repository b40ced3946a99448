import { atHeld } from './held';
import type { Sequence, Step } from './move';
import { stepsOfLane, type Lane } from './operations/lane';

/** What partners of a drill are to each other. */
export const ROLES = ['attacker', 'defender', 'holder', 'striker', 'kicker', 'A', 'B'] as const;
export type Role = (typeof ROLES)[number];

const HITS = ['strike', 'kick', 'weapon cut', 'grip', 'hand shape'];

/**
 * Who is who in a drill, by what each lane does: whoever shows a pad or is struck at it holds, and the other strikes or
 * kicks; whoever attacks first is the attacker. Where nothing tells them apart they are A and B; null: nobody stands
 * opposite.
 */
export function rolesOf({ moves }: Pick<Sequence, 'moves'>): Record<Lane, Role> | null {
  if (!moves.some((m) => m.partner !== null)) return null;
  const [a, b] = [stepsOfLane(moves, 'A'), stepsOfLane(moves, 'B')];
  const shows = (lane: readonly Step[]) => lane.some((s) => s.cue !== null);
  const acts = (lane: readonly Step[]) => lane.flatMap((s) => s.actions);
  const hits = (lane: readonly Step[]) => acts(lane).filter((x) => HITS.includes(x.kind));
  const worker = (lane: readonly Step[]): Role =>
    hits(lane).length > 0 && hits(lane).every((x) => x.kind === 'kick') ? 'kicker' : 'striker';
  const holds = (lane: readonly Step[], other: readonly Step[]) =>
    acts(lane).length === 0 && (shows(lane) || acts(other).some(atHeld));
  if (holds(a, b)) return { A: 'holder', B: worker(b) };
  if (holds(b, a)) return { A: worker(a), B: 'holder' };
  for (const m of moves) {
    const [one, two] = [hits([m.step]).length > 0, m.partner !== null && hits([m.partner]).length > 0];
    if (one && !two) return { A: 'attacker', B: 'defender' };
    if (two && !one) return { A: 'defender', B: 'attacker' };
  }
  return { A: 'A', B: 'B' };
}

/** A lane by its role: “the attacker”; “lane A” where nothing tells them apart. */
export function roleIn(seq: Pick<Sequence, 'moves'> | undefined, lane: Lane): string {
  const role = seq ? rolesOf(seq)?.[lane] : undefined;
  return role === undefined || role === lane ? `lane ${lane}` : `the ${role}`;
}

/** The lane whose work is learned where the other one only holds; otherwise the first. */
export const workingLane = (seq: Pick<Sequence, 'moves'>): Lane => (rolesOf(seq)?.A === 'holder' ? 'B' : 'A');
