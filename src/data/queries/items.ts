import {
  familyOf,
  fold,
  footprint,
  fromTheGroundUp,
  itemKey,
  makeVocabulary,
  postContacts,
  sequencePoints,
  tally,
  traceFloor,
  zoneInName,
  ZONES,
  type Cell,
  type Group,
  type Item,
  type ItemFacts,
  type Point,
  type Sequence,
  type SequenceKind,
  type Syllabus,
  type TechniqueKind,
  type Vocabulary,
  type WorkFamily,
  type Body,
  type ActionKind,
  stancesIn,
  atTheHead,
  ceilingsKept,
  keptInWords,
  stancesOf,
  type SchoolStance,
} from '../../core';
import type { Transaction } from '../connection';
import type { Library } from './library';
import { readSequences, wordsOf, type SequenceRow } from './sequences';
import { newestOf, type Versions } from './syllabus';

/** Everything a syllabus can ask for: techniques and sequences, with what has to be known of them. */
export interface Items {
  sequences: ReadonlyMap<string, SequenceRow>;
  nameOf: (item: Item) => string;
  groupOf: (item: Item) => Group;
  kindOf: (item: Item) => TechniqueKind | SequenceKind;
  pointsOf: (item: Item) => readonly Point[];
  /** The points by which it is judged: of a sequence its counts and what it has of its own. */
  judgedBy: (item: Item) => readonly Point[];
  /** Whether one of them is its own, not inherited from a stance or a step. */
  isOwn: (item: Item, pointId: string) => boolean;
  /** A body of a stature in metres, for tracing what it does on a floor. */
  bodyOf: (stature: number) => Body;
  /** The school's own stances that a sequence stands in: whoever draws it takes them along. */
  stancesOf: (body: Sequence) => SchoolStance[];
  /** What whoever practises it keeps in mind of its techniques' ceilings. */
  keptOf: (item: Item) => string[];
  /** Points of the techniques done at each count of a sequence. */
  pointsAt: (sequenceId: string) => readonly (readonly Point[])[];
  /** The counts of a sequence at which a technique or stance is done, 1 the first. */
  countsWith: (sequenceId: string, techniqueId: string) => readonly number[];
  /** Whether left and right are looked at apart. */
  isSided: (item: Item) => boolean;
  /** By item key; undefined for what is not there. */
  factsOf: (key: string, item: Item) => ItemFacts | undefined;
}

const GROUP: Record<SequenceKind, Group> = {
  form: 'Forms',
  combination: 'Combinations',
  'equipment set': 'Equipment',
  'partner drill': 'Partner',
};
const FAMILY: Partial<Record<ActionKind, WorkFamily>> = {
  strike: 'strike',
  block: 'block',
  kick: 'kick',
  'weapon cut': 'cut',
};
/** The body for which room is reckoned: a usual grown stature. */
const STATURE = 1.7;

/** The counts of a part, as a sequence of its own. */
export function partOf(body: Sequence, item: Item): Sequence {
  if ('technique' in item || item.part === null) return body;
  return { ...body, moves: body.moves.slice(item.part.from - 1, item.part.to), closing: [] };
}

