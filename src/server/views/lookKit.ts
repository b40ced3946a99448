import { sql } from 'drizzle-orm';
import { storedSlips } from '../../contracts/stored/slips';
import type { EarlierMarksView, EarlierShowingsView, LookKitView, ViewInput } from '../../contracts/views';
import { adaptationsOn, ageOn, canHurt, consentOf, dayInWords, itemKey } from '../../core';
import type { Transaction } from '../../data/connection';
import { readLibrary } from '../../data/queries/library';
import { readRoll } from '../../data/queries/roll';
import type { Who } from '../who';
import { focusOf, groundsOf, nextGrading, readGiven, readResting, restOf, schoolBeliefs, worthsOf } from './beliefs';
import { focusShown, requirementNames, slipShown } from './guided';
import { judgeStudent, rankAbove, readJudging, staleEarlier, type Judging } from './judging';
import { shownPoints } from './library';
import { conditionShown } from './shown';

/** Whoever came within so many days may be on the line tonight: for them it is worked out what is worth a look. */
const MAY_COME = 60;
/**
 * Requirements a student whose looks are worth most are taken along to the mat: all of them in a small school, since
 * tonight may be about any; in a large one more than an evening can hold, so that the tablet is not slowed.
 */
const worthsEach = (students: number): number => Math.max(10, Math.floor(1500 / Math.max(1, students)));

/** Everything the mat needs for an evening without a network. */
export async function lookKitView(tx: Transaction, who: Who): Promise<LookKitView> {
  const roll = await readRoll(tx);
  const j = await readJudging(tx, who.today);
  const school = await schoolBeliefs(tx, who, j);
  const given = await readGiven(tx);
  const resting = await readResting(tx, who.today);
  const grading = await nextGrading(tx, who.today);
  const worths: LookKitView['worths'] = [];
  const asked = new Map<string, LookKitView['asked'][number]>();
  const since = new Date(Date.parse(`${who.today}T00:00:00Z`) - MAY_COME * 86_400_000).toISOString().slice(0, 10);

  const students = roll.map((x) => {
    const own = [...adaptationsOn(j.adaptations.get(x.id), who.today).values()];
    const next = rankAbove(j.syllabusOf(x).ranks, x.rankId);
    const comes = x.lastHere === null || x.lastHere >= since;
    const judged = next && comes ? judgeStudent(j, x, next.id) : [];
    const mine = resting.get(x.id) ?? [];
    const rests: Record<string, string> = {};
    for (const { requirement: r } of judged) {
      const rest = restOf(j, r.item, mine);
      if (rest)
        rests[itemKey(r.item)] =
          `rests${rest.until ? ` until ${dayInWords(rest.until, who.today)}` : ''}: ${rest.what}`;
    }
    const guided = comes ? focusOf(j, x, judged, given.get(x.id)) : null;
    const nameOf = requirementNames(j, x);
    // Where the next belt's gate asks that earlier belts are fresh, what has faded is worth a look too.
    const asksFresh =
      next && comes && j.syllabusOf(x).gates.some((g) => g.rankId === next.id && g.kind === 'earlier ranks fresh');
    const open = asksFresh ? [...judged, ...staleEarlier(j, x)] : judged;
    const list = worthsOf(j, groundsOf(j, school, x), x, open, grading, mine)
      .sort((a, b) => b.settles - a.settles || sum(b) - sum(a))
      .slice(0, worthsEach(roll.length));
    for (const w of list)
      worths.push({
        studentId: w.studentId,
        itemKey: w.itemKey,
        requirementId: w.requirementId,
        conditionId: w.conditionId,
        word: w.word,
        reason: w.reason,
        seconds: w.seconds,
        settles: round(w.settles),
        hurts: w.hurts,
        points: w.points.map((p) => ({
          id: p.point.id,
          name: p.point.name,
          kind: p.point.kind,
          hurts: canHurt(p.point),
          side: p.side,
          gain: round(p.gain),
          stands: round(p.stands),
        })),
      });
    return {
      id: x.id,
      name: x.name,
      rankId: x.rankId,
      age: x.born ? ageOn(x.born, who.today) : null,
      lastHere: x.lastHere,
      waived: own.filter((a) => a.waived).map((a) => a.pointId),
      adapted: Object.fromEntries(
        own
          .filter((a) => !a.waived)
          .map((a) => [
            a.pointId,
            a.range ? `${a.range.lo} to ${a.range.hi} accepted` : `${Math.round((a.share ?? 0) * 100)} in 100 asked`,
          ]),
      ),
      focus: guided?.focus ? focusShown(guided.focus, nameOf) : null,
      slips: guided?.slipping.slice(0, 6).map((y) => slipShown(y, nameOf)) ?? [],
      praise: guided?.praise.text ?? '',
      rests,
      rung: consentOf(j.consents.get(x.id), x.born, who.today),
    };
  });
  // What is asked, by whichever version somebody follows; the newest says it first.
  const inForce = j.versions.inForce(who.today);
  const versions = [inForce ?? j.versions.published[0] ?? j.versions.draft, ...j.versions.published].filter(
    (v) => v !== null && v !== undefined,
  );
  for (const version of versions)
    for (const r of j.versions.read(version).requirements) {
      const key = `${r.rankId} ${itemKey(r.item)} ${r.conditionId}`;
      if (!asked.has(key))
        asked.set(key, {
          rankId: r.rankId,
          itemKey: itemKey(r.item),
          techniqueId: 'technique' in r.item ? r.item.technique : null,
          sequenceId: 'sequence' in r.item ? r.item.sequence : null,
          part: 'sequence' in r.item ? r.item.part : null,
          conditionId: r.conditionId,
          purpose: r.purpose,
          repetitions: r.standard.repetitions,
          name: j.items.nameOf(r.item),
          group: j.items.groupOf(r.item),
        });
    }
  const order = roll[0] ? j.syllabusOf(roll[0]).order : new Map<string, ReadonlySet<string>>();
  return {
    today: who.today,
    timeZone: who.timeZone,
    me: { personId: who.personId, name: who.name },
    ranks: j.versions.ranks.map(({ id, name, cloth }) => ({ id, name, cloth })),
    conditions: j.versions.conditions.map(conditionShown),
    beyond: Object.fromEntries([...order].map(([c, above]) => [c, [...above]])),
    students,
    stood: await readStood(tx),
    techniques: [...j.library.techniques.values()]
      .filter((t) => !t.retired)
      .map((t) => ({
        id: t.id,
        name: t.name,
        kind: t.kind,
        sided: t.sided,
        points: shownPoints(j.library, t.id).map(({ why: _why, ...p }) => p),
      }))
      .filter((t) => t.points.length > 0),
    sequences: sequencesShown(j, new Set([...asked.values()].flatMap((a) => (a.sequenceId ? [a.sequenceId] : [])))),
    asked: [...asked.values()],
    worths,
    gradingDay: grading,
  };
}

