// What the database says of looks against what the core gathers from the same ones, over everything a look can be.
import { eq } from 'drizzle-orm';
import fc from 'fast-check';
import { v7 } from 'uuid';
import { afterAll, beforeAll, expect, it } from 'vitest';
import {
  dayNumber,
  gatherEvidence,
  newestFirst,
  readSequence,
  showingEntries,
  SIDES,
  STAGES,
  writeShowing,
  NO_WORDS,
  type CountMark,
  type Entry,
  type Evidence,
  type Look,
  type Side,
} from '../../core';
import { inSchool } from '../connection';
import { generateDemo } from '../demo/generate';
import { writeSchool } from '../demo/write/school';
import { point, sequence, standing } from '../tables';
import { makeDatabase, type TestDatabase } from '../testing/database';
import { readEvidence } from './evidence';
import { recordLooks, type LookRow } from './recordLooks';
import { keptOf } from './sequences';
import { restandAll, standingsAstray } from './standings';

const made = generateDemo('2026-03-05', 3);
const technique = made.techniques.find((x) => x.points.length >= 3)!;
const [seen, told, measured] = technique.points.map((p) => p.id) as [string, string, string];
const RANGE = { lo: 10, hi: 20 };
const ranges = new Map([[measured, RANGE]]);
const students = made.students.slice(0, 3).map((s) => s.id);
const conditions = made.conditions.slice(0, 3).map((c) => c.id);
const by = made.teachers[0]!.id;
const COUNTS = 4;
const body = readSequence('low block L\npunch R\nlow block R\npunch L', NO_WORDS).sequence;
const sequenceId = v7();

let t: TestDatabase;
beforeAll(async () => {
  t = await makeDatabase();
});
afterAll(() => t.drop());

const held = fc
  .integer({ min: 1, max: 9 })
  .chain((of) => fc.record({ held: fc.integer({ min: 0, max: of }), of: fc.constant(of) }));
const marks = fc
  .record({
    seen: fc.option(held, { nil: null }),
    felt: fc.option(held, { nil: null }),
    values: fc.option(fc.array(fc.integer({ min: 5, max: 25 }), { minLength: 1, maxLength: 4 }), { nil: null }),
  })
  .map((m): Look['marks'] => [
    ...(m.seen ? [{ pointId: seen, kind: 'seen' as const, ...m.seen }] : []),
    ...(m.felt ? [{ pointId: told, kind: 'felt' as const, ...m.felt }] : []),
    ...(m.values ? [{ pointId: measured, kind: 'measured' as const, values: m.values }] : []),
  ]);
const letter = fc.constantFrom<CountMark>('H', 'S', 'U');
const common = {
  student: fc.constantFrom(...students),
  day: fc.constantFrom('2026-01-10', '2026-01-11', '2026-02-20'),
  // Few instants, so that several fall together.
  at: fc.integer({ min: 0, max: 3 }).map((n) => Date.parse('2026-02-20T18:00:00Z') + n * 1000),
  condition: fc.constantFrom(...conditions),
  purpose: fc.constantFrom('show' as const, 'study' as const, null),
  stage: fc.constantFrom(...STAGES, null),
  /** Which of the looks before it is corrected, counted back; 0: none. */
  corrects: fc.integer({ min: 0, max: 5 }),
};
const one = fc.oneof(
  fc.record({ ...common, kind: fc.constant('technique' as const), side: fc.constantFrom(...SIDES), marks }),
  fc.record({
    ...common,
    kind: fc.constant('showing' as const),
    from: fc.integer({ min: 1, max: COUNTS }),
    letters: fc.array(letter, { minLength: COUNTS, maxLength: COUNTS }),
    own: fc.tuple(letter, letter, letter),
    /** Of another length than the sequence has now: it then says nothing any more. */
    ofCounts: fc.constantFrom(COUNTS, COUNTS, COUNTS + 1),
  }),
);

const plain = (evidence: Evidence) =>
  [...evidence]
    .map(([point, sides]) => ({ point, sides: SIDES.map((s: Side) => sides[s].map((e) => ({ stage: null, ...e }))) }))
    .filter((x) => x.sides.some((s) => s.length > 0))
    .sort((a, b) => a.point.localeCompare(b.point));
/** What several say at one instant has no order of its own; it is laid in one. */
const settled = (list: readonly Entry[]) =>
  [...list].sort((a, b) => newestFirst(a, b) || JSON.stringify(a).localeCompare(JSON.stringify(b)));
const inOrder = (evidence: Evidence): Evidence =>
  new Map(
    [...evidence].map(([p, s]) => [p, { left: settled(s.left), right: settled(s.right), none: settled(s.none) }]),
  );