/** Reads the sequences beside a library and versions that were read already. What is costly is reckoned when it is asked for. */
export async function readItems(tx: Transaction, library: Library, versions: Versions): Promise<Items> {
  const sequences = new Map((await readSequences(tx)).map((r) => [r.id, r]));
  const { conditions } = versions;
  const vocabulary = makeVocabulary(wordsOf(library.techniques.values(), newestOf(versions)));
  const byName = new Map([...library.techniques.values()].map((t) => [fold(t.name), t]));
  const find = (name: string) => {
    const id = vocabulary.find(name)?.id;
    return (id === undefined ? undefined : library.techniques.get(id)) ?? byName.get(fold(name));
  };
  const conditionId = (name: string | undefined) =>
    conditions.find((c) => name !== undefined && fold(c.name) === fold(name))?.id ?? null;
  const techniqueOf = (id: string) => {
    let t = library.techniques.get(id);
    for (let i = 0; t?.mergedInto && i < 10; i++) t = library.techniques.get(t.mergedInto);
    return t;
  };
  const points = new Map<string, readonly Point[]>();
  const facts = new Map<string, ItemFacts | undefined>();
  const usedAt = new Map<string, ReadonlySet<string>[]>();

  /** Ids of the techniques and stances a sequence is made of, in both lanes. */
  const usedIn = (seq: Sequence): string[] => {
    const ids = new Set<string>();
    for (const m of seq.moves)
      for (const s of m.partner ? [m.step, m.partner] : [m.step])
        for (const name of [...s.actions.map((a) => a.name), ...(s.stance ? [s.stance, `${s.stance} stance`] : [])]) {
          const t = find(name);
          if (t) ids.add(t.id);
        }
    return [...ids];
  };
  const pointsOf = (item: Item): readonly Point[] => {
    if ('technique' in item) return library.pointsOf(techniqueOf(item.technique)?.id ?? '');
    const key = itemKey(item);
    let found = points.get(key);
    if (!found) {
      const row = sequences.get(item.sequence);
      const all = new Map<string, Point>();
      if (row) for (const id of usedIn(partOf(row.body, item))) for (const p of library.pointsOf(id)) all.set(p.id, p);
      points.set(key, (found = fromTheGroundUp([...all.values()])));
    }
    return found;
  };
  const judged = new Map<string, readonly Point[]>();
  const judgedBy = (item: Item): readonly Point[] => {
    if ('technique' in item) return pointsOf(item);
    const key = itemKey(item);
    let found = judged.get(key);
    if (!found) {
      const row = sequences.get(item.sequence);
      judged.set(key, (found = row ? sequencePoints(row.id, row.body, item.part) : []));
    }
    return found;
  };
  const nameOf = (item: Item): string => {
    if ('technique' in item) return techniqueOf(item.technique)?.name ?? 'a technique that is gone';
    const title = sequences.get(item.sequence)?.title ?? 'a sequence that is gone';
    if (item.part === null) return title;
    const { from, to, section } = item.part;
    return `${title}, ${section ?? (from === to ? `count ${from}` : `counts ${from} to ${to}`)}`;
  };

  function techniqueFacts(id: string, item: Item): ItemFacts | undefined {
    const t = techniqueOf(id);
    if (!t) return undefined;
    const family = t.kind === 'stance' || t.kind === 'step' || t.kind === 'turn' ? undefined : FAMILY[t.kind];
    const zone = t.detail.zone ?? zoneInName(t.name, vocabulary);
    const own = pointsOf(item);
    return {
      item,
      name: t.name,
      group: 'Basics',
      sided: t.sided,
      points: own.length,
      pointIds: own.map((p) => p.id),
      critical: own.filter((p) => p.critical).length,
      counts: 0,
      cells: family && zone ? (['left', 'right'] as const).map((side) => ({ family, zone, side })) : [],
      contents: [t.stanceId, t.stepId, ...t.detail.prerequisites].flatMap((x) => (x === null ? [] : [`t:${x}`])),
      ceiling: conditionId(t.detail.ceiling?.condition),
      landing: t.detail.ceiling?.kind ?? null,
      age: t.detail.ceiling?.age ?? null,
      equipment: t.kind === 'weapon cut' ? ['staff'] : [],
      weapon: t.kind === 'weapon cut',
      hardens: false,
      head: zone === 'upper' && (t.kind === 'strike' || t.kind === 'kick'),
      room: null,
      retired: t.retired,
    };
  }

  function sequenceFacts(id: string, item: Item): ItemFacts | undefined {
    const row = sequences.get(id);
    if (!row) return undefined;
    const seq = partOf(row.body, item);
    const used = usedIn(seq);
    const weapon = seq.moves.some((m) =>
      [m.step, m.partner].some((s) => s?.actions.some((a) => familyOf(a) === 'weapon')),
    );
    const post = seq.about.kind === 'equipment set' && postContacts(seq).length > 0;
    const pads = seq.about.kind === 'equipment set' && seq.moves.some((m) => m.step.cue ?? m.partner?.cue);
    const own = pointsOf(item);
    const ages = used.flatMap((x) => library.techniques.get(x)?.detail.ceiling?.age ?? []);
    const cells = cellsOf(seq);
    return {
      item,
      name: nameOf(item),
      group: GROUP[seq.about.kind],
      sided: false,
      points: own.length,
      pointIds: own.map((p) => p.id),
      critical: own.filter((p) => p.critical).length,
      counts: seq.moves.length,
      cells,
      contents: [...used.map((x) => `t:${x}`), ...(row.parentId === null ? [] : [`s:${row.parentId}`])],
      // The condition in its heading is how it is done, not how far it may go.
      ceiling: null,
      landing: null,
      age: ages.length > 0 ? Math.max(...ages) : null,
      equipment: [...(weapon ? ['staff'] : []), ...(post ? ['training post'] : []), ...(pads ? ['pads'] : [])],
      weapon,
      hardens: post,
      head:
        seq.about.contact !== null &&
        seq.moves.some((m) => [m.step, m.partner].some((s) => s?.actions.some(atTheHead))),
      room: roomOf(seq, vocabulary, weapon),
      retired: row.retired,
    };
  }

  const factsOf = (key: string, item: Item) => {
    if (!facts.has(key))
      facts.set(key, 'technique' in item ? techniqueFacts(item.technique, item) : sequenceFacts(item.sequence, item));
    return facts.get(key);
  };
  return {
    sequences,
    nameOf,
    groupOf: (item) =>
      'technique' in item ? 'Basics' : GROUP[sequences.get(item.sequence)?.body.about.kind ?? 'form'],
    kindOf: (item) =>
      'technique' in item
        ? (techniqueOf(item.technique)?.kind ?? 'strike')
        : (sequences.get(item.sequence)?.body.about.kind ?? 'form'),
    pointsOf,
    judgedBy,
    isOwn: (item, pointId) => !('technique' in item) || library.ownerOf.get(pointId)?.id === item.technique,
    stancesOf: (body) => stancesIn(body, stancesOf(vocabulary)),
    keptOf: (item) => {
      if ('technique' in item) {
        const t = techniqueOf(item.technique);
        return t ? keptInWords(t.name, t.detail.ceiling) : [];
      }
      const row = sequences.get(item.sequence);
      return row ? ceilingsKept(row.body, vocabulary) : [];
    },
    bodyOf: (stature) => ({
      stature,
      weapon: 0,
      stances: stancesOf(vocabulary),
    }),
    pointsAt: (id) =>
      (sequences.get(id)?.body.moves ?? []).map((m) => {
        const all = new Map<string, Point>();
        for (const used of usedIn({ about: sequences.get(id)!.body.about, moves: [m], closing: [] }))
          for (const p of library.pointsOf(used)) all.set(p.id, p);
        return fromTheGroundUp([...all.values()]);
      }),
    countsWith: (id, techniqueId) => {
      let used = usedAt.get(id);
      if (!used) {
        const row = sequences.get(id);
        used = (row?.body.moves ?? []).map((m) => new Set(usedIn({ about: row!.body.about, moves: [m], closing: [] })));
        usedAt.set(id, used);
      }
      return used.flatMap((at, i) => (at.has(techniqueId) ? [i + 1] : []));
    },
    isSided: (item) => 'technique' in item && (techniqueOf(item.technique)?.sided ?? false),
    factsOf,
  };
}

