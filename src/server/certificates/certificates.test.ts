import { createLocalJWKSet, decodeJwt, jwtVerify, SignJWT, generateKeyPair } from 'jose';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { v7 } from 'uuid';
import { codeInFours } from '../../core';
import { inSchool, openPool } from '../../data/connection';
import { readCertificates } from '../../data/queries/certificates';
import { makeDatabase, type TestDatabase } from '../../data/testing/database';
import { DAY, NOW, smallSchool, type SmallSchool } from '../testing/school';
import { runView } from '../views/run';
import { openKeys, seal, unseal } from './keys';
import { certificatePdf } from './pdf/certificate';
import { verifyCertificate } from './verify';

let t: TestDatabase;
let home: SmallSchool;
let authPool: ReturnType<typeof openPool>;
beforeAll(async () => {
  t = await makeDatabase();
  home = await smallSchool(t, 'Home');
  authPool = openPool(t.authUrl, 2);
});
afterAll(async () => {
  await authPool.end();
  await t.drop();
});

const check = (asked: string) => verifyCertificate(t.db, authPool, asked);
const own = async (s: SmallSchool = home) =>
  (await inSchool(t.db, s.id, (tx) => readCertificates(tx, { id: s.certificate })))[0]!;
/** Gives the second belt with its certificate, and says which row the belt is. */
async function certified(s: SmallSchool): Promise<string> {
  await s.send('head', 'student.promote', { id: v7(), studentId: s.student, rankId: s.ranks[1]!, day: DAY, note: '' });
  const { rows } = await t.owner.query<{ id: string }>(
    'select id from rank_held where school_id = $1 and rank_id = $2',
    [s.id, s.ranks[1]],
  );
  await s.send('head', 'certificate.give', { heldId: rows[0]!.id });
  return rows[0]!.id;
}
/** The same credential with another text in it, its signature left as it was. */
function changed(signed: string, from: string, to: string): string {
  const [head, body, signature] = signed.split('.') as [string, string, string];
  const text = Buffer.from(body, 'base64url').toString('utf8').replaceAll(from, to);
  return [head, Buffer.from(text).toString('base64url'), signature].join('.');
}

