import { and, asc, eq } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { pictureWord } from '../tables';

export type PictureWord = typeof pictureWord.$inferSelect;

/** The newest word of each student on pictures of them; of one alone where named. */
export async function readPictureWords(tx: Transaction, studentId?: string): Promise<Map<string, PictureWord>> {
  const rows = await tx
    .select()
    .from(pictureWord)
    .where(and(studentId === undefined ? undefined : eq(pictureWord.studentId, studentId)))
    .orderBy(asc(pictureWord.at), asc(pictureWord.id));
  return new Map(rows.map((w) => [w.studentId, w]));
}
