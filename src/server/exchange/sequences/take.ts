import { eq } from 'drizzle-orm';
import { v7 } from 'uuid';
import type { Bundle } from '../../../contracts/stored/bundle';
import { fold, type Recipe, type Sequence } from '../../../core';
import { keptOf, readSequences, readVocabulary, recomputeAll, textOf } from '../../../data/queries/sequences';
import { sequence } from '../../../data/tables';
import { sequenceOut } from './out';
import { same, type Taking } from '../taking';

export async function takeSequences({ tx, who, keep, lines, once, step }: Taking, { sequences }: Bundle) {
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
