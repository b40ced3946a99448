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
import { type Judging } from './judging';
import { MISSED_DAYS, readKnown } from './known';
import { rankAbove } from './rankAbove';
import { homeFit, roomOf, type RoomAtHome } from './room';

const AWAY_DAYS = 60;

const POINTS_SAID = 3;

type Judgeable = { id: string; since: string; rankId: string; lastHere: string | null };

/** Requirements of parts belong to their whole: whoever was shown the form was shown its first half. */
const wholeKey = (item: Item): string => ('technique' in item ? itemKey(item) : `s:${item.sequence}`);

/** The drill by which each student can make a technique up alone, from what they know and the floor they have. */
function drillsFor(j: Judging): (s: Judgeable, nextId: string, room: RoomAtHome) => (item: Item) => string {
  const fitted = new Map<string, FitPart | null>();
  const fits = (id: string, body: Sequence, room: RoomAtHome): FitPart | null => {
    if (room.width === null || room.depth === null) return { from: 1, to: body.moves.length };
    const key = `${id} ${room.width} ${room.depth} ${room.stature}`;
    let found = fitted.get(key);
    if (found === undefined) {
      found = fitRoom(body, { width: room.width, depth: room.depth }, j.items.bodyOf(room.stature)).longest;
      fitted.set(key, found);
    }
    return found;
  };
  return (s, nextId, room) => {
    const { ranks, requirements } = j.syllabusOf(s);
    const upTo = new Set(ranks.slice(0, ranks.findIndex((r) => r.id === nextId) + 1).map((r) => r.id));
    // What they do alone by now: forms and combinations asked up to their next belt, without equipment.
    const known = new Map<string, Sequence>();
    for (const r of requirements) {
      if ('technique' in r.item || !upTo.has(r.rankId)) continue;
      const row = j.items.sequences.get(r.item.sequence);
      if (!row || row.retired || !['form', 'combination'].includes(row.body.about.kind)) continue;
      if ((j.items.factsOf(itemKey(r.item), r.item)?.equipment.length ?? 0) === 0) known.set(row.id, row.body);
    }
    return (item) => {
      if (!('technique' in item)) return '';
      const drill = makeUpDrill(
        [...known].map(([id, body]) => ({
          title: j.items.nameOf({ sequence: id, part: null }),
          counts: body.moves.length,
          at: j.items.countsWith(id, item.technique),
          fits: fits(id, body, room),
        })),
      );
      return drill ? makeUpInWords(drill) : '';
    };
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
  const drills = drillsFor(j);
  const out = new Map<string, MissedShown[]>();
  for (const s of students) {
    // Whoever has not come for two months is not behind, but away.
    if (s.lastHere === null || dayNumber(j.today) - dayNumber(s.lastHere) > AWAY_DAYS) continue;
    const next = rankAbove(j.syllabusOf(s).ranks, s.rankId);
    if (!next) continue;
    const room = rooms.get(s.id) ?? roomOf();
    const drillFor = drills(s, next.id, room);
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
      for (const key of new Set([...storedTaught.upgrade(c.taught).map(wholeKey), ...watched.on(c.day, s.rankId)])) {
        const r = asked.get(key);
        if (!r || said.has(key) || watched.lastLook(s.id, key) > c.day) continue;
        said.add(key);
        const first = [...j.items.pointsOf(r.item)].sort(
          (a, b) => Number(canHurt(b)) - Number(canHurt(a)) || Number(b.critical) - Number(a.critical),
        );
        list.push({
          day: c.day,
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
          drill: drillFor(r.item),
        });
      }
    }
    if (list.length > 0) out.set(s.id, list);
  }
  return out;
}
