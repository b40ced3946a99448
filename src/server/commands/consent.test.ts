import { afterAll, beforeAll, expect, it } from 'vitest';
import { v7 } from 'uuid';
import type { Role } from '../../contracts/role';
import type { Rung } from '../../core';
import { makeDatabase, type TestDatabase } from '../../data/testing/database';
import { Refusal } from '../http/problem';
import { DAY, NOW, smallSchool, type SmallSchool } from '../testing/school';
import { runView } from '../views/run';

let t: TestDatabase;
let s: SmallSchool;
beforeAll(async () => {
  t = await makeDatabase();
  s = await smallSchool(t, 'Word');
});
afterAll(() => t.drop());

const say = (who: Role, studentId: string, rung: Rung | null, guardian = '') =>
  s.send(who, 'consent.record', { id: v7(), studentId, rung, day: '2026-01-01', guardian }).then(
    () => 'said',
    (e: unknown) => (e instanceof Refusal ? e.title : String(e)),
  );
const known = async (who: Role, id: string) => {
  const { consent, consentSaid } = await runView(t.db, s.as[who], 'student', { id }, NOW);
  return {
    rung: consent?.rung ?? null,
    counts: consent?.counts,
    guardian: consent?.guardian,
    day: consent?.day,
    consentSaid,
  };
};
const SLOW: Rung = 'slow, soft hands';
const LIGHT: Rung = 'slow, gloves and pads';

it('a minor and the guardian say it each up to what the other agreed to, and either takes it back', async () => {
  const minor = s.as.student.personId;
  await t.owner.query('insert into guardian_of (school_id, guardian_id, student_id) values ($1, $2, $3)', [
    s.id,
    s.as.guardian.personId,
    minor,
  ]);
  expect(await say('student', minor, SLOW)).toMatch(/^Your guardian has not agreed to contact/);
  expect(await say('student', minor, null)).toBe('said');
  // A refusal is the student's own: no guardian talks over it.
  expect(await say('guardian', minor, SLOW)).toMatch(/has said no contact: only .* says more/);
  expect(await say('head', minor, LIGHT, 'Word guardian')).toBe('said');
  expect(await known('guardian', minor)).toMatchObject({ rung: LIGHT, counts: true, day: '2026-01-01' });
  expect(await say('guardian', minor, SLOW)).toBe('said');
  // Whoever says it on their own page says it today, and the guardian is who signed in.
  expect(await known('student', minor)).toMatchObject({
    rung: SLOW,
    counts: true,
    guardian: 'Word guardian',
    day: DAY,
  });
  expect((await known('student', minor)).consentSaid).toMatchObject({ most: 1, asksGuardian: false });
  expect(await say('student', minor, LIGHT)).toMatch(/has agreed to slow, soft hands: for more/);
  expect(await say('student', minor, null)).toBe('said');
  expect(await known('head', minor)).toMatchObject({ rung: null });
  expect(await say('student', minor, SLOW)).toBe('said');
  expect(await known('head', minor)).toMatchObject({ rung: SLOW, counts: true, guardian: 'Word guardian' });
});

it('who is of age says it alone; a guardian only that it ends', async () => {
  const grown = s.student;
  expect(await say('guardian', grown, SLOW)).toMatch(/is of age/);
  expect(await say('head', grown, LIGHT)).toBe('said');
  expect(await known('head', grown)).toMatchObject({ rung: LIGHT, counts: true });
  expect(await say('guardian', grown, null)).toBe('said');
  expect(await say('student', grown, SLOW)).toMatch(/another student’s page/);
  expect((await known('head', grown)).consentSaid).toMatchObject({ minor: false });
  // The school's own age decides who is of age.
  await s.send('head', 'school.set', { ofAge: 25 });
  await t.owner.query('update person set born = $1 where id = $2', ['2005-01-01', grown]);
  expect(await say('head', grown, LIGHT)).toBe('said');
  expect(await known('head', grown)).toMatchObject({ counts: false, consentSaid: { minor: true } });
});

it('an instructor does not say it for anybody', async () => {
  expect(await say('instructor', s.student, null)).toMatch(/instructor may not do this/);
  expect((await known('instructor', s.student)).consentSaid).toBeNull();
});

const agree = (who: Role, studentId: string, agreed: boolean, guardian = '') =>
  s.send(who, 'pictures.agree', { id: v7(), studentId, agreed, day: '2026-01-01', guardian }).then(
    () => 'said',
    (e: unknown) => (e instanceof Refusal ? e.title : String(e)),
  );
const pictures = async (studentId: string) => {
  const kit = await runView(t.db, s.as.instructor, 'lookKit', {}, NOW);
  const { pictures: word, picturesSaid } = await runView(t.db, s.as.head, 'student', { id: studentId }, NOW);
  return { word, picturesSaid, mat: kit.students.find((x) => x.id === studentId)!.pictures };
};

it('pictures of a minor are kept where both agree; either takes it back, and the mat hears of it', async () => {
  const minor = s.as.student.personId;
  expect(await pictures(minor)).toMatchObject({ word: null, mat: false });
  expect(await agree('student', minor, true)).toMatch(/^Your guardian has not agreed to pictures being kept/);
  expect(await agree('guardian', minor, true)).toBe('said');
  expect(await pictures(minor)).toMatchObject({
    word: { agreed: true, guardian: 'Word guardian', day: DAY, counts: true },
    mat: true,
  });
  expect(await agree('student', minor, false)).toBe('said');
  expect(await pictures(minor)).toMatchObject({ word: { agreed: false, counts: false }, mat: false });
  expect(await agree('guardian', minor, true)).toMatch(/has said no to pictures being kept: only .* says more/);
  expect(await agree('student', minor, true)).toBe('said');
  expect(await pictures(minor)).toMatchObject({ mat: true });
  expect(await agree('guardian', minor, false)).toBe('said');
  expect(await pictures(minor)).toMatchObject({ mat: false });
  // From paper: without the guardian it stands there, and does not count.
  expect(await agree('head', minor, true)).toBe('said');
  expect(await pictures(minor)).toMatchObject({ word: { counts: false }, picturesSaid: { minor: true }, mat: false });
});

it('an instructor does not say for anybody that pictures are kept, nor anybody for somebody else', async () => {
  expect(await agree('instructor', s.student, true)).toMatch(/may not/);
  expect(await agree('student', s.student, true)).toMatch(/another student’s page/);
  const { rows } = await t.owner.query('select count(*)::int as n from picture_word where student_id = $1', [
    s.student,
  ]);
  expect(rows).toEqual([{ n: 0 }]);
});
