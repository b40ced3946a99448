import { and, eq, sql } from 'drizzle-orm';
import { v7 } from 'uuid';
import {
  ageOn,
  EMPTY_BLOCK,
  pairUp,
  PLAIN_CALL,
  type Block,
  type BlockItem,
  type ClassPlan,
  type PlainDate,
} from '../../../core';
import { NOTHING_AROUND, type PairingPerson } from '../../../core/pairing/model';
import type { Transaction } from '../../connection';
import { classNote, classPlan, condition, consent, hall, paired, partners, person, sequence } from '../../tables';
import { dice } from '../dice';
import { USUAL_HALL } from '../hall';
import { DEMO_SCHOOL_ID as schoolId, type DemoSchool } from '../generate';
import { insertAll } from './insertAll';

/** What was noted in the last class, block by block. */
const NOTED = ['Hips came up in the stepping; look again.', 'The others by counts went well.'];
const EVENING = { starts: 18 * 60 + 30, minutes: 90 };
/** How tall and heavy people are: made up, as children grow and grown people differ. */
function bodyOf(d: ReturnType<typeof dice>, age: number): { stature: number; mass: number } {
  const drawn = Math.round(age < 17 ? 82 + age * 5.6 + d.normal(0, 4) : 170 + d.normal(0, 8));
  // A hall has no giants.
  const stature = Math.min(194, drawn);
  const index = age < 17 ? 14.5 + age * 0.35 + d.normal(0, 1.2) : 24 + d.normal(0, 2.5);
  return { stature, mass: Math.max(20, Math.round((index * stature * stature) / 10_000)) };
}