it('law: techniques and showings, every side, stage and purpose, corrected once, twice or not at all', async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(one, { minLength: 1, maxLength: 30 }), async (list) => {
      const schoolId = v7();
      const ids = list.map(() => v7());
      const corrected = new Set<number>();
      const replaces = list.map((l, i) => {
        const of = i - l.corrects;
        const before = l.corrects > 0 ? list[of] : undefined;
        // One corrects a look of the same student and item once; its correction may be corrected in turn.
        if (!before || before.student !== l.student || before.kind !== l.kind || corrected.has(of)) return null;
        corrected.add(of);
        return ids[of]!;
      });
      const gone = new Set(replaces);
      const read = await inSchool(t.db, schoolId, async (tx) => {
        await writeSchool(tx, schoolId, 'Walk', { ...made, looks: [] });
        await tx.insert(sequence).values({ schoolId, id: sequenceId, title: 'Four', text: '', ...keptOf(body) });
        for (const [i, pointId] of [seen, told, measured].entries())
          await tx
            .update(point)
            .set({ kind: (['seen', 'felt', 'measured'] as const)[i]! })
            .where(eq(point.id, pointId));
        const rows = list.map((l, i): LookRow => {
          const base = {
            id: ids[i]!,
            by,
            student_id: l.student,
            condition_id: l.condition,
            day: l.day,
            at: new Date(l.at).toISOString(),
            purpose: l.purpose,
            stage: l.stage,
            replaces: replaces[i]!,
          };
          if (l.kind === 'technique')
            return {
              ...base,
              technique_id: technique.id,
              side: l.side,
              marks: l.marks.map((m) =>
                m.kind === 'measured'
                  ? { point_id: m.pointId, kind: m.kind, held: 0, of: m.values.length, values: m.values }
                  : { point_id: m.pointId, kind: m.kind, held: m.held, of: m.of },
              ),
            };
          const own = { rhythm: l.own[0], line: l.own[1], shouts: l.own[2] };
          return {
            ...base,
            technique_id: null,
            side: 'none',
            sequence_id: sequenceId,
            part_from: l.from,
            part_to: COUNTS,
            of_counts: l.ofCounts,
            counts: writeShowing({ counts: l.letters.slice(l.from - 1), own }),
            marks: [],
          };
        });
        // As tablets send them: several at once, a correction only after what it corrects is there.
        for (let i = 0; i < rows.length;) {
          let to = i + 1;
          while (to < rows.length && to - i < 4 && !rows.slice(i, to).some((r) => r.id === rows[to]!.replaces)) to += 1;
          expect(await recordLooks(tx, schoolId, rows.slice(i, to))).toHaveLength(to - i);
          i = to;
        }
        expect(await standingsAstray(tx)).toEqual([]);
        const standings = () => tx.select().from(standing);
        const grown = await standings();
        await restandAll(tx);
        expect((await standings()).length).toBe(grown.length);
        return readEvidence(tx, (_, point) => ranges.get(point));
      });
      for (const student of students) {
        const looks = list.flatMap((l, i): Look[] =>
          l.kind === 'technique' && l.student === student
            ? [
                {
                  id: ids[i]!,
                  techniqueId: technique.id,
                  day: l.day,
                  at: l.at,
                  conditionId: l.condition,
                  side: l.side,
                  purpose: l.purpose,
                  stage: l.stage,
                  // A showing may have corrected it too.
                  replaces: replaces[i]!,
                  marks: gone.has(ids[i]!) ? [] : l.marks,
                },
              ]
            : [],
        );
        const expected = new Map(
          [...gatherEvidence(looks, ranges)].map(([p, s]) => [
            p,
            { left: [...s.left], right: [...s.right], none: [...s.none] },
          ]),
        );
        for (const [i, l] of list.entries()) {
          if (l.kind !== 'showing' || l.student !== student || gone.has(ids[i]!) || l.ofCounts !== COUNTS) continue;
          const when = { day: dayNumber(l.day), at: l.at, conditionId: l.condition, purpose: l.purpose };
          const shown = {
            sequenceId,
            from: l.from,
            counts: l.letters.slice(l.from - 1),
            own: { rhythm: l.own[0], line: l.own[1], shouts: l.own[2] },
          };
          for (const { pointId, entry } of showingEntries(shown, when)) {
            const sides = expected.get(pointId) ?? { left: [], right: [], none: [] };
            expected.set(pointId, sides);
            sides.none.push(l.stage ? { ...entry, stage: l.stage } : entry);
          }
        }
        expect(plain(inOrder(read.get(student) ?? new Map()))).toEqual(plain(inOrder(expected)));
      }
    }),
    { numRuns: 12 },
  );
});
