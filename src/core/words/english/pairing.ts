import { LIMITS } from '../../pairing/fit';
import type { Pair, PairBar, PairFact, Unpaired } from '../../pairing/model';
import type { OddPlace } from '../../pairing/oddPlace';
import type { PlainDate } from '../../units/plainDate';
import { dayInWords } from './day';

const times = (n: number) => (n === 1 ? 'once' : n === 2 ? 'twice' : `${n} times`);

/** One reason for or about a pair, to stand in a list; empty: not worth a word. */
export function pairFactInWords(f: PairFact, today: PlainDate): string {
  switch (f.is) {
    case 'pinned':
      return 'tied by you';
    case 'wish':
      return 'a wish';
    case 'rank':
      return f.steps === 0 ? 'the same belt' : f.steps === 1 ? 'a belt apart' : `${f.steps} belts apart`;
    case 'years':
      return f.apart === 0 ? 'the same age' : f.apart === 1 ? 'a year apart' : `${f.apart} years apart`;
    case 'stature':
      return f.cm < 6 ? 'about the same size' : `${f.cm} cm apart`;
    case 'mass':
      return f.kg < 4 ? 'about the same weight' : `${f.kg} kg apart`;
    case 'mass not said':
      return 'a weight is not said';
    case 'new':
      return 'not together lately';
    case 'met':
      return `together ${times(f.times)} lately, last ${dayInWords(f.last, today)}`;
    case 'met tonight':
      return 'together before tonight: nobody else was left';
    case 'one house':
      return 'from one house';
    case 'over a limit':
      return `you tied them although ${barInWords(f.bar)}`;
  }
}

/** What stands between two, to be read after “because”. */
export function barInWords(bar: PairBar): string {
  switch (bar) {
    case 'kept apart':
      return 'they are kept apart';
    case 'years':
      return `more than ${LIMITS.years} years lie between them, and it lands`;
    case 'mass':
      return `one weighs more than ${LIMITS.mass} times the other`;
    case 'answers':
      return 'neither has the answers yet';
  }
}

/** Why somebody has nobody, and what would allow it. */
export function unpairedInWords(
  u: Unpaired,
  minor: boolean,
  odd: OddPlace | null = null,
): { why: string; allows: string } {
  switch (u.why) {
    case 'rests':
      return { why: 'this work rests', allows: 'when it has healed, or the pause ends' };
    case 'refused':
      return { why: 'no contact, and no reason is asked', allows: 'work without contact' };
    case 'no consent':
      return minor
        ? { why: 'no consent on record that counts', allows: 'their own yes and a guardian’s' }
        : { why: 'no consent on record', allows: 'their own yes' };
    case 'odd':
      return {
        why: 'one too many',
        allows: `${odd ?? 'at the pads, at the post or with a teacher'}; another in the next round`,
      };
    case 'nobody fits': {
      const bars = [...new Set(u.between.map((b) => b.bar))];
      return {
        why: bars.map(barInWords).join('; '),
        allows: bars.some((b) => b === 'years' || b === 'mass')
          ? 'a teacher who ties two together, or work without contact'
          : 'another round, or work without contact',
      };
    }
  }
}

/** A pair’s reasons in one line: what speaks for it, and what is worth knowing. */
export const pairWhyInWords = (p: Pick<Pair, 'why'>, today: PlainDate): string =>
  p.why
    .map((f) => pairFactInWords(f, today))
    .filter((w) => w !== '')
    .join(', ');
