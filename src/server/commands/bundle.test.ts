import Ajv2020 from 'ajv/dist/2020';
import { readFileSync } from 'node:fs';
import { v7 } from 'uuid';
import * as v from 'valibot';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { bundleJsonSchema } from '../../contracts/bundleSchema';
import { bundleShape, storedBundle, type Bundle, type BundleReport } from '../../contracts/stored/bundle';
import { ALONE, checkSyllabus } from '../../core';
import { inSchool } from '../../data/connection';
import { DEMO_SCHOOL_ID } from '../../data/demo/generate';
import { openSchool } from '../../data/openSchool';
import { starterBundle } from '../../data/starter';
import { person } from '../../data/tables';
import { user } from '../../data/tables/auth';
import type { TestDatabase } from '../../data/testing/database';
import { makeDemo } from '../../data/testing/demo';
import type { SignedIn } from '../auth/auth';
import { Refusal } from '../http/problem';
import { NOW, smallSchool } from '../testing/school';
import { runView } from '../views/run';
import { runCommand } from './run';

let t: TestDatabase;
beforeAll(async () => {
  t = await makeDemo('2026-11-28');
});
afterAll(() => t.drop());

/** A school with a head and nothing else, not even a belt of the file's. */
async function emptySchool(): Promise<SignedIn> {
  const [id, head] = [v7(), v7()];
  const me = { userId: v7(), email: `${id}@example.org`, schoolId: id, personId: head };
  await inSchool(t.db, id, async (tx) => {
    await openSchool(tx, { id, name: 'Empty', timeZone: 'UTC', head: { id: head, name: 'Head' }, ranks: [] }, v7);
    await tx.insert(user).values({ id: me.userId, name: 'x', email: me.email, schoolId: id, personId: head });
    await tx.update(person).set({ userId: me.userId });
  });
  return me;
}
const take = (
  me: SignedIn,
  bundle: Bundle,
  more: { keep?: 'file' | 'here'; dry?: boolean } = {},
  watch?: Parameters<typeof runCommand>[4],
) =>
  runCommand(
    t.db,
    me,
    {
      id: v7(),
      at: NOW.toISOString(),
      name: 'bundle.import',
      input: { bundle, keep: more.keep ?? 'file', dry: more.dry ?? false },
    },
    NOW,
    watch,
  ) as Promise<BundleReport>;
const out = (me: SignedIn) => runView(t.db, me, 'bundle', {}, NOW);
const fates = (r: BundleReport) => {
  const n: Record<string, number> = {};
  for (const l of r.lines) n[`${l.what} ${l.fate}`] = (n[`${l.what} ${l.fate}`] ?? 0) + 1;
  return n;
};

describe('a school in a file', () => {
  it('taken out and brought into an empty one gives the same school', async () => {
    const heads = await t.owner.query<{ id: string; user_id: string }>(
      `select id, user_id from person where school_id = $1 and role = 'head'`,
      [DEMO_SCHOOL_ID],
    );
    const head = heads.rows[0]!;
    const demo = {
      userId: head.user_id,
      email: 'maren@causewayhall.example',
      schoolId: DEMO_SCHOOL_ID,
      personId: head.id,
    };
    const bundle = await out(demo);
    // JSON Schema 2020-12, checked with the registry's ajv, on the file as it is written.
    const validate = new Ajv2020({ strict: false, validateFormats: false }).compile(bundleJsonSchema());
    const file: unknown = JSON.parse(JSON.stringify(bundle));
    expect(validate(file), JSON.stringify(validate.errors?.slice(0, 3))).toBe(true);
    const read = v.parse(bundleShape, file);

    const me = await emptySchool();
    const dry = await take(me, read, { dry: true });
    expect(dry.lines.filter((l) => l.fate === 'refused' || l.fate === 'in conflict')).toEqual([]);
    expect(dry.done).toBe(false);
    expect((await out(me)).techniques).toEqual([]);

    const done = await take(me, read);
    expect(done.done).toBe(true);
    expect(done.lines).toEqual(dry.lines);
    const again = await out(me);
    expect(again.techniques.length).toBe(bundle.techniques.length);
    for (const [i, x] of again.techniques.entries()) expect(x).toEqual(bundle.techniques[i]);
    for (const [i, x] of again.sequences.entries()) expect(x, x.title).toEqual(bundle.sequences[i]);
    expect(again.syllabus!.requirements).toEqual(bundle.syllabus!.requirements);
    expect({ ...again, name: '' }).toEqual({ ...bundle, name: '' });
    const twice = await take(me, again, { dry: true });
    expect([...new Set(twice.lines.map((l) => l.fate))]).toEqual(['the same']);
  });

  it('the published schema is the one that the code makes, and refuses what the door refuses', () => {
    const published: unknown = JSON.parse(readFileSync('docs/formats/school.schema.json', 'utf8'));
    expect(published).toEqual(JSON.parse(JSON.stringify(bundleJsonSchema())));
    const validate = new Ajv2020({ strict: false, validateFormats: false }).compile(bundleJsonSchema());
    const good = JSON.parse(JSON.stringify(starterBundle())) as Record<string, unknown>;
    expect(validate(good)).toBe(true);
    for (const bad of [
      { format: 'other' },
      { version: storedBundle.version + 1 },
      { ranks: [{ name: 'White' }] },
      { techniques: 7 },
    ]) {
      expect(validate({ ...good, ...bad })).toBe(false);
      expect(v.safeParse(bundleShape, { ...good, ...bad }).success).toBe(false);
    }
  });

  it('the starter fits an empty school and holds together', async () => {
    const me = await emptySchool();
    const done = await take(me, v.parse(bundleShape, starterBundle()));
    expect(done.lines.filter((l) => l.fate !== 'new' && l.fate !== 'the same')).toEqual([]);
    const view = await runView(t.db, me, 'syllabus', {}, NOW);
    const facts = new Map(view.items.map((i) => [i.key, i]));
    const found = checkSyllabus(view.syllabus, { ...view, factsOf: (k) => facts.get(k) });
    expect(found.filter((f) => f.check !== 'uncovered').map((f) => f.says)).toEqual([]);
  });
});

