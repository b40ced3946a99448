import { memo, useDeferredValue, useEffect, useRef, useState, type KeyboardEvent } from 'react';
import { svgOf, type Primitive, type StaveLayout } from '../../core';
import { onScreen } from './tones';

interface ColumnProps {
  index: number;
  x: number;
  y: number;
  svg: string;
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

/** The text of primitives that were written before. */
const writtenBefore = new WeakMap<readonly Primitive[], string>();
function svgText(primitives: readonly Primitive[]): string {
  let found = writtenBefore.get(primitives);
  if (found === undefined) writtenBefore.set(primitives, (found = svgOf(primitives, onScreen)));
  return found;
}

/** A column is drawn again only when its own text changes: typing a count touches one of two hundred. */
const Column = memo(function Column({ index, x, y, svg, width, height, top, lit, next, onOver, onPick }: ColumnProps) {
  return (
    <g
      transform={`translate(${x} ${y})`}
      className={lit ? 'col lit' : next ? 'col next' : 'col'}
      onPointerEnter={onOver && (() => onOver(index))}
      onPointerLeave={onOver && (() => onOver(null))}
      onClick={onPick && (() => onPick(index))}
    >
      <rect className="back" x={1} y={top} width={width - 2} height={height - top} rx={4} />
      <g dangerouslySetInnerHTML={{ __html: svg }} />
    </g>
  );
});

/** The stave on screen: hover and arrow keys light a count, a click picks it; for those who listen, the counts in words. */
export const Stave = memo(function Stave({
  layout,
  title,
  lit,
  next = null,
  onOver,
  onPick,
  follow = false,
}: {
  layout: StaveLayout;
  title: string;
  lit: number | null;
  next?: number | null;
  onOver?: (index: number | null) => void;
  onPick?: (index: number) => void;
  /** Keeps the lit column in sight. */
  follow?: boolean;
}) {
  const frame = useRef<HTMLDivElement>(null);
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
    const at = lit ?? -1;
    const to =
      e.key === 'ArrowRight'
        ? Math.min(last, at + 1)
        : e.key === 'ArrowLeft'
          ? Math.max(0, at - 1)
          : e.key === 'Home'
            ? 0
            : e.key === 'End'
              ? last
              : null;
    if (to === null) return;
    e.preventDefault();
    onPick(to);
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
              svg={svgText(c.primitives)}
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
            <g
              key={l.from}
              className="lines"
              transform={`translate(0 ${l.y})`}
              dangerouslySetInnerHTML={{ __html: svgOf(l.primitives, onScreen) }}
            />
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
