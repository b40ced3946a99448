/** What is asked after work that hardens, and the words for it, from nothing to the worst. */
export const SKIN = ['fine', 'red', 'open'] as const;
export const SWELLING = ['none', 'swollen'] as const;
export const LOAD_JOINTS = ['fine', 'sore', 'pain'] as const;
export const FEELING = ['fine', 'numb'] as const;

/** What a limb says. */
export interface LimbSaid {
  skin: (typeof SKIN)[number];
  swelling: (typeof SWELLING)[number];
  joints: (typeof LOAD_JOINTS)[number];
  feeling: (typeof FEELING)[number];
}

export const ALL_FINE: LimbSaid = { skin: 'fine', swelling: 'none', joints: 'fine', feeling: 'fine' };

/** What follows from what was said, by weight: the worst decides. */
export const LOAD_WORDS = ['fine', 'sore', 'red', 'swollen', 'open', 'numb', 'pain'] as const;
export type LoadWord = (typeof LOAD_WORDS)[number];

/** All that was said, as the words that something follows from. */
export function wordsOf(said: LimbSaid): LoadWord[] {
  const words: LoadWord[] = [];
  if (said.skin !== 'fine') words.push(said.skin);
  if (said.swelling === 'swollen') words.push('swollen');
  if (said.joints !== 'fine') words.push(said.joints);
  if (said.feeling === 'numb') words.push('numb');
  return words;
}

/** The worst of what was said. */
export const worstOf = (words: readonly LoadWord[]): LoadWord =>
  LOAD_WORDS[Math.max(0, ...words.map((w) => LOAD_WORDS.indexOf(w)))]!;
