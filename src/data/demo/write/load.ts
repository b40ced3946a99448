import {
  addDays,
  ALL_FINE,
  BLOWS,
  LOAD_AS_DELIVERED,
  nextLoad,
  walkLoad,
  weekdayOf,
  type Blow,
  type LimbSaid,
  type LoadEntry,
  type PlainDate,
  type Side,
} from '../../../core';
import type { Transaction } from '../../connection';
import { loadDone, loadWord } from '../../tables';
import { dice } from '../dice';
import { DEMO_SCHOOL_ID as schoolId, type DemoSchool } from '../generate';

/** What somebody's limbs said so many days ago; the rest of the days they said nothing was wrong. */
interface Striker {
  name: string;
  since: number;
  blow: Blow;
  sides: readonly Side[];
  /** From so many days ago on also at home, on this weekday. */
  home?: { since: number; on: number };
  said: Partial<Record<string, readonly [ago: number, words: Partial<LimbSaid>][]>>;
  /** Days without a strike, on which it was told that nothing is left. */
  gone?: readonly [side: Side, ago: number][];
}

const STRIKERS: readonly Striker[] = [
  {
    name: 'Aiko Dunmore',
    since: 60,
    blow: 'straight',
    sides: ['right', 'left'],
    home: { since: 38, on: 2 },
    said: {
      left: [
        [49, { joints: 'sore' }],
        [30, { skin: 'red' }],
        [7, { skin: 'open' }],
      ],
      right: [
        [41, { joints: 'sore' }],
        [26, { swelling: 'swollen' }],
      ],
    },
    gone: [['right', 24]],
  },
  { name: 'Rafael Quill', since: 160, blow: 'straight', sides: ['right', 'left'], said: {} },
  {
    name: 'Mei Tolland',
    since: 90,
    blow: 'outside-in',
    sides: ['right', 'left'],
    said: { right: [[12, { feeling: 'numb' }]] },
  },
  { name: 'Kofi Adlam', since: 9, blow: 'straight', sides: ['right', 'left'], said: {} },
  { name: 'Łucja Sedge', since: 50, blow: 'press-up', sides: ['none'], said: {} },
];

/** Strikes of the last months, each day as many as the rule allowed: one hand open, one swollen and gone, one numb. */
export async function writeLoad(tx: Transaction, made: DemoSchool, today: PlainDate) {
  const d = dice(47);
  const rule = LOAD_AS_DELIVERED;
  const rows: (typeof loadDone.$inferInsert)[] = [];
  const personOf = (name: string) => made.students.find((s) => s.name === name)!.id;
  const noon = (day: PlainDate) => Date.parse(`${day}T19:30:00Z`);
  for (const s of STRIKERS) {
    const studentId = personOf(s.name);
    const ladder = BLOWS[s.blow];
    const days = new Map<PlainDate, 'hall' | 'home'>();
    for (const c of made.classes)
      if (c.day >= addDays(today, -s.since) && c.day < today && c.present.includes(studentId)) days.set(c.day, 'hall');
    for (let ago = s.home?.since ?? 0; ago > 0; ago -= 1) {
      const day = addDays(today, -ago);
      if (weekdayOf(day) === s.home!.on && !days.has(day)) days.set(day, 'home');
    }
    for (const [, ago] of s.gone ?? []) if (!days.has(addDays(today, -ago))) days.set(addDays(today, -ago), 'home');
    // What is told of a day without a class is told of the class before it.
    const struck = [...days.keys()].sort();
    const toldOn = (ago: number) => struck.filter((x) => x <= addDays(today, -ago)).at(-1);
    const told = new Map(
      Object.entries(s.said).flatMap(([side, list]) => (list ?? []).map(([ago, w]) => [`${side} ${toldOn(ago)}`, w])),
    );
    const entries: LoadEntry[] = [];
    for (const day of struck) {
      const at = new Date(noon(day));
      for (const side of s.sides) {
        const allowed = nextLoad(walkLoad(entries, [], rule, ladder, side, day), rule, day).number;
        const gone = (s.gone ?? []).some(([x, ago]) => x === side && addDays(today, -ago) === day);
        const word = told.get(`${side} ${day}`);
        if (allowed === 0 && !gone && !word) continue;
        const said = word || gone || d.chance(0.8) ? { ...ALL_FINE, ...word } : null;
        entries.push({ day, at: at.toISOString(), ladder, side, count: gone ? 0 : allowed, said });
        rows.push({
          schoolId,
          id: d.id(noon(day)),
          studentId,
          day,
          place: days.get(day)!,
          blow: s.blow,
          side,
          surface: rule.ladders[ladder][0]!.name,
          count: gone ? 0 : allowed,
          ...(said ?? {}),
          by: studentId,
          at,
        });
      }
    }
  }
  await tx.insert(loadDone).values(rows);
  const asked = addDays(today, -11);
  await tx.insert(loadWord).values({
    schoolId,
    id: d.id(noon(asked)),
    studentId: personOf('Kofi Adlam'),
    day: asked,
    what: 'agreed',
    guardian: 'Adlam family',
    by: made.teachers[0]!.id,
    at: new Date(noon(asked)),
  });
}
