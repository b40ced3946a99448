import { fold } from '../units/fold';

// The word for a belt in the languages of our halls, and how it hangs at the end of a compound. Folded: no accents.
const WORDS = new Set(
  'belt belts grade obi tti dai dae gurtel gurt ceinture cinturon cinto cintura faixa pas pasek ov band balte bælte baelte vyo kusak curea remen пояс ζωνη 帯 带 帶 띠'
    .split(' ')
    .map(fold),
);
const ENDINGS = ['gurtel', 'gurt', 'banden', '帯', '带', '帶', '띠'].map(fold);

/** A belt's name without the word for a belt: "Black belt", "ceinture noire", "Gelbgurt". The word alone stays. */
export function withoutBelt(name: string): string {
  const folded = fold(name);
  const words = folded.split(' ').filter((w) => !WORDS.has(w));
  const rest = words.join(' ');
  const ending = ENDINGS.find((e) => rest.length > e.length && rest.endsWith(e));
  const bare = (ending ? rest.slice(0, -ending.length) : rest).trim();
  return bare === '' ? folded : bare;
}

/**
 * The school's belts that a typed name means: the one that is called so, or else all that are called so but for the word
 * for a belt, on either side.
 */
export function beltsMeant<R extends { name: string }>(typed: string, ranks: readonly R[]): R[] {
  const same = ranks.filter((r) => fold(r.name) === fold(typed));
  return same.length > 0 ? same : ranks.filter((r) => withoutBelt(r.name) === withoutBelt(typed));
}
