/**
 * The list of a JSON source: an array, or an object that has it under a name. Null where the source is no JSON but
 * text, which everybody writes.
 */
export function listIn(source: string, under: string, words: string): { list: unknown[]; wrong: string } | null {
  const text = source.trim();
  if (!text.startsWith('{') && !text.startsWith('[')) return null;
  let parsed: unknown;
  try {
    parsed = JSON.parse(text);
  } catch {
    return { list: [], wrong: 'This JSON cannot be read: it breaks off, or has a sign too many.' };
  }
  const list: unknown = Array.isArray(parsed)
    ? parsed
    : typeof parsed === 'object' && parsed !== null && under in parsed
      ? (parsed as Record<string, unknown>)[under]
      : null;
  return Array.isArray(list)
    ? { list: list as unknown[], wrong: '' }
    : { list: [], wrong: `There is no list of ${words} in this file.` };
}
