import { eq } from 'drizzle-orm';
import { v7 } from 'uuid';
import type { PlainDate } from '../../../core';
import { addDays } from '../../../core';
import { type Transaction } from '../../connection';
import { factsFor, readItems } from '../../queries/items';
import { readLibrary } from '../../queries/library';
import { readVersions } from '../../queries/syllabus';
import { syllabusFollowed, syllabusVersion } from '../../tables';
import { DEMO_SCHOOL_ID, type DemoSchool } from '../generate';
import { theDraft, withForms } from '../way';

/** The second version, in force for three weeks, and the draft. */
export async function writeWay(tx: Transaction, made: DemoSchool, today: PlainDate) {
  const schoolId = DEMO_SCHOOL_ID;
  const by = made.teachers[0]!.id;
  const rows = await tx.select().from(syllabusVersion).where(eq(syllabusVersion.schoolId, schoolId));
  const library = await readLibrary(tx);
  const items = await readItems(tx, library, await readVersions(tx));
  const idOf = (list: readonly { id: string; name: string }[]) => (name: string) =>
    list.find((x) => x.name === name)!.id;
  const names = {
    rank: idOf(made.ranks),
    condition: idOf(made.conditions),
    technique: idOf(made.techniques),
    sequence: (title: string) => [...items.sequences.values()].find((s) => s.title === title)!.id,
  };
  const context = { ranks: made.ranks, conditions: made.conditions, nameOf: (id: string) => id };
  const secondId = v7();
  const second = withForms(rows[0]!.body, names, context, (x) => factsFor(items, x), v7, addDays(today, -20));
  await tx.insert(syllabusVersion).values([
    {
      schoolId,
      id: secondId,
      state: 'published',
      title: 'With forms',
      body: second,
      from: addDays(today, -20),
      changedBy: by,
    },
    { schoolId, id: v7(), state: 'draft', title: '', body: theDraft(second, names, context, v7), changedBy: by },
  ]);
  // The older belts asked to be moved in the middle of their cycle.
  const older = ['Fern', 'Umber'].map(names.rank);
  await tx
    .insert(syllabusFollowed)
    .values(
      made.students
        .filter((s) => older.includes(s.held.at(-1)!.rankId))
        .map((s) => ({ schoolId, id: v7(), studentId: s.id, versionId: secondId, day: addDays(today, -15), by })),
    );
}
