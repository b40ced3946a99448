// What is said to and about a student beyond verdicts: corrections, what was missed, chances in words.
import { sql } from 'drizzle-orm';
import type { ChanceShown, FocusShown, MissedShown, SlipShown } from '../../contracts/views';
import {
  canHurt,
  chanceInWords,
  dayNumber,
  fitRoom,
  itemKey,
  LOOKS_TO_SPEAK,
  type BeltChance,
  type Focus,
  type Item,
  type Slipping,
} from '../../core';
import type { Transaction } from '../../data/connection';
import { partOf } from '../../data/queries/items';
import { corrected } from './beliefs';
import { rankAbove, type Judging } from './judging';

export function slipShown(s: Slipping, nameOf: (requirementId: string) => string): SlipShown {
  const slip = s.point.slips.find((x) => x.hurts !== 'nobody') ?? s.point.slips[0];
  return {
    pointId: s.point.id,
    point: s.point.name,
    side: s.side,
    hurts: s.hurts,
    held: Math.floor(s.held + 1e-9),
    of: Math.round(s.of),
    needs: `${s.needs} of ${s.repetitions}`,
    cue: slip?.cue ?? '',
    requirements: s.requirementIds.map(nameOf),
  };
}

export function focusShown(f: Focus, nameOf: (requirementId: string) => string): FocusShown {
  return {
    ...slipShown(f, nameOf),
    how: f.point.how,
    slip: f.slip?.looksLike ?? '',
    hurtsHow: canHurt(f.point) ? (f.slip?.hurtsHow ?? '') : '',
    since: f.since,
    chosen: f.chosen,
    why: f.why,
    holds: f.holds,
  };
}

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

const MISSED_DAYS = 35;

type Judgeable = { id: string; since: string; rankId: string; lastHere: string | null };
export interface RoomAtHome {
  width: number | null;
  depth: number | null;
  stature: number;
}

/** How an item can be done on a floor at home, in words; empty where there is nothing to say. */
export function homeFit(j: Judging, item: Item, room: RoomAtHome): { fit: string; counts: [number, number] | null } {
  if ('technique' in item) return { fit: '', counts: null };
  const row = j.items.sequences.get(item.sequence);
  if (!row) return { fit: '', counts: null };
  const body = partOf(row.body, item);
  if (body.moves.length === 0) return { fit: '', counts: null };
  const first = item.part?.from ?? 1;
  if (room.width === null || room.depth === null)
    return { fit: 'Where the floor is too small, do as many counts as fit and start again.', counts: null };
  const fit = fitRoom(body, { width: room.width, depth: room.depth }, j.items.bodyOf(room.stature));
  if (fit.fits)
    return {
      fit: fit.turned ? 'All of it fits if you start facing the longer wall.' : 'All of it fits your floor.',
      counts: [first, first + body.moves.length - 1],
    };
  if (!fit.longest) return { fit: 'It does not fit your floor: do each count in place, hands only.', counts: null };
  const { from, to } = fit.longest;
  return {
    fit: `Counts ${first + from - 1} to ${first + to - 1} fit your floor; do those, then turn back and go on from there.`,
    counts: [first + from - 1, first + to - 1],
  };
}

