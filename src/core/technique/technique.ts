import { fromTheGroundUp, type Point } from './point';

export const TECHNIQUE_KINDS = [
  'stance',
  'step',
  'turn',
  'strike',
  'block',
  'kick',
  'hand shape',
  'grip',
  'fall',
  'weapon cut',
  'evasion',
] as const;
export type TechniqueKind = (typeof TECHNIQUE_KINDS)[number];

export interface Technique {
  id: string;
  name: string;
  kind: TechniqueKind;
  /** Whether left and right are two things to look at. */
  sided: boolean;
  /** The stance it is done in and the step or turn that carries it, or null. */
  stanceId: string | null;
  stepId: string | null;
  points: readonly Point[];
}

/**
 * The points of an item: its own, those of its stance and those of its step or turn, from the ground up. A stance may
 * itself stand on another; each technique gives its points once, and a circle ends where it closes.
 */
export function itemPoints(technique: Technique, byId: ReadonlyMap<string, Technique>): Point[] {
  const met = new Set<string>();
  const collect = (t: Technique | undefined): Point[] => {
    if (!t || met.has(t.id)) return [];
    met.add(t.id);
    const below = [t.stanceId, t.stepId].flatMap((id) => (id === null ? [] : collect(byId.get(id))));
    return [...below, ...t.points];
  };
  return fromTheGroundUp(collect(technique));
}
