// What was missed while away, and how it can be made up.
import { sql } from 'drizzle-orm';
import { storedTaught } from '../../contracts/stored/taught';
import type { MissedItem } from '../../contracts/views';
import {
  canHurt,
  dayNumber,
  fitRoom,
  itemKey,
  makeUpDrill,
  makeUpInWords,
  type FitPart,
  type Item,
  type Sequence,
} from '../../core';
import type { Transaction } from '../../data/connection';
import { readRoll } from '../../data/queries/roll';
import type { PlacedItem, SyllabusRead } from '../../data/queries/syllabus';
import { type Judging } from './judging';
import { MISSED_DAYS, readKnown } from './known';
import { rankAbove } from './rankAbove';
import { homeFit, roomOf, type RoomAtHome } from './room';

const AWAY_DAYS = 60;

const POINTS_SAID = 3;

/** What somebody missed, and on which day it was shown last; the same way for all who can make it up alike. */
export interface Missed {
  day: string;
  way: MissedItem;
}

type Judgeable = { id: string; since: string; rankId: string; lastHere: string | null };

/** Requirements of parts belong to their whole: whoever was shown the form was shown its first half. */
const wholeKey = (item: Item): string => ('technique' in item ? itemKey(item) : `s:${item.sequence}`);

/** Reckons something once for each key. */
function once<T, A extends unknown[]>(make: (key: string, ...rest: A) => T) {
  const known = new Map<string, T>();
  return (key: string, ...rest: A): T => {
    if (!known.has(key)) known.set(key, make(key, ...rest));
    return known.get(key)!;
  };
}

const roomKey = (r: RoomAtHome): string => `${r.width} ${r.depth} ${r.stature}`;

/** The drill by which a technique can be made up alone, from what is known by then and the floor there is; empty: none. */
function drillsOf(j: Judging, syllabus: SyllabusRead, nextId: string, room: RoomAtHome): (item: Item) => string {
  const fitIn = (body: Sequence): FitPart | null =>
    room.width === null || room.depth === null
      ? { from: 1, to: body.moves.length }
      : fitRoom(body, { width: room.width, depth: room.depth }, j.items.bodyOf(room.stature)).longest;
  // What they do alone by then: forms and combinations asked up to their next belt, without equipment.
  const upTo = new Set(syllabus.ranks.slice(0, syllabus.ranks.findIndex((r) => r.id === nextId) + 1).map((r) => r.id));
  const known = new Map<string, { body: Sequence; fits: FitPart | null }>();
  for (const r of syllabus.requirements) {
    if ('technique' in r.item || !upTo.has(r.rankId) || known.has(r.item.sequence)) continue;
    const row = j.items.sequences.get(r.item.sequence);
    if (!row || row.retired || !['form', 'combination'].includes(row.body.about.kind)) continue;
    if ((j.items.factsOf(itemKey(r.item), r.item)?.equipment.length ?? 0) === 0)
      known.set(row.id, { body: row.body, fits: fitIn(row.body) });
  }
  return (item) => {
    if (!('technique' in item)) return '';
    const drill = makeUpDrill(
      [...known].map(([id, { body, fits }]) => ({
        title: j.items.nameOf({ sequence: id, part: null }),
        counts: body.moves.length,
        at: j.items.countsWith(id, item.technique),
        fits,
      })),
    );
    return drill ? makeUpInWords(drill) : '';
  };
}

/** What was watched in each belt on each day, and when each student was last seen doing an item. */
async function readWatched(tx: Transaction, today: string, students: readonly Judgeable[]) {
  const belts = new Set(students.map((s) => s.rankId));
  const mates = (await readRoll(tx)).filter((r) => belts.has(r.rankId));
  const ids = [...new Set([...mates, ...students].map((s) => s.id))];
  const { students: known } = await readKnown(tx, today, ids);
  const byBelt = new Map<string, Map<string, Set<string>>>();
  for (const m of mates) {
    let days = byBelt.get(m.rankId);
    if (!days) byBelt.set(m.rankId, (days = new Map<string, Set<string>>()));
    for (const { day, key } of known.get(m.id)?.watched ?? []) {
      const keys = days.get(day);
      if (keys) keys.add(key);
      else days.set(day, new Set([key]));
    }
  }
  return {
    on: (day: string, rankId: string): ReadonlySet<string> => byBelt.get(rankId)?.get(day) ?? NONE,
    /** The day of the last look at each item of a student. */
    lastLooks: (studentId: string): ReadonlyMap<string, string> => {
      const last = new Map<string, string>();
      for (const { day, key } of known.get(studentId)?.watched ?? [])
        if ((last.get(key) ?? '') < day) last.set(key, day);
      return last;
    },
  };
}

