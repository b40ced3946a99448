import {
  DndContext,
  KeyboardSensor,
  PointerSensor,
  pointerWithin,
  useDroppable,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
} from '@dnd-kit/core';
import { useMemo, useState, type KeyboardEvent, type MouseEvent } from 'react';
import type { SyllabusView } from '../../contracts/views';
import {
  GROUPS,
  itemKey,
  lifeOf,
  loadOf,
  orderOf,
  type Group,
  type ItemFacts,
  type RankLoad,
  type Syllabus,
  type SyllabusFinding,
} from '../../core';
import { Belt } from '../../kit/marks/Belt';
import { roving } from '../../kit/roving';
import { GROUP_ROW, NAMES, ROW } from './drawing';
import { Laths, Ring } from './small';
import { cellId, NO_RINGS, Row, type Grip, type Place, type RowShown } from './WeaveRow';
import './Weave.css';

/** What hangs together: from what is needed to what needs it, at the belt that asks for it. */
export interface Tie {
  from: string;
  to: string;
  rankId: string | null;
}

const GROUP_WORDS: Record<Group, string> = {
  Basics: 'Basics',
  Forms: 'Forms',
  Combinations: 'Combinations',
  Equipment: 'Equipment',
  Partner: 'Partner',
};

/** The way as cloth: ranks across, work down, each item's life as a thread. Marks are dragged along it, or moved by keys. */
export function Cloth({
  view,
  syllabus,
  factsOf,
  findings,
  column,
  place,
  ties,
  changed,
  mayChange,
  onPlace,
  onRank,
  onOpen,
  onMove,
  onKey,
}: {
  view: Pick<SyllabusView, 'ranks' | 'conditions'>;
  syllabus: Syllabus;
  factsOf: (key: string) => ItemFacts | undefined;
  findings: readonly SyllabusFinding[];
  column: number;
  place: Place | null;
  /** Items that hang together, drawn while they are looked at. */
  ties: readonly Tie[];
  changed: ReadonlySet<string>;
  mayChange: boolean;
  onPlace: (place: Place) => void;
  onRank: (rankId: string) => void;
  onOpen: (place: Place) => void;
  onMove: (threadId: string, grip: Grip, to: number) => void;
  onKey: (e: KeyboardEvent, place: Place) => void;
}) {
  const ranks = view.ranks;
  const ids = useMemo(() => ranks.map((r) => r.id), [ranks]);
  const groups = useMemo(() => {
    const order = orderOf(
      syllabus,
      view.conditions.map((c) => c.id),
    );
    const rings = new Map<string, { n: number; at: number }[]>();
    for (const [i, f] of findings.entries())
      if (f.threadId !== null)
        rings.set(f.threadId, [
          ...(rings.get(f.threadId) ?? []),
          { n: i + 1, at: f.rankId === null ? -1 : ids.indexOf(f.rankId) },
        ]);
    const rows = syllabus.threads.map((thread): RowShown & { group: Group } => {
      const f = factsOf(itemKey(thread.item));
      return {
        thread,
        life: lifeOf(thread, syllabus, ids, order),
        name: f?.name ?? 'something gone',
        group: f?.group ?? 'Basics',
        changed: changed.has(thread.id),
        rings: rings.get(thread.id) ?? NO_RINGS,
      };
    });
    return GROUPS.map((group) => ({ group, rows: rows.filter((r) => r.group === group) })).filter(
      (g) => g.rows.length > 0,
    );
  }, [syllabus, view.conditions, ids, factsOf, findings, changed]);
  const loads = useMemo(() => loadOf(syllabus, ids, factsOf), [syllabus, ids, factsOf]);
  const [hot, setHot] = useState<string | null>(null);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { keyboardCodes: { start: [], cancel: [], end: [] } }),
  );
  const dropped = (e: DragEndEvent) => {
    const [threadId, grip] = String(e.active.id).split('|') as [string, Grip];
    const to = ids.indexOf(String(e.over?.id ?? ''));
    if (to >= 0) onMove(threadId, grip, to);
  };
  const width = ranks.length * column;
  const order = groups.flatMap((g) => g.rows.map((r) => r.thread.id));
  const at: Place | null = place ?? (order[0] ? { threadId: order[0], at: -1 } : null);
  const go = (e: KeyboardEvent) => {
    const cell = (e.target as HTMLElement).closest<HTMLElement>('[data-thread]');
    if (!cell) return;
    const at: Place = { threadId: cell.dataset['thread']!, at: Number(cell.dataset['at']) };
    const moved = roving(
      e,
      { row: order.indexOf(at.threadId), column: at.at },
      { rows: order.length, columns: ranks.length, first: -1 },
      (to) => {
        const next: Place = { threadId: order[to.row]!, at: to.column };
        onPlace(next);
        document.getElementById(cellId(next))?.focus();
      },
    );
    if (!moved) onKey(e, at);
  };
  const pick = (e: MouseEvent) => {
    const cell = (e.target as HTMLElement).closest<HTMLElement>('[data-thread]');
    if (cell) onOpen({ threadId: cell.dataset['thread']!, at: Number(cell.dataset['at']) });
  };
  const yOf = (threadId: string): number | null => {
    let y = 0;
    for (const g of groups) {
      y += GROUP_ROW;
      const i = g.rows.findIndex((r) => r.thread.id === threadId);
      if (i >= 0) return y + i * ROW + ROW / 2;
      y += g.rows.length * ROW;
    }
    return null;
  };
  const tied = ties.flatMap((t) => {
    const [from, to] = [yOf(t.from), yOf(t.to)];
    const rank = t.rankId === null ? -1 : ids.indexOf(t.rankId);
    return from === null || to === null || rank < 0 ? [] : [{ from, to, x: (rank + 1) * column - 20 }];
  });
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={pointerWithin}
      accessibility={{ announcements: UNSAID }}
      onDragEnd={dropped}
    >
      <div className="cloth-frame">
        <div
          className="cloth"
          style={{ width: NAMES + width + 34 }}
          role="grid"
          aria-label="The way: work down, belts across"
          aria-rowcount={order.length + 1}
          aria-colcount={ranks.length + 1}
          onKeyDown={go}
          onClick={pick}
        >
          <div className="heads" role="row" style={{ paddingLeft: NAMES }}>
            <span role="columnheader" className="hidden">
              Item
            </span>
            {ranks.map((r) => (
              <div key={r.id} role="columnheader" style={{ width: column }}>
                <button
                  type="button"
                  onClick={(e) => (e.stopPropagation(), onRank(r.id))}
                  aria-label={`${r.name}: gates and load`}
                >
                  <b>{r.name}</b>
                  <Belt name={r.name} cloth={r.cloth} width={Math.min(74, column - 8)} height={column < 60 ? 13 : 20} />
                </button>
              </div>
            ))}
          </div>
          <div className="body">
            <div className="lines" style={{ left: NAMES }} aria-hidden="true">
              {ranks.map((r, i) => (
                <Line key={r.id} id={r.id} column={column} first={i === 0} />
              ))}
            </div>
            {groups.map((g) => (
              <div key={g.group} role="rowgroup" aria-label={GROUP_WORDS[g.group]}>
                <div role="row" className="group" style={{ height: GROUP_ROW }}>
                  <span role="rowheader">{GROUP_WORDS[g.group]}</span>
                </div>
                {g.rows.map((r) => (
                  <Row
                    key={r.thread.id}
                    row={r}
                    ranks={ranks}
                    column={column}
                    place={at?.threadId === r.thread.id ? at.at : null}
                    chosen={place?.threadId === r.thread.id}
                    grips={mayChange && (hot === r.thread.id || place?.threadId === r.thread.id)}
                    onHot={setHot}
                  />
                ))}
              </div>
            ))}
            {tied.length > 0 && (
              <svg className="tie" style={{ left: NAMES }} width={width} height="100%" aria-hidden="true">
                {tied.map(({ from, to, x }, i) => (
                  <path
                    key={i}
                    d={`M${x + 16} ${to}C${x} ${to} ${x} ${to} ${x} ${to + (from < to ? -14 : 14)}V${from}`}
                    fill="none"
                    stroke="var(--brass)"
                    strokeWidth="1.7"
                    strokeDasharray="4 3"
                  />
                ))}
              </svg>
            )}
          </div>
          {order.length > 0 && <Loads loads={loads} column={column} findings={findings} />}
        </div>
      </div>
    </DndContext>
  );
}

