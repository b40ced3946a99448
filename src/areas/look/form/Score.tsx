import ButtonBase from '@mui/material/ButtonBase';
import { useEffect, useMemo, useRef } from 'react';
import type { EarlierShowingsView } from '../../../contracts/views';
import { dayInWords, layoutStave, readShowing, stancesNamed, svgOf, traceFloor, type CountMark } from '../../../core';
import { onScreen } from '../../../kit/drawing/tones';
import { Stick, type Notch } from '../../../kit/marks/Stick';
import type { KitSequence } from '../../../kit/mat/line';
import { cutSaid } from './showing';

const COLUMN = 81;

interface Props {
  sequence: KitSequence;
  /** The part that is shown, both counts included, and what it is called. */
  stave: { from: number; to: number; title: string };
  /** The count at hand, from 0. */
  at: number;
  counts: readonly CountMark[];
  /** Which showing of tonight it is. */
  nth: number;
  earlier: readonly (EarlierShowingsView['showings'][number] & { when: string })[];
  /** Why earlier showings are not at hand; empty: they are, or there are none. */
  noEarlier: string;
  today: string;
  /** Nothing can be marked yet. */
  shut: boolean;
  onTap: (index: number) => void;
}

/** The stave of what is shown, a key a count, with tonight's cuts under it and those of earlier showings. */
export function Score({
  sequence,
  stave: { from, to, title },
  at,
  counts,
  nth,
  earlier,
  noEarlier,
  today,
  shut,
  onTap,
}: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const layout = useMemo(() => {
    const part = { ...sequence.body, moves: sequence.body.moves.slice(from - 1, to), closing: [] };
    const trace = traceFloor(part, { stature: 1.7, stances: stancesNamed(sequence.stances ?? []) });
    // Two lanes stand smaller and without feet, so that tonight's cuts stay in sight below them.
    const drawn = part.moves.some((m) => m.partner !== null)
      ? { zoneGap: 22, scale: 1, rows: { feet: false } }
      : { zoneGap: 30, scale: 1.15 };
    return layoutStave(part, { column: COLUMN, ...drawn }, trace);
  }, [sequence.body, sequence.stances, from, to]);
  useEffect(() => {
    const el = frame.current;
    const x = layout.columns[at]?.x ?? 0;
    if (!el) return;
    if (x < el.scrollLeft + 60 || x > el.scrollLeft + el.clientWidth - 2 * COLUMN)
      el.scrollTo({ left: Math.max(0, x - el.clientWidth * 0.4) });
  }, [at, layout]);
  const x0 = layout.columns[0]?.x ?? 0;
  const width = COLUMN * counts.length;
  return (
    <div className="score" ref={frame} tabIndex={0} role="group" aria-label={`Stave of ${title}`}>
      <div style={{ width: layout.width, position: 'relative' }}>
        <svg
          width={layout.width}
          height={layout.height}
          viewBox={`0 0 ${layout.width} ${layout.height}`}
          aria-hidden="true"
          className="stave"
        >
          <rect
            x={layout.columns[at]?.x}
            y={layout.top}
            width={COLUMN}
            height={layout.height - layout.top}
            rx="4"
            fill="var(--lit)"
          />
          {layout.lines.map((l) => (
            <g key={l.from} className="lines" dangerouslySetInnerHTML={{ __html: svgOf(l.primitives, onScreen) }} />
          ))}
          {layout.columns.map((c) => (
            <g
              key={c.index}
              transform={`translate(${c.x} ${c.y})`}
              dangerouslySetInnerHTML={{ __html: svgOf(c.primitives, onScreen) }}
            />
          ))}
        </svg>
        <div className="board-row">
          <b>{nth === 1 ? 'tonight' : `tonight, ${nth}`}</b>
          <div style={{ marginLeft: x0 }}>
            <Stick marks={counts} side="none" width={width} height={58} label="tonight" />
          </div>
        </div>
        {noEarlier !== '' && <li className="second">Not at hand. {noEarlier}</li>}
        {earlier.map((e) => {
          const read = readShowing(e.counts);
          const shown = counts.map((_, i): Notch => read?.counts[from + i - e.from] ?? 'U');
          return (
            <div className="board-row low" key={e.id}>
              <span>{e.when}</span>
              <div style={{ marginLeft: x0 }}>
                <Stick marks={shown} side="none" width={width} height={20} label={dayInWords(e.day, today)} />
              </div>
            </div>
          );
        })}
        {layout.columns.map((c, i) => (
          <ButtonBase
            key={c.index}
            className={`col${i === at ? ' now' : ''}`}
            style={{ left: c.x, width: COLUMN, top: layout.top, bottom: 0 }}
            aria-label={`Count ${from + i}, ${actionName(sequence, from + i)}: ${cutSaid(counts[i]!)}`}
            aria-current={i === at ? 'true' : undefined}
            disabled={shut}
            onClick={() => onTap(i)}
          />
        ))}
      </div>
    </div>
  );
}

const actionName = (s: KitSequence, count: number): string => {
  const m = s.body.moves[count - 1];
  return m?.step.actions[0]?.name ?? m?.partner?.actions[0]?.name ?? m?.step.stance ?? '';
};
