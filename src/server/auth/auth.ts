import { betterAuth } from 'better-auth/minimal';
import { drizzleAdapter } from 'better-auth/adapters/drizzle';
import * as authTables from '../../data/tables/auth';
import { config } from '../config';
import { authDb, authPool } from '../databases';
import { originOf } from '../http/origin';
import { Refusal } from '../http/problem';
import { deviceCookie } from './device';
import { beginTry } from './tries';

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
      // Counted by account and device, below.
      '/sign-in/email': false,
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

/** The database did not answer; the code says so as PostgreSQL's own would. */
class Unanswered extends Error {
  readonly code = '08006';
}

/** Whether cookies go over TLS only. */
const secure = config.APP_ORIGIN?.startsWith('https:') ?? false;

/** Signs in by `ask` if there are tries left; a device that was let in is known to the account from then on. */
export async function signInLimited(request: Request, email: string, ask: () => Promise<Response>): Promise<Response> {
  const account = email.trim().toLowerCase();
  const cookies = request.headers.get('cookie');
  const address = request.headers.get('x-client-ip') ?? '';
  const tried = await beginTry(authPool, config.SESSION_SECRET, { email, address, cookies });
  if (!tried.ok) {
    const minutes = Math.ceil(tried.wait / 60);
    throw new Refusal(
      429,
      `Too many tries. Wait ${minutes === 1 ? 'a minute' : `${minutes} minutes`}, or sign in on a device where you did before.`,
    );
  }
  const answer = await ask();
  if (!answer.ok) return answer;
  await tried.worked();
  const headers = new Headers(answer.headers);
  headers.append('set-cookie', deviceCookie(config.SESSION_SECRET, cookies, account, secure));
  return new Response(answer.body, { status: answer.status, headers });
}

const KNOWN_FOR_MS = 10_000;
const MOST_KNOWN = 5_000;
const known = new Map<string, { me: SignedIn; until: number }>();

/**
 * The session of a request, or null. What was read is known for a few seconds, since a tablet sends mark after mark;
 * signing out forgets it at once here, and on other servers of the same school within those seconds. Rights are not
 * kept: every command and view asks the school itself.
 */
export async function readSession(headers: Headers, now = Date.now()): Promise<SignedIn | null> {
  const cookie = headers.get('cookie') ?? '';
  if (!cookie.includes('stavewright')) return null;
  const kept = known.get(cookie);
  if (kept && kept.until > now) return kept.me;
  const found = await auth.api.getSession({ headers }).catch((error: unknown) => {
    // Whether somebody has a session is a question to the database alone: without an answer nobody is sent away.
    throw new Unanswered('the session could not be read', { cause: error });
  });
  known.delete(cookie);
  if (!found) return null;
  const { user } = found;
  const me = { userId: user.id, email: user.email, schoolId: user.schoolId, personId: user.personId };
  if (known.size >= MOST_KNOWN) known.clear();
  known.set(cookie, { me, until: now + KNOWN_FOR_MS });
  return me;
}

/** Forgets every session read lately: called whenever one may have ended. */
export const forgetSessions = (): void => known.clear();
