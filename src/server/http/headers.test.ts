import { createHash } from 'node:crypto';
import { afterEach, describe, expect, it, vi } from 'vitest';

const answered = async (origin?: string, inline: string[] = []) => {
  vi.resetModules();
  for (const name of ['APP_DATABASE_URL', 'AUTH_DATABASE_URL']) vi.stubEnv(name, 'postgres://x');
  vi.stubEnv('SESSION_SECRET', 'only-for-tests-0123456789');
  vi.stubEnv('APP_ORIGIN', origin);
  const { guarded } = await import('./headers');
  const headers = new Headers();
  guarded(inline)(headers, false);
  return headers;
};
afterEach(() => vi.unstubAllEnvs());

describe('what every answer says', () => {
  it('never to come without TLS again, where there is TLS', async () => {
    expect((await answered('https://hall.example')).get('strict-transport-security')).toBe('max-age=31536000');
    expect((await answered('http://hall.example')).get('strict-transport-security')).toBeNull();
    expect((await answered()).get('strict-transport-security')).toBeNull();
  });
  it('that it is ours, and that nothing of it is kept', async () => {
    const headers = await answered();
    expect(headers.get('x-stavewright')).toBe('1');
    expect(headers.get('cache-control')).toBe('no-store');
  });
  it('which scripts may stand in the page, and no other', async () => {
    const script = 'document.title = 1';
    const named = `'sha256-${createHash('sha256').update(script).digest('base64')}'`;
    const scripts = (headers: Headers) => /script-src ([^;]*)/.exec(headers.get('content-security-policy')!)![1]!;
    expect(scripts(await answered()).split(' ')).not.toContain(named);
    expect(scripts(await answered(undefined, [script])).split(' ')).toContain(named);
    expect(scripts(await answered())).not.toMatch(/unsafe/);
  });
});
