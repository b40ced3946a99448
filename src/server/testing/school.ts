// A small school for tests of the doors: one person of each role, two belts, a stance with three points, one student more.
import { v7 } from 'uuid';
import type { CommandDraft, CommandName } from '../../contracts/commands';
import type { Role } from '../../contracts/role';
import { addDays, EMPTY_ROW, STEADY, USUAL_RULE, type PlacedRequirement } from '../../core';
import { inSchool } from '../../data/connection';
import { readCertificates } from '../../data/queries/certificates';
import { openSchool } from '../../data/openSchool';
import { guardianOf, person, rankHeld } from '../../data/tables';
import { user } from '../../data/tables/auth';
import type { TestDatabase } from '../../data/testing/database';
import type { SignedIn } from '../auth/auth';
import { runCommand } from '../commands/run';

export const DAY = '2026-03-05';
export const NOW = new Date(`${DAY}T12:00:00Z`);
const cloth = (colour: string) => ({ colour, second: null, stripe: null, bars: 0 });

export interface SmallSchool {
  id: string;
  as: Record<Role, SignedIn>;
  ranks: string[];
  conditions: Map<string, string>;
  stance: string;
  points: { seen: string; measured: string; felt: string };
  requirement: string;
  gate: string;
  thread: string;
  /** The version of the syllabus that counts, from the first of January 2025. */
  published: string;
  /** Not the one who signs in; the guardian answers for this one. */
  student: string;
  /** A past day with everybody who teaches or examines on its panel, and one candidate for the second belt. */
  grading: string;
  /** A class of today that is planned. */
  plan: string;
  cycle: string;
  /** The student’s first belt, with its certificate. */
  held: string;
  certificate: string;
  /** A form of two counts. */
  sequence: string;
  /** Sends a command as somebody; the id can be given to send the same again. */
  send<N extends CommandName>(who: Role, name: N, input: CommandDraft<N>, id?: string): Promise<unknown>;
}