/** What each student missed in the last five weeks and was not looked at since: what was taught, and what was watched in their belt. */
export async function readMissed(
  tx: Transaction,
  j: Judging,
  students: readonly Judgeable[],
  rooms: ReadonlyMap<string, RoomAtHome>,
): Promise<Map<string, MissedShown[]>> {
  const since = sql`${j.today}::date - ${MISSED_DAYS}::int`;
  const classes = await tx.execute<{ id: string; day: string; taught: Item[]; here: string[] | null }>(sql`
    select c.id, c.day::text as day, c.taught,
      (select array_agg(a.person_id::text) from attendance a where a.school_id = c.school_id and a.class_id = c.id) as here
    from class_held c where c.day >= ${since} and c.day <= ${j.today}::date order by c.day desc`);
  const looked = await tx.execute<{
    student: string;
    day: string;
    technique: string | null;
    sequence: string | null;
    condition: string;
  }>(sql`
    select distinct l.student_id as student, l.day::text as day, l.technique_id as technique, l.sequence_id as sequence,
      l.condition_id as condition
    from look l where l.day >= ${since} and l.day <= ${j.today}::date`);
  const worn = await tx.execute<{ id: string; rank: string }>(sql`
    select distinct on (person_id) person_id as id, rank_id as rank from rank_held
    where person_id in (select l.student_id from look l where l.day >= ${since} and l.day <= ${j.today}::date) order by person_id, since desc, at desc`);
  const belt = new Map(worn.rows.map((r) => [r.id, r.rank]));
  const wholeKey = (item: Item) => ('technique' in item ? itemKey(item) : `s:${item.sequence}`);
  // What was watched in each belt on each day, and when each student was last looked at doing an item.
  const watched = new Map<string, Set<string>>();
  const lastLook = new Map<string, string>();
  for (const l of looked.rows) {
    const key = l.technique ? `t:${l.technique}` : `s:${l.sequence}`;
    const at = `${l.day} ${belt.get(l.student) ?? ''}`;
    watched.set(at, (watched.get(at) ?? new Set()).add(key));
    const mine = `${l.student} ${key}`;
    if ((lastLook.get(mine) ?? '') < l.day) lastLook.set(mine, l.day);
  }
  const conditionName = new Map(j.versions.conditions.map((c) => [c.id, c.name]));
  const out = new Map<string, MissedShown[]>();
  for (const s of students) {
    // Whoever has not come for two months is not behind, but away.
    if (s.lastHere === null || dayNumber(j.today) - dayNumber(s.lastHere) > 60) continue;
    const next = rankAbove(j.syllabusOf(s).ranks, s.rankId);
    if (!next) continue;
    const asked = new Map(
      j
        .syllabusOf(s)
        .requirements.filter((r) => r.rankId === next.id)
        .map((r) => [wholeKey(r.item), r]),
    );
    const list: MissedShown[] = [];
    const said = new Set<string>();
    for (const c of classes.rows) {
      if (c.here === null || c.here.includes(s.id) || c.day < s.since || c.day >= j.today) continue;
      const shown = new Set([...c.taught.map(wholeKey), ...(watched.get(`${c.day} ${s.rankId}`) ?? [])]);
      for (const key of shown) {
        const r = asked.get(key);
        if (!r || said.has(key) || (lastLook.get(`${s.id} ${key}`) ?? '') > c.day) continue;
        said.add(key);
        const points = j.items.pointsOf(r.item);
        const first = [...points].sort(
          (a, b) => Number(canHurt(b)) - Number(canHurt(a)) || Number(b.critical) - Number(a.critical),
        );
        const fit = homeFit(j, r.item, rooms.get(s.id) ?? { width: null, depth: null, stature: 1.7 }).fit;
        const partner = j.items.kindOf(r.item) === 'partner drill';
        list.push({
          day: c.day,
          item: j.items.nameOf(r.item),
          itemKey: itemKey(r.item),
          condition: conditionName.get(r.conditionId) ?? '',
          points: first.slice(0, 3).map((p) => ({ name: p.name, cue: p.slips[0]?.cue ?? '' })),
          version: partner
            ? 'Wait for the hall: it needs a partner.'
            : 'technique' in r.item
              ? 'Ten on each side in the air, slowly, then ten at your own speed.'
              : fit,
        });
      }
    }
    if (list.length > 0) out.set(s.id, list);
  }
  return out;
}

/** Requirements of the next belt by id, for naming them. */
export function requirementNames(
  j: Judging,
  student: { id: string; since: string; rankId: string },
): (id: string) => string {
  const syllabus = j.syllabusOf(student);
  const byId = new Map(syllabus.requirements.map((r) => [r.id, j.items.nameOf(r.item)]));
  return (id) => byId.get(id) ?? '';
}
