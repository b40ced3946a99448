import type { ExamineItem, ExaminePoint, ExamineView, ViewInput } from '../../contracts/views';
import {
  adaptationsOn,
  adaptedInWords,
  canHurt,
  countId,
  itemKey,
  namedAlike,
  printStep,
  restInWords,
  standardInWords,
  tellTale,
  underCondition,
  type Item,
} from '../../core';
import type { Transaction } from '../../data/connection';
import { readCandidates, readGrading, readPanel, readSheetLines, type GradingRow } from '../../data/queries/gradings';
import { asTheyCame, readRoll } from '../../data/queries/roll';
import { ownSheet } from '../auth/ownSheet';
import { mustBeOnPaper } from '../auth/paperSheet';
import { Refusal } from '../http/problem';
import { askedOf } from '../judging/asked';
import { readJudging, type Judging } from '../judging/judging';
import { readResting, restingPoints, restOf } from '../judging/rests';
import type { Who } from '../who';

/** An examiner's own sheet: what each candidate is asked, and what this examiner has written of it. */
export async function examineView(
  tx: Transaction,
  who: Who,
  { id, of = who.personId }: ViewInput<'examine'>,
): Promise<ExamineView> {
  const g = await readGrading(tx, id);
  if (!g) throw new Refusal(404, 'There is no such grading.');
  if (of !== who.personId) await mustBeOnPaper(tx, who, id, of);
  const own = await ownSheet(tx, { ...who, personId: of }, id);
  const name = (await readPanel(tx, id)).find((p) => p.personId === of)?.name ?? '';
  return {
    ...(await sheetOf(tx, who, g, of)),
    typedFor: of === who.personId ? null : { id: of, name },
    handedInAt: own.handedInAt?.toISOString() ?? null,
  };
}

/** The same without a mark, for paper. */
export async function paperSheetView(tx: Transaction, who: Who, { id }: ViewInput<'paperSheet'>): Promise<ExamineView> {
  const g = await readGrading(tx, id);
  if (!g) throw new Refusal(404, 'There is no such grading.');
  return sheetOf(tx, who, g, null);
}

/** What each candidate is asked, with the lines of one examiner; null: nobody's. */
async function sheetOf(tx: Transaction, who: Who, g: GradingRow, of: string | null): Promise<ExamineView> {
  const { id } = g;
  const up = (await readCandidates(tx, [id])).filter((c) => c.out === null);
  const j = await readJudging(
    tx,
    who.today,
    up.map((c) => c.studentId),
  );
  const lines = new Map(
    (of === null ? [] : await readSheetLines(tx, id, of)).map((l) => [`${l.studentId} ${l.requirementId}`, l]),
  );
  const ranks = new Map(j.versions.ranks.map((r) => [r.id, { id: r.id, name: r.name, cloth: r.cloth }]));
  const order = [...ranks.keys()];
  const ids = new Set(up.map((c) => c.studentId));
  const came = (await readRoll(tx, { withLeft: true })).filter((s) => ids.has(s.id));
  const roll = new Map((await asTheyCame(tx, came, g.day)).map((s) => [s.id, s]));
  const resting = await readResting(
    tx,
    g.day,
    up.map((c) => c.studentId),
  );
  const besides = new Map<string, ReturnType<typeof besideCounts>>();
  const beside = (item: Item, condition: string) => {
    const key = `${itemKey(item)} ${condition}`;
    if (!besides.has(key)) besides.set(key, besideCounts(j, item, condition));
    return besides.get(key)!;
  };
  const candidates = up.flatMap((c): ExamineView['candidates'] => {
    const [s, to] = [roll.get(c.studentId), ranks.get(c.rankId)];
    if (!s || !to) return [];
    const adapted = adaptationsOn(j.adaptations.get(s.id), g.day);
    const items = askedOf(j, s, c.rankId, g.items).map((r): ExamineItem => {
      const sided = j.items.isSided(r.item);
      const rest = restOf(j, r.item, resting.get(s.id) ?? [], r.conditionId);
      const line = lines.get(`${s.id} ${r.id}`);
      const condition = j.versions.conditions.find((x) => x.id === r.conditionId)?.name ?? '';
      return {
        requirementId: r.id,
        name: j.items.nameOf(r.item),
        condition,
        asks: [r.stage, standardInWords(r.standard, sided)].filter(Boolean).join(', '),
        sided,
        critical: r.critical,
        rests: rest && { said: restInWords(rest, g.day), points: restingPoints(j, r.item, rest) },
        form: 'sequence' in r.item,
        repetitions: 'sequence' in r.item ? 1 : g.rule.repetitions,
        // A waived point is not asked, so it does not stand on the sheet.
        points: j.items.judgedBy(r.item).flatMap((p): ExaminePoint[] => {
          const a = adapted.get(p.id);
          if (a?.waived) return [];
          const accepted = a?.range ?? p.accepted;
          return [
            {
              id: p.id,
              name: p.name,
              how: p.how,
              critical: p.critical,
              canHurt: canHurt(p),
              adapted: a ? adaptedInWords(a) : null,
              measured:
                p.kind === 'measured' && accepted
                  ? { unit: p.unit, accepted, wanted: p.wanted, measuredBy: p.measuredBy }
                  : null,
              ...(beside(r.item, condition).get(p.id) ?? { variants: [], unlike: [] }),
            },
          ];
        }),
        line: line ? { marks: line.marks, word: line.word, mark: line.mark, note: line.note } : null,
      };
    });
    return [{ id: s.id, name: s.name, to, items }];
  });
  candidates.sort((a, b) => order.indexOf(a.to.id) - order.indexOf(b.to.id) || a.name.localeCompare(b.name));
  return {
    grading: { id, title: g.title, day: g.day, closed: g.closedAt !== null },
    scale: g.rule.scale,
    me: who.personId,
    typedFor: null,
    handedInAt: null,
    candidates,
  };
}

/** What stands beside the counts of a form under a condition: how others do them, and where one of a like name goes another way. */
function besideCounts(
  j: Judging,
  item: Item,
  condition: string,
): Map<string, Pick<ExaminePoint, 'variants' | 'unlike'>> {
  const out = new Map<string, Pick<ExaminePoint, 'variants' | 'unlike'>>();
  const own = 'sequence' in item ? j.items.sequences.get(item.sequence) : undefined;
  if (!own) return out;
  const at = (count: number) => {
    const id = countId(own.id, count);
    const here = out.get(id) ?? { variants: [], unlike: [] };
    out.set(id, here);
    return here;
  };
  underCondition(own.body, condition).moves.forEach((m, i) => {
    if (m.variants.length > 0)
      at(i + 1).variants.push(...m.variants.map((x) => ({ school: x.school, does: printStep(x.step) })));
  });
  for (const other of j.items.sequences.values()) {
    if (other.id === own.id || other.retired || other.body.about.kind !== own.body.about.kind) continue;
    if (!namedAlike(own.title, other.title)) continue;
    const found = tellTale(own.body, other.body);
    if (found) at(found.count).unlike.push({ form: other.title, does: found.other && printStep(found.other) });
  }
  return out;
}
