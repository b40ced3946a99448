import { bigint, boolean, index, integer, pgSchema, text, uniqueIndex, uuid } from 'drizzle-orm/pg-core';
import { instant } from './columns';

// Sign-in is asked before the school is known, so these tables stand apart: only the sign-in role reaches them.
export const auth = pgSchema('auth');
const stamps = () => ({
  createdAt: instant('created_at').notNull().defaultNow(),
  updatedAt: instant('updated_at').notNull().defaultNow(),
});

export const user = auth.table(
  'user',
  {
    id: text('id').primaryKey(),
    name: text('name').notNull(),
    email: text('email').notNull().unique(),
    emailVerified: boolean('email_verified').notNull().default(false),
    image: text('image'),
    schoolId: uuid('school_id').notNull(),
    personId: uuid('person_id').notNull(),
    ...stamps(),
  },
  (t) => [uniqueIndex('user_person').on(t.schoolId, t.personId)],
);

export const session = auth.table(
  'session',
  {
    id: text('id').primaryKey(),
    expiresAt: instant('expires_at').notNull(),
    token: text('token').notNull().unique(),
    ipAddress: text('ip_address'),
    userAgent: text('user_agent'),
    userId: text('user_id')
      .notNull()
      .references(() => user.id, { onDelete: 'cascade' }),
    ...stamps(),
  },
  (t) => [index('session_user').on(t.userId)],
);

export const account = auth.table(
  'account',
  {
    id: text('id').primaryKey(),
    accountId: text('account_id').notNull(),
    providerId: text('provider_id').notNull(),
    userId: text('user_id')
      .notNull()
      .references(() => user.id, { onDelete: 'cascade' }),
    accessToken: text('access_token'),
    refreshToken: text('refresh_token'),
    idToken: text('id_token'),
    accessTokenExpiresAt: instant('access_token_expires_at'),
    refreshTokenExpiresAt: instant('refresh_token_expires_at'),
    scope: text('scope'),
    password: text('password'),
    ...stamps(),
  },
  (t) => [index('account_user').on(t.userId)],
);

export const verification = auth.table('verification', {
  id: text('id').primaryKey(),
  identifier: text('identifier').notNull(),
  value: text('value').notNull(),
  expiresAt: instant('expires_at').notNull(),
  ...stamps(),
});

export const rateLimit = auth.table('rate_limit', {
  id: text('id').primaryKey(),
  key: text('key').notNull().unique(),
  count: integer('count').notNull(),
  lastRequest: bigint('last_request', { mode: 'number' }).notNull(),
});

/** How often something was tried or asked for in the present stretch of time, by an opaque key. Lost in a crash. */
export const pace = auth.table('pace', {
  key: text('key').primaryKey(),
  count: integer('count').notNull(),
  until: instant('until').notNull(),
});
