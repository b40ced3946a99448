import { eq, sql } from 'drizzle-orm';
import { v7 } from 'uuid';
import type { CommandInput, CommandName } from '../../contracts/commands';
import type { Bundle, BundleLine, BundleReport, ItemByName } from '../../contracts/stored/bundle';
import { NO_DETAIL } from '../../contracts/stored/technique';
import { type TechniqueFile, detailIn } from '../../contracts/techniqueFile';
import {
  compareSyllabi,
  differenceInWords,
  fold,
  itemKey,
  standsOnItself,
  type Item,
  type Need,
  type PlacedRequirement,
  type Recipe,
  type Sequence,
  type Syllabus,
  type Thread,
} from '../../core';
import { tentatively, type Transaction } from '../../data/connection';
import { keptOf, readSequences, readVocabulary, recomputeAll, rereadAll, textOf } from '../../data/queries/sequences';
import { openDraft, readNewest } from '../../data/queries/syllabus';
import { condition, point, rank, sequence, slip, technique } from '../../data/tables';
import { libraryView } from '../exchange/libraryOut';
import { sequenceOut } from '../exchange/sequenceOut';
import { Refusal } from '../http/problem';
import type { Who } from '../who';
import type { Runs } from './command';
import { inTurn } from './inTurn';
import { nextVersion } from './meanwhile';
import { readEditContext, wholeIsSound, writeDraft } from './syllabus';
import { pointRow, saveTechnique } from './technique';

type Mine = Extract<CommandName, `bundle.${string}`>;
type Keep = 'file' | 'here';

/** Takes everything back that was done; what was found out is kept. */
class TakeBack extends Error {
  constructor(readonly report: BundleReport) {
    super('taken back');
  }
}

export const bundleCommands: Runs<Mine> = {
  /**
   * Takes a school from a file: belts, conditions, techniques, sequences, and the syllabus as a draft. All or nothing:
   * one conflict or refusal takes everything back. A dry run does the same and takes it back in any case.
   */
  'bundle.import': async (tx, who, { bundle, keep, dry }) => {
    await inTurn(tx, who, 'library');
    await inTurn(tx, who, 'way');
    try {
      return await tentatively(tx, async () => {
        const lines = await takeBundle(tx, who, bundle, keep);
        const bad = lines.some((l) => l.fate === 'in conflict' || l.fate === 'refused');
        if (dry || bad) throw new TakeBack({ lines, done: false });
        return { lines, done: true } satisfies BundleReport;
      });
    } catch (e) {
      if (e instanceof TakeBack) return e.report;
      throw e;
    }
  },
};

async function takeBundle(tx: Transaction, who: Who, bundle: Bundle, keep: Keep): Promise<BundleLine[]> {
  const lines: BundleLine[] = [];
  const of = bundle.techniques.length + bundle.sequences.length + 1;
  let done = 0;
  const step = () => {
    if (who.watch?.stopped()) throw new Refusal(499, 'Stopped. Nothing was taken in.');
    who.watch?.progress((done += 1), of);
  };
  const twice = new Set<string>();
  const onlyOnce = (what: BundleLine['what'], name: string): boolean => {
    const key = `${what} ${fold(name)}`;
    if (twice.has(key)) {
      lines.push({ what, name, fate: 'in conflict', why: 'It stands in the file twice.' });
      return false;
    }
    twice.add(key);
    return true;
  };
  await takeBelts(tx, who, bundle, keep, lines, onlyOnce);
  await takeConditions(tx, who, bundle, keep, lines, onlyOnce);
  await takeTechniques(tx, who, bundle, keep, lines, onlyOnce, step);
  await takeSequences(tx, who, bundle, keep, lines, onlyOnce, step);
  if (bundle.syllabus) await takeSyllabus(tx, who, bundle.syllabus, keep, lines);
  step();
  return lines;
}

type Once = (what: BundleLine['what'], name: string) => boolean;
const same = (a: unknown, b: unknown) => stable(a) === stable(b);
/** The same text for the same thing, whatever the order of its keys. */
const stable = (x: unknown): string =>
  JSON.stringify(x, (_, v: unknown) =>
    typeof v === 'object' && v !== null && !Array.isArray(v)
      ? Object.fromEntries(Object.entries(v).sort(([a], [b]) => (a < b ? -1 : 1)))
      : v,
  );