/** What a sequence trains: every family, height and side that occurs in lane A, or in B where A only calls. */
function cellsOf(seq: Sequence): Cell[] {
  const a = tally(seq);
  const t = a.cells.length === 0 ? tally(seq, 'B') : a;
  const out = new Map<string, Cell>();
  for (const c of t.cells) {
    const family = FAMILY[c.kind];
    if (!family || c.zone === null || !ZONES.includes(c.zone)) continue;
    for (const side of ['left', 'right'] as const)
      if (c[side] + c.both + c.none > 0) out.set(`${family} ${c.zone} ${side}`, { family, zone: c.zone, side });
  }
  return [...out.values()];
}

function roomOf(seq: Sequence, vocabulary: Vocabulary, armed: boolean): ItemFacts['room'] {
  if (seq.moves.length === 0) return null;
  const trace = traceFloor(seq, {
    stature: STATURE,
    weapon: armed ? STATURE * 1.05 : 0,
    stances: stancesOf(vocabulary),
  });
  const { width, depth } = footprint(trace);
  return { width, depth };
}

/** The facts of every item of a syllabus, by item key. */
export function factsFor(items: Items, s: Pick<Syllabus, 'threads'>): (key: string) => ItemFacts | undefined {
  const byKey = new Map(s.threads.map((t) => [itemKey(t.item), t.item]));
  return (key) => {
    const item = byKey.get(key);
    return item && items.factsOf(key, item);
  };
}
