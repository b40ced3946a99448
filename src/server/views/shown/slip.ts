// What is said to and about a student beyond verdicts: corrections, chances in words.
import type { FocusShown, SlipShown } from '../../../contracts/views';
import { canHurt, focusInWords, holdsInWords, type Focus, type Slipping } from '../../../core';

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
    why: focusInWords(f),
    holds: holdsInWords(f),
  };
}
