// The rule of the focus, found in a second way.
import {
  BODY_PARTS,
  canHurt,
  chooseFocus,
  entriesOn,
  slippingPoints,
  type FocusSource,
  type PlainDate,
} from '../../../core';
import { askedOf, evidenceBefore, judgeOn, type TrueSchool } from './school';

/** The rule of the focus, checked in a second way on every student: how many were chosen, and how many keep it. */
export function focusKept(school: TrueSchool, days: readonly PlainDate[]) {
  let chosen = 0;
  let kept = 0;
  for (const day of days)
    for (const s of school.students) {
      const evidence = evidenceBefore(school, s.id, day);
      const sources = askedOf(school, s).map((r): FocusSource => ({
        requirementId: r.id,
        open: true,
        repetitions: r.standard.repetitions,
        days: r.standard.days,
        verdict: judgeOn(school, r, evidence, day),
      }));
      const focus = chooseFocus(slippingPoints(sources, evidence), null);
      // By hand: everything that does not stand and held less than asked, and the first of it by the rule.
      const all = sources.flatMap((x) =>
        x.verdict.points
          .filter((p) => p.looksNeeded > 0 && p.window.held < p.share * p.window.of - 1e-9)
          .map((p) => ({ p, id: x.requirementId })),
      );
      if (all.length === 0) {
        if (focus === null) continue;
        chosen += 1;
        continue;
      }
      chosen += 1;
      if (!focus) continue;
      const hurting = all.filter((x) => canHurt(x.p.point));
      const first = hurting.length > 0 ? hurting : all;
      const lowest = Math.min(...first.map((x) => BODY_PARTS.indexOf(x.p.point.bodyPart)));
      const low = first.filter((x) => BODY_PARTS.indexOf(x.p.point.bodyPart) === lowest);
      const shared = (x: (typeof low)[number]) =>
        new Set(all.filter((y) => y.p.point.id === x.p.point.id && y.p.side === x.p.side).map((y) => y.id)).size;
      const most = Math.max(...low.map(shared));
      const slips = (x: (typeof low)[number]) =>
        entriesOn(evidence, x.p.point.id, x.p.side)
          .slice(0, 5)
          .filter((e) => e.held < e.of).length;
      const sharedMost = low.filter((x) => shared(x) === most);
      const persistent = Math.max(...sharedMost.map(slips));
      const best = sharedMost
        .filter((x) => slips(x) === persistent)
        .map((x) => `${x.p.point.name} ${x.p.side}`)
        .sort()[0];
      if (best === `${focus.point.name} ${focus.side}`) kept += 1;
    }
  return { chosen, kept };
}
