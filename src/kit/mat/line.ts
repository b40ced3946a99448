import type { LookKitView } from '../../contracts/views';
import { SIDES, type ConditionOrder, type Group, type LookWorth, type Point, type Range } from '../../core';

export type KitStudent = LookKitView['students'][number];
export type KitTechnique = LookKitView['techniques'][number];
export type KitPoint = KitTechnique['points'][number];
export type KitSequence = LookKitView['sequences'][number];

/** What a device remembers of today's line: who is here, in which order, and the class it belongs to. */
export interface Line {
  day: string;
  present: string[];
  /** Set by hand: those it does not name stand behind, by belt. Null: by belt. */
  order: string[] | null;
  /** When somebody came after the class was noted, as hours and minutes. */
  late: Record<string, string>;
  /** When somebody left before the end. */
  left: Record<string, string>;
  flipped: boolean;
  leftHanded: boolean;
  classId: string | null;
  /** When it was opened on this device; null: another one did, or none is open. */
  openedAt: string | null;
  /** Minutes that were typed for it; null: as it was noted, or as usual. */
  minutes: number | null;
  /** Who was taken off the line again after the class was noted. */
  gone: string[];
  /** What tonight shows; null: everything. */
  plan: Group[] | null;
  /** The very items tonight is about, by key; none: all of the plan's groups. */
  items: string[];
  /** What was looked at tonight, so that it is not offered again. */
  done: string[];
}

const KEY = 'stavewright-line';
const ORDER_KEY = 'stavewright-order';
/** Whoever the order does not name stands behind those it does. */
const LAST = 1e9;

export const freshLine = (day: string, leftHanded = false): Line => ({
  day,
  present: [],
  order: null,
  late: {},
  left: {},
  flipped: false,
  leftHanded,
  classId: null,
  openedAt: null,
  minutes: null,
  gone: [],
  plan: null,
  items: [],
  done: [],
});

/** Another set of people on the line. Once the class is noted, whoever goes is taken out of it, and whoever comes back is not. */
export const standing = (line: Line, present: readonly string[]): Pick<Line, 'present' | 'gone'> => {
  const here = new Set(present);
  const left = line.classId === null ? [] : line.present;
  return { present: [...present], gone: [...new Set([...line.gone, ...left])].filter((id) => !here.has(id)) };
};

/** The line with those whom other devices have noted in the same class meanwhile. */
export function withTheOthers(kit: Pick<LookKitView, 'classes'>, line: Line): Line {
  const noted = kit.classes.find((c) => c.id === line.classId)?.present ?? [];
  const known = new Set([...line.present, ...line.gone]);
  return { ...line, present: [...line.present, ...noted.filter((id) => !known.has(id))] };
}

/** The line of a day; another day begins empty, only the hand is remembered. */
export function readLine(day: string): Line {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? 'null') as Partial<Line> | null;
    if (kept?.day === day) return { ...freshLine(day), ...kept };
    return freshLine(day, kept?.leftHanded);
  } catch {
    return freshLine(day);
  }
}

export function keepLine(line: Line): void {
  try {
    localStorage.setItem(KEY, JSON.stringify(line));
    if (line.order) localStorage.setItem(ORDER_KEY, JSON.stringify(line.order));
  } catch {
    // Without room the line is only not remembered; marks are kept elsewhere and say so themselves.
  }
}

/**
 * How those who are here stood last time: as it was set on this device, or as a class was noted by whoever held it; the
 * one that knows most of those present, the newest of such. Null where nobody's place is known.
 */
export function lastOrder(stood: readonly (readonly string[])[], present: readonly string[]): string[] | null {
  let own: string[] | null = null;
  try {
    own = JSON.parse(localStorage.getItem(ORDER_KEY) ?? 'null') as string[] | null;
  } catch {
    // What cannot be read was never set.
  }
  const here = new Set(present);
  let best: readonly string[] | null = null;
  let most = 0;
  for (const order of own ? [own, ...stood] : stood) {
    const known = order.filter((id) => here.has(id)).length;
    if (known > most) [best, most] = [order, known];
  }
  return best && [...best];
}

/** Those present as they stand: as set by hand, else highest belt at the door, then by name; the other way round where flipped. */
export function lineUp(kit: Pick<LookKitView, 'ranks' | 'students'>, line: Line): KitStudent[] {
  const place = new Map(kit.ranks.map((r, i) => [r.id, i]));
  const set = new Map((line.order ?? []).map((id, i) => [id, i]));
  const here = kit.students.filter((s) => line.present.includes(s.id));
  here.sort(
    (a, b) =>
      (set.get(a.id) ?? LAST) - (set.get(b.id) ?? LAST) ||
      place.get(b.rankId)! - place.get(a.rankId)! ||
      a.name.localeCompare(b.name),
  );
  return line.flipped ? here.reverse() : here;
}

