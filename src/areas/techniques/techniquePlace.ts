import type { TechniqueInput } from '../../contracts/technique';
import type { PlaceName } from '../../kit/sideBySide/SideBySide';

const WORDS: Record<string, string> = {
  name: 'its name',
  kind: 'its kind',
  summary: 'in one sentence',
  sided: 'whether left and right are two things',
  stanceId: 'the stance it stands in',
  stepId: 'its step or turn',
  how: 'how it is right',
  why: 'its why',
  bodyPart: 'where on the body',
  critical: 'whether it is critical',
  unit: 'its unit',
  accepted: 'what is accepted',
  wanted: 'what is wanted',
  measuredBy: 'what it is read off',
  looksLike: 'what the slip looks like',
  cause: 'the cause',
  cue: 'the cue',
  hurts: 'whom it can hurt',
  hurtsHow: 'what it can hurt',
  terms: 'names in other languages',
  variants: 'where schools differ',
  prerequisites: 'what comes before it',
  selfChecks: 'self-checks',
  ceiling: 'how far it may go',
  counts: 'stages of learning',
  joined: 'stages of learning',
  geometry: 'the stance from above',
};

/** What a place of a technique is called where two saves differ. */
export function techniquePlace(path: readonly string[], both: readonly TechniqueInput[]): PlaceName {
  const last = path.at(-1) ?? '';
  const what = WORDS[last] ?? last;
  if (path[0] !== 'points')
    return {
      where: both[0]?.name ?? 'The technique',
      what: path[0] === 'detail' ? (WORDS[path[1] ?? ''] ?? what) : what,
    };
  const point = both.flatMap((t) => t.points).find((p) => p.id === path[1]);
  const slip = path[2] === 'slips' ? point?.slips.find((s) => s.id === path[3]) : undefined;
  const where = point?.name ?? 'A point';
  return {
    where,
    what: slip
      ? `slip “${slip.looksLike}”: ${path.length > 4 ? what : 'the slip'}`
      : path.length > 2
        ? what
        : 'the point',
  };
}
