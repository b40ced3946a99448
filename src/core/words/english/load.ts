import type { LoadRule, Ladder } from '../../equipment/load/rule';
import type { MayStrike, NextLoad } from '../../equipment/load/nextLoad';
import type { LoadWord } from '../../equipment/load/hands';
import type { LoadStop, LoadWhy } from '../../equipment/load/walk';
import type { PlainDate } from '../../units/plainDate';
import type { Side } from '../../units/side';
import { dayInWords } from './day';
import { capital, countOf, inWords } from './speak';

const PART: Record<Ladder, string> = { hand: 'hand', foot: 'foot', shin: 'shin', 'press-ups': 'hands' };

/** “left hand”, “both hands”. */
export const limbInWords = (ladder: Ladder, side: Side): string =>
  side === 'none'
    ? ladder === 'press-ups'
      ? 'both hands'
      : `both ${PART[ladder]}s`.replace('foots', 'feet')
    : `${side} ${PART[ladder]}`;

/** What one does on a ladder, of so many: “strikes”, “kicks”, “press-ups”. */
export const LADDER_WORK: Record<Ladder, string> = {
  hand: 'strikes',
  foot: 'kicks',
  shin: 'shin kicks',
  'press-ups': 'knuckle press-ups',
};

const SAID: Record<Exclude<LoadWord, 'fine'>, string> = {
  sore: 'sore',
  red: 'skin red',
  swollen: 'swollen',
  open: 'skin open',
  numb: 'numb',
  pain: 'pain',
};
/** A word of the hands as it stands in a table. */
export const loadWordInWords = (w: LoadWord): string => (w === 'fine' ? 'fine' : SAID[w]);

/** Why a limb stands still, as it is told everywhere: “skin of the left hand open”. */
export function stopInWords(stop: LoadStop, ladder: Ladder, side: Side): string {
  const limb = `${side === 'none' ? '' : 'the '}${limbInWords(ladder, side)}`;
  switch (stop.for) {
    case 'open':
      return `skin of ${limb} open`;
    case 'swollen':
      return `${limbInWords(ladder, side)} swollen`;
    case 'numb':
      return `${limbInWords(ladder, side)} numb`;
    case 'pain':
      return `pain in ${limb}`;
  }
}

/** What ends a stop, as a sentence. */
export function stopEndInWords(stop: LoadStop, then: number, rule: LoadRule, today: PlainDate): string {
  const again = `begins again at ${then}`;
  switch (stop.for) {
    case 'open':
      return `Rests until ${dayInWords(stop.until!, today)}; once it is closed it ${again}. Pads and air are free.`;
    case 'swollen':
      return stop.until === null
        ? `Rests until it has been gone ${countOf(rule.swellingDays, 'day')}, then ${again}: say so when it is.`
        : `Gone: rests until ${dayInWords(stop.until, today)}, then ${again}.`;
    default:
      return `Stop, and ask a doctor. The head instructor lifts it, with a reason; then it ${again}.`;
  }
}

/** What decided the number, as a sentence. */
export function loadWhyInWords(why: LoadWhy): string {
  switch (why.kind) {
    case 'begin':
      return 'One begins so.';
    case 'fine':
      return `${capital(inWords(why.days))} of ${inWords(why.of)} days at this number without a word.`;
    case 'grew':
      return `More, after ${countOf(why.days, 'day')} without a word.`;
    case 'surface':
      return `On to the next surface, after ${countOf(why.days, 'day')} without a word.`;
    case 'most':
      return 'As many as the school’s rule goes.';
    case 'fewer':
      return 'Fewer than allowed last time, so the number stays.';
    case 'more':
      return `${why.done} where ${why.allowed} were allowed: kept, and it gives no growth.`;
    case 'paused':
      return `Nothing for ${countOf(why.days, 'day')} and more, so half of it.`;
    case 'lifted':
      return 'Lifted by the head instructor, so it begins anew.';
    case 'said':
      return why.word === 'red'
        ? 'The skin was red, so half of it.'
        : why.word === 'sore'
          ? 'It was sore, so the number stays.'
          : why.word === 'swollen'
            ? 'It was swollen, so half of it.'
            : `${capital(SAID[why.word])}, so it begins anew.`;
  }
}

/** “Right 50, with the snap back; left none: skin of the left hand open, until 19 March.” */
export function nextLoadInWords(list: readonly NextLoad[], today: PlainDate): string {
  const all = list.map((n) => {
    const who = n.side === 'none' ? LADDER_WORK[n.ladder] : n.side;
    if (n.stop)
      return `${who} none: ${stopInWords(n.stop, n.ladder, n.side)}${n.stop.until === null ? '' : `, until ${dayInWords(n.stop.until, today)}`}`;
    if (n.weekUntil !== null) return `${who} none: enough for this week, on from ${dayInWords(n.weekUntil, today)}`;
    return `${who} ${n.number}${n.snap ? ', with the snap back' : ''}`;
  });
  return `${capital(all.join('; '))}.`;
}

/** Why somebody may not, as a sentence; empty: they may. */
export function mayStrikeInWords(m: MayStrike, rule: LoadRule, today: PlainDate): string {
  if (m.may) return '';
  switch (m.why) {
    case 'age':
      return `Soft targets only: from ${inWords(rule.fromAge)} years on, ${dayInWords(m.from, today)}.`;
    case 'age unknown':
      return 'Soft targets only: nobody wrote down when they were born.';
    case 'guardian':
      return 'The guardian is asked first.';
  }
}
