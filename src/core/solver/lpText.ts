/** Long rows in pieces: a reader of such texts takes no endless lines. */
export function wrapped(terms: readonly string[]): string[] {
  const out: string[] = [];
  for (let i = 0; i < terms.length; i += 12) out.push(`  ${terms.slice(i, i + 12).join(' ')}`);
  return out;
}
