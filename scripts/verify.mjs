// npm run verify -- FILE: whether a certificate stands, without an account. The open keys and the list of those taken back
// are read from where the certificate says, or given as files.
import { readFile } from 'node:fs/promises';
import { parseArgs } from 'node:util';
import { asProgram, ensurePackages, Plain, say } from './machine.mjs';

const HELP = `npm run verify -- certificate.jws [--at https://school.example] [--keys keys.json] [--taken-back list.json]`;

async function readJson(from, what) {
  try {
    if (!/^https?:/.test(from)) return JSON.parse(await readFile(from, 'utf8'));
    const answer = await fetch(from);
    if (!answer.ok) throw new Error(`${answer.status}`);
    return await answer.json();
  } catch (error) {
    throw new Plain(`${what} could not be read from ${from} (${error.message}).`);
  }
}

await asProgram(async () => {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: { at: { type: 'string' }, keys: { type: 'string' }, 'taken-back': { type: 'string' } },
  });
  const file = positionals[0];
  if (!file) throw new Plain(HELP);
  ensurePackages();
  const { compactVerify, createLocalJWKSet, decodeJwt } = await import('jose');
  const signed = (
    await readFile(file, 'utf8').catch(() => {
      throw new Plain(`There is no file ${file}.`);
    })
  ).trim();
  let claims;
  try {
    claims = decodeJwt(signed);
  } catch {
    throw new Plain('This is no certificate file.');
  }
  const issuer = String(claims.issuer?.id ?? '');
  const school = /[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}/.exec(issuer)?.[0];
  const base = values.at ? `${values.at.replace(/\/+$/, '')}/schools/${school}` : issuer;
  if (!values.keys && !/^https?:/.test(base))
    throw new Plain(`The certificate does not say where its school is reached. Name it: ${HELP}`);
  const keys = await readJson(values.keys ?? `${base}/keys.json`, 'The school’s keys');
  try {
    await compactVerify(signed, createLocalJWKSet(keys), { algorithms: ['EdDSA'] });
  } catch {
    throw new Plain(
      'It does not stand: what it says is not signed by the school that it names. It was changed, or somebody else wrote it.',
    );
  }
  const back =
    values['taken-back'] || /^https?:/.test(base)
      ? await readJson(values['taken-back'] ?? `${base}/taken-back.json`, 'The list of those taken back')
      : null;
  if (back?.revokedCredential?.some((c) => c.id === claims.id))
    throw new Plain('It was taken back by the school and does not count any more.');
  const who = claims.credentialSubject?.identifier?.[0]?.identityHash;
  say(
    `It stands: ${who} wears ${claims.credentialSubject?.achievement?.name} from ${String(claims.validFrom).slice(0, 10)}, given by ${claims.issuer?.name}.` +
      (back ? '' : ' Whether it was taken back since is not known here.'),
  );
});