describe('a certificate', () => {
  it('holds name, belt, day and school, and is signed as others can check (RFC 7515, Ed25519)', async () => {
    const c = await own();
    const keys = await inSchool(t.db, home.id, openKeys);
    const { payload, protectedHeader } = await jwtVerify(c.signed, createLocalJWKSet({ keys }));
    expect(protectedHeader).toMatchObject({ alg: 'EdDSA', typ: 'JWT' });
    expect(payload).toMatchObject({
      // Open Badges 3.0 (1EdTech) on Verifiable Credentials 2.0 (W3C), from memory.
      type: ['VerifiableCredential', 'OpenBadgeCredential'],
      issuer: { name: 'Home' },
      validFrom: '2025-06-01T00:00:00Z',
      credentialSubject: { achievement: { name: 'White' } },
    });
    // Nothing else of the student: no birthday, no id of the roll.
    expect(JSON.stringify(payload)).not.toMatch(new RegExp(`1990|${home.student}`));
    expect(c.number).toBe('2025-001');
  });

  it('is found by its code, typed as people type, and by its file', async () => {
    const c = await own();
    const stands = { word: 'stands', number: '2025-001', said: { name: 'Home other', belt: 'White' } };
    expect(await check(c.code)).toMatchObject(stands);
    expect(await check(` ${codeInFours(c.code).toLowerCase()} `)).toMatchObject(stands);
    expect(await check(c.signed)).toMatchObject(stands);
    expect(await check('0000-0000-0000')).toEqual({ word: 'unknown' });
    for (const nothing of ['hello', '{"a":1}', 'a.b.c', '[]', '7'])
      expect((await check(nothing)).word, nothing).toBe('no certificate');
  });

  it('a changed one says what was changed', async () => {
    const c = await own();
    expect(await check(changed(c.signed, 'White', 'Black'))).toMatchObject({
      word: 'changed',
      differs: ['belt'],
      shown: { belt: 'Black' },
      given: { belt: 'White' },
    });
    expect(await check(changed(c.signed, 'Home other', 'Somebody else'))).toMatchObject({ differs: ['name'] });
    expect(await check(changed(c.signed, '2025-06-01', '2024-06-01'))).toMatchObject({ differs: ['day'] });
    // What was taken out of its token is signed by nobody.
    expect(await check(JSON.stringify(decodeJwt(c.signed)))).toEqual({ word: 'not signed' });
    // Signed by somebody else in the school's name.
    const { privateKey } = await generateKeyPair('EdDSA', { crv: 'Ed25519' });
    const forged = (jti: string) =>
      new SignJWT({ ...decodeJwt(c.signed), id: jti }).setProtectedHeader({ alg: 'EdDSA' }).sign(privateKey);
    expect(await check(await forged(`urn:uuid:${v7()}`))).toEqual({ word: 'not signed' });
    expect(await check(await forged(`urn:uuid:${c.id}`))).toMatchObject({ word: 'changed', differs: [] });
    expect(await check(changed(c.signed, home.id, v7()))).toEqual({ word: 'not ours' });
  });

  it('stays good when the key is made anew, and a new one is signed with the new key', async () => {
    const s = await smallSchool(t, 'Renewed');
    const before = await own(s);
    await s.send('head', 'signingKey.renew', {});
    expect(await check(before.signed)).toMatchObject({ word: 'stands' });
    const keys = await inSchool(t.db, s.id, openKeys);
    expect(keys).toHaveLength(2);
    expect(keys.every((k) => !('d' in k))).toBe(true);
    await certified(s);
    const all = await inSchool(t.db, s.id, (tx) => readCertificates(tx, { studentId: s.student }));
    expect(all.map((c) => c.number)).toEqual(['2025-001', `${DAY.slice(0, 4)}-001`]);
    expect(await check(all[1]!.signed)).toMatchObject({ word: 'stands' });
    // Whoever has the database alone cannot sign.
    const kept = await t.owner.query<{ sealed: string }>(`select sealed from signing_key where school_id = $1`, [s.id]);
    for (const { sealed } of kept.rows) {
      expect(sealed).not.toContain('"d"');
      expect(unseal(sealed)).toContain('"d"');
      expect(unseal(`${sealed.slice(0, -4)}AAAA`)).toBeNull();
    }
  });

  it('goes with the belt that is struck, or alone, and says so to whoever asks', async () => {
    const s = await smallSchool(t, 'Back');
    const held = await certified(s);
    const [, second] = await inSchool(t.db, s.id, (tx) => readCertificates(tx, { studentId: s.student }));
    await s.send('head', 'record.strike', {
      id: held,
      kind: 'promotion',
      studentId: s.student,
      reason: 'It was her sister',
    });
    expect(await check(second!.code)).toMatchObject({ word: 'taken back', said: { belt: 'Straw' } });
    expect(JSON.stringify(await check(second!.code))).not.toContain('sister');
    const first = await own(s);
    await s.send('head', 'certificate.back', { id: first.id, reason: 'Misspelt' });
    expect(await check(first.signed)).toMatchObject({ word: 'taken back' });
    await expect(s.send('head', 'certificate.back', { id: first.id, reason: 'Again' })).rejects.toThrow('already');
    // Spelt right it is given anew: another number, another code; the old one stays taken back.
    await s.send('head', 'certificate.give', { heldId: s.held });
    const all = await inSchool(t.db, s.id, (tx) => readCertificates(tx, { studentId: s.student }));
    const anew = all.find((c) => c.heldId === s.held && c.backAt === null)!;
    expect(anew.number).not.toBe(first.number);
    expect(await check(anew.code)).toMatchObject({ word: 'stands' });
    expect(await check(first.code)).toMatchObject({ word: 'taken back' });
    await expect(s.send('head', 'certificate.give', { heldId: s.held })).rejects.toThrow('already');
  });

  it('a student reads their own, nobody else’s; no other school has it', async () => {
    await expect(runView(t.db, home.as.student, 'certificate', { id: home.certificate }, NOW)).rejects.toThrow(
      'another student’s',
    );
    expect(await runView(t.db, home.as.guardian, 'certificate', { id: home.certificate }, NOW)).toMatchObject({
      name: 'Home other',
      wording: 'wears White from 1 June 2025',
      head: 'Home',
    });
  });

  it('is printed on both papers, in any script', async () => {
    const c = await runView(t.db, home.as.head, 'certificate', { id: home.certificate }, NOW);
    for (const paper of ['a4', 'letter'] as const) {
      const pdf = await certificatePdf(
        { ...c, name: 'Łucja 한밭 道場 Ωmega', head: '水門 the hall' },
        paper,
        'http://127.0.0.1',
      );
      expect(Buffer.from(pdf).subarray(0, 5).toString()).toBe('%PDF-');
    }
  });
});

it('what is sealed opens with the same secret only', () => {
  const sealed = seal('a key');
  expect(unseal(sealed)).toBe('a key');
  const was = process.env.SESSION_SECRET;
  process.env.SESSION_SECRET = 'another secret, also long enough';
  expect(unseal(sealed)).toBeNull();
  process.env.SESSION_SECRET = was;
});