/** Given name large, the rest small. */
export function nameParts(name: string): [string, string] {
  const at = name.indexOf(' ');
  return at < 0 ? [name, ''] : [name.slice(0, at), name.slice(at + 1)];
}

/** An item that can be looked at: a technique, a sequence, or a part of one that a belt asks for. */
export interface KitItem {
  key: string;
  name: string;
  group: string;
  technique: KitTechnique | null;
  sequence: KitSequence | null;
  part: { from: number; to: number } | null;
}

/** All items of the kit, techniques by kind and sequences by kind. */
export function itemsOf(kit: LookKitView): KitItem[] {
  const techniques = kit.techniques.map((technique): KitItem => ({
    key: `t:${technique.id}`,
    name: technique.name,
    group: technique.kind,
    technique,
    sequence: null,
    part: null,
  }));
  const sequences = kit.sequences.flatMap((sequence): KitItem[] => {
    const whole: KitItem = {
      key: `s:${sequence.id}`,
      name: sequence.title,
      group: sequence.kind,
      technique: null,
      sequence,
      part: null,
    };
    const parts = new Map<string, KitItem>();
    for (const a of kit.asked)
      if (a.sequenceId === sequence.id && a.part)
        parts.set(a.itemKey, { ...whole, key: a.itemKey, name: a.name, part: { from: a.part.from, to: a.part.to } });
    return [whole, ...parts.values()];
  });
  return [...techniques, ...sequences];
}

/** The order of conditions by which each student is judged. */
export function ordersOfKit(kit: LookKitView): (studentId: string) => ConditionOrder {
  const orders = new Map(
    Object.entries(kit.beyond).map(([version, beyond]) => [
      version,
      new Map(Object.entries(beyond).map(([c, above]) => [c, new Set(above)])),
    ]),
  );
  const follows = new Map(kit.students.map((s) => [s.id, s.follows]));
  return (id) => orders.get(follows.get(id) ?? '') ?? new Map<string, never>();
}

const HURTING: Point['slips'] = [{ id: '', looksLike: '', cause: '', cue: '', hurts: 'self', hurtsHow: '' }];

/** What the kit says of the worth of looks, as the core takes it, with the reason beside each. */
export const worthsOfKit = (kit: LookKitView): (LookWorth & { reason: string })[] => {
  const points = new Map(
    Object.entries(kit.points).map(([key, list]) => [
      key,
      list.map((p): Point => ({
        id: p.id,
        name: p.name,
        kind: p.kind,
        how: '',
        why: '',
        bodyPart: 'feet',
        critical: false,
        unit: null,
        accepted: null,
        wanted: null,
        measuredBy: null,
        slips: p.hurts ? HURTING : [],
      })),
    ]),
  );
  return kit.students.flatMap((s) =>
    s.worths.flatMap(({ r, points: told, ...w }) => {
      const asked = kit.requirements[r];
      if (!asked) return [];
      const { id, itemKey, conditionId, seconds } = asked;
      const of = points.get(itemKey) ?? [];
      return [
        {
          ...w,
          studentId: s.id,
          requirementId: id,
          itemKey,
          conditionId,
          seconds,
          points: Array.from({ length: told.length / 4 }, (_, i) => ({
            point: of[told[4 * i]!]!,
            side: SIDES[told[4 * i + 1]!]!,
            gain: told[4 * i + 2]! / 1000,
            stands: told[4 * i + 3]! / 1000,
          })),
        },
      ];
    }),
  );
};

/** Whether tonight shows an item: it is one of those the evening is about, or of a group that is shown. */
export const isTonight = (line: Pick<Line, 'plan' | 'items'>, key: string, group: Group): boolean =>
  line.items.length > 0 ? line.items.includes(key) : line.plan === null || line.plan.includes(group);

/** What was planned or looked at tonight counts as taught: those who were away find it on their list. */
export function taughtTonight(items: readonly KitItem[], line: Pick<Line, 'items' | 'done'>) {
  const keys = new Set([...line.items, ...line.done.flatMap((d) => d.split(' ').filter((x) => /^[ts]:/.test(x)))]);
  return items
    .filter((i) => keys.has(i.key))
    .map((i) =>
      i.technique
        ? { technique: i.technique.id }
        : { sequence: i.sequence!.id, part: i.part ? { ...i.part, section: null } : null },
    );
}

/** The range that counts for somebody: their own where it was adapted. */
export const rangeFor = (point: KitPoint, student: KitStudent | undefined): Range | null =>
  student?.adapted[point.id]?.range ?? point.accepted;
