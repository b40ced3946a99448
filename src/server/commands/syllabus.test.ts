import { v7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { CommandDraft } from '../../contracts/commands';
import { differenceInWords } from '../../core';
import { makeDatabase, type TestDatabase } from '../../data/testing/database';
import { Refusal } from '../http/problem';
import { aLook, aRequirement, DAY, NOW, smallSchool, type SmallSchool } from '../testing/school';
import { runView } from '../views/run';

let t: TestDatabase;
beforeAll(async () => {
  t = await makeDatabase();
});
afterAll(() => t.drop());

const refused = (work: Promise<unknown>): Promise<string> =>
  work.then(
    () => 'done',
    (e: unknown) => {
      if (e instanceof Refusal) return e.message;
      throw e;
    },
  );
const way = (s: SmallSchool) => runView(t.db, s.as.head, 'syllabus', {}, NOW);
const page = (s: SmallSchool, id = s.student) => runView(t.db, s.as.head, 'student', { id }, NOW);
const change = async (s: SmallSchool, ...edits: CommandDraft<'syllabus.change'>['edits']) =>
  s.send('head', 'syllabus.change', { version: (await way(s)).version, edits });

describe('a draft', () => {
  it('begins with the first change, over what is published, and changes nothing for anybody', async () => {
    const s = await smallSchool(t, 'Drafting');
    expect((await way(s)).version).toBeNull();
    await change(s, { op: 'requirement.remove', id: s.requirement });
    const view = await way(s);
    expect([view.version, view.syllabus.requirements.length, view.over!.syllabus.requirements.length]).toEqual([
      1, 0, 1,
    ]);
    expect((await page(s)).requirements).toHaveLength(1);
    await s.send('head', 'syllabus.discard', { version: 1 });
    expect((await way(s)).syllabus.requirements).toHaveLength(1);
  });

  it('is not written over by somebody who saw an older one, and an undo puts the former back', async () => {
    const s = await smallSchool(t, 'Two heads');
    const before = (await way(s)).syllabus;
    await change(s, { op: 'gate.remove', id: s.gate });
    const late = s.send('head', 'syllabus.change', { version: null, edits: [{ op: 'gate.remove', id: s.gate }] });
    expect(await refused(late)).toMatch(/changed meanwhile/);
    await s.send('head', 'syllabus.put', { version: 1, syllabus: before as never });
    expect((await way(s)).syllabus).toEqual(before);
  });

  it('refuses what does not go, in words, all or nothing', async () => {
    const s = await smallSchool(t, 'Refusing');
    const gone = aRequirement({ id: v7(), rankId: v7(), threadId: s.thread }, s.conditions);
    expect(
      await refused(change(s, { op: 'gate.remove', id: s.gate }, { op: 'requirement.put', requirement: gone })),
    ).toBe('This belt is not there any more.');
    const thread = { id: v7(), item: { technique: v7() }, introduced: null, until: null, informal: false };
    expect(await refused(change(s, { op: 'thread.put', thread }))).toBe('This technique is not in the library.');
    const part = { sequence: s.sequence, part: { from: 1, to: 9, section: null } };
    expect(await refused(change(s, { op: 'thread.put', thread: { ...thread, item: part } }))).toBe(
      'This sequence has 2 counts; the part ends at 9.',
    );
    expect((await way(s)).syllabus.gates).toHaveLength(1);
    const twice = (await way(s)).syllabus;
    const bad = { ...twice, requirements: [...twice.requirements, { ...twice.requirements[0]!, id: v7() }] };
    expect(await refused(s.send('head', 'syllabus.put', { version: null, syllabus: bad as never }))).toBe(
      'This belt already asks for it in this condition.',
    );
  });
});

describe('a published version', () => {
  it('never changes, not even for the database’s own user', async () => {
    const s = await smallSchool(t, 'Frozen');
    const direct = t.owner.query(`update syllabus_version set title = 'else' where id = $1`, [s.published]);
    await expect(direct).rejects.toThrow(/does not change/);
    await expect(t.owner.query(`delete from syllabus_version where id = $1`, [s.published])).rejects.toThrow(
      /does not change/,
    );
  });

  it('counts from its day, for who begins a cycle after it; others stay until moved', async () => {
    const s = await smallSchool(t, 'Moving');
    await change(
      s,
      { op: 'requirement.remove', id: s.requirement },
      {
        op: 'requirement.put',
        requirement: aRequirement(
          { id: v7(), rankId: s.ranks[1]!, threadId: s.thread, conditionId: s.conditions.get('still target')! },
          s.conditions,
        ),
      },
      { op: 'gate.put', gate: { id: s.gate, rankId: s.ranks[1]!, kind: 'hours', amount: 24 } },
    );
    const version = (await way(s)).version;
    const compared = await runView(t.db, s.as.head, 'syllabusCompare', { was: s.published }, NOW);
    expect(compared.differences.map(differenceInWords)).toEqual([
      'Straw: moving stance is now asked, still target',
      'Straw: moving stance is not asked any more, was in air',
      'Straw: gate now 24 hours of class since the belt below, was 10 hours of class since the belt below',
    ]);
    expect(compared.touched.map((x) => x.name)).toEqual(['Moving other', 'Moving pupil']);
    const second = v7();
    const publish = { id: second, version, title: 'On targets', from: '2026-02-01' };
    const taken = s.send('head', 'syllabus.publish', { ...publish, from: '2025-01-01' });
    expect(await refused(taken)).toBe('“The first” counts from that day already.');
    await s.send('head', 'syllabus.publish', publish);

    const fresh = v7();
    await s.send('head', 'student.add', { id: fresh, name: 'Begins now', born: null, rankId: s.ranks[0]!, since: DAY });
    expect((await page(s, fresh)).requirements[0]!.condition).toBe('still target');
    expect((await page(s)).requirements[0]!.condition).toBe('in air');
    expect((await page(s)).follows).toEqual({ title: 'The first', from: '2025-01-01', newest: false });
    expect(await s.send('head', 'syllabus.follow', { versionId: second, studentIds: [s.student] })).toEqual({
      moved: 1,
    });
    expect((await page(s)).requirements[0]!.condition).toBe('still target');
    const ready = await runView(t.db, s.as.head, 'readiness', { rankId: s.ranks[0]! }, NOW);
    expect(ready.requirements.map((r) => r.condition).sort()).toEqual(['in air', 'still target']);
    const moved = ready.rows.find((r) => r.id === s.student)!;
    expect(moved.words.filter((w) => w !== null)).toEqual(['unseen']);
  });

  it('keeps belts and conditions it names, and a head’s decision rests on what some version asks', async () => {
    const s = await smallSchool(t, 'Keeping');
    expect(await refused(s.send('head', 'rank.remove', { id: s.ranks[1]! }))).toMatch(
      /published versions never change/,
    );
    const air = s.conditions.get('in air')!;
    expect(await refused(s.send('head', 'condition.remove', { id: air }))).toMatch(/published versions never change/);
    const said = { id: v7(), studentId: s.student, word: 'met' as const, reason: 'seen elsewhere' };
    expect(await refused(s.send('head', 'override.set', { ...said, requirementId: v7() }))).toMatch(/No version/);
    await s.send('head', 'override.set', { ...said, requirementId: s.requirement });
    expect((await page(s)).requirements[0]!.word).toBe('met');
  });

  it('reads a merged technique as the one it was merged into, marks and all', async () => {
    const s = await smallSchool(t, 'Merging');
    await s.send('instructor', 'look.record', aLook(s));
    const keepId = v7();
    await s.send('head', 'technique.save', {
      id: keepId,
      name: 'Long stance',
      kind: 'stance',
      summary: '',
      sided: true,
      stanceId: null,
      stepId: null,
      points: [],
    });
    await change(s, {
      op: 'requirement.put',
      requirement: aRequirement(
        { id: v7(), rankId: s.ranks[1]!, threadId: s.thread, conditionId: s.conditions.get('still target')! },
        s.conditions,
      ),
    });
    await s.send('head', 'technique.merge', { keepId, goneId: s.stance, why: '' });
    const [asked] = (await page(s)).requirements;
    expect([asked!.name, asked!.points.length, asked!.word]).toEqual(['Long stance', 6, 'short']);
    expect((await way(s)).syllabus.threads[0]!.item).toEqual({ technique: keepId });
  });
});

describe('a form is asked for', () => {
  it('and judged count by count; its sheet says so in plain words', async () => {
    const s = await smallSchool(t, 'Forms');
    const thread = v7();
    await change(
      s,
      {
        op: 'thread.put',
        thread: {
          id: thread,
          item: { sequence: s.sequence, part: { from: 1, to: 1, section: 'opening' } },
          introduced: s.ranks[0]!,
          until: null,
          informal: false,
        },
      },
      {
        op: 'requirement.put',
        requirement: aRequirement(
          { id: v7(), rankId: s.ranks[1]!, threadId: thread, purpose: 'show', critical: true },
          s.conditions,
        ),
      },
    );
    await s.send('head', 'syllabus.publish', { id: v7(), version: 1, title: 'With forms', from: DAY });
    const fresh = v7();
    await s.send('head', 'student.add', { id: fresh, name: 'Begins now', born: null, rankId: s.ranks[0]!, since: DAY });
    const form = (await page(s, fresh)).requirements.find((r) => r.kind === 'form')!;
    expect(form).toMatchObject({ name: 'Forms form, opening', word: 'unseen' });
    expect(form.points.map((p) => p.name)).toEqual(['count 1', 'rhythm', 'line']);
    const sheet = await runView(t.db, s.as.head, 'syllabusSheet', { rankId: s.ranks[1]! }, NOW);
    expect(sheet.groups.map((g) => [g.group, g.items[0]!.name, g.items[0]!.how])).toEqual([
      ['Basics', 'Forms stance', 'in air'],
      ['Forms', 'Forms form, opening', 'in air, to show'],
    ]);
    expect(sheet.gates).toEqual(['10 hours of class since the belt below']);
  });
});

describe('gates besides time', () => {
  it('ask for consent, a guardian’s too for a minor, and for no open injury', async () => {
    const s = await smallSchool(t, 'Gates');
    const [consent, injury] = [v7(), v7()];
    await change(
      s,
      { op: 'gate.put', gate: { id: consent, rankId: s.ranks[1]!, kind: 'consent', amount: 1 } },
      { op: 'gate.put', gate: { id: injury, rankId: s.ranks[1]!, kind: 'no open injury', amount: 1 } },
    );
    await s.send('head', 'syllabus.publish', { id: v7(), version: 1, title: 'With consent', from: DAY });
    const minor = s.as.student.personId;
    await s.send('head', 'syllabus.follow', { versionId: (await way(s)).versions.at(-1)!.id, studentIds: [minor] });
    const words = async () => Object.fromEntries((await page(s, minor)).gates.map((g) => [g.id, g.word]));
    expect(await words()).toMatchObject({ [consent]: 'short', [injury]: 'met' });
    const said = { studentId: minor, rung: 'slow, soft hands' as const, day: DAY };
    await s.send('head', 'consent.record', { id: v7(), ...said, guardian: '' });
    expect((await words())[consent]).toBe('short');
    await s.send('head', 'consent.record', { id: v7(), ...said, guardian: 'Rosalind Pike' });
    expect((await words())[consent]).toBe('met');
    await s.send('head', 'consent.record', { id: v7(), studentId: minor, rung: null, day: DAY, guardian: '' });
    expect((await words())[consent]).toBe('short');
    const hurt = v7();
    await s.send('instructor', 'injury.record', {
      id: hurt,
      studentId: minor,
      what: 'kicks',
      from: DAY,
      until: '2026-03-20',
    });
    expect((await words())[injury]).toBe('short');
    await s.send('instructor', 'injury.record', {
      id: hurt,
      studentId: minor,
      what: 'kicks',
      from: '2026-02-01',
      until: '2026-03-01',
    });
    expect((await words())[injury]).toBe('met');
  });
});
