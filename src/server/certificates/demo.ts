import { DEMO_SCHOOL_ID } from '../../data/demo/generate';
import { inSchool, openDatabase, openPool } from '../../data/connection';
import { readDecisions, readGradings } from '../../data/queries/gradings';
import { ownAddress } from './address';
import { issueCertificates } from './issue';

/** Gives the certificates of the demo's past grading, signed with its own key as those of any school. */
export async function certifyDemo(appUrl: string): Promise<number> {
  const pool = openPool(appUrl, 1);
  try {
    return await inSchool(openDatabase(pool), DEMO_SCHOOL_ID, async (tx) => {
      let given = 0;
      for (const g of (await readGradings(tx)).filter((x) => x.letOutAt !== null)) {
        const passed = (await readDecisions(tx, g.id)).filter((d) => d.result.startsWith('the belt'));
        const by = { schoolId: DEMO_SCHOOL_ID, schoolName: 'Causeway Hall', personId: g.changedBy!, now: g.letOutAt! };
        if (passed.length > 0)
          given += await issueCertificates(
            tx,
            by,
            { day: g.day, studentIds: passed.map((d) => d.studentId), gradingId: g.id },
            ownAddress(),
          );
      }
      return given;
    });
  } finally {
    await pool.end();
  }
}
