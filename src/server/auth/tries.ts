import { createHmac } from 'node:crypto';
import type pg from 'pg';
import { count, forget, type Limit } from '../limits/counter';
import { knownDevice } from './device';

/**
 * How often a password may be tried. On a device that an account has signed in on before, its tries are counted apart:
 * who guesses elsewhere cannot shut the owner out there. From all other devices together an account has as many, however
 * many addresses they come from. An address, behind which a whole hall may sit, has many more, and known devices do not
 * count for it.
 */
export const ACCOUNT: Limit = { most: 10, seconds: 600 };
export const DEVICE: Limit = { most: 10, seconds: 600 };
export const ADDRESS: Limit = { most: 60, seconds: 600 };

export interface Try {
  email: string;
  address: string;
  cookies: string | null;
}

/** Counts one try before it is made; `wait` is in seconds. Call `worked` when the password was right. */
export async function beginTry(
  pool: pg.Pool,
  secret: string,
  t: Try,
): Promise<{ ok: true; worked: () => Promise<void> } | { ok: false; wait: number }> {
  // Addresses of people are not kept in the table.
  const opaque = (what: string) => createHmac('sha256', secret).update(`try ${what}`).digest('base64url');
  const email = t.email.trim().toLowerCase();
  const device = knownDevice(secret, t.cookies, email);
  const counted: [string, Limit][] = device
    ? [[opaque(`device ${device} ${email}`), DEVICE]]
    : [
        [opaque(`account ${email}`), ACCOUNT],
        [opaque(`address ${t.address}`), ADDRESS],
      ];
  let wait = 0;
  for (const [key, limit] of counted) {
    const found = await count(pool, key, limit.seconds);
    if (found.count > limit.most) wait = Math.max(wait, found.seconds);
  }
  if (wait > 0) return { ok: false, wait };
  return { ok: true, worked: () => forget(pool, [counted[0]![0]]) };
}
