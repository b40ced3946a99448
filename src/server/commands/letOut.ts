import { eq } from 'drizzle-orm';
import { v7 } from 'uuid';
import { countId, dayInWords, ownId, writeShowing, type CountMark, type SheetMark } from '../../core';
import type { Transaction } from '../../data/connection';
import {
  readCandidates,
  readDecisions,
  readSheetLines,
  type CandidateRow,
  type GradingRow,
} from '../../data/queries/gradings';
import { recordLooks, type LookRow } from '../../data/queries/recordLooks';
import { asTheyCame, readRoll } from '../../data/queries/roll';
import type { PlacedItem } from '../../data/queries/syllabus';
import { focusGiven, grading } from '../../data/tables';
import { ownAddress } from '../certificates/address';
import { issueCertificates } from '../certificates/issue';
import { Refusal } from '../http/problem';
import { askedItems, askedOf, weakestOf } from '../judging/asked';
import type { Mornings } from '../belief/school';
import { readJudging } from '../judging/judging';
import type { Who } from '../who';
import { inTurn } from './inTurn';
import { nextVersion } from './meanwhile';
import { recordResult } from './promotion';

/** Every mark becomes a look of the record, belts are given with their certificates, and everybody reads their own result. */
export async function letOutResults(tx: Transaction, who: Who, g: GradingRow): Promise<void> {
  const up = (await readCandidates(tx, [g.id])).filter((c) => c.out === null);
  const decisions = new Map((await readDecisions(tx, g.id)).map((d) => [d.studentId, d]));
  const lines = await readSheetLines(tx, g.id);
  const given: string[] = [];
  const mornings: Mornings = new Map();
  for (const c of up) {
    const d = decisions.get(c.studentId)!;
    // Looks first: what was believed that morning is reckoned from those before the day.
    const asked = await askedAt(tx, who, c, g);
    const looks = lines.filter((l) => l.studentId === c.studentId).flatMap((l) => looksOf(l, asked, g));
    if (looks.length > 0) await recordLooks(tx, who.schoolId, looks);
    const focus = weakestOf(
      asked.j,
      asked.requirements,
      lines.filter((l) => l.studentId === c.studentId),
    );
    if (focus)
      await tx.insert(focusGiven).values({
        schoolId: who.schoolId,
        id: v7(),
        studentId: c.studentId,
        ...focus,
        day: g.day,
        chosen: true,
        reason: `From the grading of ${dayInWords(g.day, who.today)}.`,
        by: d.by,
      });
    // A midterm gives no belt.
    if (g.items !== null) continue;
    const passed = d.result === 'the belt' || d.result === 'the belt, with a note';
    if (passed) given.push(c.studentId);
    const result = { studentId: c.studentId, rankId: c.rankId, day: g.day, note: d.sentence, passed };
    await recordResult(tx, who, result, mornings);
  }
  if (given.length > 0) {
    await inTurn(tx, who, 'certificates');
    await issueCertificates(tx, who, { day: g.day, studentIds: given, gradingId: g.id }, ownAddress());
  }
  await tx
    .update(grading)
    .set({ letOutAt: who.now, ...nextVersion(grading, who) })
    .where(eq(grading.id, g.id));
}

/** What is asked of a candidate at the belt they go up for. */
export async function askedAt(tx: Transaction, who: Who, c: CandidateRow, g: GradingRow) {
  const [student] = await asTheyCame(tx, await readRoll(tx, { withLeft: true, id: c.studentId }), g.day);
  if (!student) throw new Refusal(404, 'This student is not on the roll any more.');
  const j = await readJudging(tx, who.today, [c.studentId]);
  const requirements = askedOf(j, student, c.rankId, g.items);
  return { requirements, items: askedItems(j, c.studentId, requirements, g.rule, g.day), j };
}

/** What an examiner saw of a technique, as looks of the record: to show, one a side. */
function looksOf(
  l: {
    examinerId: string;
    studentId: string;
    requirementId: string;
    marks: readonly SheetMark[];
    note: string;
    at: Date;
  },
  { requirements, j }: Awaited<ReturnType<typeof askedAt>>,
  g: GradingRow,
): LookRow[] {
  const r = requirements.find((x) => x.id === l.requirementId);
  if (!r) return [];
  if (!('technique' in r.item)) return showingOf(l, r, g, j);
  const known = new Map(j.items.judgedBy(r.item).map((p) => [p.id, p]));
  const sides = [...new Set(l.marks.map((m) => m.side))];
  return sides.flatMap((side): LookRow[] => {
    const marks = l.marks
      .filter((m) => m.side === side && known.has(m.pointId))
      .flatMap((m): LookRow['marks'][number][] => {
        const reps = [...m.reps].filter((x) => x !== 'U').join('');
        if (reps === '') return [];
        const kind = known.get(m.pointId)!.kind;
        const held = [...reps].filter((x) => x === 'H').length;
        const of = { point_id: m.pointId, held, of: reps.length };
        // Measured every time it is a measure, held by what is accepted of them; once by eye, it was seen.
        const values = [...m.reps].flatMap((r, i) => (r === 'U' ? [] : [m.values?.[i] ?? null]));
        const measures = values.filter((x) => x !== null);
        if (kind === 'measured' && measures.length === reps.length) return [{ ...of, kind, held: 0, values: measures }];
        return [{ ...of, kind: kind === 'measured' ? 'seen' : kind, reps }];
      })
      // What is felt is told by whoever felt it.
      .filter((m) => m.kind !== 'felt');
    if (marks.length === 0) return [];
    return [
      {
        id: v7(),
        by: l.examinerId,
        student_id: l.studentId,
        technique_id: (r.item as { technique: string }).technique,
        condition_id: r.conditionId,
        day: g.day,
        at: l.at.toISOString(),
        side,
        purpose: 'show',
        stage: r.stage,
        note: l.note,
        marks,
      },
    ];
  });
}

/** What an examiner saw of a form: a showing, a mark for each count. */
function showingOf(
  l: Parameters<typeof looksOf>[0],
  r: Pick<PlacedItem, 'item' | 'conditionId' | 'stage'>,
  g: GradingRow,
  j: Awaited<ReturnType<typeof askedAt>>['j'],
): LookRow[] {
  if (!('sequence' in r.item)) return [];
  const { sequence, part } = r.item;
  const length = j.items.sequences.get(sequence)?.body.moves.length ?? 0;
  const [from, to] = [part?.from ?? 1, Math.min(part?.to ?? length, length)];
  const seen = new Map(l.marks.map((m) => [m.pointId, m.reps.charAt(0) as CountMark]));
  const of = (id: string): CountMark => seen.get(id) ?? 'U';
  if (to < from || ![...seen.values()].some((m) => m !== 'U')) return [];
  return [
    {
      id: v7(),
      by: l.examinerId,
      student_id: l.studentId,
      technique_id: null,
      sequence_id: sequence,
      part_from: from,
      part_to: to,
      of_counts: length,
      counts: writeShowing({
        counts: Array.from({ length: to - from + 1 }, (_, i) => of(countId(sequence, from + i))),
        own: {
          rhythm: of(ownId(sequence, 'rhythm')),
          line: of(ownId(sequence, 'line')),
          shouts: of(ownId(sequence, 'shouts')),
        },
      }),
      slips: [],
      condition_id: r.conditionId,
      day: g.day,
      at: l.at.toISOString(),
      side: 'none',
      purpose: 'show',
      stage: r.stage,
      note: l.note,
      marks: [],
    },
  ];
}