const unsaid = () => undefined;
/** What is dragged is seen by whoever drags it, and would be called by its identifier; keys say what they do. */
const UNSAID: Announcements = { onDragStart: unsaid, onDragOver: unsaid, onDragEnd: unsaid, onDragCancel: unsaid };

/** The line of a belt, on which its tests are wrapped; marks are dropped on the column that ends on it. */
function Line({ id, column, first }: { id: string; column: number; first: boolean }) {
  const { setNodeRef, isOver } = useDroppable({ id });
  return (
    <div
      ref={setNodeRef}
      className={`stake${first ? ' first' : ''}${isOver ? ' over' : ''}`}
      style={{ width: column }}
    />
  );
}

/** Hours asked of hours given, belt by belt. */
function Loads({
  loads,
  column,
  findings,
}: {
  loads: readonly RankLoad[];
  column: number;
  findings: readonly SyllabusFinding[];
}) {
  return (
    <div className="loads" role="row">
      <div role="rowheader" style={{ width: NAMES }}>
        <h2>Load</h2>
        <span className="second">hours of new work, of hours given; a lath for every ten</span>
      </div>
      {loads.map((l) => {
        const n = findings.findIndex((f) => f.rankId === l.rankId && f.check === 'asks more than it gives') + 1;
        const asked = Math.round(l.minutes / 60);
        const given = l.given === null ? null : Math.round(l.given / 60);
        return (
          <div
            key={l.rankId}
            role="gridcell"
            style={{ width: column }}
            title={`${l.points} new points, ${l.counts} new counts; ${l.again} tested again`}
          >
            <Laths load={l} width={column} />
            <span className={`num${given !== null && asked > given ? ' over' : ''}`}>
              {given === null ? asked : `${asked} of ${given}`}
              {n > 0 && <Ring n={n} />}
            </span>
          </div>
        );
      })}
    </div>
  );
}
