import { decideByRule, examinerShifts, seeded, USUAL_RULE, type SharedMark, type SheetLine } from '../../../core';
import { techniqueOf } from '../generate';
import { askedTruly, passed, seenBy, shownTruly, type Eye, type Truth } from '../grading';
import { askedOf, type TrueSchool } from './school';

/** Who sits on a panel: one sees as it is, one is kind, one is hard; each errs now and then. */
const EYES: readonly Eye[] = [
  { id: 'even', misses: 0.08, harsh: 0.02, away: 0.03 },
  { id: 'kind', misses: 0.35, harsh: 0.01, away: 0.03 },
  { id: 'hard', misses: 0.05, harsh: 0.06, away: 0.03 },
];

const sharesOf = (candidate: string, lines: readonly SheetLine[]): SharedMark[] =>
  lines.flatMap((l) =>
    l.marks.flatMap((m): SharedMark[] => {
      const seen = [...m.reps].filter((r) => r !== 'U');
      if (seen.length === 0) return [];
      const held = seen.filter((r) => r === 'H').length / seen.length;
      return [{ candidate, thing: `${candidate} ${l.item} ${m.pointId} ${m.side}`, examiner: l.examiner, held }];
    }),
  );

/**
 * Panels of known leniency over candidates of known truth: how many shifts lie within their intervals; and how often what
 * is decided from all sheets is what somebody who never errs would decide, beside the majority of what each examiner would
 * decide alone.
 */
export function panelsAgainstTruth(school: TrueSchool, day: string, seed: number, panels = 100) {
  const random = seeded(seed);
  const people = school.students.filter((s) => askedOf(school, s).length > 0);
  let [within, shifts, ours, majority, cases] = [0, 0, 0, 0, 0];
  for (let p = 0; p < panels; p += 1) {
    const up = Array.from({ length: 12 }, () => people[Math.floor(random() * people.length)]!);
    const shared: SharedMark[] = [];
    const truly = new Map<string, number[]>(EYES.map((e) => [e.id, []]));
    for (const [i, s] of up.entries()) {
      const asked = askedOf(school, s);
      const about: Truth = {
        pointsOf: school.pointsOf,
        isSided: (r) => school.byId.get(techniqueOf(r))!.sided,
        truth: (pointId, side) => school.truth(s.id, pointId, side, day),
      };
      const shown = shownTruly(asked, about, random, USUAL_RULE);
      const items = askedTruly(asked, about, USUAL_RULE);
      const sheets = EYES.map((eye) => seenBy(shown, eye, random));
      shared.push(...sheets.flatMap((l) => sharesOf(`c${i}`, l)));
      // By how much each sees more held than the others, on average over what was truly shown.
      for (const l of shown)
        for (const m of l.marks) {
          const held = [...m.reps].filter((r) => r === 'H').length / m.reps.length;
          const seen = EYES.map((e) => held * (1 - e.harsh) + (1 - held) * e.misses);
          const mean = seen.reduce((n, x) => n + x, 0) / seen.length;
          EYES.forEach((e, k) => truly.get(e.id)!.push(seen[k]! - mean));
        }
      const decide = (lines: readonly SheetLine[]) => passed(decideByRule(USUAL_RULE, items, lines));
      const truth = decide(shown);
      const votes = sheets.filter((l) => decide(l)).length;
      cases += 1;
      if (decide(sheets.flat()) === truth) ours += 1;
      if (votes * 2 > EYES.length === truth) majority += 1;
    }
    for (const found of examinerShifts(shared, seeded(seed + p))) {
      const own = truly.get(found.examiner)!;
      const t = own.reduce((n, x) => n + x, 0) / own.length;
      shifts += 1;
      if (found.between && found.between.lo <= t && t <= found.between.hi) within += 1;
    }
  }
  return { within: within / shifts, ours: ours / cases, majority: majority / cases };
}
