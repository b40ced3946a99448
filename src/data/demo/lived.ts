// What Causeway Hall has written down beside its looks: showings of forms, corrections given, practice, rests, an incident,
// what the last grading decided, the day of the next one.
import { eq } from 'drizzle-orm';
import { v7 } from 'uuid';
import {
  addDays,
  chanceOnTheDay,
  dayNumber,
  driftOf,
  expectedOf,
  gatherEvidence,
  itemBelief,
  itemPoints,
  judge,
  levelOf,
  LOOKS_TO_SPEAK,
  poolPriors,
  poolSlope,
  rangesFor,
  seededBy,
  seenBy,
  sequencePoints,
  spreadsOf,
  USUAL_RULE,
  WATCHED_TO_SPEAK,
  watchedShare,
  writeShowing,
  type CountMark,
  type PlainDate,
  type VerdictWord,
} from '../../core';
import type { Transaction } from '../connection';
import { restandAll } from '../queries/standings';
import { readFollowed, readVersions, versionFor } from '../queries/syllabus';
import {
  consent,
  focusGiven,
  gradingDay,
  guardianOf,
  incident,
  injury,
  look,
  outcome,
  pause,
  person,
  pictureWord,
  practice,
  sequence,
} from '../tables';
import { dice } from './dice';
import { techniqueOf, type DemoSchool } from './generate';
import { partnersOf } from './partners';
import { insertAll } from './write/insertAll';

const SHOWN_DAYS = 50;

/** Showings of the forms that the next belt asks, from the known talent: a few counts of each student stay hard. */
export async function writeShowings(tx: Transaction, schoolId: string, made: DemoSchool, today: PlainDate) {
  const d = dice(77);
  const rows = new Map((await tx.select().from(sequence).where(eq(sequence.schoolId, schoolId))).map((s) => [s.id, s]));
  const versions = await readVersions(tx);
  const followed = await readFollowed(tx);
  const looks: (typeof look.$inferInsert)[] = [];
  const partnerOf = partnersOf(made);
  for (const s of made.students) {
    const worn = s.held.at(-1)!;
    const next = made.ranks[made.ranks.findIndex((r) => r.id === worn.rankId) + 1];
    if (!next) continue;
    const version = versions.read(versionFor(versions, { id: s.id, since: worn.since }, followed));
    for (const r of version.requirements) {
      if (r.rankId !== next.id || !('sequence' in r.item)) continue;
      const row = rows.get(r.item.sequence);
      if (!row || row.body.moves.length === 0) continue;
      const [from, to] = [r.item.part?.from ?? 1, r.item.part?.to ?? row.body.moves.length];
      const hard = new Set(Array.from({ length: d.whole(0, 2) }, () => d.whole(from, to)));
      const shows = sequencePoints(row.id, row.body, r.item.part).some((p) => p.name === 'shouts');
      const classes = made.classes.filter((c) => c.day > addDays(today, -SHOWN_DAYS) && c.present.includes(s.id));
      for (const c of classes) {
        if (!d.chance(0.2)) continue;
        const mark = (n: number): CountMark =>
          d.chance(0.03) ? 'U' : d.chance(hard.has(n) ? 0.45 + 0.3 * s.talent : 0.9 + 0.09 * s.talent) ? 'H' : 'S';
        const counts = Array.from({ length: to - from + 1 }, (_, i) => mark(from + i));
        const slips = counts.flatMap((m, i) =>
          m === 'S' && d.chance(0.4)
            ? [{ count: from + i, pointId: null, what: d.pick(SLIPS), toldBy: null, held: false }]
            : [],
        );
        const at = Date.parse(`${c.day}T18:40:00Z`) + looks.length * 1000;
        looks.push({
          schoolId,
          id: d.id(at),
          studentId: s.id,
          sequenceId: row.id,
          partFrom: from,
          partTo: to,
          ofCounts: row.body.moves.length,
          counts: writeShowing({
            counts,
            own: { rhythm: d.chance(0.85) ? 'H' : 'S', line: d.chance(0.8) ? 'H' : 'S', shouts: shows ? 'H' : 'U' },
          }),
          slips,
          conditionId: r.conditionId,
          day: c.day,
          at: new Date(at),
          side: 'none',
          purpose: r.purpose,
          partnerId: partnerOf(r.conditionId, c.day, s.id),
          by: made.teachers[d.chance(0.5) ? 0 : 1]!.id,
        });
      }
    }
  }
  await insertAll(tx, look, looks);
  await restandAll(tx);
}
const SLIPS = ['feet stop short', 'hips come late', 'looks down', 'block goes too far', 'breath is held'];

