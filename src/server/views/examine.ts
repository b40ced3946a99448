import type { ExamineView, ViewInput } from '../../contracts/views';
import { adaptationsOn, adaptedInWords, canHurt, standardInWords } from '../../core';
import type { Transaction } from '../../data/connection';
import { readCandidates, readGrading, readPanel, readSheetLines, type GradingRow } from '../../data/queries/gradings';
import { asTheyCame, readRoll } from '../../data/queries/roll';
import { ownSheet } from '../auth/ownSheet';
import { mustBeOnPaper } from '../auth/paperSheet';
import { Refusal } from '../http/problem';
import { askedOf } from '../judging/asked';
import { readJudging } from '../judging/judging';
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
  const candidates = up.flatMap((c): ExamineView['candidates'] => {
    const [s, to] = [roll.get(c.studentId), ranks.get(c.rankId)];
    if (!s || !to) return [];
    const adapted = adaptationsOn(j.adaptations.get(s.id), g.day);
    const items = askedOf(j, s, c.rankId).map((r) => {
      const sided = j.items.isSided(r.item);
      const line = lines.get(`${s.id} ${r.id}`);
      return {
        requirementId: r.id,
        name: j.items.nameOf(r.item),
        condition: j.versions.conditions.find((x) => x.id === r.conditionId)?.name ?? '',
        asks: standardInWords(r.standard, sided),
        sided,
        critical: r.critical,
        form: 'sequence' in r.item,
        repetitions: 'sequence' in r.item ? 1 : g.rule.repetitions,
        // A waived point is not asked, so it does not stand on the sheet.
        points: j.items.judgedBy(r.item).flatMap((p) => {
          const a = adapted.get(p.id);
          if (a?.waived) return [];
          return [
            {
              id: p.id,
              name: p.name,
              how: p.how,
              critical: p.critical,
              canHurt: canHurt(p),
              adapted: a ? adaptedInWords(a) : null,
            },
          ];
        }),
        line: line ? { marks: line.marks, word: line.word, note: line.note } : null,
      };
    });
    return [{ id: s.id, name: s.name, to, items }];
  });
  candidates.sort((a, b) => order.indexOf(a.to.id) - order.indexOf(b.to.id) || a.name.localeCompare(b.name));
  return {
    grading: { id, title: g.title, day: g.day, closed: g.closedAt !== null },
    me: who.personId,
    typedFor: null,
    handedInAt: null,
    candidates,
  };
}
