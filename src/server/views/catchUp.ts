import { and, asc, gte, inArray, lte } from 'drizzle-orm';
import type { CatchUpItem, CatchUpView, ViewInput } from '../../contracts/views';
import { addDays, canHurt, contrastOf, itemKey, weekdayOf, type Block, type Cycle, type Item } from '../../core';
import type { Transaction } from '../../data/connection';
import { cycleOn, pastOfWeeks, readHeldClasses } from '../../data/queries/cycles';
import { countsOn } from '../../data/queries/syllabus';
import { classHeld, classPlan, school } from '../../data/tables';
import { nextGrading } from '../belief/gradings';
import { readJudging, type Judging } from '../judging/judging';
import type { Who } from '../who';

/** What a class did, in its order. */
interface Done {
  day: string;
  item: Item;
  conditionId: string | null;
}

const monday = (day: string) => addDays(day, -((weekdayOf(day) + 6) % 7));

/** "What did this week teach?", for those who were away. */
export async function catchUpView(tx: Transaction, who: Who, input: ViewInput<'catchUp'>): Promise<CatchUpView> {
  const from = monday(input.day ?? who.today);
  const to = addDays(from, 6);
  const j = await readJudging(tx, who.today);
  const held = await tx
    .select()
    .from(classHeld)
    .where(and(gte(classHeld.day, from), lte(classHeld.day, to)))
    .orderBy(asc(classHeld.day), asc(classHeld.openedAt), asc(classHeld.id));
  const ids = held.map((c) => c.id);
  const plans = ids.length === 0 ? [] : await tx.select().from(classPlan).where(inArray(classPlan.id, ids));
  const planOf = new Map(plans.map((p) => [p.id, p]));
  const done: Done[] = [];
  const notFit: CatchUpView['notFit'] = [];
  for (const c of held) {
    const p = planOf.get(c.id);
    const skipped = new Set(p?.run?.spent.filter((s) => s.skipped).map((s) => s.block) ?? []);
    for (const b of p?.plan.blocks ?? []) {
      if (skipped.has(b.id)) notFit.push({ day: c.day, name: b.name, how: b.how, why: 'skipped' });
      else for (const i of b.items) done.push({ day: c.day, ...i });
    }
    const planned = new Set(p?.plan.blocks.flatMap((b: Block) => b.items.map((i) => itemKey(i.item))) ?? []);
    for (const item of c.taught) if (!planned.has(itemKey(item))) done.push({ day: c.day, item, conditionId: null });
  }
  const weeks = await cycleOn(tx, from);
  if (weeks) notFit.push(...(await lostIn(tx, weeks.cycle, from, to, who.today)));
  const [{ name } = { name: '' }] = await tx.select({ name: school.name }).from(school);
  const test = weeks ? { name: weeks.cycle.name, day: weeks.day } : null;
  const grading = await nextGrading(tx, who.today);
  return {
    today: who.today,
    school: name,
    from,
    to,
    classes: (await readHeldClasses(tx, from, to)).map(({ day, minutes, people }) => ({ day, minutes, people })),
    items: itemsOf(j, done),
    notFit,
    test: test ?? (grading === null ? null : { name: 'The grading', day: grading }),
    belts: weeks ? await beltsOf(tx, j, weeks.cycle, who.today) : [],
  };
}

/** What was planned for classes of a week that were not held. */
async function lostIn(tx: Transaction, cycle: Cycle, from: string, to: string, today: string) {
  const { lost } = await pastOfWeeks(tx, cycle, today);
  return cycle.classes
    .filter((c) => c.day >= from && c.day <= to && lost.has(c.id))
    .flatMap((c) =>
      cycle.rows.flatMap((r): CatchUpView['notFit'] =>
        cycle.cells.some((x) => x.row === r.id && x.class === c.id && x.minutes > 0)
          ? [{ day: c.day, name: r.name, how: r.how, why: 'lost' }]
          : [],
      ),
    );
}

function itemsOf(j: Judging, done: readonly Done[]): CatchUpItem[] {
  const conditionName = new Map(j.versions.conditions.map((c) => [c.id, c]));
  const version = j.versions.read(countsOn(j.versions, j.today));
  const techniques = [...j.library.techniques.values()].filter((t) => !t.retired);
  const alike = techniques.map((t) => ({ id: t.id, kind: t.kind, points: j.library.pointsOf(t.id) }));
  const byItem = new Map<string, Done[]>();
  for (const d of done) byItem.set(itemKey(d.item), [...(byItem.get(itemKey(d.item)) ?? []), d]);
  return [...byItem].map(([key, list]): CatchUpItem => {
    const { item } = list[0]!;
    const conditions = [...new Set(list.flatMap((d) => d.conditionId ?? []))].flatMap(
      (id) => conditionName.get(id) ?? [],
    );
    const asked = version.requirements.filter((r) => itemKey(r.item) === key);
    const contrast =
      'technique' in item
        ? contrastOf(alike.find((a) => a.id === item.technique) ?? { id: '', kind: '', points: [] }, alike)
        : null;
    const partner = conditions.some((c) => c.partner) || j.items.groupOf(item) === 'Partner';
    return {
      name: j.items.nameOf(item),
      itemKey: key,
      days: [...new Set(list.map((d) => d.day))],
      conditions: conditions.map((c) => c.name),
      belts: version.ranks.filter((r) => asked.some((a) => a.rankId === r.id)).map((r) => r.name),
      points: j.items.pointsOf(item).map((p) => ({ name: p.name, cue: p.slips[0]?.cue ?? '', hurts: canHurt(p) })),
      contrast: contrast && {
        with: j.library.techniques.get(contrast.with)?.name ?? '',
        here: [...contrast.here],
        there: [...contrast.there],
      },
      alone: partner
        ? 'technique' in item
          ? 'Without a partner: in the air, slowly, the attack thought of; then both parts in turn.'
          : 'Without a partner: both parts in turn, said aloud, in the air.'
        : '',
    };
  });
}

/** What each belt has had of what it is asked, so far in these weeks. */
async function beltsOf(tx: Transaction, j: Judging, cycle: Cycle, today: string): Promise<CatchUpView['belts']> {
  const past = await pastOfWeeks(tx, cycle, today);
  const version = j.versions.read(countsOn(j.versions, j.today));
  return version.ranks
    .filter((r) => cycle.ranks.includes(r.id))
    .map((rank) => {
      const asked = new Set(version.requirements.filter((r) => r.rankId === rank.id).map((r) => itemKey(r.item)));
      const rows = cycle.rows.filter((r) => r.items.some((i) => asked.has(itemKey(i.item))));
      return {
        name: rank.name,
        rows: rows.map((r) => ({
          name: r.name,
          had: cycle.classes.slice(0, past.from).reduce((n, c) => n + past.had(r.id, c.id), 0),
          of: r.minutes,
        })),
      };
    });
}
