import type { Gate, GateVerdict } from '../../syllabus/gate';
import { RUNGS } from '../../syllabus/standard';
import { addDays, type PlainDate } from '../../units/plainDate';
import { dayInWords } from './day';
import { countOf } from './speak';

/** Its reason in one line, split so that the second half can stand in lighter ink. */
export function gateInWords(v: GateVerdict, rankName: string, today: PlainDate): { has: string; asks: string } {
  const { kind, amount } = v.gate;
  const until = v.opens ? `, open on ${dayInWords(v.opens, today)}` : '';
  if (kind === 'time in rank') {
    const has = v.has === null ? 'No date for the belt worn' : `${countOf(v.has, 'month')} as ${rankName}`;
    return { has, asks: `asks ${amount}${until}` };
  }
  if (kind === 'age') {
    const has = v.has === null ? 'No date of birth' : `${v.has} years old`;
    return { has, asks: `asks ${amount}${until}` };
  }
  if (kind === 'consent')
    return v.has === null
      ? { has: 'No consent on record', asks: `asks for ${rungName(amount)}` }
      : { has: `Consent to ${rungName(v.has)}`, asks: `asks for ${rungName(amount)}` };
  if (kind === 'no open injury')
    return v.word === 'met'
      ? { has: 'No open injury', asks: '' }
      : { has: 'An injury is open', asks: v.opens ? `until ${dayInWords(addDays(v.opens, -1), today)}` : '' };
  if (kind === 'earlier ranks fresh') {
    const names = v.names ?? [];
    return names.length === 0
      ? { has: 'Earlier belts are fresh', asks: '' }
      : {
          has: `${countOf(names.length, 'earlier thing')} to be seen again`,
          asks: names.slice(0, 3).join(', ') + (names.length > 3 ? `, ${names.length - 3} more` : ''),
        };
  }
  const unit = kind === 'hours' ? 'hours of class' : 'classes';
  const more = v.missing ? `, ${Math.round(v.missing * 10) / 10} more` : '';
  return { has: `${Math.round((v.has ?? 0) * 10) / 10} of ${amount} ${unit}`, asks: `since ${rankName}${more}` };
}

/** What an item waits for: “not yet: opens with 14 years of age, on 4 May”. */
export const waitsInWords = (v: GateVerdict, today: PlainDate): string =>
  `not yet: opens with ${gateAsks(v.gate)}${v.opens ? `, on ${dayInWords(v.opens, today)}` : v.missing ? `, ${gateMissing(v)} to go` : ''}`;

const rungName = (n: number): string => RUNGS[Math.round(n) - 1] ?? 'no contact';

/** What a gate asks, whoever comes: "6 months in the belt below". */
export function gateAsks(g: Pick<Gate, 'kind' | 'amount'>): string {
  switch (g.kind) {
    case 'time in rank':
      return `${countOf(g.amount, 'month')} in the belt below`;
    case 'classes':
      return `${countOf(g.amount, 'class', 'classes')} since the belt below`;
    case 'hours':
      return `${countOf(g.amount, 'hour')} of class since the belt below`;
    case 'age':
      return `${countOf(g.amount, 'year')} of age`;
    case 'consent':
      return `consent to contact: ${rungName(g.amount)}`;
    case 'no open injury':
      return 'no open injury';
    case 'earlier ranks fresh':
      return 'earlier belts still fresh';
  }
}
/** What a shut gate still asks, as part of an answer: "2 months", "a date of birth". */
export function gateMissing(g: GateVerdict): string {
  const n = g.missing;
  switch (g.gate.kind) {
    case 'time in rank':
      return n === null ? 'a date for the belt worn' : countOf(n, 'month');
    case 'age':
      return n === null ? 'a date of birth' : `${countOf(n, 'year')} of age`;
    case 'hours':
      return `${countOf(n ?? 0, 'hour')} of class`;
    case 'classes':
      return countOf(n ?? 0, 'class', 'classes');
    case 'consent':
      return 'consent to contact';
    case 'no open injury':
      return 'an injury to heal';
    case 'earlier ranks fresh':
      return `${countOf(n ?? 0, 'earlier thing')} to be seen again`;
  }
}
