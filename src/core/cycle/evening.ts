import { itemKey } from '../syllabus/item';
import { BLOCK_KINDS, EMPTY_BLOCK, type Block, type ClassPlan } from '../tonight/plan';
import type { PlainDate } from '../units/plainDate';
import { countOf } from '../words/speak';
import type { Past } from './held';
import { UNIT, type Cycle, type CycleRow } from './model';
import { gridNow } from './plan';

/** A row and its minutes, on the way through an evening. */
interface Piece {
  row: CycleRow;
  minutes: number;
}

const HOW = { introduced: 'New tonight: show it whole, then by counts.', sides: 'a side' } as const;

/** Of opening and close together the close takes a quarter, and five minutes at most. */
const closeOf = (frame: number) => (frame === 0 ? 0 : Math.min(5, Math.max(1, Math.round(frame / 4))));

/**
 * An evening as the cycle planned it: opening, what is for all, what groups do at the same time, close. The blocks' minutes
 * are those of the cells; what the class has beyond them stays free. Null: the cycle has no such class.
 */
export function eveningOf(
  cycle: Cycle,
  classId: string,
  newId: () => string,
  isSided: (row: CycleRow) => boolean = () => false,
): ClassPlan | null {
  const at = cycle.classes.find((c) => c.id === classId);
  if (!at) return null;
  const place = new Map(cycle.classes.map((c, k) => [c.id, k]));
  const pieces = cycle.rows
    .flatMap((row): Piece[] => {
      const cell = cycle.cells.find((c) => c.row === row.id && c.class === classId);
      return cell && cell.minutes > 0 ? [{ row, minutes: cell.minutes }] : [];
    })
    .sort((a, b) => BLOCK_KINDS.indexOf(a.row.kind) - BLOCK_KINDS.indexOf(b.row.kind));
  const isFirst = (row: CycleRow) =>
    row.fresh &&
    !cycle.cells.some((c) => c.row === row.id && c.minutes > 0 && place.get(c.class)! < place.get(classId)!);
  const blockOf = ({ row, minutes }: Piece): Block => ({
    ...EMPTY_BLOCK,
    id: newId(),
    name: row.name,
    kind: row.kind,
    minutes,
    items: row.items,
    how: [
      isFirst(row) ? HOW.introduced : '',
      row.how,
      isSided(row) ? `${countOf(Math.floor(minutes / 2), 'minute')} ${HOW.sides}.` : '',
    ]
      .filter((t) => t !== '')
      .join(' '),
    things: row.things,
    caution: row.caution,
    pairs: row.pairs,
  });
  const frame = at.frame ?? cycle.rules.frame;
  const close = closeOf(frame);
  const blocks: Block[] = [];
  if (frame - close > 0)
    blocks.push({
      ...EMPTY_BLOCK,
      id: newId(),
      name: 'Opening',
      kind: 'opening',
      minutes: frame - close,
      pinned: true,
    });
  const together = pieces.filter((p) => p.row.group === null || cycle.groups.length < 2);
  blocks.push(...together.map(blockOf));
  if (at.guest && at.guest.minutes > 0)
    blocks.push({
      ...EMPTY_BLOCK,
      id: newId(),
      name: at.guest.name,
      kind: 'other',
      minutes: at.guest.minutes,
      pinned: true,
    });
  blocks.push(
    ...apart(
      cycle,
      pieces.filter((p) => !together.includes(p)),
      blockOf,
      newId,
    ),
  );
  if (close > 0)
    blocks.push({ ...EMPTY_BLOCK, id: newId(), name: 'Close', kind: 'close', minutes: close, pinned: true });
  return { starts: at.starts, minutes: at.minutes, blocks };
}

/** What groups do at the same time: a block ends where any of them changes, and says who does what. */
function apart(cycle: Cycle, pieces: readonly Piece[], blockOf: (p: Piece) => Block, newId: () => string): Block[] {
  const lanes = cycle.groups.map((name, g) => ({ name, list: pieces.filter((p) => p.row.group === g) }));
  const ends = lanes.map((l) => {
    let n = 0;
    return l.list.map((p) => ({ p, from: n, to: (n += p.minutes) }));
  });
  const cuts = [...new Set(ends.flatMap((l) => l.map((x) => x.to)))].sort((a, b) => a - b);
  let from = 0;
  return cuts.map((to): Block => {
    const here = ends.flatMap((l, g) => l.filter((x) => x.from < to && x.to > from).map((x) => ({ g, p: x.p })));
    const minutes = to - from;
    from = to;
    const own = here.map((x) => blockOf({ ...x.p, minutes }));
    const first = own[0]!;
    const who = here.map((x) => `${lanes[x.g]!.name}: ${x.p.row.name}`).join('; ');
    return {
      ...first,
      id: newId(),
      name: own
        .map((b) => b.name)
        .join(' · ')
        .slice(0, 120),
      minutes,
      items: [
        ...new Map(
          own.flatMap((b) => b.items.map((i) => [`${itemKey(i.item)} ${i.conditionId}`, i] as const)),
        ).values(),
      ].slice(0, 20),
      how: own
        .map((b) => b.how)
        .filter((t) => t !== '')
        .join(' ')
        .slice(0, 600),
      who: `${who}.`.slice(0, 300),
      things: [...new Set(own.map((b) => b.things).filter((t) => t !== ''))].join(', ').slice(0, 200),
      caution: [...new Set(own.map((b) => b.caution).filter((t) => t !== ''))].join(' ').slice(0, 400),
      pairs: own.find((b) => b.pairs !== null)?.pairs ?? null,
    };
  });
}

/** What an evening needs of a cycle: its classes of that day, the rows that are in them, and what each is short of. */
export interface CycleOfDay {
  cycle: Cycle;
  /** Minutes by row. */
  short: Readonly<Record<string, number>>;
}

/** The classes of a day out of a cycle, small enough to be taken to the mat; null: it has none then. */
export function cycleOfDay(cycle: Cycle, past: Past, day: PlainDate): CycleOfDay | null {
  const classes = cycle.classes.filter((c) => c.day === day && c.off === null);
  if (classes.length === 0) return null;
  const ids = new Set(classes.map((c) => c.id));
  const cells = cycle.cells.filter((c) => ids.has(c.class) && c.minutes > 0);
  const here = new Set(cells.map((c) => c.row));
  const grid = gridNow(cycle, past);
  const earlier = cycle.classes.flatMap((c, k) => (c.day < day ? [k] : []));
  const short: Record<string, number> = {};
  const rows = cycle.rows.flatMap((r, i) => {
    if (!here.has(r.id)) return [];
    short[r.id] = Math.max(0, r.minutes - grid[i]!.reduce((n, x) => n + x, 0) * UNIT);
    // What was begun before is new to nobody.
    return [{ ...r, fresh: r.fresh && earlier.every((k) => grid[i]![k] === 0), opens: [] }];
  });
  return { cycle: { ...cycle, classes, rows, cells, righted: [], weekly: [], before: null }, short };
}

/** By how many minutes the rows of a block are short in the cycle; 0 where it has none of them. */
export const shortOfBlock = (of: CycleOfDay | null, block: Pick<Block, 'items'>): number =>
  Math.max(
    0,
    ...(of?.cycle.rows ?? [])
      .filter((r) => r.items.some((a) => block.items.some((b) => itemKey(a.item) === itemKey(b.item))))
      .map((r) => of!.short[r.id] ?? 0),
  );
