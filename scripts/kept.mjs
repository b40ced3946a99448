// Small files that must never be half written: keys and who is running.
import { randomBytes } from 'node:crypto';
import { closeSync, fsyncSync, openSync, readFileSync, renameSync, rmSync, writeSync } from 'node:fs';
import path from 'node:path';

export const secret = () => randomBytes(24).toString('base64url');

/**
 * Writes `value` as JSON, readable by its owner alone. It is written beside and put in its place in one step, so that a
 * power cut leaves either the old file or the new one.
 */
export function writeKept(file, value) {
  const beside = `${file}.${process.pid}.new`;
  const handle = openSync(beside, 'w', 0o600);
  try {
    writeSync(handle, JSON.stringify(value));
    fsyncSync(handle);
  } catch (error) {
    rmSync(beside, { force: true });
    throw error;
  } finally {
    closeSync(handle);
  }
  renameSync(beside, file);
  const folder = openSync(path.dirname(file), 'r');
  try {
    fsyncSync(folder);
  } finally {
    closeSync(folder);
  }
}

/** What a kept file holds, or what is wrong with it in words that fit "keys.json …". */
export function readKept(file) {
  let text;
  try {
    text = readFileSync(file, 'utf8');
  } catch (error) {
    return { ok: false, wrong: error.code === 'ENOENT' ? 'is missing' : `cannot be read (${error.code})` };
  }
  if (text.trim() === '') return { ok: false, wrong: 'is empty' };
  try {
    return { ok: true, value: JSON.parse(text) };
  } catch {
    return { ok: false, wrong: 'is damaged' };
  }
}

/** Reads passwords; each of `names` must be there. */
export function readKeys(file, names) {
  const read = readKept(file);
  if (!read.ok) return read;
  const whole = names.every((n) => typeof read.value?.[n] === 'string' && read.value[n].length >= 20);
  return whole ? read : { ok: false, wrong: 'is damaged' };
}