describe('what a file meets here', () => {
  it('is new, changed or kept as here; a change says what is other, and marks stay on their points', async () => {
    const s = await smallSchool(t, 'Meeting');
    const me = s.as.head;
    const bundle = await out(me);
    const stance = bundle.techniques[0]!;
    const changed: Bundle = {
      ...bundle,
      ranks: bundle.ranks.map((r) => ({ ...r, cloth: { ...r.cloth, bars: 2 } })),
      techniques: [
        { ...stance, points: stance.points.map((p) => ({ ...p, how: 'otherwise' })) },
        { ...stance, name: 'Another stance' },
      ],
      syllabus: { ...bundle.syllabus!, gates: [{ rank: 'Straw', kind: 'hours', amount: 30 }] },
    };
    const here = await take(me, changed, { keep: 'here', dry: true });
    expect(fates(here)).toMatchObject({
      'belt kept as here': 2,
      'technique kept as here': 1,
      'technique new': 1,
      'syllabus kept as here': 1,
    });
    const file = await take(me, changed);
    expect(file.lines.filter((l) => l.fate === 'changed').map((l) => `${l.name}: ${l.why}`)).toEqual([
      'White: Another cloth.',
      'Straw: Another cloth.',
      'Meeting stance: Other points.',
      'The way: 1 requirements, as a draft. Straw: gate now 30 hours of class since the belt below, was 10 hours of class since the belt below.',
    ]);
    const point = await t.owner.query<{ how: string }>('select how from point where id = $1', [s.points.seen]);
    expect(point.rows[0]!.how).toBe('otherwise');
  });

  it('one conflict or refusal takes everything back', async () => {
    const s = await smallSchool(t, 'Conflict');
    const me = s.as.head;
    const bundle = await out(me);
    const stance = bundle.techniques[0]!;
    const before = JSON.stringify(bundle);
    const bad: Bundle = {
      ...bundle,
      conditions: [...bundle.conditions, { name: 'on ice', ...ALONE }],
      techniques: [
        { ...stance, kind: 'kick' },
        { ...stance, name: 'Twice' },
        { ...stance, name: 'twice' },
        { ...stance, name: 'Leaning', stance: 'Nowhere stance' },
      ],
      sequences: [
        { ...bundle.sequences[0]!, title: 'Child', from: 'No parent', recipe: [{ op: 'mirror' }] },
        { ...bundle.sequences[0]!, title: 'Hen', from: 'Egg', recipe: [{ op: 'mirror' }] },
        { ...bundle.sequences[0]!, title: 'Egg', from: 'Hen', recipe: [{ op: 'mirror' }] },
      ],
      syllabus: { ...bundle.syllabus!, gates: [{ rank: 'Crimson', kind: 'age', amount: 9 }] },
    };
    const report = await take(me, bad);
    expect(report.done).toBe(false);
    expect(
      report.lines.filter((l) => l.fate === 'in conflict' || l.fate === 'refused').map((l) => `${l.name}: ${l.why}`),
    ).toEqual([
      'Conflict stance: Here it is a stance, in the file a kick. Give one of them another name.',
      'twice: It stands in the file twice.',
      'Leaning: It names Nowhere stance, which is nowhere.',
      'Child: It comes from No parent, which is nowhere.',
      'Hen: It comes from what comes from itself: Egg.',
      'Egg: It comes from what comes from itself: Hen.',
      'A gate of age: There is no belt called Crimson.',
    ]);
    expect(JSON.stringify(await out(me))).toBe(before);
  });

  it('a large one tells how far it is, and can be stopped without a trace', async () => {
    const me = await emptySchool();
    const one = starterBundle();
    const many: Bundle = {
      ...one,
      techniques: Array.from({ length: 300 }, (_, i) => ({
        ...one.techniques[0]!,
        name: `Technique ${i}`,
        stance: null,
        step: null,
      })),
      sequences: [],
      syllabus: null,
    };
    const seen: number[] = [];
    const stopped = take(me, many, {}, { progress: (done) => seen.push(done), stopped: () => seen.length >= 40 });
    await expect(stopped).rejects.toThrow(Refusal);
    expect(seen).toEqual(Array.from({ length: 40 }, (_, i) => i + 1));
    expect((await out(me)).techniques).toEqual([]);
    expect((await take(me, many)).done).toBe(true);
    expect((await out(me)).techniques).toHaveLength(300);
  });

  const problemsOf = (raw: unknown): string[] => {
    const read = v.safeParse(bundleShape, raw);
    return read.success ? [] : read.issues.map((i) => i.message);
  };
  it('what the commands refuse is refused from a file as well, in words of our own', async () => {
    const me = await emptySchool();
    const one = starterBundle();
    const stand = one.techniques.find((x) => x.kind === 'stance')!;
    const other = { ...stand, name: 'Second stance', stance: stand.name };
    const reasons = async (bundle: Bundle) =>
      (await take(me, bundle)).lines.filter((l) => l.fate === 'refused').map((l) => l.why);
    const with_ = (techniques: Bundle['techniques']): Bundle => ({ ...one, techniques, sequences: [], syllabus: null });
    expect(await reasons(with_([{ ...stand, stance: stand.name.toUpperCase() }]))).toEqual([
      'A technique cannot stand on itself.',
    ]);
    expect(await reasons(with_([{ ...stand, stance: 'Second stance' }, other]))).toEqual([
      expect.stringMatching(/stands on .* stands on .*nothing can stand on itself/),
    ]);
    const [a, b] = one.conditions.map((c) => c.name) as [string, string];
    const circle = {
      ...one,
      syllabus: {
        ...one.syllabus!,
        order: [
          { easier: a, harder: b },
          { easier: b, harder: a },
        ],
      },
    };
    expect(await reasons(circle)).toEqual([expect.stringContaining('the order goes round in a circle')]);
    const gate = (more: object) => ({
      ...one,
      syllabus: { ...one.syllabus!, gates: [{ rank: one.ranks[0]!.name, kind: 'age', amount: 9, ...more }] },
    });
    for (const more of [{ amount: 200 }, { kind: 'hours', amount: 0 }, { kind: 'consent', amount: 77 }])
      expect(problemsOf(gate(more))).toEqual(['This gate asks for nothing, or for what cannot be.']);
    const points = [stand.points[0]!, { ...stand.points[0]!, name: stand.points[0]!.name.toUpperCase() }];
    expect(problemsOf(with_([{ ...stand, points }]))).toEqual(['Two points have the same name.']);
  });

  it('an older and a newer version are called what they are, and a need said a thousand times is one', async () => {
    const one = starterBundle();
    const later = storedBundle.version + 1;
    expect(problemsOf({ ...one, version: later })).toEqual([
      `This school is of a later kind (${later}); open it with a newer Stavewright.`,
    ]);
    expect(problemsOf({ ...one, version: 0 })[0]).toContain('does not say its version');
    expect(problemsOf({ ...one, version: undefined })[0]).toContain('does not say its version');
    const items = one.syllabus!.items;
    const again = (times: number) => ({
      ...one,
      syllabus: {
        ...one.syllabus!,
        items: items.map((i, n) =>
          n === 1 ? { ...i, needs: Array.from({ length: times }, () => items[0]!.item) } : i,
        ),
      },
    });
    expect(problemsOf(again(100_000))).toEqual(['An item needs at most 200 others.']);
    const me = await emptySchool();
    expect((await take(me, again(200))).done).toBe(true);
    expect((await out(me)).syllabus!.items.flatMap((i) => i.needs)).toHaveLength(
      new Set(items.flatMap((i, n) => (n === 1 ? ['twice'] : i.needs.map((x) => JSON.stringify([n, x]))))).size,
    );
  });
});
