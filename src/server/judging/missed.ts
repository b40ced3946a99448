// What was missed while away, and how it can be made up.
import { sql } from 'drizzle-orm';
import { storedTaught } from '../../contracts/stored/taught';
import type { MissedShown } from '../../contracts/views';
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

/** The drill by which each student can make a technique up alone, from what they know and the floor they have. */
function drillsFor(j: Judging): (s: Judgeable, nextId: string, room: RoomAtHome, item: Item) => string {
  const fits = once((_key, body: Sequence, room: RoomAtHome): FitPart | null =>
    room.width === null || room.depth === null
      ? { from: 1, to: body.moves.length }
      : fitRoom(body, { width: room.width, depth: room.depth }, j.items.bodyOf(room.stature)).longest,
  );
  // What they do alone by then: forms and combinations asked up to their next belt, without equipment.
  const knownBy = once((_key, { ranks, requirements }: SyllabusRead, nextId: string): ReadonlyMap<string, Sequence> => {
    const upTo = new Set(ranks.slice(0, ranks.findIndex((r) => r.id === nextId) + 1).map((r) => r.id));
    const known = new Map<string, Sequence>();
    for (const r of requirements) {
      if ('technique' in r.item || !upTo.has(r.rankId)) continue;
      const row = j.items.sequences.get(r.item.sequence);
      if (!row || row.retired || !['form', 'combination'].includes(row.body.about.kind)) continue;
      if ((j.items.factsOf(itemKey(r.item), r.item)?.equipment.length ?? 0) === 0) known.set(row.id, row.body);
    }
    return known;
  });
  const drills = once((_key, known: ReadonlyMap<string, Sequence>, techniqueId: string, room: RoomAtHome): string => {
    const drill = makeUpDrill(
      [...known].map(([id, body]) => ({
        title: j.items.nameOf({ sequence: id, part: null }),
        counts: body.moves.length,
        at: j.items.countsWith(id, techniqueId),
        fits: fits(`${id} ${roomKey(room)}`, body, room),
      })),
    );
    return drill ? makeUpInWords(drill) : '';
  });
  return (s, nextId, room, item) => {
    if (!('technique' in item)) return '';
    const syllabus = j.syllabusOf(s);
    const upTo = `${syllabus.versionId} ${nextId}`;
    return drills(`${upTo} ${roomKey(room)} ${item.technique}`, knownBy(upTo, syllabus, nextId), item.technique, room);
  };
}

/** What was watched in each belt on each day, and when each student was last seen doing an item. */
async function readWatched(tx: Transaction, today: string, students: readonly Judgeable[]) {
  const belts = new Set(students.map((s) => s.rankId));
  const mates = (await readRoll(tx)).filter((r) => belts.has(r.rankId));
  const ids = [...new Set([...mates, ...students].map((s) => s.id))];
  const { students: known } = await readKnown(tx, today, ids);
  const watched = new Map<string, Set<string>>();
  const lastLook = new Map<string, string>();
  for (const m of mates)
    for (const { day, key } of known.get(m.id)?.watched ?? []) {
      const at = `${day} ${m.rankId}`;
      let keys = watched.get(at);
      if (!keys) watched.set(at, (keys = new Set()));
      keys.add(key);
    }
  for (const s of students)
    for (const { day, key } of known.get(s.id)?.watched ?? []) {
      const mine = `${s.id} ${key}`;
      if ((lastLook.get(mine) ?? '') < day) lastLook.set(mine, day);
    }
  return {
    on: (day: string, rankId: string): ReadonlySet<string> => watched.get(`${day} ${rankId}`) ?? NONE,
    lastLook: (studentId: string, key: string): string => lastLook.get(`${studentId} ${key}`) ?? '',
  };
}

const NONE: ReadonlySet<string> = new Set();

/** What each student missed in the last five weeks and was not looked at since: what was taught, and what was watched in their belt. */
export async function readMissed(
  tx: Transaction,
  j: Judging,
  students: readonly Judgeable[],
  rooms: ReadonlyMap<string, RoomAtHome>,
): Promise<Map<string, MissedShown[]>> {
  const classes = await tx.execute<{ id: string; day: string; taught: unknown; here: string[] | null }>(sql`
    select c.id, c.day::text as day, c.taught,
      (select array_agg(a.person_id::text) from attendance a where a.school_id = c.school_id and a.class_id = c.id) as here
    from class_held c where c.day >= ${j.today}::date - ${MISSED_DAYS}::int and c.day <= ${j.today}::date
    order by c.day desc`);
  const watched = await readWatched(tx, j.today, students);
  const conditionName = new Map(j.versions.conditions.map((c) => [c.id, c.name]));
  const drillFor = drillsFor(j);
  const held = classes.rows.map((c) => ({
    id: c.id,
    day: c.day,
    here: new Set(c.here ?? []),
    taught: storedTaught.upgrade(c.taught).map(wholeKey),
  }));
  const askedBy = once(
    (_key, { requirements }: SyllabusRead, nextId: string) =>
      new Map(requirements.filter((r) => r.rankId === nextId).map((r) => [wholeKey(r.item), r])),
  );
  const shownIn = once(
    (_key, c: (typeof held)[number], rankId: string) => new Set([...c.taught, ...watched.on(c.day, rankId)]),
  );
  const missed = once((_key, r: PlacedItem, room: RoomAtHome): Omit<MissedShown, 'day' | 'drill'> => {
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
    };
  });
  const out = new Map<string, MissedShown[]>();
  for (const s of students) {
    // Whoever has not come for two months is not behind, but away.
    if (s.lastHere === null || dayNumber(j.today) - dayNumber(s.lastHere) > AWAY_DAYS) continue;
    const next = rankAbove(j.syllabusOf(s).ranks, s.rankId);
    if (!next) continue;
    const room = rooms.get(s.id) ?? roomOf();
    const syllabus = j.syllabusOf(s);
    const asked = askedBy(`${syllabus.versionId} ${next.id}`, syllabus, next.id);
    const list: MissedShown[] = [];
    const said = new Set<string>();
    for (const c of held) {
      if (c.here.size === 0 || c.here.has(s.id) || c.day < s.since || c.day >= j.today) continue;
      for (const key of shownIn(`${c.id} ${s.rankId}`, c, s.rankId)) {
        const r = asked.get(key);
        if (!r || said.has(key) || watched.lastLook(s.id, key) > c.day) continue;
        said.add(key);
        list.push({
          day: c.day,
          ...missed(`${r.id} ${roomKey(room)}`, r, room),
          drill: drillFor(s, next.id, room, r.item),
        });
      }
    }
    if (list.length > 0) out.set(s.id, list);
  }
  return out;
}