/** What the last grading decided, and the chance that the looks before it would have given. */
async function writeOutcomes(tx: Transaction, schoolId: string, made: DemoSchool) {
  const byId = new Map(made.techniques.map((t) => [t.id, t]));
  const ranges = rangesFor(
    made.techniques.flatMap((t) => t.points),
    new Map(),
  );
  const before = made.looks.filter((l) => l.day < made.gradingDay);
  const evidence = new Map(
    made.students.map((s) => [
      s.id,
      gatherEvidence(
        before.filter((l) => l.studentId === s.id),
        ranges,
      ),
    ]),
  );
  const pool = poolPriors(
    [...evidence.values()].flatMap((e) =>
      [...e].map(([pointId, sides]) => {
        const all = [...sides.left, ...sides.right, ...sides.none];
        return { pointId, held: all.reduce((n, x) => n + x.held, 0), of: all.reduce((n, x) => n + x.of, 0) };
      }),
    ),
  );
  const attended = new Map(
    made.students.map((s) => [
      s.id,
      made.classes.filter((c) => c.day < made.gradingDay && c.present.includes(s.id)).map((c) => dayNumber(c.day)),
    ]),
  );
  const slope = poolSlope(
    made.students.flatMap((s) =>
      [...evidence.get(s.id)!.values()].flatMap((sides) =>
        (['left', 'right', 'none'] as const).map((side) => seenBy(sides[side], attended.get(s.id)!, () => 1)),
      ),
    ),
  );
  const driftBefore = (s: (typeof made.students)[number]) => driftOf(slope, attended.get(s.id)!, made.gradingDay);
  const spreads = spreadsOf(
    made.students.map((s) => ({ evidence: evidence.get(s.id)!, drift: driftBefore(s) })),
    pool,
    made.gradingDay,
  );
  const rows: (typeof outcome.$inferInsert)[] = [];
  for (const s of made.students) {
    if (!s.graded) continue;
    const { rankId, passed } = s.graded;
    const own = evidence.get(s.id)!;
    const drift = spreads.growth * driftBefore(s);
    const asked = made.requirements.filter((r) => r.rankId === rankId);
    const g = {
      evidence: own,
      order: made.order,
      today: made.gradingDay,
      expected: expectedOf(pool, levelOf(pool, own, made.gradingDay, drift, spreads), spreads),
      drift,
    };
    const words: VerdictWord[] = [];
    const items = asked.map((r) => {
      const t = byId.get(techniqueOf(r))!;
      const v = judge(r, own, {
        points: itemPoints(t, byId),
        sided: t.sided,
        order: made.order,
        today: made.gradingDay,
      });
      words.push(v.word);
      return itemBelief(r, v, g);
    });
    const said = chanceOnTheDay(items, seededBy(s.id), USUAL_RULE, 500);
    rows.push({
      schoolId,
      id: v7(),
      studentId: s.id,
      rankId,
      day: made.gradingDay,
      passed,
      chance: said.looks >= LOOKS_TO_SPEAK && watchedShare(words) >= WATCHED_TO_SPEAK ? said.chance : null,
      note: passed ? '' : 'to be seen again at the next grading',
      by: made.teachers[0]!.id,
    });
  }
  await insertAll(tx, outcome, rows);
}

