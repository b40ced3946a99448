// What is said to and about a student beyond verdicts: corrections, chances in words.
import type { ChanceShown, FocusShown, SlipShown } from '../../contracts/views';
import { canHurt, chanceInWords, LOOKS_TO_SPEAK, type BeltChance, type Focus, type Slipping } from '../../core';
import { corrected } from './beliefs';
import type { Judging } from './judging';

export function slipShown(s: Slipping, nameOf: (requirementId: string) => string): SlipShown {
  const slip = s.point.slips.find((x) => x.hurts !== 'nobody') ?? s.point.slips[0];
  return {
    pointId: s.point.id,
    point: s.point.name,
    side: s.side,
    hurts: s.hurts,
    held: Math.floor(s.held + 1e-9),
    of: Math.round(s.of),
    needs: `${s.needs} of ${s.repetitions}`,
    cue: slip?.cue ?? '',
    requirements: s.requirementIds.map(nameOf),
  };
}

export function focusShown(f: Focus, nameOf: (requirementId: string) => string): FocusShown {
  return {
    ...slipShown(f, nameOf),
    how: f.point.how,
    slip: f.slip?.looksLike ?? '',
    hurtsHow: canHurt(f.point) ? (f.slip?.hurtsHow ?? '') : '',
    since: f.since,
    chosen: f.chosen,
    why: f.why,
    holds: f.holds,
  };
}

/** A chance as it is shown: corrected by past gradings where there are enough; null where too little is known. */
export function chanceShown(said: BeltChance | null, outcomes: Parameters<typeof corrected>[0]): ChanceShown | null {
  if (!said || said.looks < LOOKS_TO_SPEAK) return null;
  const learned = corrected(outcomes);
  const enough = outcomes.length >= 30;
  const chance = learned(said.chance);
  return {
    words: chanceInWords(chance),
    chance,
    lo: Math.min(chance, learned(said.lo)),
    hi: Math.max(chance, learned(said.hi)),
    looks: Math.round(said.looks),
    correctedBy: enough ? outcomes.length : 0,
  };
}

/** Requirements of the next belt by id, for naming them. */
export function requirementNames(
  j: Judging,
  student: { id: string; since: string; rankId: string },
): (id: string) => string {
  const syllabus = j.syllabusOf(student);
  const byId = new Map(syllabus.requirements.map((r) => [r.id, j.items.nameOf(r.item)]));
  return (id) => byId.get(id) ?? '';
}
