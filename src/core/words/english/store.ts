import { countStates, PIECE_STATES, type PieceState, type Thing } from '../../equipment/thing';
import { shortBy, type NeedAt, type StoreHelp } from '../../equipment/need';
import type { PlainDate } from '../../units/plainDate';
import { capital, countOf, inWords } from './speak';
import { clockInWords } from './clock';
import { dayInWords } from './day';

export const PIECE_STATE_WORDS: Record<PieceState, string> = {
  sound: 'sound',
  due: 'due',
  'to mend': 'to mend',
  lent: 'lent',
};

/** “7 sound, 1 due, 1 cracked, 1 lent”, or “all sound”. */
export function statesInWords(t: Pick<Thing, 'pieces'>, today: PlainDate): string {
  const n = countStates(t, today);
  if (t.pieces.length === 0) return 'none there';
  if (n.sound === t.pieces.length) return n.sound === 1 ? 'sound' : 'all sound';
  const wrong = t.pieces.filter((p) => p.wrong !== '').map((p) => p.wrong);
  const kinds = [...new Set(wrong)].map((w) => `${wrong.filter((x) => x === w).length} ${w}`);
  return [
    ...PIECE_STATES.filter((s) => s !== 'to mend' && s !== 'lent' && n[s] > 0).map(
      (s) => `${n[s]} ${PIECE_STATE_WORDS[s]}`,
    ),
    ...kinds,
    ...(n.lent > 0 ? [`${n.lent} lent`] : []),
  ].join(', ');
}

/** “Long staff, one short at 19:40; everything else is there.” */
export function storeInWords(rows: readonly NeedAt[], nameOf: (thingId: string) => string): string {
  if (rows.length === 0) return 'Tonight takes nothing out of the store.';
  const short = rows.filter((r) => shortBy(r) > 0);
  if (short.length === 0) return 'Everything is there.';
  const list = short.map((r) => {
    const n = shortBy(r);
    return `${nameOf(r.thingId)}, ${inWords(n)} short at ${clockInWords(r.need.at)}`;
  });
  const rest = short.length === rows.length ? '' : '; everything else is there';
  return `${capital(list.join('; '))}${rest}.`;
}

/** What would help, as a sentence. */
export function storeHelpInWords(h: StoreHelp, today: PlainDate): string {
  switch (h.help) {
    case 'check':
      return `Look over ${h.pieceIds.length === 1 ? 'the one that is' : `the ${inWords(h.pieceIds.length)} that are`} due, since ${dayInWords(h.since, today)}.`;
    case 'ask':
      return `${h.to} has one${h.until === null ? '' : ` until ${dayInWords(h.until, today)}`}: ask for it.`;
    case 'mend':
      return `Mend ${countOf(h.pieceIds.length, 'piece')}, then look ${h.pieceIds.length === 1 ? 'it' : 'them'} over.`;
    case 'share':
      return `Share: ${h.people} people take turns at one.`;
  }
}