/** Tonight as it is planned, the evenings of these weeks with who worked with whom, two who are kept apart and two who like to work together. */
export async function writeEvenings(
  tx: Transaction,
  made: DemoSchool,
  today: PlainDate,
  { tonight, plans: before }: { tonight: string; plans: ReadonlyMap<string, ClassPlan> },
) {
  const d = dice(53);
  const by = made.teachers[0]!.id;
  const bodies = new Map<string, { stature: number; mass: number }>();
  for (const s of made.students) {
    const body = bodyOf(d, ageOn(s.born, today));
    const [now] = await tx
      .update(person)
      .set({ stature: sql`coalesce(${person.stature}, ${body.stature})`, mass: body.mass })
      .where(and(eq(person.schoolId, schoolId), eq(person.id, s.id)))
      .returning({ stature: person.stature });
    bodies.set(s.id, { stature: now!.stature!, mass: body.mass });
  }
  const sequences = new Map(
    (await tx.select({ id: sequence.id, title: sequence.title }).from(sequence)).map((s) => [s.title, s.id]),
  );
  const conditions = new Map(
    (await tx.select({ id: condition.id, name: condition.name }).from(condition)).map((c) => [c.name, c.id]),
  );
  const halls = await tx.select({ id: hall.id, name: hall.name }).from(hall);
  const technique = (name: string): BlockItem => ({
    item: { technique: made.techniques.find((t) => t.name === name)!.id },
    conditionId: null,
  });
  const form = (title: string, under: string | null = null): BlockItem => ({
    item: { sequence: sequences.get(title)!, part: null },
    conditionId: under === null ? null : (conditions.get(under) ?? null),
  });
  const block = (name: string, kind: Block['kind'], minutes: number, more: Partial<Block> = {}): Block => ({
    ...EMPTY_BLOCK,
    id: v7(),
    name,
    kind,
    minutes,
    ...more,
  });
  const evening = (): ClassPlan => ({
    ...EVENING,
    blocks: [
      block('Bow in, roll call', 'opening', 5, { pinned: true }),
      block('Warm-up', 'opening', 10, { how: 'Hips, ankles, sliding steps.' }),
      block('Basics in lines', 'basics', 20, {
        items: ['Front stance', 'Low block', 'Stepping punch', 'Front kick'].map(technique),
        how: 'By tens a side.',
        who: 'Idris takes line 2.',
      }),
      block('Forms', 'forms', 20, {
        items: [
          form('First Causeway'),
          { ...form('Second Causeway'), call: { ...PLAIN_CALL, sides: 'both', rounds: 2 } },
          form('Sluice'),
        ],
        how: 'First Causeway, all. Then Second from Amber up, the others by counts.',
        who: 'Idris calls the others.',
      }),
      block('Four quarters', 'partner', 15, {
        items: [form('Four quarters', 'set partner')],
        how: 'Known order, then at random.',
        things: 'gloves from the pegs',
        caution: 'Slow, soft hands. Either may stop and gives no reason.',
        pairs: { kind: 'contact', rung: 2, answers: false, rounds: 3 },
      }),
      block('Staff', 'weapons', 15, {
        items: [form('Ferry Pole')],
        how: 'Sections 1 and 2.',
        things: 'staffs from the rack by the sluice door',
        caution: 'Two staff lengths between people.',
      }),
      block('Close', 'close', 5, { pinned: true }),
    ],
  });
  const hallId = halls.find((h) => h.name === USUAL_HALL)?.id ?? null;
  const plans = made.classes.flatMap(({ id, day, present }) => {
    const plan = before.get(id);
    return plan ? [{ id, day, plan, present }] : [];
  });
  await insertAll(
    tx,
    classPlan,
    [
      ...plans.map(({ id, day, plan }) => ({ id, day, plan, closedAt: new Date(`${day}T20:10:00Z`) })),
      { id: tonight, day: today, plan: evening(), closedAt: null },
    ].map((p) => ({ ...p, schoolId, hallId, changedBy: by })),
  );
  const noted = plans.at(-1);
  if (noted) {
    await tx.update(classPlan).set({ note: 'Mats out before the roll next time.' }).where(eq(classPlan.id, noted.id));
    await tx.insert(classNote).values(
      NOTED.map((said, i) => ({
        ...{ schoolId, id: v7(), classId: noted.id, day: noted.day, by, said },
        block: noted.plan.blocks.filter((b) => !b.pinned)[i]?.name ?? noted.plan.blocks[0]!.name,
      })),
    );
  }
  const said = await tx.select().from(consent).where(eq(consent.schoolId, schoolId));
  const rungOf = new Map(
    said.map((c) => [
      c.studentId,
      c.rung === null ? 0 : ['slow, soft hands', 'slow, with checks', 'slow, gloves and pads'].indexOf(c.rung) + 1,
    ]),
  );
  const recent = new Map<string, { times: number; last: string }>();
  const rows = plans.flatMap(({ id, day, plan, present }) => {
    const blockId = plan.blocks.find((b) => b.pairs?.kind === 'contact')?.id;
    if (blockId === undefined) return [];
    const people = present.flatMap((p): PairingPerson[] => {
      const s = made.students.find((x) => x.id === p);
      if (!s) return [];
      const age = ageOn(s.born, day);
      return [
        {
          id: p,
          rank: made.ranks.findIndex((r) => r.id === s.held.findLast((h) => h.since <= day)?.rankId),
          age,
          ...bodies.get(p)!,
          rung: rungOf.get(p) ?? null,
          minor: age < 18,
          rests: false,
          answers: true,
          household: null,
        },
      ];
    });
    const { pairs } = pairUp(
      people,
      { kind: 'contact', rung: 2, answers: false },
      { ...NOTHING_AROUND, today: day, recent },
    );
    return pairs.map((p) => {
      const key = [p.a, p.b].sort().join(' ');
      recent.set(key, { times: (recent.get(key)?.times ?? 0) + 1, last: day });
      const { a, b, c, rung, first } = p;
      return { schoolId, id: v7(), classId: id, blockId, round: 1, day, a, b, c, rung, first, by };
    });
  });
  await insertAll(tx, paired, rows);
  const student = (name: string) => made.students.find((s) => s.name === name)!.id;
  await tx.insert(partners).values([
    {
      schoolId,
      id: v7(),
      a: student('Kofi Adlam'),
      b: student('Tomasz Rill'),
      kind: 'apart',
      why: 'They heat each other up.',
      by,
    },
    { schoolId, id: v7(), a: student('Ilse Marrow'), b: student('Yuna Brack'), kind: 'together', why: '', by },
  ]);
}
