import { eq, inArray, sql } from 'drizzle-orm';
import type { CommandInput, CommandName, Mend } from '../../contracts/commands';
import { dayInWords, daysBetween } from '../../core';
import type { Transaction } from '../../data/connection';
import { recordLooks, type LookRow, type MarkRow } from '../../data/queries/recordLooks';
import { look, mark, person, point } from '../../data/tables';
import { Refusal } from '../http/problem';
import { dayIn, type Who } from '../who';
import type { Runs } from './command';
import { mustBeOnTheRoll } from './onTheRoll';

type LookInput = CommandInput<'look.record'>;

/** A look as it is sent, as the rows that are kept of it. */
export const lookRow = (l: LookInput, by: string): LookRow => ({
  id: l.id,
  by,
  student_id: l.studentId,
  technique_id: l.techniqueId,
  sequence_id: l.sequence?.id ?? null,
  part_from: l.sequence?.from ?? null,
  part_to: l.sequence?.to ?? null,
  of_counts: l.sequence?.ofCounts ?? null,
  counts: l.sequence?.counts ?? null,
  slips: l.sequence?.slips ?? null,
  lane: l.sequence?.lane ?? null,
  condition_id: l.conditionId,
  day: l.day,
  at: l.at,
  side: l.side,
  purpose: l.purpose,
  stage: l.stage,
  replaces: l.replaces,
  partner_id: l.partnerId,
  note: l.note,
  marks: l.marks.map(markRow),
});

/** A mark as it is sent, as the row that is kept of it. */
export const markRow = (m: LookInput['marks'][number]): MarkRow =>
  m.kind === 'measured'
    ? { point_id: m.pointId, kind: m.kind, held: 0, of: m.values.length, values: m.values, halves: m.halves }
    : { point_id: m.pointId, kind: m.kind, held: m.held, of: m.of, reps: m.reps, told_by: m.toldBy };

/** A tablet's clock may run this far off before it is asked about, in ms. */
const CLOCK_MAY_DIFFER = 6 * 3_600_000;
/** Two tablets' clocks differ by minutes. */
const CORRECTION_MAY_PRECEDE = 3_600_000;

/** "19:42 tonight", or with the day where it is another. */
const momentInWords = (at: Date, who: Who): string => {
  const time = at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit', timeZone: who.timeZone });
  const day = dayIn(who.timeZone, at);
  return day === who.today ? `${time} today` : `${time} on ${dayInWords(day, who.today)}`;
};

/** Refuses what a clock that is days off wrote down, and offers the moment by the server's clock. */
export function clockIsRight(who: Who, day: string, at: string): void {
  const off = who.behind ?? 0;
  const ahead = daysBetween(who.today, day) > 1;
  if (!ahead && Math.abs(off) <= CLOCK_MAY_DIFFER) return;
  const meant = new Date(Math.min(Date.parse(at) + off, who.now.getTime()));
  const mends: Mend[] =
    dayIn(who.timeZone, meant) <= who.today
      ? [
          {
            say: `Take it as of the server’s time, ${momentInWords(meant, who)}`,
            set: { day: dayIn(who.timeZone, meant), at: meant.toISOString() },
          },
        ]
      : [];
  const days = Math.round(Math.abs(off) / 86_400_000);
  const how = days >= 1 ? ` by ${days === 1 ? 'a day' : `${days} days`}` : '';
  throw new Refusal(
    422,
    `The clock of this device is wrong${how}: this is dated ${dayInWords(day, who.today)}. Set the clock.`,
    [{ path: 'day', message: 'Set the tablet’s clock.' }],
    { mends },
  );
}

/**
 * A correction comes after what it corrects: one that is dated before it was written down by a clock that has been put
 * right since, which nothing else would tell.
 */
async function comesAfter(tx: Transaction, who: Who, l: LookInput, replaces: string): Promise<void> {
  const found = await tx.select({ at: look.at }).from(look).where(eq(look.id, replaces));
  const first = found[0]?.at;
  if (!first || Date.parse(l.at) >= first.getTime() - CORRECTION_MAY_PRECEDE) return;
  const meant = new Date(first.getTime() + 1000);
  throw new Refusal(
    422,
    `This corrects a look of ${momentInWords(first, who)} and is dated before it, ${dayInWords(l.day, who.today)}: the clock of this device was wrong.`,
    [{ path: 'at', message: 'It is dated before what it corrects.' }],
    {
      mends: [
        {
          say: `Take it as of ${momentInWords(meant, who)}`,
          set: { day: dayIn(who.timeZone, meant), at: meant.toISOString() },
        },
      ],
    },
  );
}

