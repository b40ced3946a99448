import { text, uuid } from 'drizzle-orm/pg-core';
import { auth } from './auth';

/** Whose certificate a code is: asked by people without a sign-in, before the school is known. */
export const certificateCode = auth.table('certificate_code', {
  code: text('code').primaryKey(),
  schoolId: uuid('school_id').notNull(),
});
