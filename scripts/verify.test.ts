import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { exportJWK, generateKeyPair, SignJWT } from 'jose';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { credentialOf } from '../src/core';

const SCHOOL = '0198f2a0-0000-7000-8000-000000000001';
const ID = '0198f2a0-0000-7000-8000-0000000000c1';
let folder: string;
let signed: string;
const file = (name: string, text: string) => {
  const at = path.join(folder, name);
  writeFileSync(at, text);
  return at;
};
const verify = (...args: string[]) => {
  const done = spawnSync(process.execPath, ['scripts/verify.mjs', ...args], { encoding: 'utf8' });
  return { code: done.status, said: `${done.stdout}${done.stderr}`.trim() };
};

beforeAll(async () => {
  folder = mkdtempSync(path.join(tmpdir(), 'verify-'));
  const { publicKey, privateKey } = await generateKeyPair('EdDSA', { crv: 'Ed25519' });
  const claims = credentialOf(
    {
      id: ID,
      name: 'Aiko Dunmore',
      belt: { id: SCHOOL, name: 'Fern' },
      day: '2027-01-01',
      school: { id: SCHOOL, name: 'Causeway Hall' },
    },
    null,
  );
  signed = await new SignJWT(claims).setProtectedHeader({ alg: 'EdDSA', kid: 'one' }).sign(privateKey);
  file('keys.json', JSON.stringify({ keys: [{ ...(await exportJWK(publicKey)), kid: 'one', alg: 'EdDSA' }] }));
});
afterAll(() => rmSync(folder, { recursive: true }));

it('a certificate is checked with the school’s keys, without an account', () => {
  const keys = ['--keys', path.join(folder, 'keys.json')];
  const good = file('good.jws', `${signed}\n`);
  expect(verify(good, ...keys)).toEqual({
    code: 0,
    said: 'It stands: Aiko Dunmore wears Fern from 2027-01-01, given by Causeway Hall. Whether it was taken back since is not known here.',
  });
  const list = (id: string) =>
    file('back.json', JSON.stringify({ revokedCredential: [{ id: `urn:uuid:${id}`, revoked: true }] }));
  expect(verify(good, ...keys, '--taken-back', list(SCHOOL)).code).toBe(0);
  expect(verify(good, ...keys, '--taken-back', list(ID))).toMatchObject({
    code: 1,
    said: expect.stringContaining('taken back') as string,
  });
  const [head, body, signature] = signed.split('.') as [string, string, string];
  const other = Buffer.from(Buffer.from(body, 'base64url').toString().replaceAll('Fern', 'Black')).toString(
    'base64url',
  );
  expect(verify(file('bad.jws', [head, other, signature].join('.')), ...keys)).toMatchObject({
    code: 1,
    said: expect.stringContaining('It does not stand') as string,
  });
  expect(verify(file('text.jws', 'hello'), ...keys).said).toBe('This is no certificate file.');
  // Without an address in it, and none given, it says what is missing.
  expect(verify(good).said).toContain('Name it');
});
