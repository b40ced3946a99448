import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import pg from 'pg';
import { v7 } from 'uuid';
import { expect, inject, it } from 'vitest';
import { STEADY, type Syllabus } from '../core';

const statements = (file: string) =>
  readFileSync(`src/data/migrations/${file}.sql`, 'utf8').split('--> statement-breakpoint');

/** A database as an earlier release left it, filled, and then brought to the present one. */
it('what a school asked row by row becomes its first published version, under the same ids', async () => {
  const url = new URL(inject('ownerUrl'));
  const admin = new pg.Client({ connectionString: url.href });
  await admin.connect();
  const name = `t_${randomBytes(6).toString('hex')}`;
  await admin.query(`create database ${name}`);
  url.pathname = `/${name}`;
  const db = new pg.Client({ connectionString: url.href });
  await db.connect();
  try {
    for (const file of ['0000_begin', '0001_sequences', '0002_syllabus_versions'])
      for (const s of statements(file)) await db.query(s);
    const [home, empty, technique, condition, harder, requirement, gate, straw, white, said, student] = Array.from(
      { length: 11 },
      () => v7(),
    ) as [string, string, string, string, string, string, string, string, string, string, string];
    for (const s of [home, empty])
      await db.query(`insert into school (id, name, time_zone) values ($1, 'Old', 'UTC')`, [s]);
    const add = (table: string, row: Record<string, unknown>) =>
      db.query(
        `insert into ${table} (school_id, ${Object.keys(row)
          .map((k) => `"${k}"`)
          .join(', ')}) values ($1, ${Object.keys(row)
          .map((_, i) => `$${i + 2}`)
          .join(', ')})`,
        [home, ...Object.values(row)],
      );
    const cloth = JSON.stringify({ colour: '#FFFFFF', second: null, stripe: null, bars: 0 });
    await add('rank', { id: white, position: 0, name: 'White', cloth });
    await add('rank', { id: straw, position: 1, name: 'Straw', cloth });
    await add('condition', { id: condition, position: 0, name: 'in air' });
    await add('condition', { id: harder, position: 1, name: 'still target' });
    await add('condition_step', { easier_id: condition, harder_id: harder });
    await add('technique', { id: technique, name: 'Low block', kind: 'block', sided: true });
    const standard = JSON.stringify(STEADY);
    await add('requirement', {
      id: requirement,
      rank_id: straw,
      position: 0,
      technique_id: technique,
      condition_id: condition,
      standard,
    });
    await add('gate', { id: gate, rank_id: straw, kind: 'hours', amount: 30 });
    await add('person', { id: student, name: 'Somebody', role: 'student' });
    await add('override', {
      id: said,
      student_id: student,
      requirement_id: requirement,
      word: 'met',
      reason: 'seen',
      by: student,
      day: '2026-01-01',
    });

    for (const file of ['0003_syllabus_rows_go', '0004_technique_merged'])
      for (const s of statements(file)) await db.query(s);
    const { rows } = await db.query<{ school_id: string; state: string; body: Syllabus }>(
      'select * from syllabus_version',
    );
    expect(rows).toHaveLength(2);
    const mine = rows.find((r) => r.school_id === home)!;
    expect(mine.state).toBe('published');
    expect(mine.body).toMatchObject({
      threads: [{ item: { technique }, introduced: white, until: null, informal: false }],
      requirements: [{ id: requirement, rankId: straw, conditionId: condition, standard: STEADY, critical: false }],
      gates: [{ id: gate, rankId: straw, kind: 'hours', amount: 30 }],
      order: [{ easier: condition, harder }],
    });
    expect(mine.body.requirements[0]!.threadId).toBe(mine.body.threads[0]!.id);
    expect(rows.find((r) => r.school_id === empty)!.state).toBe('draft');
    expect((await db.query('select 1 from override where requirement_id = $1', [requirement])).rowCount).toBe(1);
  } finally {
    await db.end();
    await admin.query(`drop database ${name} with (force)`);
    await admin.end();
  }
});