async function takeBelts(tx: Transaction, who: Who, { ranks }: Bundle, keep: Keep, lines: BundleLine[], once: Once) {
  const here = await tx.select().from(rank).orderBy(rank.position);
  const byName = new Map(here.map((r) => [fold(r.name), r]));
  const order: string[] = [];
  for (const r of ranks) {
    if (!once('belt', r.name)) continue;
    const known = byName.get(fold(r.name));
    const id = known?.id ?? v7();
    order.push(id);
    if (!known) {
      await tx.insert(rank).values({ schoolId: who.schoolId, id, position: here.length + order.length, ...r });
      lines.push({ what: 'belt', name: r.name, fate: 'new', why: '' });
    } else if (same(known.cloth, r.cloth)) lines.push({ what: 'belt', name: r.name, fate: 'the same', why: '' });
    else if (keep === 'here') lines.push({ what: 'belt', name: r.name, fate: 'kept as here', why: 'Another cloth.' });
    else {
      await tx.update(rank).set({ cloth: r.cloth }).where(eq(rank.id, id));
      lines.push({ what: 'belt', name: r.name, fate: 'changed', why: 'Another cloth.' });
    }
  }
  // New belts stand among the known ones as in the file; belts only this school has keep their place above.
  if (order.some((id) => !here.some((r) => r.id === id))) {
    const all = [...order, ...here.map((r) => r.id).filter((id) => !order.includes(id))];
    for (const [position, id] of all.entries()) await tx.update(rank).set({ position }).where(eq(rank.id, id));
  }
}

async function takeConditions(
  tx: Transaction,
  who: Who,
  { conditions }: Bundle,
  keep: Keep,
  lines: BundleLine[],
  once: Once,
) {
  const what = 'condition' as const;
  const here = await tx.select().from(condition);
  const known = new Map(here.map((c) => [fold(c.name), c]));
  let position = here.length;
  for (const c of conditions) {
    const { name } = c;
    if (!once(what, name)) continue;
    const there = known.get(fold(name));
    if (!there) {
      await tx
        .insert(condition)
        .values({ schoolId: who.schoolId, id: v7(), position: position++, ...c, changedBy: who.personId });
      lines.push({ what, name, fate: 'new', why: '' });
      continue;
    }
    const facts = { partner: c.partner, gear: c.gear, home: c.home, attacker: c.attacker, defender: c.defender };
    const differs = (Object.keys(facts) as (keyof typeof facts)[]).some((k) => there[k] !== facts[k]);
    if (differs && keep === 'file')
      await tx
        .update(condition)
        .set({ ...facts, ...nextVersion(condition, who) })
        .where(eq(condition.id, there.id));
    lines.push(
      !differs
        ? { what, name, fate: 'the same', why: '' }
        : keep === 'file'
          ? { what, name, fate: 'changed', why: 'Other needs.' }
          : { what, name, fate: 'kept as here', why: 'The file has it otherwise.' },
    );
  }
}