const NONE: ReadonlySet<string> = new Set();

/** What each student missed in the last five weeks and was not looked at since: what was taught, and what was watched in their belt. */
export async function readMissed(
  tx: Transaction,
  j: Judging,
  students: readonly Judgeable[],
  rooms: ReadonlyMap<string, RoomAtHome>,
): Promise<Map<string, Missed[]>> {
  const classes = await tx.execute<{ id: string; day: string; taught: unknown; here: string[] | null }>(sql`
    select c.id, c.day::text as day, c.taught,
      (select array_agg(a.person_id::text) from attendance a where a.school_id = c.school_id and a.class_id = c.id) as here
    from class_held c where c.day >= ${j.today}::date - ${MISSED_DAYS}::int and c.day <= ${j.today}::date
    order by c.day desc`);
  const watched = await readWatched(tx, j.today, students);
  const conditionName = new Map(j.versions.conditions.map((c) => [c.id, c.name]));
  // Tonight's is not over yet, and where nobody was noted nobody is known to have missed it.
  const held = classes.rows
    .filter((c) => c.here !== null && c.day < j.today)
    .map((c) => ({ day: c.day, here: new Set(c.here), taught: storedTaught.upgrade(c.taught).map(wholeKey) }));
  // What each class showed, the newest first, of all that is asked next of a belt: the same for everybody who wears it.
  const shownTo = once((_key, { requirements }: SyllabusRead, rankId: string, nextId: string) => {
    const asked = new Map(requirements.filter((r) => r.rankId === nextId).map((r) => [wholeKey(r.item), r]));
    const shown = held.flatMap((c) => {
      const keys = new Set([...c.taught, ...watched.on(c.day, rankId)]);
      const items = [...keys].flatMap((key) => (asked.has(key) ? [{ key, requirement: asked.get(key)! }] : []));
      return items.length > 0 ? [{ ...c, items }] : [];
    });
    return { shown, asked: asked.size };
  });
  const waysIn = once((_key, room: RoomAtHome, syllabus: SyllabusRead, nextId: string) => {
    const ways = new Map<PlacedItem, MissedItem>();
    const drillFor = drillsOf(j, syllabus, nextId, room);
    return (r: PlacedItem): MissedItem => {
      let way = ways.get(r);
      if (!way) ways.set(r, (way = wayOf(r, room, drillFor(r.item))));
      return way;
    };
  });
  const wayOf = (r: PlacedItem, room: RoomAtHome, drill: string): MissedItem => {
    const first = [...j.items.pointsOf(r.item)].sort(
      (a, b) => Number(canHurt(b)) - Number(canHurt(a)) || Number(b.critical) - Number(a.critical),
    );
    return {
      item: j.items.nameOf(r.item),
      itemKey: itemKey(r.item),
      condition: conditionName.get(r.conditionId) ?? '',
      points: first.slice(0, POINTS_SAID).map((p) => ({ name: p.name, cue: p.slips[0]?.cue ?? '' })),
      version:
        j.items.kindOf(r.item) === 'partner drill'
          ? 'Wait for the hall: it needs a partner.'
          : 'technique' in r.item
            ? 'Ten on each side in the air, slowly, then ten at your own speed.'
            : homeFit(j, r.item, room).fit,
      drill,
    };
  };
  const out = new Map<string, Missed[]>();
  for (const s of students) {
    // Whoever has not come for two months is not behind, but away.
    if (s.lastHere === null || dayNumber(j.today) - dayNumber(s.lastHere) > AWAY_DAYS) continue;
    const next = rankAbove(j.syllabusOf(s).ranks, s.rankId);
    if (!next) continue;
    const room = rooms.get(s.id) ?? roomOf();
    const syllabus = j.syllabusOf(s);
    const lastLook = watched.lastLooks(s.id);
    const way = waysIn(`${syllabus.versionId} ${next.id} ${roomKey(room)}`, room, syllabus, next.id);
    const list: Missed[] = [];
    const { shown, asked } = shownTo(`${syllabus.versionId} ${s.rankId}`, syllabus, s.rankId, next.id);
    // Said, or looked at since; then no earlier class has anything to say of it.
    const settled = new Set<string>();
    for (const c of shown) {
      if (settled.size === asked) break;
      if (c.here.has(s.id) || c.day < s.since) continue;
      for (const { key, requirement: r } of c.items) {
        if (settled.has(key)) continue;
        settled.add(key);
        if ((lastLook.get(key) ?? '') <= c.day) list.push({ day: c.day, way: way(r) });
      }
    }
    if (list.length > 0) out.set(s.id, list);
  }
  return out;
}
