import { itemKey, type Item } from '../syllabus/item';
import type { PlainDate } from '../units/plainDate';
import { UNIT, type Cycle, type CycleClass } from './model';

/** What is known of a class that was held: its blocks with the minutes they took, and what was noted as taught. */
export interface ClassRecord {
  id: string;
  day: PlainDate;
  taught: readonly Item[];
  /** Null: it was held without a plan. */
  blocks: readonly { items: readonly Item[]; minutes: number; skipped: boolean }[] | null;
}

/** The record of each class of a cycle that was held, by its id: its own, or another one of the same day. */
export function recordsOf(classes: readonly CycleClass[], records: readonly ClassRecord[]): Map<string, ClassRecord> {
  const own = new Map(records.map((r) => [r.id, r]));
  const ids = new Set(classes.map((c) => c.id));
  const others = records.filter((r) => !ids.has(r.id));
  const out = new Map<string, ClassRecord>();
  for (const c of classes) {
    const mine = own.get(c.id);
    if (mine) {
      out.set(c.id, mine);
      continue;
    }
    const at = others.findIndex((r) => r.day === c.day);
    if (at >= 0) out.set(c.id, others.splice(at, 1)[0]!);
  }
  return out;
}

/**
 * Minutes of each row that a class had, in the plan's steps: as its blocks took them, shared by the items of a block; of a
 * class held without a plan, what was planned of what was taught; where nothing was noted, all that was planned. What
 * somebody put right by hand counts before all of it.
 */
export function hadIn(cycle: Cycle, classId: string, record: ClassRecord | undefined): Map<string, number> {
  const out = new Map<string, number>();
  const cells = cycle.cells.filter((c) => c.class === classId && c.minutes > 0);
  const rowsOf = (item: Item) => cycle.rows.filter((r) => r.items.some((i) => itemKey(i.item) === itemKey(item)));
  const more = (row: string, minutes: number) => out.set(row, (out.get(row) ?? 0) + minutes);
  const blocks = record?.blocks?.filter((b) => b.items.length > 0) ?? [];
  if (blocks.length > 0) {
    for (const b of blocks) {
      if (b.skipped) continue;
      const shares = b.items.flatMap((item) => {
        // Of several rows with the same item the one that was planned for this class.
        const rows = rowsOf(item);
        const row = rows.find((r) => cells.some((c) => c.row === r.id)) ?? rows[0];
        return row ? [row.id] : [];
      });
      for (const row of shares) more(row, b.minutes / b.items.length);
    }
  } else if (record) {
    const taught = new Set(record.taught.map(itemKey));
    for (const c of cells) {
      const row = cycle.rows.find((r) => r.id === c.row);
      if (row && (taught.size === 0 || row.items.some((i) => taught.has(itemKey(i.item))))) more(c.row, c.minutes);
    }
  }
  for (const c of cycle.righted) if (c.class === classId) out.set(c.row, c.minutes);
  for (const [row, minutes] of out) {
    const whole = Math.round(minutes / UNIT) * UNIT;
    if (whole > 0) out.set(row, whole);
    else out.delete(row);
  }
  return out;
}

/** What of the weeks is over: how many classes, which were lost, and what the others had. */
export interface Past {
  from: number;
  lost: ReadonlySet<string>;
  had: (row: string, cls: string) => number;
}

/** A class is over on the day after, or once it was held. Whatever was not held of what is over is lost. */
export function pastOf(cycle: Cycle, records: ReadonlyMap<string, ClassRecord>, today: PlainDate): Past {
  let from = 0;
  while (
    from < cycle.classes.length &&
    (cycle.classes[from]!.day < today || (cycle.classes[from]!.day === today && records.has(cycle.classes[from]!.id)))
  )
    from += 1;
  // What was off from the beginning is no loss; what was planned and then fell out is.
  const planned = new Set(cycle.cells.flatMap((c) => (c.minutes > 0 ? [c.class] : [])));
  const lost = new Set(
    cycle.classes
      .slice(0, from)
      .flatMap((c) => (!records.has(c.id) && (c.off === null || planned.has(c.id)) ? [c.id] : [])),
  );
  const had = new Map(cycle.classes.slice(0, from).map((c) => [c.id, hadIn(cycle, c.id, records.get(c.id))]));
  return { from, lost, had: (row, cls) => had.get(cls)?.get(row) ?? 0 };
}
