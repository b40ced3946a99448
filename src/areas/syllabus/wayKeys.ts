import type { EditInput } from '../../contracts/syllabus';
import { itemKey, type ItemFacts, type PlacedRequirement, type Syllabus } from '../../core';
import type { Grip, Place } from './WeaveRow';

/** What the hands on the way need to know of it. */
export interface Way {
  syllabus: Syllabus;
  /** From the lowest. */
  ranks: readonly { id: string; name: string }[];
  factsOf: (itemKey: string) => ItemFacts | undefined;
  nameOf: (threadId: string) => string;
  /** A test that is not there yet, as it would be asked. */
  newAt: (place: Place) => PlacedRequirement;
}
export interface Change {
  edits: EditInput[];
  says: string;
}
/** What a key does; `goes` is where the mark stands afterwards, if it moved. */
export type Stroke = { does: 'open' } | { does: 'undo' } | ({ does: 'change'; goes?: Place } & Change) | null;

export const requirementAt = (w: Pick<Way, 'syllabus' | 'ranks'>, p: Place): PlacedRequirement | undefined =>
  w.syllabus.requirements.find((r) => r.threadId === p.threadId && r.rankId === w.ranks[p.at]?.id);

/** A mark of a thread goes to another belt: where it begins, where it is tested, where it ends. Null: it cannot. */
export function movedTo(w: Way, threadId: string, grip: Grip, to: number): Change | null {
  const t = w.syllabus.threads.find((x) => x.id === threadId);
  const rank = w.ranks[to];
  if (!t || !rank) return null;
  const name = w.nameOf(threadId);
  if (grip === 'eye')
    return { edits: [{ op: 'thread.put', thread: { ...t, introduced: rank.id } }], says: `where ${name} begins` };
  if (grip === 'end') {
    const until = to === w.ranks.length - 1 ? null : rank.id;
    return { edits: [{ op: 'thread.put', thread: { ...t, until } }], says: `where ${name} ends` };
  }
  const from = w.ranks[Number(grip.slice('test '.length))];
  const moved = w.syllabus.requirements.filter((r) => r.threadId === threadId && r.rankId === from?.id);
  return {
    edits: moved.map((r) => ({ op: 'requirement.put' as const, requirement: { ...r, rankId: rank.id } })),
    says: `${name} tested for ${rank.name}`,
  };
}

/** What a key does at a place of the way. Null: nothing, and the key is left to the browser. */
export function strokeAt(
  w: Way,
  p: Place,
  k: { key: string; altKey: boolean; ctrlKey: boolean; metaKey: boolean },
  mayChange: boolean,
): Stroke {
  const { syllabus, ranks, factsOf } = w;
  const t = syllabus.threads.find((x) => x.id === p.threadId);
  if (!t) return null;
  const rank = ranks[p.at];
  if (k.key === 'Enter' || k.key === ' ') return { does: 'open' };
  if (!mayChange) return null;
  const name = w.nameOf(p.threadId);
  const key = k.key.toLowerCase();
  const change = (made: Change | null, goes?: Place): Stroke =>
    made && { does: 'change', ...made, ...(goes ? { goes } : {}) };
  if ((k.ctrlKey || k.metaKey) && key === 'z') return { does: 'undo' };
  if (k.ctrlKey || k.metaKey) return null;
  if (k.altKey && (key === 'arrowleft' || key === 'arrowright') && rank) {
    const to = p.at + (key === 'arrowright' ? 1 : -1);
    if (to < 0 || to >= ranks.length) return null;
    const grip = requirementAt(w, p)
      ? (`test ${p.at}` as const)
      : t.introduced === rank.id
        ? 'eye'
        : t.until === rank.id
          ? 'end'
          : null;
    return grip && change(movedTo(w, p.threadId, grip, to), { ...p, at: to });
  }
  if (k.altKey && (key === 'arrowup' || key === 'arrowdown')) {
    const group = factsOf(itemKey(t.item))?.group;
    const mates = syllabus.threads.filter((x) => factsOf(itemKey(x.item))?.group === group);
    const i = mates.findIndex((x) => x.id === t.id);
    if (key === 'arrowup' ? i === 0 : i === mates.length - 1) return null;
    const before = key === 'arrowup' ? mates[i - 1] : mates[i + 2];
    const edits: EditInput[] = [{ op: 'thread.place', id: t.id, before: before?.id ?? null }];
    return change({ edits, says: `${name} in another place` });
  }
  if (k.altKey) return null;
  if (key === 'i' && rank) return change(movedTo(w, p.threadId, 'eye', p.at));
  if (key === 'e' && rank) return change(movedTo(w, p.threadId, 'end', p.at));
  if (key === 't' && rank)
    return requirementAt(w, p)
      ? null
      : change({
          edits: [{ op: 'requirement.put', requirement: w.newAt(p) }],
          says: `${name} tested for ${rank.name}`,
        });
  if (key === 'delete' || key === 'backspace') {
    const there = syllabus.requirements.filter((r) => r.threadId === p.threadId && r.rankId === rank?.id);
    if (there.length > 0)
      return change({
        edits: there.map((r) => ({ op: 'requirement.remove' as const, id: r.id })),
        says: `${name} not tested for ${rank!.name}`,
      });
    if (rank && t.introduced === rank.id)
      return change({
        edits: [{ op: 'thread.put', thread: { ...t, introduced: null } }],
        says: `where ${name} begins`,
      });
  }
  return null;
}
