import { useDraggable } from '@dnd-kit/core';
import { memo, useMemo } from 'react';
import type { SyllabusView } from '../../contracts/views';
import type { Life, Thread } from '../../core';
import { drawThread, lifeInWords, NAMES, ROW } from './drawing';
import { Ring, Tab } from './small';

/** What can be taken hold of on a thread. */
export type Grip = 'eye' | 'end' | `test ${number}`;
export interface Place {
  threadId: string;
  /** A rank's place; −1: the name. */
  at: number;
}

export interface RowShown {
  thread: Thread;
  life: Life;
  name: string;
  changed: boolean;
  rings: readonly { n: number; at: number }[];
}

export const NO_RINGS: RowShown['rings'] = [];
export const cellId = (p: Place) => `way-${p.threadId}-${p.at}`;

/** One item's life as a thread, with what can be taken hold of on it. */
export const Row = memo(function Row({
  row,
  ranks,
  column,
  place,
  chosen,
  grips,
  onHot,
}: {
  row: RowShown;
  ranks: SyllabusView['ranks'];
  column: number;
  place: number | null;
  chosen: boolean;
  grips: boolean;
  onHot: (id: string | null) => void;
}) {
  const { thread, life, name } = row;
  const d = useMemo(() => drawThread(life, column), [life, column]);
  return (
    <div
      className={`way-row${chosen ? ' lit' : ''}`}
      role="row"
      style={{ height: ROW }}
      onPointerEnter={() => onHot(thread.id)}
    >
      <div
        id={cellId({ threadId: thread.id, at: -1 })}
        role="rowheader"
        className="name"
        tabIndex={place === -1 ? 0 : -1}
        data-thread={thread.id}
        data-at={-1}
        style={{ width: NAMES }}
        title={name}
      >
        {row.changed && (
          <>
            <Tab />
            <span className="hidden">changed since it was published: </span>
          </>
        )}
        <span>{name}</span>
        {thread.informal && <em>, informal</em>}
        <span className="hidden">: {lifeInWords(life, ranks, thread.informal)}</span>
        {row.rings
          .filter((r) => r.at < 0)
          .map((r) => (
            <Ring key={r.n} n={r.n} />
          ))}
      </div>
      <div className="thread" style={{ width: ranks.length * column + 34 }}>
        <svg width={ranks.length * column + 34} height={ROW} aria-hidden="true">
          <path d={d.stitched} className="stitch" />
          <path d={d.laid} className="laid" />
          {d.fray && <path d={d.fray} className="fray" />}
          {d.tail && <path d={d.tail} className="tail" />}
          {d.eye !== null && <circle cx={d.eye} cy={ROW / 2} r="3.6" className="eye" />}
          {d.wraps.map((w) => (
            <path key={w.x} d={w.d} className="wrap" />
          ))}
        </svg>
        {ranks.map((r, i) => (
          <div
            key={r.id}
            id={cellId({ threadId: thread.id, at: i })}
            role="gridcell"
            className={chosen && place === i ? 'cell on' : 'cell'}
            tabIndex={place === i ? 0 : -1}
            data-thread={thread.id}
            data-at={i}
            aria-label={`${name}, ${r.name}: ${life.at[i] === 'none' ? 'nothing' : life.at[i]!}${life.introduced === i && life.at[i] === 'tested' ? ', new' : ''}`}
            style={{ left: i * column + 14, width: column }}
          />
        ))}
        {row.rings
          .filter((r) => r.at >= 0)
          .map((r, i) => (
            <span key={r.n} className="ring-at" style={{ left: (r.at + 1) * column - 40 - i * 22 }}>
              <Ring n={r.n} />
            </span>
          ))}
        {grips && (
          <>
            {d.eye !== null && <GripMark id={`${thread.id}|eye`} x={d.eye} />}
            {life.tests.map((t) => (
              <GripMark key={t} id={`${thread.id}|test ${t}`} x={(t + 1) * column} />
            ))}
            {life.end === 'let go' && <GripMark id={`${thread.id}|end`} x={(life.last + 1) * column + 24} />}
          </>
        )}
      </div>
    </div>
  );
});

/** What the pointer takes hold of; keys move the same marks from the cell. */
function GripMark({ id, x }: { id: string; x: number }) {
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id });
  return (
    <span
      ref={setNodeRef}
      {...listeners}
      className={`grip${isDragging ? ' dragged' : ''}`}
      style={{ left: x - 12, transform: transform ? `translateX(${transform.x}px)` : undefined }}
      aria-hidden="true"
    />
  );
}