async function takeTechniques(
  tx: Transaction,
  who: Who,
  { techniques }: Bundle,
  keep: Keep,
  lines: BundleLine[],
  once: Once,
  step: () => void,
) {
  const here = new Map((await libraryView(tx)).techniques.map((t) => [fold(t.name), t]));
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

async function takeSequences(
  tx: Transaction,
  who: Who,
  { sequences }: Bundle,
  keep: Keep,
  lines: BundleLine[],
  once: Once,
  step: () => void,
) {
  const what = 'sequence' as const;
  const rows = await readSequences(tx);
  const titles = new Map(rows.map((r) => [r.id, r.title]));
  const here = new Map(rows.map((r) => [fold(r.title), r]));
  const idOf = new Map(rows.map((r) => [fold(r.title), r.id]));
  const vocabulary = await readVocabulary(tx);
  // Parents before their children; what waits for nobody in the file comes as it stands.
  const waiting = new Map(sequences.filter((s) => once(what, s.title)).map((s) => [fold(s.title), s]));
  const taken = new Set<string>();
  const needs = (s: Bundle['sequences'][number]) => [
    ...(s.from === null ? [] : [s.from]),
    ...(s.recipe ?? []).flatMap((o) => (o.op === 'chain' ? [o.with] : o.op === 'new head' ? [o.head] : [])),
  ];
  let any = false;
  for (;;) {
    const free = [...waiting].filter(([, s]) =>
      needs(s).every((n) => taken.has(fold(n)) || (!waiting.has(fold(n)) && here.has(fold(n)))),
    );
    if (free.length === 0) break;
    for (const [key, s] of free) {
      step();
      waiting.delete(key);
      taken.add(key);
      const known = here.get(key);
      const out = known && sequenceOut(known, (id) => titles.get(id) ?? '');
      if (known && !known.retired && same(out, s)) {
        lines.push({ what, name: s.title, fate: 'the same', why: '' });
        continue;
      }
      if (known && keep === 'here') {
        lines.push({ what, name: s.title, fate: 'kept as here', why: 'The file has it otherwise.' });
        continue;
      }
      const id = known?.id ?? v7();
      idOf.set(key, id);
      const find = (n: string) => idOf.get(fold(n))!;
      const body = { ...s.body, about: { ...s.body.about, title: s.title } } as Sequence;
      const recipe =
        (s.recipe?.map((o) =>
          o.op === 'chain' ? { ...o, with: find(o.with) } : o.op === 'new head' ? { ...o, head: find(o.head) } : o,
        ) as Recipe | undefined) ?? null;
      const row = {
        title: s.title,
        ...keptOf(body),
        text: textOf(body, vocabulary),
        problems: 0,
        parentId: s.from === null ? null : find(s.from),
        recipe: s.from === null ? null : recipe,
        departures: s.departures as never,
        retired: false,
        changedBy: who.personId,
        changedAt: new Date(),
      };
      if (known)
        await tx
          .update(sequence)
          .set({ ...row, version: known.version + 1 })
          .where(eq(sequence.id, id));
      else await tx.insert(sequence).values({ schoolId: who.schoolId, id, ...row });
      any = true;
      lines.push({
        what,
        name: s.title,
        fate: known ? 'changed' : 'new',
        why: known ? `${known.body.moves.length} counts here, ${body.moves.length} in the file.` : '',
      });
    }
  }
  for (const s of waiting.values()) {
    const missing = needs(s).filter((n) => !waiting.has(fold(n)) && !here.has(fold(n)) && !taken.has(fold(n)));
    const why =
      missing.length > 0
        ? `It comes from ${missing.join(', ')}, which is nowhere.`
        : `It comes from what comes from itself: ${needs(s).join(', ')}.`;
    lines.push({ what, name: s.title, fate: 'refused', why });
  }
  if (any) await recomputeAll(tx, vocabulary);
}

const onlyOnceEach = (needs: readonly Need[]): Need[] => [
  ...new Map(needs.map((n) => [`${n.of} ${n.on}`, n])).values(),
];

async function takeSyllabus(
  tx: Transaction,
  who: Who,
  file: NonNullable<Bundle['syllabus']>,
  keep: Keep,
  lines: BundleLine[],
) {
  const what = 'syllabus' as const;
  const now = await readNewest(tx);
  const line = (fate: BundleLine['fate'], name: string, why: string) => lines.push({ what, name, fate, why });
  if (keep === 'here' && now.body.threads.length > 0) {
    line('kept as here', 'The way', 'The file’s is left aside.');
    return;
  }
  const techniques = await tx.select({ id: technique.id, name: technique.name }).from(technique);
  const rows = await readSequences(tx);
  const byName = <T extends { id: string }>(list: readonly T[], name: (x: T) => string) =>
    new Map(list.map((x) => [fold(name(x)), x]));
  const techniqueOf = byName(techniques, (t) => t.name);
  const sequenceOf = byName(rows, (r) => r.title);
  const rankOf = byName(now.ranks, (r) => r.name);
  const conditionOf = byName(now.conditions, (c) => c.name);
  let sound = true;
  const refuse = (name: string, why: string) => {
    sound = false;
    line('refused', name, why);
  };
  const said = (i: ItemByName) => ('technique' in i ? i.technique : i.sequence);
  const itemOf = (i: ItemByName): Item | null => {
    if ('technique' in i) {
      const t = techniqueOf.get(fold(i.technique));
      return t ? { technique: t.id } : null;
    }
    const s = sequenceOf.get(fold(i.sequence));
    if (!s || (i.part && i.part.to > s.body.moves.length)) return null;
    return { sequence: s.id, part: i.part };
  };
  const rankId = (name: string | null, of: string): string | null => {
    if (name === null) return null;
    const id = rankOf.get(fold(name))?.id;
    if (id === undefined) refuse(of, `There is no belt called ${name}.`);
    return id ?? null;
  };
  const before = new Map(now.body.threads.map((t) => [itemKey(t.item), t.id]));
  const threads = new Map<string, Thread>();
  for (const i of file.items) {
    const item = itemOf(i.item);
    if (!item) {
      refuse(said(i.item), 'It is neither in the library nor in the file, or the part ends after the last count.');
      continue;
    }
    const key = itemKey(item);
    if (threads.has(key)) refuse(said(i.item), 'It has two threads in the file.');
    const introduced = rankId(i.introduced, said(i.item));
    const until = rankId(i.until, said(i.item));
    threads.set(key, { id: before.get(key) ?? v7(), item, introduced, until, informal: i.informal });
  }
  const threadOf = (i: ItemByName) => {
    const item = itemOf(i);
    return item ? threads.get(itemKey(item)) : undefined;
  };
  const needs = onlyOnceEach(
    file.items.flatMap((i) => {
      const of = threadOf(i.item);
      return i.needs.flatMap((n) => {
        const on = threadOf(n);
        if (of && !on) refuse(said(i.item), `It needs ${said(n)}, which is not on the way.`);
        return of && on ? [{ of: of.id, on: on.id }] : [];
      });
    }),
  );
  const twin = (r: Pick<PlacedRequirement, 'threadId' | 'rankId' | 'conditionId' | 'purpose'>) =>
    `${r.threadId} ${r.rankId} ${r.conditionId} ${r.purpose ?? ''}`;
  const known = new Map(now.body.requirements.map((r) => [twin(r), r.id]));
  const requirements = file.requirements.flatMap((r): PlacedRequirement[] => {
    const thread = threadOf(r.item);
    const rankHere = rankId(r.rank, said(r.item));
    const conditionHere = conditionOf.get(fold(r.condition))?.id;
    if (!thread) refuse(said(r.item), 'It is asked for and is not on the way.');
    if (conditionHere === undefined) refuse(said(r.item), `There is no condition called ${r.condition}.`);
    if (!thread || rankHere === null || conditionHere === undefined) return [];
    const { purpose, stage, rung, critical, standard } = r;
    const placed = { threadId: thread.id, rankId: rankHere, conditionId: conditionHere, purpose };
    return [{ id: known.get(twin(placed)) ?? v7(), ...placed, stage, rung, critical, standard }];
  });
  const gateId = new Map(now.body.gates.map((g) => [`${g.rankId} ${g.kind}`, g.id]));
  const gates = file.gates.flatMap((g) => {
    const id = rankId(g.rank, `A gate of ${g.kind}`);
    return id === null
      ? []
      : [{ id: gateId.get(`${id} ${g.kind}`) ?? v7(), rankId: id, kind: g.kind, amount: g.amount }];
  });
  const order = file.order.flatMap((o) => {
    const [easier, harder] = [conditionOf.get(fold(o.easier))?.id, conditionOf.get(fold(o.harder))?.id];
    if (easier === undefined || harder === undefined)
      refuse('The order of conditions', `It names ${easier ? o.harder : o.easier}, which is no condition.`);
    return easier !== undefined && harder !== undefined ? [{ easier, harder }] : [];
  });
  const promotions = Object.fromEntries(
    Object.entries(file.promotions).flatMap(([name, p]) => {
      const id = rankId(name, 'How a belt is given');
      return id === null ? [] : [[id, p]];
    }),
  );
  if (!sound) return;
  const body: Syllabus = {
    threads: [...threads.values()],
    requirements,
    gates,
    needs,
    order,
    standards: file.standards,
    promotions,
    limits: file.limits,
    waivers: now.body.waivers,
  };
  const context = await readEditContext(tx, body);
  const wrong = wholeIsSound(body, context);
  if (wrong) {
    line('refused', 'The way', wrong);
    return;
  }
  const all = new Map([...now.body.threads, ...body.threads].map((t) => [t.id, t.item]));
  const names = new Map([...techniques, ...rows.map((r) => ({ id: r.id, name: r.title }))].map((x) => [x.id, x.name]));
  const differences = compareSyllabi(now.body, body, {
    ranks: now.ranks,
    item: (id) => {
      const item = all.get(id);
      return (item && names.get('technique' in item ? item.technique : item.sequence)) ?? '';
    },
    condition: (id) => now.conditions.find((c) => c.id === id)?.name ?? '',
  });
  if (differences.length === 0) {
    line('the same', 'The way', '');
    return;
  }
  const draft = await openDraft(tx, who.schoolId, v7);
  await writeDraft(tx, who, draft, body);
  const fate = now.body.threads.length === 0 ? 'new' : 'changed';
  line(
    fate,
    'The way',
    `${requirements.length} requirements, as a draft. ${
      fate === 'new'
        ? ''
        : differences
            .slice(0, 3)
            .map((d) => `${differenceInWords(d)}.`)
            .join(' ')
    }${differences.length > 3 && fate !== 'new' ? ` And ${differences.length - 3} more.` : ''}`.trim(),
  );
}
