import { createHmac, randomBytes, timingSafeEqual } from 'node:crypto';

/** A device that somebody has signed in on before; it says so with a cookie that only this school can have made. */
const COOKIE = 'stavewright.device';
/** So many people share a hall's tablet. */
const MOST_ACCOUNTS = 12;
const YEAR = 60 * 60 * 24 * 365;

const sealOf = (secret: string, device: string, account: string): string =>
  createHmac('sha256', secret).update(`device ${device} ${account}`).digest('base64url').slice(0, 22);

const cookieIn = (header: string | null): { device: string; seals: string[] } | null => {
  const found = (header ?? '')
    .split(';')
    .map((c) => c.trim())
    .find((c) => c.startsWith(`${COOKIE}=`));
  const [device, ...seals] = (found?.slice(COOKIE.length + 1) ?? '').split('~');
  return device && /^[\w-]{16}$/.test(device) ? { device, seals: seals.slice(0, MOST_ACCOUNTS) } : null;
};

const same = (a: string, b: string) => a.length === b.length && timingSafeEqual(Buffer.from(a), Buffer.from(b));

/** The device's own name if this account has signed in on it before, else null. */
export function knownDevice(secret: string, cookies: string | null, account: string): string | null {
  const read = cookieIn(cookies);
  if (!read) return null;
  const seal = sealOf(secret, read.device, account);
  return read.seals.some((s) => same(s, seal)) ? read.device : null;
}

/** The cookie that makes this device known to an account, beside those that know it already. */
export function deviceCookie(secret: string, cookies: string | null, account: string, secure: boolean): string {
  const read = cookieIn(cookies) ?? { device: randomBytes(12).toString('base64url'), seals: [] };
  const seal = sealOf(secret, read.device, account);
  const seals = [seal, ...read.seals.filter((s) => s !== seal)].slice(0, MOST_ACCOUNTS);
  return `${COOKIE}=${[read.device, ...seals].join('~')}; Path=/api/auth; Max-Age=${YEAR}; HttpOnly; SameSite=Lax${secure ? '; Secure' : ''}`;
}