export async function smallSchool(t: TestDatabase, name: string): Promise<SmallSchool> {
  const id = v7();
  const people = Object.fromEntries(
    (['head', 'instructor', 'examiner', 'student', 'guardian'] as const).map((role) => [role, v7()]),
  ) as Record<Role, string>;
  const as = Object.fromEntries(
    Object.entries(people).map(([role, personId]) => [
      role,
      { userId: v7(), email: `${role}.${id}@example.org`, schoolId: id, personId },
    ]),
  ) as Record<Role, SignedIn>;
  const [student, stance, sequence, held] = [v7(), v7(), v7(), v7()];
  const made = await inSchool(t.db, id, async (tx) => {
    const opened = await openSchool(
      tx,
      {
        id,
        name,
        timeZone: 'UTC',
        head: { id: people.head, name: `${name} head` },
        ranks: [
          { name: 'White', cloth: cloth('#F7F3E8') },
          { name: 'Straw', cloth: cloth('#E6D08A') },
        ],
      },
      v7,
    );
    await tx.insert(person).values([
      { schoolId: id, id: people.instructor, name: `${name} instructor`, role: 'instructor' },
      { schoolId: id, id: people.examiner, name: `${name} examiner`, role: 'examiner' },
      { schoolId: id, id: people.student, name: `${name} pupil`, role: 'student', born: '2012-05-04' },
      { schoolId: id, id: student, name: `${name} other`, role: 'student', born: '1990-01-01' },
      { schoolId: id, id: people.guardian, name: `${name} guardian`, role: 'guardian' },
    ]);
    await tx.insert(guardianOf).values({ schoolId: id, guardianId: people.guardian, studentId: student });
    await tx.insert(rankHeld).values(
      [people.student, student].map((personId) => ({
        schoolId: id,
        id: personId === student ? held : v7(),
        personId,
        rankId: opened.ranks[0]!,
        since: '2025-06-01',
      })),
    );
    for (const s of Object.values(as)) {
      await tx.insert(user).values({ id: s.userId, name: 'x', email: s.email, schoolId: id, personId: s.personId });
      await tx.execute(`update person set user_id = '${s.userId}' where id = '${s.personId}'`);
    }
    return opened;
  });
  const send: SmallSchool['send'] = (who, command, input, commandId = v7()) =>
    runCommand(t.db, as[who], { id: commandId, at: NOW.toISOString(), name: command, input }, NOW);
  const points = { seen: v7(), measured: v7(), felt: v7() };
  const blank = { how: '', why: '', critical: false, unit: null, accepted: null, wanted: null, slips: [] };
  await send('head', 'technique.save', {
    id: stance,
    name: `${name} stance`,
    kind: 'stance',
    summary: '',
    sided: true,
    stanceId: null,
    stepId: null,
    points: [
      { ...blank, id: points.seen, name: 'rear heel', kind: 'seen', bodyPart: 'feet' },
      {
        ...blank,
        id: points.measured,
        name: 'weight',
        kind: 'measured',
        bodyPart: 'hips',
        unit: '%',
        accepted: { lo: 50, hi: 70 },
      },
      { ...blank, id: points.felt, name: 'stands firm', kind: 'felt', bodyPart: 'trunk' },
    ],
  });
  await send('head', 'sequence.save', { id: sequence, title: `${name} form`, text: `stand ${name} stance L\npunch R` });
  const [requirement, gate, thread, published] = [v7(), v7(), v7(), v7()];
  const rankId = made.ranks[1]!;
  await send('head', 'syllabus.change', {
    version: 1,
    edits: [
      {
        op: 'thread.put',
        thread: { id: thread, item: { technique: stance }, introduced: made.ranks[0]!, until: null, informal: false },
      },
      {
        op: 'requirement.put',
        requirement: aRequirement({ id: requirement, rankId, threadId: thread }, made.conditions),
      },
      { op: 'gate.put', gate: { id: gate, rankId, kind: 'hours', amount: 10 } },
    ],
  });
  await send('head', 'syllabus.publish', { id: published, version: 2, title: 'The first', from: '2025-01-01' });
  const grading = v7();
  await send('head', 'grading.save', {
    id: grading,
    title: `${name} grading`,
    day: addDays(DAY, -1),
    hallId: null,
    panel: [people.head, people.instructor, people.examiner],
    rule: usualRule(),
    items: null,
    answerBy: null,
  });
  await send('head', 'grading.put', { gradingId: grading, studentId: student, rankId, reason: null });
  await send('head', 'certificate.give', { heldId: held });
  const plan = v7();
  await send('head', 'classPlan.save', { id: plan, day: DAY, hallId: null, plan: aPlan() });
  const cycle = v7();
  await send('head', 'cycle.save', { id: cycle, cycle: aCycle(stance, made.conditions.get('in air')!) });
  const [certified] = await inSchool(t.db, id, (tx) => readCertificates(tx, { studentId: student }));
  return {
    id,
    as,
    ranks: made.ranks,
    conditions: made.conditions,
    stance,
    points,
    requirement,
    gate,
    thread,
    published,
    student,
    sequence,
    grading,
    plan,
    cycle,
    held,
    certificate: certified!.id,
    send,
  };
}

/** Three weeks of one class, with one row that is in two of them. */
export const aCycle = (techniqueId: string, conditionId: string): CommandDraft<'cycle.save'>['cycle'] => {
  const classes = [0, 7, 14].map((n) => ({
    id: v7(),
    day: addDays(DAY, n),
    starts: 18 * 60,
    minutes: 90,
    hallId: null,
    off: null,
    guest: null,
    frame: null,
  }));
  const row = v7();
  return {
    name: 'To the grading',
    end: 'grading',
    from: DAY,
    day: addDays(DAY, 20),
    ranks: [],
    groups: ['all'],
    weekly: [],
    classes,
    rows: [
      {
        ...EMPTY_ROW,
        id: row,
        name: 'Stance',
        items: [{ item: { technique: techniqueId }, conditionId }],
        minutes: 40,
        least: 10,
        most: 20,
        gap: 2,
        notOn: [],
        fresh: true,
        kind: 'basics',
        pairs: null,
        heaviness: 'light',
        opens: [],
      },
    ],
    cells: classes.slice(0, 2).map((c) => ({ row, class: c.id, minutes: 20, pinned: false })),
    rules: { frame: 20, newThings: 2, growing: [1, 2], review: 2, load: 2.2 },
    righted: [],
    before: null,
    result: null,
  };
};

