import { v7 } from 'uuid';
import { addDays, asksOf, decideByRule, feedbackInWords, USUAL_RULE, type SheetLine } from '../../../core';
import type { Transaction } from '../../connection';
import { readItems } from '../../queries/items';
import { readLibrary } from '../../queries/library';
import { readFollowed, readVersions, versionFor } from '../../queries/syllabus';
import { candidate, grading, gradingDecision, hall, panelMember, sheetLine } from '../../tables';
import { dice } from '../dice';
import { DEMO_SCHOOL_ID, type DemoSchool } from '../generate';
import { USUAL_HALL } from '../hall';
import { insertAll } from './insertAll';

/** What forms came to in the words of each examiner: they are read as a whole. */
const FORM_WORDS = ['stands', 'stands', 'stands', 'stands', 'nearly'] as const;

/** The last grading with its three sheets, as it was decided then; its results are let out. */
export async function writePastGrading(tx: Transaction, made: DemoSchool): Promise<void> {
  const schoolId = DEMO_SCHOOL_ID;
  const up = made.students.filter((s) => s.graded !== null);
  if (up.length === 0) return;
  const [head, idris] = made.teachers;
  const d = dice(505);
  const id = v7();
  const at = (time: string) => new Date(`${made.gradingDay}T${time}:00Z`);
  const halls = await tx.select({ id: hall.id, name: hall.name }).from(hall);
  const versions = await readVersions(tx);
  const followed = await readFollowed(tx);
  const items = await readItems(tx, await readLibrary(tx), versions);
  await tx.insert(grading).values({
    schoolId,
    id,
    title: 'The last grading',
    day: made.gradingDay,
    hallId: halls.find((h) => h.name === USUAL_HALL)?.id ?? null,
    rule: USUAL_RULE,
    closedAt: at('13:40'),
    letOutAt: at('13:45'),
    changedBy: head!.id,
  });
  await tx
    .insert(panelMember)
    .values(made.teachers.map((t) => ({ schoolId, gradingId: id, personId: t.id, handedInAt: at('12:30') })));
  const lines: (typeof sheetLine.$inferInsert)[] = [];
  const decided: (typeof gradingDecision.$inferInsert)[] = [];
  await tx.insert(candidate).values(
    up.map((s, i) => ({
      schoolId,
      gradingId: id,
      studentId: s.id,
      rankId: s.graded!.rankId,
      putBy: (i % 3 === 0 ? idris! : head!).id,
      yes: true,
      saidBy: s.id,
    })),
  );
  for (const s of up) {
    const { rankId, passed, sheets } = s.graded!;
    // By the version that was followed with the belt worn until then.
    const worn = s.held.filter((h) => h.since < made.gradingDay).at(-1) ?? s.held[0]!;
    const version = versions.read(versionFor(versions, { id: s.id, since: worn.since }, followed));
    const asked = version.requirements.filter((r) => r.rankId === rankId);
    const known = new Set(made.requirements.map((r) => r.id));
    const own: SheetLine[] = asked.flatMap((r) => {
      const itsOwn = sheets.filter((l) => known.has(r.id) && l.item === r.id);
      if (itsOwn.length > 0) return itsOwn;
      return made.teachers.map((t) => ({
        item: r.id,
        examiner: t.id,
        marks: [],
        word: passed ? ('stands' as const) : d.pick(FORM_WORDS),
      }));
    });
    lines.push(
      ...own.map((l) => ({
        schoolId,
        id: v7(),
        gradingId: id,
        examinerId: l.examiner,
        studentId: s.id,
        requirementId: l.item,
        marks: [...l.marks],
        word: l.word,
        note: '',
        at: at('11:40'),
      })),
    );
    const rule = decideByRule(
      USUAL_RULE,
      asked.map((r) => ({ item: r.id, critical: r.critical, ...asksOf(USUAL_RULE, items.judgedBy(r.item)) })),
      own,
    );
    const gives = rule.outcome === 'the belt' || rule.outcome === 'the belt, with a note';
    const result = passed ? (gives ? rule.outcome! : 'the belt, with a note') : gives ? 'held over' : rule.outcome!;
    decided.push({
      schoolId,
      gradingId: id,
      studentId: s.id,
      result,
      byRule: rule.outcome,
      reason: result === rule.outcome ? null : 'We talked about it and saw it again after the bow.',
      again: result === 'part again' ? rule.items.filter((i) => i.word !== 'stands').map((i) => i.item) : [],
      againBy: result === 'part again' ? addDays(made.gradingDay, 60) : null,
      sentence: feedbackInWords(
        rule.items.map((i) => ({
          name: items.nameOf(asked.find((r) => r.id === i.item)!.item),
          word: i.word,
          split: i.split,
        })),
        null,
      ),
      by: head!.id,
      at: at('13:10'),
    });
  }
  await insertAll(tx, sheetLine, lines);
  await tx.insert(gradingDecision).values(decided);
}
