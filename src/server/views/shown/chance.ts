// What is said to and about a student beyond verdicts: corrections, chances in words.
import type { ChanceShown } from '../../../contracts/views';
import { chanceInWords, LOOKS_TO_SPEAK, type BeltChance } from '../../../core';
import { corrected } from '../../belief/gradings';

/** A chance as it is shown: corrected by past gradings where there are enough; null where too little is known. */
export function chanceShown(said: BeltChance | null, outcomes: Parameters<typeof corrected>[0]): ChanceShown | null {
  if (!said || said.looks < LOOKS_TO_SPEAK) return null;
  const learned = corrected(outcomes);
  const enough = outcomes.length >= 30;
  const chance = learned(said.chance);
  return {
    words: chanceInWords(chance),
    chance,
    lo: Math.min(chance, learned(said.lo)),
    hi: Math.max(chance, learned(said.hi)),
    looks: Math.round(said.looks),
    correctedBy: enough ? outcomes.length : 0,
  };
}