/** An evening of two blocks, the second with a partner. */
export const aPlan = (): CommandDraft<'classPlan.save'>['plan'] => {
  const block = {
    kind: 'other',
    items: [],
    how: '',
    who: '',
    things: '',
    caution: '',
    pairs: null,
    pinned: false,
  } as const;
  const pairs = { kind: 'contact', rung: 1, answers: false, rounds: 2 } as const;
  return {
    starts: 18 * 60 + 30,
    minutes: 90,
    blocks: [
      { ...block, id: v7(), name: 'Basics', minutes: 60, items: [] },
      { ...block, id: v7(), name: 'Touch game', minutes: 30, items: [], pairs },
    ],
  };
};

/** The rule of gradings as delivered. */
export const usualRule = () => ({ ...USUAL_RULE, laths: USUAL_RULE.laths.map((l) => ({ ...l })) });

/** A requirement in air, as usual but for what is given. */
export const aRequirement = (
  more: Partial<PlacedRequirement> & Pick<PlacedRequirement, 'id' | 'rankId' | 'threadId'>,
  conditions: ReadonlyMap<string, string>,
): PlacedRequirement => ({
  conditionId: conditions.get('in air')!,
  purpose: null,
  standard: STEADY,
  stage: null,
  rung: null,
  critical: false,
  opens: null,
  ...more,
});

/** A look at the stance as a tablet sends it. */
export function aLook(s: SmallSchool, more: Partial<CommandDraft<'look.record'>> = {}): CommandDraft<'look.record'> {
  return {
    id: v7(),
    studentId: s.student,
    techniqueId: s.stance,
    conditionId: s.conditions.get('in air')!,
    day: DAY,
    at: NOW.toISOString(),
    side: 'left',
    purpose: null,
    replaces: null,
    note: '',
    marks: [{ pointId: s.points.seen, kind: 'seen', held: 5, of: 5 }],
    ...more,
  };
}

/** The edits of a draft by which the form is asked for the second belt, under a thread of its own. */
export function askingForTheForm(
  s: SmallSchool,
  thread: string,
  more: Partial<PlacedRequirement> = {},
): CommandDraft<'syllabus.change'>['edits'] {
  const item = { sequence: s.sequence, part: null };
  const requirement = aRequirement({ id: v7(), rankId: s.ranks[1]!, threadId: thread, ...more }, s.conditions);
  return [
    { op: 'thread.put', thread: { id: thread, item, introduced: s.ranks[0]!, until: null, informal: false } },
    { op: 'requirement.put', requirement },
  ];
}

/** Two staffs: a sound one, and one that is to be mended. */
export const aThing = (): CommandDraft<'thing.save'>['thing'] => ({
  name: 'Long staff',
  about: '1.80 m, ash',
  shape: 'staff',
  place: 'rack by the door',
  hallId: null,
  serves: 'staff',
  fromAge: 12,
  fromRankId: null,
  alone: false,
  people: 1,
  every: 30,
  how: [{ by: 'Cloth', what: 'Where it snags is a splinter.' }],
  stands: [],
  pieces: [
    { id: v7(), wrong: '', checked: DAY, checkBy: addDays(DAY, 30), lent: null },
    { id: v7(), wrong: 'cracked', checked: DAY, checkBy: addDays(DAY, 30), lent: null },
  ],
});
