import { v7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { NO_DETAIL } from '../../contracts/stored/technique';
import { parseStep, type Recipe } from '../../core';
import { makeDatabase, type TestDatabase } from '../../data/testing/database';
import { Refusal } from '../http/problem';
import { aLook, NOW, smallSchool, type SmallSchool } from '../testing/school';
import { runView } from '../views/run';

let t: TestDatabase;
let s: SmallSchool;

beforeAll(async () => {
  t = await makeDatabase();
  s = await smallSchool(t, 'Reed');
});
afterAll(() => t.drop());

const see = (id: string) => runView(t.db, s.as.head, 'sequence', { id }, NOW);
const refusal = (work: Promise<unknown>): Promise<Refusal> =>
  work.then(
    () => {
      throw new Error('was not refused');
    },
    (e: unknown) => {
      if (e instanceof Refusal) return e;
      throw e;
    },
  );
const write = async (title: string, text: string, id = v7()) => {
  await s.send('head', 'sequence.save', { id, title, text });
  return id;
};
const step = (text: string) => {
  const read = parseStep(text);
  if (!read.ok) throw new Error('bad step');
  return read.value;
};
const kicks: Recipe = [
  { op: 'substitute', pattern: { name: 'punch' }, replacement: { do: 'before', step: step('front kick R mid') } },
];
const derive = async (parentId: string, title: string, recipe: Recipe, id = v7()) => {
  await s.send('head', 'sequence.derive', { id, parentId, title, recipe: [...recipe] as never });
  return id;
};
const linesOf = (text: string) => text.split('\n').filter((l) => l && !/^(title|kind)/.test(l));

describe('a written sequence', () => {
  it('keeps its text to the letter, also with lines that cannot be read yet', async () => {
    const text = '  step L,front,   punch L  # so\n\n   turn sideways\npunch R';
    const id = await write('Half done', text);
    const { sequence } = await see(id);
    expect(sequence!.text).toBe(text);
    expect(sequence!.body.moves).toHaveLength(3);
    const list = await runView(t.db, s.as.head, 'sequences', {}, NOW);
    expect(list.sequences.find((x) => x.id === id)).toMatchObject({ problems: 1, counts: 3 });
  });

  it('does not write over what somebody else changed in the meantime', async () => {
    const id = await write('Two Writers', 'punch R');
    await s.send('instructor', 'sequence.save', { id, title: 'Two Writers', text: 'punch L', version: 1 });
    const r = await refusal(
      s.send('head', 'sequence.save', { id, title: 'Two Writers', text: 'low block R', version: 1 }),
    );
    expect(r.status).toBe(409);
    expect(r.title).toContain('Nothing was written over');
    expect((await see(id)).sequence!.text).toBe('punch L');
    await s.send('head', 'sequence.save', { id, title: 'Two Writers', text: 'low block R', version: 2 });
    expect((await see(id)).sequence!.text).toBe('low block R');
  });

  it('has a title of its own', async () => {
    await write('Only One', 'punch R');
    const r = await refusal(s.send('head', 'sequence.save', { id: v7(), title: 'only one', text: 'punch L' }));
    expect(r.errors[0]).toMatchObject({ path: 'title' });
  });
});

describe('a derived sequence', () => {
  it('follows its parent, keeps hand edits, and says which do not fit any more', async () => {
    const parent = await write('First', 'step L, front stance, low block L\nstep R, front stance, punch R\npunch L');
    const child = await derive(parent, 'Second', kicks);
    const grandchild = await derive(child, 'Second, other side', [{ op: 'mirror' }]);
    let view = await see(child);
    expect(linesOf(view.sequence!.text)).toEqual([
      'step L, front stance, low block L',
      'front kick R mid',
      'step R, front stance, punch R',
      'front kick L mid',
      'punch L',
    ]);
    const edited = view.sequence!.text.replace('front kick L mid', 'front kick L high, shout');
    await s.send('head', 'sequence.save', { id: child, title: 'Second', text: edited });
    view = await see(child);
    expect(view.sequence!.departures).toHaveLength(1);
    expect((await see(grandchild)).sequence!.text).toContain('front kick R high, shout');

    await write(
      'First',
      'rising block L\nstep L, front stance, low block L\nstep R, front stance, punch R\npunch L',
      parent,
    );
    view = await see(child);
    expect(linesOf(view.sequence!.text)[0]).toBe('rising block L');
    expect(view.sequence!.text).toContain('front kick L high, shout');

    await write('First', 'step L, front stance, low block L\nstep R, front stance, punch R', parent);
    const list = await runView(t.db, s.as.head, 'sequences', {}, NOW);
    expect(list.sequences.find((x) => x.id === child)).toMatchObject({ unfit: 1, trouble: null });
    expect((await see(child)).sequence!.departures).toHaveLength(1);
    expect(view.parent).toMatchObject({ id: parent, title: 'First' });
    expect((await see(parent)).children.map((c) => c.title)).toEqual(['Second']);
  });

  it('is refused with the reason where the recipe is impossible or a circle', async () => {
    const a = await write('Circle A', '= Out\npunch R\npunch L');
    const b = await derive(a, 'Circle B', [{ op: 'mirror' }]);
    const c = await derive(b, 'Circle C', [{ op: 'pyramid' }]);
    const circle = await refusal(
      s.send('head', 'sequence.derive', { id: b, parentId: c, title: 'Circle B', recipe: [{ op: 'mirror' }] }),
    );
    expect(circle.title).toContain('circle');
    expect(circle.title).toContain('Circle C');
    const none = await refusal(
      s.send('head', 'sequence.derive', {
        id: v7(),
        parentId: a,
        title: 'No home',
        recipe: [{ op: 'section', name: 'Home' }],
      }),
    );
    expect(none.title).toBe('There is no section called Home.');
    const hand = await refusal(
      s.send('head', 'sequence.derive', { id: a, parentId: b, title: 'Circle A', recipe: [{ op: 'mirror' }] }),
    );
    expect(hand.status).toBe(409);
    const empty = await refusal(
      s.send('head', 'sequence.derive', { id: v7(), parentId: a, title: 'Nothing', recipe: [] }),
    );
    expect(empty.title).toBe('A recipe has at least one step.');
  });

  it('keeps its last good moves when its recipe cannot be followed any more, and says why', async () => {
    const parent = await write('Sectioned', '= Out\npunch R\n= Home\npunch L');
    const child = await derive(parent, 'Only home', [{ op: 'section', name: 'Home' }]);
    await write('Sectioned', 'punch R\npunch L', parent);
    const view = await see(child);
    expect(view.sequence!.trouble).toBe('There is no section called Home.');
    expect(view.sequence!.body.moves).toHaveLength(1);
    await write('Sectioned', '= Home\npunch R\npunch L', parent);
    const mended = await see(child);
    expect(mended.sequence!.trouble).toBeNull();
    expect(mended.sequence!.body.moves).toHaveLength(2);
  });

  it('a text with mistakes is not taken for left out on purpose', async () => {
    const parent = await write('Clear', 'punch R\npunch L');
    const child = await derive(parent, 'Clear twice', [{ op: 'repeat', times: 2 }]);
    const r = await refusal(
      s.send('head', 'sequence.save', { id: child, title: 'Clear twice', text: 'punch R\nturn' }),
    );
    expect(r.title).toContain('Line 2, place 1');
    expect((await see(child)).sequence!.body.moves).toHaveLength(4);
  });
});

describe('names in the library', () => {
  const technique = (id: string, name: string, more: object = {}) => ({
    id,
    name,
    kind: 'strike' as const,
    summary: '',
    sided: true,
    stanceId: null,
    stepId: null,
    points: [],
    ...more,
  });
  it('a renamed technique is found under its old name in every sequence', async () => {
    const id = v7();
    await s.send('head', 'technique.save', technique(id, 'Marsh punch'));
    const seq = await write('With marsh punch', 'marsh punch R\nmarsh punch L');
    const doubled = await derive(seq, 'Marsh punch twice', [
      { op: 'substitute', pattern: { name: 'marsh punch' }, replacement: { do: 'after', step: step('low block R') } },
    ]);
    await s.send('head', 'technique.save', technique(id, 'Reed punch'));
    expect((await see(doubled)).sequence!.body.moves).toHaveLength(4);
    const view = await see(seq);
    expect(view.sequence!.body.moves.map((m) => m.step.actions[0]!.name)).toEqual(['reed punch', 'reed punch']);
    expect(view.sequence!.text).toContain('marsh punch');
    const page = await runView(t.db, s.as.head, 'technique', { id }, NOW);
    expect(page.sequences).toContainEqual({ id: seq, title: 'With marsh punch', counts: [1, 2] });
  });

  it('a save without the details leaves them as they are', async () => {
    const id = v7();
    const detail = { ...NO_DETAIL, terms: [{ text: '突き', lang: 'ja', said: 'tsuki', meaning: 'thrust' }] };
    await s.send('head', 'technique.save', technique(id, 'Long punch', { detail }));
    await s.send('head', 'technique.save', technique(id, 'Long punch'));
    const page = await runView(t.db, s.as.head, 'technique', { id }, NOW);
    expect(page.technique.detail.terms).toHaveLength(1);
    const bad = await refusal(
      s.send(
        'head',
        'technique.save',
        technique(id, 'Long punch', {
          detail: { ...detail, terms: [{ text: 'x', lang: 'not a tag', said: '', meaning: '' }] },
        }),
      ),
    );
    expect(bad.errors[0]!.path).toBe('detail.terms.0.lang');
  });

  it('two that are the same become one, and no mark is lost', async () => {
    const [keep, gone, mine, theirs] = [v7(), v7(), v7(), v7()];
    const point = (id: string, name: string) => ({
      id,
      name,
      how: '',
      why: '',
      kind: 'seen' as const,
      bodyPart: 'hand' as const,
      critical: false,
      unit: null,
      accepted: null,
      wanted: null,
      slips: [],
    });
    await s.send(
      'head',
      'technique.save',
      technique(keep, 'Palm strike', { points: [point(mine, 'Wrist bent back')] }),
    );
    await s.send(
      'head',
      'technique.save',
      technique(gone, 'Heel of hand', {
        points: [point(v7(), 'wrist bent back'), point(theirs, 'Fingers out of the way')],
      }),
    );
    await s.send(
      'instructor',
      'look.record',
      aLook(s, { techniqueId: gone, marks: [{ pointId: theirs, kind: 'seen', held: 3, of: 5 }] }),
    );
    const seq = await write('With both', 'palm strike R\nheel of hand L (strike)');
    await s.send('head', 'technique.merge', { keepId: keep, goneId: gone, why: 'one thing' });
    const page = await runView(t.db, s.as.head, 'technique', { id: keep }, NOW);
    expect(page.points.map((p) => p.name).sort()).toEqual(['Fingers out of the way', 'Wrist bent back']);
    expect(page.lately[theirs]).toMatchObject({ held: 3, of: 5 });
    expect((await see(seq)).sequence!.body.moves.map((m) => m.step.actions[0]!.name)).toEqual([
      'palm strike',
      'palm strike',
    ]);
    const different = await refusal(s.send('head', 'technique.merge', { keepId: keep, goneId: s.stance, why: '' }));
    expect(different.status).toBe(422);
  });
});

describe('waivers, halls and imports', () => {
  it('a finding is waived with a reason, and the waiver taken back', async () => {
    const id = await write('Waived', 'step L, front stance');
    await s.send('head', 'sequence.waive', { sequenceId: id, key: 'closing', reason: 'it is a line' });
    expect((await see(id)).waivers).toEqual([
      { key: 'closing', reason: 'it is a line', by: 'Reed head', day: '2026-03-05' },
    ]);
    await s.send('head', 'sequence.waive', { sequenceId: id, key: 'closing', reason: null });
    expect((await see(id)).waivers).toEqual([]);
    const r = await refusal(s.send('head', 'sequence.waive', { sequenceId: id, key: 'closing', reason: 'x' }));
    expect(r.status).toBe(422);
  });

  it('several sequences are taken at once or none', async () => {
    const taken = await s.send('head', 'sequence.import', {
      sequences: [
        { id: v7(), title: 'Import A', text: 'punch R' },
        { id: v7(), title: 'Import B', text: 'punch L' },
      ],
    });
    expect(taken).toEqual({ taken: 2 });
    await refusal(
      s.send('head', 'sequence.import', {
        sequences: [
          { id: v7(), title: 'Import C', text: 'punch R' },
          { id: v7(), title: 'import c', text: 'punch L' },
        ],
      }),
    );
    const list = await runView(t.db, s.as.head, 'sequences', {}, NOW);
    expect(list.sequences.map((x) => x.title)).toContain('Import B');
    expect(list.sequences.map((x) => x.title)).not.toContain('Import C');
  });

  it('a hall has a size that can be', async () => {
    const id = v7();
    await s.send('head', 'hall.save', { id, name: 'Marsh room', width: 9, depth: 6 });
    expect((await see(s.sequence)).halls).toEqual([{ id, name: 'Marsh room', width: 9, depth: 6, version: 1 }]);
    expect((await refusal(s.send('head', 'hall.save', { id, name: 'Marsh room', width: 0, depth: 6 }))).status).toBe(
      422,
    );
    await s.send('head', 'hall.remove', { id });
    expect((await see(s.sequence)).halls).toEqual([]);
  });
});