const CLASSES_STOOD = 8;

/** How people stood in the last classes of which that is known. */
async function readStood(tx: Transaction): Promise<string[][]> {
  const { rows } = await tx.execute<{ stood: string[] }>(sql`
    select array_agg(a.person_id::text order by a.place) as stood
    from class_held c join attendance a on a.school_id = c.school_id and a.class_id = c.id
    where a.place is not null group by c.school_id, c.id, c.day order by c.day desc, c.id desc limit ${CLASSES_STOOD}`);
  return rows.map((r) => r.stood);
}

const round = (x: number) => Math.round(x * 10_000) / 10_000;
const sum = (w: { points: readonly { gain: number }[] }) => w.points.reduce((n, p) => n + p.gain, 0);

function sequencesShown(j: Judging, asked: ReadonlySet<string>): LookKitView['sequences'] {
  return [...j.items.sequences.values()]
    .filter((s) => !s.retired && asked.has(s.id) && s.body.moves.length > 0)
    .map((s) => ({
      id: s.id,
      title: s.title,
      kind: s.kind,
      body: s.body,
      points: j.items
        .pointsAt(s.id)
        .map((list) =>
          list.slice(0, 8).map((p) => ({ id: p.id, name: p.name, cue: p.slips[0]?.cue ?? '', kind: p.kind })),
        ),
    }));
}

/** The newest marks on the points of a technique, with whose they are where somebody else watched. */
export async function earlierMarksView(
  tx: Transaction,
  who: Who,
  { techniqueId }: ViewInput<'earlierMarks'>,
): Promise<EarlierMarksView> {
  const library = await readLibrary(tx);
  const points = library.pointsOf(techniqueId).map((p) => p.id);
  if (points.length === 0) return { marks: [] };
  const { rows } = await tx.execute<EarlierMarksView['marks'][number] & Record<string, unknown>>(sql`
    select "studentId", "pointId", side, "conditionId", day, held, "of", "lookId", by from (
      select l.student_id as "studentId", m.point_id as "pointId", l.side, l.condition_id as "conditionId", l.day::text as day,
        case when m.values is null then m.held else (select count(*)::int from unnest(m.values) x where x between p.accepted_lo and p.accepted_hi) end as held,
        m.of as "of", l.id as "lookId",
        case when l.by = ${who.personId}::uuid then null else (select b.name from person b where b.school_id = l.school_id and b.id = l.by) end as by,
        row_number() over (partition by l.student_id, m.point_id, l.side order by l.day desc, l.at desc) as nth, l.at
      from mark m join look l on l.school_id = m.school_id and l.id = m.look_id
      join point p on p.school_id = m.school_id and p.id = m.point_id
      where m.point_id = any(${sql.param(points)}::uuid[]) and l.day > ${who.today}::date - 400
        and not exists (select 1 from look r where r.school_id = l.school_id and r.replaces = l.id)
    ) newest where nth <= 5 order by day desc, at desc`);
  return { marks: rows };
}

/** The newest showings of a sequence, three of each student. */
export async function earlierShowingsView(
  tx: Transaction,
  who: Who,
  { sequenceId }: ViewInput<'earlierShowings'>,
): Promise<EarlierShowingsView> {
  const { rows } = await tx.execute<{
    id: string;
    studentId: string;
    day: string;
    from: number;
    counts: string;
    by: string;
    byMe: boolean;
    slips: unknown;
  }>(sql`
    select id, "studentId", day, "from", counts, by, "byMe", slips from (
      select l.id, l.student_id as "studentId", l.day::text as day, l.part_from as "from", l.counts, l.slips,
        b.name as by, l.by = ${who.personId}::uuid as "byMe", l.at,
        row_number() over (partition by l.student_id order by l.day desc, l.at desc) as nth
      from look l join person b on b.school_id = l.school_id and b.id = l.by
      join sequence s on s.school_id = l.school_id and s.id = l.sequence_id
      where l.sequence_id = ${sequenceId}::uuid and l.counts is not null and s.counts = l.of_counts
        and not exists (select 1 from look r where r.school_id = l.school_id and r.replaces = l.id)
    ) newest where nth <= 4 order by day desc, at desc`);
  return { showings: rows.map((r) => ({ ...r, slips: r.slips === null ? [] : storedSlips.upgrade(r.slips) })) };
}
