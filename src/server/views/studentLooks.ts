import { desc, eq, inArray, ne, or } from 'drizzle-orm';
import type { MarkInput } from '../../contracts/look';
import type { StudentLooksView, ViewInput } from '../../contracts/views';
import { measuresInWords, namedInWords, readShowing, roleIn, showingInWords } from '../../core';
import type { Transaction } from '../../data/connection';
import { readItems } from '../../data/queries/items';
import { readLibrary } from '../../data/queries/library';
import { readVersions } from '../../data/queries/syllabus';
import { condition, look, mark, person, struck } from '../../data/tables';
import { mustBeOwnStudent } from '../auth/ownStudent';
import { Refusal } from '../http/problem';
import { dayIn, type Who } from '../who';

/** "count 5 slipped", of a showing; empty for other looks. */
export function showingShown(l: { counts: string | null; partFrom: number | null }): string {
  const read = l.counts === null ? null : readShowing(l.counts);
  return read ? showingInWords({ from: l.partFrom ?? 1, ...read }) : '';
}

/** All looks at a student with every mark: who looked, what was seen, and what a later look replaced. */
export async function studentLooksView(
  tx: Transaction,
  who: Who,
  { id }: ViewInput<'studentLooks'>,
): Promise<StudentLooksView> {
  await mustBeOwnStudent(tx, who, id);
  const library = await readLibrary(tx);
  const items = await readItems(tx, library, await readVersions(tx));
  // Whoever can have watched, decided or told: teachers, and the student; not everybody who ever came.
  const people = await tx
    .select({ id: person.id, name: person.name })
    .from(person)
    .where(or(ne(person.role, 'student'), eq(person.id, id)));
  const names = new Map(people.map((p) => [p.id, p.name]));
  if (!names.has(id)) throw new Refusal(404, 'This student is not on the roll.');
  const conditions = new Map((await tx.select().from(condition)).map((c) => [c.id, c.name]));
  const rows = await tx
    .select()
    .from(look)
    .where(eq(look.studentId, id))
    .orderBy(desc(look.day), desc(look.at))
    .limit(LOOKS_SHOWN);
  const replaced = new Set(rows.flatMap((l) => (l.replaces ? [l.replaces] : [])));
  const marks =
    rows.length === 0
      ? []
      : await tx
          .select()
          .from(mark)
          .where(
            inArray(
              mark.lookId,
              rows.map((l) => l.id),
            ),
          );
  const byLook = new Map<string, (typeof marks)[number][]>();
  for (const m of marks) byLook.set(m.lookId, [...(byLook.get(m.lookId) ?? []), m]);
  const taught = who.role === 'head' || who.role === 'instructor';
  const pointOf = (pointId: string) => library.ownerOf.get(pointId)?.points.find((p) => p.id === pointId);
  return {
    looks: rows.map((l) => ({
      id: l.id,
      day: l.day,
      item: l.techniqueId
        ? (library.techniques.get(l.techniqueId)?.name ?? '')
        : (items.sequences.get(l.sequenceId ?? '')?.title ?? ''),
      condition: conditions.get(l.conditionId) ?? '',
      side: l.side,
      purpose: l.purpose,
      stage: l.stage,
      by: names.get(l.by) ?? '',
      note: taught ? l.note : '',
      role: l.lane && l.sequenceId ? roleIn(items.sequences.get(l.sequenceId)?.body, l.lane) : null,
      partner: l.partnerId ? (names.get(l.partnerId) ?? 'a partner') : null,
      replaced: replaced.has(l.id),
      later: dayIn(who.timeZone, l.at) > l.day ? dayIn(who.timeZone, l.at) : null,
      mends: !replaced.has(l.id) && (who.role === 'head' || (who.role === 'instructor' && l.by === who.personId)),
      technique: l.techniqueId !== null,
      marks: [
        ...(l.counts ? [{ point: 'counts', words: showingShown(l), felt: null, unit: null, sent: null }] : []),
        ...namedOf(l).map((x) => ({
          point: `${x.what}:`,
          words: namedInWords(x),
          felt: x.toldBy === null ? null : (names.get(x.toldBy) ?? 'a partner'),
          unit: null,
          sent: null,
        })),
        ...(byLook.get(l.id) ?? []).map((m) => {
          const p = pointOf(m.pointId);
          const which = m.reps?.includes('S')
            ? `, slipped at ${[...m.reps].flatMap((r, i) => (r === 'S' ? [i + 1] : [])).join(', ')}`
            : '';
          const byEye = p?.kind === 'measured' && m.kind === 'seen' ? ', by eye' : '';
          return {
            point: p?.name ?? 'a point since retired',
            words: m.values
              ? measuresInWords(m.values, m.halves, p?.unit ?? null)
              : `${m.held} of ${m.of}${which}${byEye}`,
            felt: m.kind === 'felt' ? (names.get(m.toldBy ?? l.by) ?? 'a partner') : null,
            unit: p?.unit ?? null,
            sent: sentAs(m),
          };
        }),
      ],
    })),
    struck: taught
      ? (
          await tx
            .select()
            .from(struck)
            .where(eq(struck.studentId, id))
            .orderBy(desc(struck.at), desc(struck.id))
            .limit(LOOKS_SHOWN)
        ).map((x) => ({
          id: x.id,
          kind: x.kind,
          says: x.says,
          reason: x.reason,
          by: names.get(x.by) ?? '',
          day: dayIn(who.timeZone, x.at),
        }))
      : [],
  };
}

/** What a showing has besides points of the library, which are marks: the form's own at a place, and what was said. */
const namedOf = (l: typeof look.$inferSelect) => (l.slips ?? []).filter((x) => x.pointId === null);

const sentAs = (m: typeof mark.$inferSelect): MarkInput =>
  m.values
    ? { pointId: m.pointId, kind: 'measured', values: m.values, halves: m.halves }
    : {
        pointId: m.pointId,
        kind: m.kind as 'seen' | 'counted' | 'felt',
        held: m.held,
        of: m.of,
        reps: m.reps,
        toldBy: m.toldBy,
      };
const LOOKS_SHOWN = 400;
