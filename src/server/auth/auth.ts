import { betterAuth } from 'better-auth/minimal';
import { drizzleAdapter } from 'better-auth/adapters/drizzle';
import * as authTables from '../../data/tables/auth';
import { config } from '../config';
import { authDb } from '../databases';
import { originOf } from '../http/origin';

/**
 * Sign-in by e-mail and password (scrypt), with sessions and the count of tries kept in PostgreSQL. Nobody signs up:
 * the head gives access. A wrong address and a wrong password are answered alike.
 */
export const auth = betterAuth({
  secret: config.SESSION_SECRET,
  baseURL: config.APP_ORIGIN,
  trustedOrigins: (request) => (request ? [originOf(request)] : []),
  database: drizzleAdapter(authDb, { provider: 'pg', schema: authTables }),
  emailAndPassword: { enabled: true, disableSignUp: true, minPasswordLength: 10, maxPasswordLength: 128 },
  user: {
    additionalFields: {
      schoolId: { type: 'string', required: true, input: false },
      personId: { type: 'string', required: true, input: false },
    },
  },
  session: { expiresIn: 60 * 60 * 24 * 14, updateAge: 60 * 60 * 24 },
  advanced: {
    ipAddress: { ipAddressHeaders: ['x-client-ip'] },
    cookiePrefix: 'stavewright',
    useSecureCookies: config.APP_ORIGIN?.startsWith('https:') ?? false,
  },
  rateLimit: {
    enabled: true,
    storage: 'database',
    window: 60,
    max: 300,
    customRules: {
      '/sign-in/email': { window: 60, max: 10 },
      '/change-password': { window: 60, max: 6 },
      '/get-session': false,
    },
  },
  telemetry: { enabled: false },
  logger: { level: 'error' },
});

/** Whose session it is, before the school has been asked what they may. */
export interface SignedIn {
  userId: string;
  email: string;
  schoolId: string;
  personId: string;
}

export async function readSession(headers: Headers): Promise<SignedIn | null> {
  const found = await auth.api.getSession({ headers });
  if (!found) return null;
  const { user } = found;
  return { userId: user.id, email: user.email, schoolId: user.schoolId, personId: user.personId };
}
