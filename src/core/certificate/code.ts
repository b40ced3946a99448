/** Letters of a code: without those that are read for another (Crockford's base 32). */
const LETTERS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';
const LENGTH = 12;

/** The code of a certificate from random bytes, five bits a letter; throws where they are too few. */
export function codeOf(random: Uint8Array): string {
  if (random.length < LENGTH) throw new RangeError(`a code needs ${LENGTH} random bytes`);
  return Array.from({ length: LENGTH }, (_, i) => LETTERS[random[i]! & 31]).join('');
}

/** As it is printed: in fours. */
export const codeInFours = (code: string): string => code.match(/.{1,4}/g)?.join('-') ?? '';

/** A code as somebody types it, or null: it is none. O is read as 0, I and L as 1; gaps and hyphens do not count. */
export function readCode(typed: string): string | null {
  const code = typed.toUpperCase().replace(/[\s-]/g, '').replace(/O/g, '0').replace(/[IL]/g, '1');
  return code.length === LENGTH && [...code].every((c) => LETTERS.includes(c)) ? code : null;
}
