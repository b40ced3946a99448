import { afterEach, describe, expect, it, vi } from 'vitest';

const guarded = async (origin?: string) => {
  vi.resetModules();
  for (const name of ['APP_DATABASE_URL', 'AUTH_DATABASE_URL']) vi.stubEnv(name, 'postgres://x');
  vi.stubEnv('SESSION_SECRET', 'only-for-tests-0123456789');
  vi.stubEnv('APP_ORIGIN', origin);
  const { guard } = await import('./headers');
  const headers = new Headers();
  guard(headers, false);
  return headers;
};
afterEach(() => vi.unstubAllEnvs());

describe('what every answer says', () => {
  it('never to come without TLS again, where there is TLS', async () => {
    expect((await guarded('https://hall.example')).get('strict-transport-security')).toBe('max-age=31536000');
    expect((await guarded('http://hall.example')).get('strict-transport-security')).toBeNull();
    expect((await guarded()).get('strict-transport-security')).toBeNull();
  });
  it('that it is ours, and that nothing of it is kept', async () => {
    const headers = await guarded();
    expect(headers.get('x-stavewright')).toBe('1');
    expect(headers.get('cache-control')).toBe('no-store');
  });
});
