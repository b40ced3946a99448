import { eq } from 'drizzle-orm';
import type { PlainDate } from '../../core';
import { inSchool, openDatabase, openPool } from '../connection';
import { school } from '../tables';
import { DEMO_SCHOOL_ID, generateDemo } from './generate';
import { withHolding } from './holding';
import { writeLived, writeShowings } from './lived';
import { writeCycle } from './write/cycle';
import { writeDecisions } from './write/decisions';
import { writeEvenings } from './write/evenings';
import { writeGradings } from './write/gradings';
import { writeLoad } from './write/load';
import { writeStore } from './write/store';
import { writePastGrading } from './write/pastGrading';
import { writeSchool } from './write/school';
import { writeSequences } from './write/sequences';
import { writeSignIns } from './write/signIns';
import { writeWay } from './write/way';

/** Fills Causeway Hall into the database the app connects to; null if it stands there already. */
export async function fillDemo(appUrl: string, day?: PlainDate) {
  const pool = openPool(appUrl, 2);
  try {
    const db = openDatabase(pool);
    const today = day ?? new Intl.DateTimeFormat('en-CA', { timeZone: 'Europe/London' }).format(new Date());
    return await inSchool(db, DEMO_SCHOOL_ID, async (tx) => {
      const there = await tx.select({ id: school.id }).from(school).where(eq(school.id, DEMO_SCHOOL_ID));
      if (there.length > 0) return null;
      const made = withHolding(generateDemo(today), today);
      await writeSchool(tx, DEMO_SCHOOL_ID, 'Causeway Hall', made);
      await writeSequences(tx, made);
      await writeWay(tx, made, today);
      await writeDecisions(tx, made, today);
      await writeShowings(tx, DEMO_SCHOOL_ID, made, today);
      const { guardian } = await writeLived(tx, DEMO_SCHOOL_ID, made, today);
      await writePastGrading(tx, made);
      await writeEvenings(tx, made, today, await writeCycle(tx, made, today));
      await writeGradings(tx, made);
      await writeStore(tx, made, today);
      await writeLoad(tx, made, today);
      await writeSignIns(tx, made, [guardian]);
      const marks = made.looks.reduce((n, l) => n + l.marks.length, 0);
      return { students: made.students.length, looks: made.looks.length, marks };
    });
  } finally {
    await pool.end();
  }
}
