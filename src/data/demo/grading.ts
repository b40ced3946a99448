import { HOUSE_RULE, type ShowingRule, type Point, type Random, type Requirement, type Side } from '../../core';

/** What a grading would show of one candidate: every repetition drawn from the truth, and decided by the school's rule. */
export function passesTruly(
  asked: readonly Requirement[],
  about: {
    pointsOf: (r: Requirement) => readonly Point[];
    isSided: (r: Requirement) => boolean;
    truth: (pointId: string, side: Side) => number;
  },
  random: Random,
  rule: ShowingRule = HOUSE_RULE,
): boolean {
  let failed = 0;
  for (const r of asked) {
    const sides: Side[] = about.isSided(r) ? ['left', 'right'] : ['none'];
    const points = about.pointsOf(r);
    let fallen = 0;
    let critical = false;
    for (const p of points) {
      const needed = Math.ceil((p.critical ? rule.criticalShare : rule.share) * rule.repetitions - 1e-9);
      const stands = sides.every((side) => {
        const chance = about.truth(p.id, side);
        let held = 0;
        for (let i = 0; i < rule.repetitions; i += 1) if (random() < chance) held += 1;
        return held >= needed;
      });
      if (!stands && p.critical) critical = true;
      else if (!stands) fallen += 1;
    }
    const others = points.filter((p) => !p.critical).length;
    if (critical || fallen > Math.floor(rule.mayFallShort * others + 1e-9)) {
      if (r.critical) return false;
      failed += 1;
    }
  }
  return failed <= rule.itemsMayFail;
}
