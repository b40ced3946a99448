import type { GradingHistoryView } from '../../contracts/views';
import { decideByRule } from '../../core';
import type { Transaction } from '../../data/connection';
import { readCandidates, readDecisions, readGradings, readSheetLines, sheetLineOf } from '../../data/queries/gradings';
import { asTheyCame, readRoll } from '../../data/queries/roll';
import { askedItems, askedOf } from '../judging/asked';
import { readJudging } from '../judging/judging';
import type { Who } from '../who';

type Belt = GradingHistoryView['belts'][number];

/** "What do gradings fall by?": of every grading that is let out, by the words of its panel. */
export async function gradingHistoryView(tx: Transaction, who: Who): Promise<GradingHistoryView> {
  const all = (await readGradings(tx)).filter((g) => g.letOutAt !== null);
  const up = (
    await readCandidates(
      tx,
      all.map((g) => g.id),
    )
  ).filter((c) => c.out === null);
  const ids = [...new Set(up.map((c) => c.studentId))];
  const j = await readJudging(tx, who.today, ids);
  const roll = (await readRoll(tx, { withLeft: true })).filter((s) => ids.includes(s.id));
  const belts = new Map<string, Omit<Belt, 'items'> & { items: Map<string, Belt['items'][number]> }>();
  const gradings: GradingHistoryView['gradings'] = [];
  for (const g of all) {
    const decided = new Map((await readDecisions(tx, g.id)).map((d) => [d.studentId, d.result]));
    const lines = await readSheetLines(tx, g.id);
    const came = new Map((await asTheyCame(tx, roll, g.day)).map((s) => [s.id, s]));
    const midterm = g.items !== null;
    let [went, passed] = [0, 0];
    for (const c of up.filter((x) => x.gradingId === g.id)) {
      const s = came.get(c.studentId);
      const to = j.versions.ranks.find((r) => r.id === c.rankId);
      if (!s || !to) continue;
      const result = decided.get(c.studentId);
      const got = result === 'the belt' || result === 'the belt, with a note';
      went += 1;
      if (got) passed += 1;
      // Belt by belt only what was asked for it.
      if (midterm) continue;
      const belt = belts.get(to.id) ?? {
        to: { id: to.id, name: to.name, cloth: to.cloth },
        went: 0,
        passed: 0,
        items: new Map<string, Belt['items'][number]>(),
      };
      belts.set(to.id, belt);
      belt.went += 1;
      if (got) belt.passed += 1;
      const requirements = askedOf(j, s, to.id);
      const nameOf = new Map(requirements.map((r) => [r.id, j.items.nameOf(r.item)]));
      const rule = decideByRule(
        g.rule,
        askedItems(j, s.id, requirements, g.rule, g.day),
        lines.filter((l) => l.studentId === s.id).map(sheetLineOf),
      );
      // By its name: an item that was asked by several versions is one.
      for (const i of rule.items) {
        if (i.word === null) continue;
        const name = nameOf.get(i.item) ?? '';
        const item = belt.items.get(name) ?? { name, stood: 0, of: 0 };
        belt.items.set(name, { name, stood: item.stood + (i.word === 'stands' ? 1 : 0), of: item.of + 1 });
      }
    }
    gradings.push({ id: g.id, title: g.title, day: g.day, midterm, went, passed });
  }
  return {
    gradings,
    belts: j.versions.ranks.flatMap((r): Belt[] => {
      const b = belts.get(r.id);
      if (!b) return [];
      const items = [...b.items.values()].sort(
        (x, y) => x.stood / x.of - y.stood / y.of || y.of - x.of || x.name.localeCompare(y.name),
      );
      return [{ ...b, items }];
    }),
  };
}
