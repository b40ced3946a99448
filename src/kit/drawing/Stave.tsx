import {
  memo,
  useDeferredValue,
  useEffect,
  useImperativeHandle,
  useRef,
  useState,
  type KeyboardEvent,
  type Ref,
} from 'react';
import { type Primitive, type StaveLayout } from '../../core';
import { roving } from '../roving';
import { drawIn, Drawn } from './Drawn';

interface ColumnProps {
  index: number;
  x: number;
  y: number;
  primitives: readonly Primitive[];
  width: number;
  height: number;
  top: number;
  lit: boolean;
  next: boolean;
  onOver: ((index: number | null) => void) | undefined;
  onPick: ((index: number) => void) | undefined;
}

/** Drawing units by which what is in sight moves on. */
const STRIDE = 640;

/** A column is drawn again only when what it shows changes: typing a count touches one of two hundred. */
const Column = memo(function Column({
  index,
  x,
  y,
  primitives,
  width,
  height,
  top,
  lit,
  next,
  onOver,
  onPick,
}: ColumnProps) {
  return (
    <g
      transform={`translate(${x} ${y})`}
      className={lit ? 'col lit' : next ? 'col next' : 'col'}
      onPointerEnter={onOver && (() => onOver(index))}
      onPointerLeave={onOver && (() => onOver(null))}
      onClick={onPick && (() => onPick(index))}
    >
      <rect className="back" x={1} y={top} width={width - 2} height={height - top} rx={4} />
      <Drawn primitives={primitives} />
    </g>
  );
});

export interface StaveHand {
  /** Draws another layout over what stands there, at once; false, and nothing drawn, where its columns stand elsewhere. */
  draw: (next: StaveLayout) => boolean;
}

/** Whether two layouts put as many columns and lines at the same places. */
const isShapedAs = (a: StaveLayout, b: StaveLayout): boolean =>
  a.columns.length === b.columns.length &&
  a.lines.length === b.lines.length &&
  a.width === b.width &&
  a.height === b.height &&
  a.column === b.column &&
  a.lineHeight === b.lineHeight &&
  a.top === b.top;

/** The stave on screen: hover and arrow keys light a count, a click picks it; for those who listen, the counts in words. */
export const Stave = memo(function Stave({
  layout,
  title,
  lit,
  next = null,
  onOver,
  onPick,
  follow = false,
  hand,
}: {
  layout: StaveLayout;
  title: string;
  lit: number | null;
  next?: number | null;
  onOver?: (index: number | null) => void;
  onPick?: (index: number) => void;
  /** Keeps the lit column in sight. */
  follow?: boolean;
  /** For whoever draws ahead of React. */
  hand?: Ref<StaveHand>;
}) {
  const frame = useRef<HTMLDivElement>(null);
  const paper = useRef<SVGSVGElement>(null);
  // Only what is in sight, and a little on both sides, stands in the page: a stave may have hundreds of columns.
  const [sight, setSight] = useState({ from: 0, to: 2 * STRIDE });
  useEffect(() => {
    const el = frame.current;
    if (!el) return;
    const look = () => {
      const from = Math.max(0, Math.floor(el.scrollLeft / STRIDE) - 1) * STRIDE;
      const to = (Math.floor((el.scrollLeft + el.clientWidth) / STRIDE) + 2) * STRIDE;
      setSight((s) => (s.from === from && s.to === to ? s : { from, to }));
    };
    look();
    el.addEventListener('scroll', look, { passive: true });
    const size = new ResizeObserver(look);
    size.observe(el);
    return () => {
      el.removeEventListener('scroll', look);
      size.disconnect();
    };
  }, []);
  const shown = layout.columns.filter((c) => c.x + layout.column > sight.from && c.x < sight.to);
  const last = layout.columns.length - 1;
  useImperativeHandle(hand, () => ({
    draw(next) {
      const parts = paper.current?.children;
      if (!parts || !isShapedAs(layout, next)) return false;
      shown.forEach((c, i) => {
        drawIn(parts[i]!.lastElementChild!, next.columns[c.index]!.primitives);
      });
      next.lines.forEach((l, i) => {
        drawIn(parts[shown.length + i]!.lastElementChild!, l.primitives);
      });
      return true;
    },
  }));
  // Asked of the page only when another place is lit: a key that changes a count must not make it reckon early.
  const litX = lit === null ? null : (layout.columns[lit]?.x ?? null);
  const wide = layout.column;
  useEffect(() => {
    const el = frame.current;
    if (!follow || !el || litX === null) return;
    const [from, to] = [el.scrollLeft + 90, el.scrollLeft + el.clientWidth - wide * 2];
    if (litX < from || litX > to) el.scrollTo({ left: Math.max(0, litX - el.clientWidth * 0.4) });
  }, [follow, litX, wide]);
  const keys = (e: KeyboardEvent) => {
    if (!onPick || last < 0) return;
    roving(e, { row: 0, column: lit ?? -1 }, { columns: last + 1 }, ({ column }) => onPick(column));
  };
  return (
    <div
      className="stave-frame"
      ref={frame}
      tabIndex={0}
      role="group"
      aria-label={`Stave of ${title}. Left and right arrows move from count to count.`}
      onKeyDown={keys}
    >
      <div className="stave-paper" style={{ width: layout.width, height: layout.height }}>
        <svg
          ref={paper}
          className="stave"
          width={layout.width}
          height={layout.height}
          viewBox={`0 0 ${layout.width} ${layout.height}`}
          aria-hidden="true"
        >
          {shown.map((c) => (
            <Column
              key={c.index}
              index={c.index}
              x={c.x}
              y={c.y}
              primitives={c.primitives}
              width={layout.column}
              height={layout.lineHeight}
              top={layout.top}
              lit={c.index === lit}
              next={c.index === next}
              onOver={onOver}
              onPick={onPick}
            />
          ))}
          {layout.lines.map((l) => (
            <g key={l.from} className="lines" transform={`translate(0 ${l.y})`}>
              <Drawn primitives={l.primitives} />
            </g>
          ))}
        </svg>
      </div>
      <p className="hidden" aria-live="polite">
        {useDeferredValue(lit === null ? '' : layout.columns[lit]?.said)}
      </p>
      <InWords layout={useDeferredValue(layout)} title={title} />
    </div>
  );
});

/** The counts in words; they may follow a moment later than the drawing. */
const InWords = memo(function InWords({ layout, title }: { layout: StaveLayout; title: string }) {
  return (
    <ol className="hidden" aria-label={`Counts of ${title}`}>
      {layout.columns.map((c) => (
        <li key={c.index}>{c.said}</li>
      ))}
    </ol>
  );
});
