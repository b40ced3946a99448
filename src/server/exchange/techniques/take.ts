import { eq, sql } from 'drizzle-orm';
import { v7 } from 'uuid';
import type { CommandInput } from '../../../contracts/commands';
import type { Bundle } from '../../../contracts/stored/bundle';
import { NO_DETAIL } from '../../../contracts/stored/technique';
import { detailIn, type TechniqueFile } from '../../../contracts/techniqueFile';
import { fold, standsOnItself } from '../../../core';
import { tentatively, type Transaction } from '../../../data/connection';
import { readLibrary } from '../../../data/queries/library';
import { rereadAll } from '../../../data/queries/sequences';
import { point, slip, technique } from '../../../data/tables';
import { pointRow, saveTechnique } from '../../commands/technique';
import { Refusal } from '../../http/problem';
import type { Who } from '../../who';
import { techniquesOut } from './out';
import { same, type Taking } from '../taking';

export async function takeTechniques({ tx, who, keep, lines, once, step }: Taking, { techniques }: Bundle) {
  const here = new Map(techniquesOut(await readLibrary(tx)).map((t) => [fold(t.name), t]));
  const rows = await tx.select({ id: technique.id, name: technique.name, retired: technique.retired }).from(technique);
  const idOf = new Map(rows.map((r) => [fold(r.name), r.id]));
  const retired = new Set(rows.filter((r) => r.retired).map((r) => r.id));
  const rowIds = new Set(rows.map((r) => r.id));
  const pointRows = await tx.select({ id: point.id, techniqueId: point.techniqueId, name: point.name }).from(point);
  const pointIds = new Map(pointRows.map((p) => [`${p.techniqueId} ${fold(p.name)}`, p.id]));
  const fresh: CommandInput<'technique.save'>[] = [];
  const inFile = new Set(techniques.map((t) => fold(t.name)));
  const written: TechniqueFile[] = [];
  for (const t of techniques) {
    step();
    const what = 'technique' as const;
    if (!once(what, t.name)) continue;
    if ([t.stance, t.step].some((n) => n !== null && fold(n) === fold(t.name))) {
      lines.push({ what, name: t.name, fate: 'refused', why: 'A technique cannot stand on itself.' });
      continue;
    }
    const missing = [t.stance, t.step, ...t.before].filter(
      (n): n is string => n !== null && !inFile.has(fold(n)) && !idOf.has(fold(n)),
    );
    if (missing.length > 0) {
      lines.push({ what, name: t.name, fate: 'refused', why: `It names ${missing.join(', ')}, which is nowhere.` });
      continue;
    }
    const known = here.get(fold(t.name));
    if (known && known.kind !== t.kind) {
      lines.push({
        what,
        name: t.name,
        fate: 'in conflict',
        why: `Here it is a ${known.kind}, in the file a ${t.kind}. Give one of them another name.`,
      });
      continue;
    }
    if (known && same(known, t)) {
      lines.push({ what, name: t.name, fate: 'the same', why: '' });
      continue;
    }
    if (known && keep === 'here') {
      lines.push({ what, name: t.name, fate: 'kept as here', why: 'The file has it otherwise.' });
      continue;
    }
    const id = idOf.get(fold(t.name)) ?? v7();
    idOf.set(fold(t.name), id);
    const points = t.points.map((p) => ({
      ...p,
      id: pointIds.get(`${id} ${fold(p.name)}`) ?? v7(),
      slips: p.slips.map((s) => ({ ...s, id: v7() })),
    }));
    const input = {
      id,
      name: t.name,
      kind: t.kind,
      summary: t.summary,
      sided: t.sided,
      // What they stand on may come later in the file.
      stanceId: null,
      stepId: null,
      points,
      detail: detailIn(t.detail, {
        pointId: (n) => points.find((x) => fold(x.name) === fold(n))?.id,
        prerequisites: [],
      }),
    };
    if (!rowIds.has(id)) {
      fresh.push(input);
      if (fresh.length >= AT_ONCE) await insertFresh(tx, who, fresh.splice(0));
      written.push(t);
      lines.push({ what, name: t.name, fate: 'new', why: '' });
      continue;
    }
    try {
      await tentatively(tx, () => saveTechnique(tx, who, input));
    } catch (e) {
      if (!(e instanceof Refusal)) throw e;
      lines.push({ what, name: t.name, fate: 'refused', why: e.message });
      continue;
    }
    written.push(t);
    const why = known ? changesOf(known, t) : retired.has(id) ? 'It was retired here and comes back.' : '';
    lines.push({ what, name: t.name, fate: known ? 'changed' : 'new', why });
  }
  await insertFresh(tx, who, fresh);
  const find = (n: string | null) => (n === null ? null : (idOf.get(fold(n)) ?? null));
  for (const t of written.filter(
    (x) => rowIds.has(find(x.name)!) || x.stance !== null || x.step !== null || x.before.length > 0,
  ))
    await tx
      .update(technique)
      .set({
        stanceId: find(t.stance),
        stepId: find(t.step),
        retired: false,
        detail: sql`jsonb_set(${technique.detail}, '{prerequisites}', ${JSON.stringify(t.before.flatMap((n) => find(n) ?? []))}::jsonb)`,
      })
      .where(eq(technique.id, find(t.name)!));
  const all = await tx
    .select({ id: technique.id, name: technique.name, stanceId: technique.stanceId, stepId: technique.stepId })
    .from(technique);
  const circle = written.length > 0 ? standsOnItself(all) : null;
  if (circle) {
    const names = circle.map((id) => all.find((x) => x.id === id)!.name);
    lines.push({
      what: 'technique',
      name: names[0]!,
      fate: 'refused',
      why: `${[...names, names[0]].join(' stands on ')}: nothing can stand on itself.`,
    });
    return;
  }
  if (written.length > 0) await rereadAll(tx);
}

const AT_ONCE = 200;

/** Techniques that nobody has yet, with their points and slips, many in one statement. */
async function insertFresh(tx: Transaction, who: Who, list: readonly CommandInput<'technique.save'>[]) {
  if (list.length === 0) return;
  const { schoolId, personId } = who;
  await tx.insert(technique).values(
    list.map(({ points, detail, ...own }) => {
      void points;
      return { schoolId, ...own, detail: detail ?? NO_DETAIL, changedBy: personId };
    }),
  );
  const points = list.flatMap((t) => t.points.map((p, i) => ({ schoolId, id: p.id, ...pointRow(t.id, i, p) })));
  for (let i = 0; i < points.length; i += 1000) await tx.insert(point).values(points.slice(i, i + 1000));
  const slips = list.flatMap((t) =>
    t.points.flatMap((p) => p.slips.map((s, position) => ({ schoolId, pointId: p.id, position, ...s }))),
  );
  for (let i = 0; i < slips.length; i += 1000) await tx.insert(slip).values(slips.slice(i, i + 1000));
}

/** Which fields differ, in a few words. */
function changesOf(was: TechniqueFile, now: TechniqueFile): string {
  const names = {
    summary: 'what it is',
    sided: 'sides',
    stance: 'stance',
    step: 'step',
    before: 'what comes before',
    points: 'points',
    detail: 'details',
  } as const;
  const keys = Object.keys(names) as (keyof typeof names)[];
  return `Other ${keys
    .filter((k) => !same(was[k], now[k]))
    .map((k) => names[k])
    .join(', ')}.`;
}