/** Everything else that has been written down. */
export async function writeLived(tx: Transaction, schoolId: string, made: DemoSchool, today: PlainDate) {
  const [head, idris] = made.teachers;
  const by = head!.id;
  const student = (name: string) => made.students.find((s) => s.name === name)!;
  const technique = (name: string) => made.techniques.find((t) => t.name === name)!;
  await writeOutcomes(tx, schoolId, made);
  await tx.insert(gradingDay).values({ schoolId, day: made.nextGradingDay, by });

  const d = dice(31);
  const consents: (typeof consent.$inferInsert)[] = made.students.map((s, i) => ({
    schoolId,
    id: v7(),
    studentId: s.id,
    rung:
      i % 9 === 4
        ? null
        : (['slow, soft hands', 'slow, with checks', 'slow, gloves and pads'] as const)[
            Math.min(2, Math.floor(made.ranks.findIndex((r) => r.id === s.held.at(-1)!.rankId) / 2))
          ]!,
    day: addDays(today, -d.whole(60, 300)),
    guardian: s.born > addDays(today, -18 * 365) ? `${s.name.split(' ').at(-1)!} family` : '',
    by,
  }));
  await tx.insert(consent).values(consents);
  // Every third lets pictures of themselves be kept where they are measured from; one took it back.
  await tx
    .insert(pictureWord)
    .values(
      consents.flatMap(({ studentId, guardian, day }, i) =>
        i % 3 === 2
          ? [{ schoolId, id: v7(), studentId, agreed: i !== 5, guardian: i === 5 ? '' : guardian!, day, by }]
          : [],
      ),
    );
  await tx.insert(injury).values({
    schoolId,
    id: v7(),
    studentId: student('Emre Holloway').id,
    what: 'right knee: no kicks',
    from: addDays(today, -9),
    until: addDays(today, 12),
    by,
  });
  await tx.insert(pause).values([
    {
      schoolId,
      id: v7(),
      studentId: student('Kofi Adlam').id,
      techniqueId: technique('Roundhouse kick').id,
      habit: 'swings from the shoulder instead of the hip',
      from: addDays(today, -40),
      until: null,
      by: idris!.id,
    },
    {
      schoolId,
      id: v7(),
      studentId: student('Rafael Quill').id,
      techniqueId: technique('Stepping punch').id,
      habit: 'draws back before striking',
      from: addDays(today, -160),
      until: addDays(today, -70),
      by,
    },
  ]);
  await tx.insert(incident).values([
    {
      schoolId,
      id: v7(),
      day: addDays(today, -9),
      hurtId: student('Emre Holloway').id,
      causeId: student('Noor Saltby').id,
      chargeId: idris!.id,
      doing: 'kick shield, holder retreating',
      what: 'Landed on a turned foot; the knee was sore at once.',
      done: 'Cold pack, sat out, told to see a physiotherapist.',
      head: false,
      by: idris!.id,
    },
    {
      schoolId,
      id: v7(),
      day: addDays(today, -95),
      hurtId: student('Dilip Wharram').id,
      causeId: null,
      chargeId: by,
      doing: 'kick shield, holder retreating',
      what: 'Slipped on a wet board and fell on the hip.',
      done: 'Rested; the floor was dried and the boards by the sluice door are wiped before class now.',
      head: false,
      by,
    },
    {
      schoolId,
      id: v7(),
      day: addDays(today, -210),
      hurtId: student('Mei Tolland').id,
      causeId: student('Rafael Quill').id,
      chargeId: by,
      techniqueId: technique('Side fall').id,
      what: 'Head touched the mat.',
      done: 'Off the floor at once, fetched home, seen by a doctor, back after a fortnight.',
      head: true,
      by,
    },
  ]);
  const rooms: [string, number, number, number][] = [
    ['Ilse Marrow', 2.4, 3.2, 163],
    ['Noor Saltby', 3, 4, 171],
    ['Kofi Adlam', 1.8, 2.2, 176],
    ['Dilip Wharram', 4, 5, 168],
  ];
  for (const [name, roomWidth, roomDepth, stature] of rooms)
    await tx
      .update(person)
      .set({ roomWidth, roomDepth, stature })
      .where(eq(person.id, student(name).id));
  const log: (typeof practice.$inferInsert)[] = [];
  for (const name of ['Ilse Marrow', 'Noor Saltby', 'Dilip Wharram', 'Beatrix Oyelaran'])
    for (let ago = 27; ago > 0; ago -= d.whole(2, 5))
      log.push({
        schoolId,
        id: v7(),
        studentId: student(name).id,
        day: addDays(today, -ago),
        minutes: d.whole(8, 25),
        repetitions: d.whole(2, 8) * 10,
        strikes: name === 'Beatrix Oyelaran' ? d.whole(20, 50) : 0,
        hands: name === 'Beatrix Oyelaran' && ago < 6 ? 'sore' : 'fine',
        joints: 'fine',
        what: d.pick([
          'front stance in the hall way',
          'Second Causeway, first half',
          'low blocks, slowly',
          'cat stance, ten each',
        ]),
        by: student(name).id,
      });
  await insertAll(tx, practice, log);
  // Corrections that were given: the lowest that slipped then.
  const heel = technique('Front stance').points[0]!;
  await tx.insert(focusGiven).values(
    ['Ilse Marrow', 'Tomasz Rill', 'Dilip Wharram'].map((name) => ({
      schoolId,
      id: v7(),
      studentId: student(name).id,
      pointId: heel.id,
      side: 'left' as const,
      day: addDays(today, -19),
      chosen: false,
      reason: '',
      by: idris!.id,
      at: new Date(`${addDays(today, -19)}T19:00:00Z`),
    })),
  );
  const guardian = v7();
  await tx.insert(person).values({ schoolId, id: guardian, name: 'Aldous Marrow', role: 'guardian' });
  await tx.insert(guardianOf).values({ schoolId, guardianId: guardian, studentId: student('Ilse Marrow').id });
  return { guardian: { id: guardian, name: 'Aldous Marrow' } };
}