/** Who corrected a look before, with what they marked, in words; null: nobody. */
async function correctedBefore(tx: Transaction, who: Who, id: string) {
  const found = await tx
    .select({ id: look.id, at: look.at, by: person.name })
    .from(look)
    .leftJoin(person, sql`${person.schoolId} = ${look.schoolId} and ${person.id} = ${look.by}`)
    .where(eq(look.replaces, id));
  const first = found[0];
  if (!first) return null;
  const marks = await tx
    .select({ name: point.name, held: mark.held, of: mark.of, values: mark.values })
    .from(mark)
    .innerJoin(point, sql`${point.schoolId} = ${mark.schoolId} and ${point.id} = ${mark.pointId}`)
    .where(eq(mark.lookId, first.id));
  const said = marks.slice(0, 6).map((m) => `${m.name} ${m.values ? m.values.join(', ') : `${m.held} of ${m.of}`}`);
  return {
    id: first.id,
    says: `${first.by ?? 'Somebody'} corrected this look at ${momentInWords(first.at, who)}: ${said.join('; ') || 'everything taken back'}${marks.length > 6 ? ' and more' : ''}.`,
  };
}

/** Who is said to have felt something within a showing. */
export const tellersOf = (l: LookInput): string[] => [
  ...new Set(l.sequence?.slips.flatMap((s) => (s.toldBy === null ? [] : [s.toldBy])) ?? []),
];

async function tellersAreHere(tx: Transaction, tellers: string[]): Promise<void> {
  const here = tellers.length === 0 ? 0 : await tx.$count(person, inArray(person.id, tellers));
  if (here < tellers.length) throw new Refusal(409, 'Whoever told this is not in the school.');
}

/** Why a look was not taken. */
async function whyNot(tx: Transaction, who: Who, l: LookInput): Promise<Refusal> {
  await mustBeOnTheRoll(tx, who, l.studentId, l.day);
  const known = l.replaces === null ? [] : await tx.select({ id: look.id }).from(look).where(eq(look.id, l.replaces));
  return known.length === 0
    ? new Refusal(409, 'The look that this one corrects was never taken.', [], {
        mends: [{ say: 'Take it as a look of its own', set: { replaces: null } }],
      })
    : new Refusal(409, 'The look that this one corrects is of another student or another item.', [], {
        mends: [{ say: 'Take it as a look of its own', set: { replaces: null } }],
      });
}

export const lookCommands: Runs<Extract<CommandName, 'look.record'>> = {
  /**
   * Adds a look. It is a fact: a correction is another look that replaces it, once. The watcher is who sent it. Points
   * that are gone meanwhile are left out and named in the answer; the others are taken.
   */
  'look.record': async (tx, who, l) => {
    clockIsRight(who, l.day, l.at);
    await tellersAreHere(tx, tellersOf(l));
    if (l.replaces !== null) {
      const before = await correctedBefore(tx, who, l.replaces);
      if (before)
        throw new Refusal(409, before.says, [], {
          mends: [{ say: 'Let mine stand instead', set: { replaces: before.id } }],
        });
      await comesAfter(tx, who, l, l.replaces);
    }
    const [done] = await recordLooks(tx, who.schoolId, [lookRow(l, who.personId)]);
    if (!done) throw await whyNot(tx, who, l);
    return lookAnswer(tx, l, done.marks);
  },
};

/** What is answered to a look that was taken with so many of its marks; refused where nothing of it is left. */
async function lookAnswer(tx: Transaction, l: LookInput, marks: number): Promise<{ notTaken?: string[] }> {
  if (marks === l.marks.length) return {};
  const taken = await tx.select({ id: mark.pointId }).from(mark).where(eq(mark.lookId, l.id));
  const there = new Set(taken.map((m) => m.id));
  const notTaken = l.marks.map((m) => m.pointId).filter((id) => !there.has(id));
  if (there.size === 0 && l.note.trim() === '' && l.sequence === null && l.replaces === null)
    throw new Refusal(409, 'What was marked here is not in the library any more, or is known in another way now.');
  return { notTaken };
}
