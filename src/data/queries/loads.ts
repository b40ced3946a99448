import { and, asc, eq, gte, inArray, ne, or } from 'drizzle-orm';
import {
  ALL_FINE,
  BLOWS,
  LADDER_SIDES,
  LADDERS,
  LOAD_AS_DELIVERED,
  nextLoad,
  walkLoad,
  type LoadEntry,
  type LoadLift,
  type LoadRule,
  type NextLoad,
  type PlainDate,
} from '../../core';
import type { Transaction } from '../connection';
import { loadDone, loadWord, practice, school } from '../tables';

/** All that somebody did of work that hardens, and what was said of it. */
export interface LoadOf {
  entries: (LoadEntry & {
    id: string;
    blow: string;
    surface: string;
    place: 'hall' | 'home';
    logged: boolean;
    by: string;
  })[];
  lifts: LoadLift[];
  words: (typeof loadWord.$inferSelect)[];
}
export const NO_LOAD: LoadOf = { entries: [], lifts: [], words: [] };

/** The school's numbers, and the age from which nobody is asked for somebody else. */
export async function readLoadRule(tx: Transaction): Promise<{ rule: LoadRule; ofAge: number }> {
  const [own] = await tx.select({ rule: school.loadRule, ofAge: school.ofAge }).from(school);
  return { rule: own?.rule ?? LOAD_AS_DELIVERED, ofAge: own?.ofAge ?? 18 };
}

/** Of whoever did or said anything; hall, home and the log of practice together, the oldest first. */
export async function readLoads(tx: Transaction, studentIds?: readonly string[]): Promise<Map<string, LoadOf>> {
  const some = studentIds ? [...studentIds] : null;
  const out = new Map<string, LoadOf>();
  const of = (id: string): LoadOf => {
    const kept = out.get(id) ?? { entries: [], lifts: [], words: [] };
    out.set(id, kept);
    return kept;
  };
  for (const d of await tx
    .select()
    .from(loadDone)
    .where(some ? inArray(loadDone.studentId, some) : undefined)
    .orderBy(asc(loadDone.day), asc(loadDone.at), asc(loadDone.id)))
    of(d.studentId).entries.push({
      id: d.id,
      day: d.day,
      at: d.at.toISOString(),
      ladder: BLOWS[d.blow],
      blow: d.blow,
      side: d.side,
      surface: d.surface,
      place: d.place,
      logged: false,
      by: d.by,
      count: d.count,
      said:
        d.skin === null
          ? null
          : { skin: d.skin, swelling: d.swelling ?? 'none', joints: d.joints ?? 'fine', feeling: d.feeling ?? 'fine' },
    });
  // The log of practice says neither side nor kind; joints may be any, unless something was struck.
  for (const p of await tx
    .select()
    .from(practice)
    .where(
      and(
        some ? inArray(practice.studentId, some) : undefined,
        or(ne(practice.strikes, 0), ne(practice.hands, 'fine')),
      ),
    ))
    of(p.studentId).entries.push({
      id: p.id,
      day: p.day,
      at: p.at.toISOString(),
      ladder: 'hand',
      blow: 'straight',
      side: 'none',
      surface: '',
      place: 'home',
      logged: true,
      by: p.by,
      count: p.strikes,
      said: {
        ...ALL_FINE,
        skin: p.hands === 'skin open' ? 'open' : 'fine',
        joints:
          p.strikes > 0 && p.joints === 'pain'
            ? 'pain'
            : p.hands === 'sore' || (p.strikes > 0 && p.joints === 'sore')
              ? 'sore'
              : 'fine',
      },
    });
  for (const w of await tx
    .select()
    .from(loadWord)
    .where(some ? inArray(loadWord.studentId, some) : undefined)
    .orderBy(asc(loadWord.at), asc(loadWord.id))) {
    of(w.studentId).words.push(w);
    if (w.what === 'lifted' && w.ladder && w.side)
      of(w.studentId).lifts.push({ day: w.day, at: w.at.toISOString(), ladder: w.ladder, side: w.side });
  }
  for (const load of out.values())
    load.entries.sort((a, b) => (a.day === b.day ? (a.at < b.at ? -1 : 1) : a.day < b.day ? -1 : 1));
  return out;
}

/** Where each limb stands on a day, of the ladders on which something was done or said. */
export function nextLoads(load: LoadOf, rule: LoadRule, day: PlainDate): NextLoad[] {
  return LADDERS.filter((l) => load.entries.some((e) => e.ladder === l)).flatMap((ladder) =>
    LADDER_SIDES[ladder].map((side) =>
      nextLoad(walkLoad(load.entries, load.lifts, rule, ladder, side, day), rule, day),
    ),
  );
}

/** Whether a minor's guardian has said yes: the newest word counts. */
export const guardianAgreed = (load: LoadOf): boolean =>
  load.words.filter((w) => w.what === 'agreed' || w.what === 'refused').at(-1)?.what === 'agreed';

/** The same of those alone whom anything may stop: of most nothing was ever said. */
export async function readStopped(tx: Transaction, studentIds: readonly string[] | null): Promise<Map<string, LoadOf>> {
  const of = (column: typeof loadDone.studentId | typeof practice.studentId) =>
    studentIds ? inArray(column, [...studentIds]) : undefined;
  const said = await tx
    .selectDistinct({ id: loadDone.studentId })
    .from(loadDone)
    .where(
      and(
        of(loadDone.studentId),
        or(
          eq(loadDone.skin, 'open'),
          eq(loadDone.swelling, 'swollen'),
          eq(loadDone.joints, 'pain'),
          eq(loadDone.feeling, 'numb'),
        ),
      ),
    );
  const logged = await tx
    .selectDistinct({ id: practice.studentId })
    .from(practice)
    .where(
      and(
        of(practice.studentId),
        or(eq(practice.hands, 'skin open'), and(ne(practice.strikes, 0), eq(practice.joints, 'pain'))),
      ),
    );
  const ids = new Set([...said, ...logged].map((x) => x.id));
  return ids.size === 0 ? new Map() : readLoads(tx, [...ids]);
}

/** The same of those who did anything on a ladder since a day. */
export async function readOnLadders(tx: Transaction, since: PlainDate): Promise<Map<string, LoadOf>> {
  const done = await tx.selectDistinct({ id: loadDone.studentId }).from(loadDone).where(gte(loadDone.day, since));
  const logged = await tx
    .selectDistinct({ id: practice.studentId })
    .from(practice)
    .where(and(gte(practice.day, since), ne(practice.strikes, 0)));
  const ids = new Set([...done, ...logged].map((x) => x.id));
  return ids.size === 0 ? new Map() : readLoads(tx, [...ids]);
}

/** Those whose guardian has said yes to work that hardens. */
export async function readAgreed(tx: Transaction): Promise<Set<string>> {
  const said = await tx
    .select({ id: loadWord.studentId, what: loadWord.what })
    .from(loadWord)
    .where(inArray(loadWord.what, ['agreed', 'refused']))
    .orderBy(asc(loadWord.at), asc(loadWord.id));
  const newest = new Map(said.map((w) => [w.id, w.what]));
  return new Set([...newest].flatMap(([id, what]) => (what === 'agreed' ? [id] : [])));
}
