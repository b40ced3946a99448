import type { AtTheName } from '../../roll/atTheName';
import type { PlainDate } from '../../units/plainDate';
import { dayInWords } from './day';

const until = (day: PlainDate | null, today: PlainDate): string =>
  day === null ? '' : ` until ${dayInWords(day, today)}`;

/** "rests until 10 December: right knee". */
export const restInWords = (r: { what: string; until: PlainDate | null }, today: PlainDate): string =>
  `rests${until(r.until, today)}: ${r.what}`;

/** What stands at a name, as short as it can be said: "right knee: no kicks, until 10 December", "14, minor". */
export function atTheNameInWords(a: AtTheName, today: PlainDate): string {
  switch (a.kind) {
    case 'injury':
      return `${a.what}${a.until === null ? '' : ','}${until(a.until, today)}`;
    case 'pause':
      return `paused${until(a.until, today)}: ${a.what}`;
    case 'no consent':
      return 'no consent on record';
    case 'no contact':
      return 'no contact';
    case 'minor':
      return a.age === null ? 'age not known' : `${a.age}, minor`;
  }
}
