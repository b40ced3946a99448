import { v7 } from 'uuid';
import type { Bundle, BundleLine, ItemByName } from '../../../contracts/stored/bundle';
import {
  compareSyllabi,
  differenceInWords,
  fold,
  itemKey,
  type Item,
  type Need,
  type PlacedRequirement,
  type Syllabus,
  type Thread,
} from '../../../core';
import { readSequences } from '../../../data/queries/sequences';
import { openDraft, readNewest } from '../../../data/queries/syllabus';
import { technique } from '../../../data/tables';
import { readEditContext, wholeIsSound, writeDraft } from '../../commands/syllabus';
import type { Taking } from '../taking';

export async function takeSyllabus({ tx, who, keep, lines }: Taking, file: NonNullable<Bundle['syllabus']>) {
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
    const { purpose, stage, rung, critical, opens, standard } = r;
    const placed = { threadId: thread.id, rankId: rankHere, conditionId: conditionHere, purpose };
    return [{ id: known.get(twin(placed)) ?? v7(), ...placed, stage, rung, critical, opens, standard }];
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
    grading: file.grading,
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

const onlyOnceEach = (needs: readonly Need[]): Need[] => [
  ...new Map(needs.map((n) => [`${n.of} ${n.on}`, n])).values(),
];
