import { useRef, type CSSProperties, type KeyboardEvent } from 'react';
import {
  dayInWords,
  HEAVINESS,
  MONTHS,
  roomOf,
  weekdayInWords,
  type Cycle,
  type CycleClass,
  type CycleRow,
  type ApartTooLong,
  type Past,
} from '../../core';
import { roving } from '../../kit/roving';
import './Cycle.css';

/** So many points a minute, and how high a row and how wide a class are. */
const MINUTE = 1.7;
const HIGH = 42;
const LABEL = 190;
const LOAD = 0.3;

export interface At {
  row: string;
  class: string;
}

/** Everything the chart shows, row by class; made once and looked up. */
export interface Drawn {
  minutes: (row: string, cls: string) => number;
  /** What was to be in a class that was lost. */
  lost: (row: string, cls: string) => number;
  pinned: ReadonlySet<string>;
  moved: ReadonlySet<string>;
  short: ReadonlyMap<string, number>;
}

/** Weeks across, rows down, minutes to scale, as wood; what one opens in another is tied, what lies too far apart is dotted. */
export function CycleChart({
  cycle,
  past,
  today,
  drawn,
  apart,
  at,
  onAt,
  onMinutes,
  onPin,
  onMove,
  onRow,
  onClass,
}: {
  cycle: Cycle;
  past: Past;
  today: string;
  drawn: Drawn;
  apart: readonly ApartTooLong[];
  at: At | null;
  onAt: (at: At) => void;
  onMinutes: (at: At, by: number) => void;
  onPin: (at: At) => void;
  onMove: (at: At, by: 1 | -1) => void;
  onRow: (id: string) => void;
  onClass: (id: string) => void;
}) {
  const table = useRef<HTMLTableElement>(null);
  const { classes, rows } = cycle;
  const wide = Math.max(17, Math.min(44, Math.floor(620 / Math.max(1, classes.length))));
  const next = classes.findIndex((c, k) => k >= past.from && c.off === null);
  const ties = tiesOf(cycle, drawn);
  const middle = (k: number) => LABEL + (k + 0.5) * wide;
  const foot = (i: number) => (i + 1) * HIGH - 3;
  const loads = classes.map((c) => ({
    is: rows.reduce((n, r) => n + (HEAVINESS.indexOf(r.heaviness) + 1) * drawn.minutes(r.id, c.id), 0),
    most: roomOf(c, cycle.rules) * Math.max(1, cycle.groups.length) * cycle.rules.load,
  }));
  const loadScale = (LOAD * 190) / Math.max(190, ...loads.map((l) => Math.max(l.is, l.most)));
  const focusOn = (to: At) => {
    onAt(to);
    table.current?.querySelector<HTMLElement>(`[data-at="${to.row} ${to.class}"]`)?.focus();
  };
  const keys = (e: KeyboardEvent, row: number, cls: number) => {
    const here: At = { row: rows[row]!.id, class: classes[cls]!.id };
    const up = e.key === 'ArrowUp' && row === 0 && !e.altKey;
    if (e.ctrlKey || e.metaKey) return;
    if (e.altKey && (e.key === 'ArrowLeft' || e.key === 'ArrowRight')) onMove(here, e.key === 'ArrowLeft' ? -1 : 1);
    else if (e.altKey) return;
    else if (up) table.current?.querySelector<HTMLElement>(`[data-class="${here.class}"]`)?.focus();
    else if (
      roving(e, { row, column: cls }, { rows: rows.length, columns: classes.length }, (to) =>
        focusOn({ row: rows[to.row]!.id, class: classes[to.column]!.id }),
      )
    )
      return;
    else if (e.key === '+' || e.key === '=') onMinutes(here, 5);
    else if (e.key === '-' || e.key === '−') onMinutes(here, -5);
    else if (e.key.toLowerCase() === 'p') onPin(here);
    else return;
    e.preventDefault();
  };
  const lit = at ?? (rows[0] && classes[0] ? { row: rows[0].id, class: classes[Math.max(0, next)]!.id } : null);
  return (
    <div
      className="cycle-chart"
      style={{ '--wide': `${wide}px`, '--label': `${LABEL}px`, '--high': `${HIGH}px` } as CSSProperties}
    >
      <table ref={table} role="grid" aria-label={`${rows.length} rows by ${classes.length} classes, minutes to scale`}>
        <thead>
          <tr className="months" aria-hidden="true">
            <th />
            {classes.map((c, k) => (
              <td key={c.id}>
                {k === 0 || c.day.slice(0, 7) !== classes[k - 1]!.day.slice(0, 7) ? (
                  <span>{MONTHS[+c.day.slice(5, 7) - 1]!.slice(0, wide * 3 > 60 ? 9 : 3)}</span>
                ) : null}
              </td>
            ))}
          </tr>
          <tr className="days">
            <th scope="col">
              <span className="hidden">Row</span>
            </th>
            {classes.map((c, k) => (
              <th
                key={c.id}
                scope="col"
                className={[weekOf(c) !== weekOf(classes[k - 1]) ? 'week' : '', k === next ? 'next' : ''].join(' ')}
              >
                <button
                  type="button"
                  // Reached from the cell below it, as a cell is from its neighbour: one stop for the whole grid.
                  tabIndex={-1}
                  data-class={c.id}
                  onClick={() => onClass(c.id)}
                  onKeyDown={(e) => {
                    if (e.key !== 'ArrowDown' || !rows[0]) return;
                    focusOn({ row: rows[0].id, class: c.id });
                    e.preventDefault();
                  }}
                  aria-label={`${weekdayInWords(c.day)} ${dayInWords(c.day, today)}: ${saidOf(c, past, k)}`}
                >
                  <i>{weekdayInWords(c.day).slice(0, wide > 30 ? 3 : 1)}</i>
                  <b>{+c.day.slice(8)}</b>
                </button>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((r, i) => (
            <tr key={r.id}>
              <th scope="row">
                <button type="button" onClick={() => onRow(r.id)}>
                  <b>{r.name}</b>
                  <Needs row={r} short={drawn.short.get(r.id) ?? 0} />
                </button>
              </th>
              {classes.map((c, k) => {
                const key = `${r.id} ${c.id}`;
                const minutes = drawn.minutes(r.id, c.id);
                const lost = drawn.lost(r.id, c.id);
                const is = lit?.row === r.id && lit.class === c.id;
                const isOff = c.off !== null || past.lost.has(c.id);
                return (
                  <td
                    key={c.id}
                    className={[
                      isOff ? 'off' : '',
                      k === next ? 'next' : '',
                      weekOf(c) !== weekOf(classes[k - 1]) ? 'week' : '',
                      at?.row === r.id && at.class === c.id ? 'chosen' : '',
                    ].join(' ')}
                  >
                    <button
                      type="button"
                      data-at={key}
                      tabIndex={is ? 0 : -1}
                      aria-label={`${r.name}, ${weekdayInWords(c.day)} ${dayInWords(c.day, today)}: ${cellInWords(minutes, lost, drawn, key, k < past.from)}`}
                      onClick={() => onAt({ row: r.id, class: c.id })}
                      onKeyDown={(e) => keys(e, i, k)}
                    >
                      {minutes > 0 && (
                        <span
                          className={`cell ${k < past.from ? 'held' : 'planned'}${drawn.moved.has(key) ? ' moved' : ''}`}
                          style={{ height: minutes * MINUTE }}
                        >
                          {drawn.pinned.has(key) && <i className="pin" />}
                        </span>
                      )}
                      {lost > 0 && minutes === 0 && <span className="cell lost" style={{ height: lost * MINUTE }} />}
                    </button>
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
      <svg className="over" width={LABEL + wide * classes.length} height={rows.length * HIGH} aria-hidden="true">
        {rows.map((r, i) => {
          const has = classes.flatMap((c, k) => (drawn.minutes(r.id, c.id) > 0 ? [k] : []));
          return has.slice(1).map((k, n) => {
            const from = has[n]!;
            const wide2 = apart.some((a) => a.row === r.id && from < a.from && k > a.to);
            return (
              <path
                key={`${r.id} ${k}`}
                d={`M${middle(from) + 5} ${foot(i)}H${middle(k) - 5}`}
                stroke={wide2 ? 'var(--brass)' : 'var(--ink2)'}
                strokeWidth={wide2 ? 2 : 1}
                strokeDasharray={wide2 ? '3 3' : undefined}
                fill="none"
              />
            );
          });
        })}
        {ties.map((t) => {
          const [x1, y1, x2, y2] = [middle(t.from), foot(t.on), middle(t.to), foot(t.of) - t.minutes * MINUTE - 4];
          const d = `M${x1} ${y1}C${x1} ${y1 + 16} ${x2} ${y2 - 18} ${x2} ${y2 - 5}`;
          return (
            <g key={`${t.on} ${t.of}`}>
              <path d={d} fill="none" stroke="var(--paper)" strokeWidth="4" />
              <path d={d} fill="none" stroke="var(--slate)" strokeWidth="1.5" />
              <circle cx={x1} cy={y1} r="2.6" fill="var(--slate)" />
              <path d={`M${x2} ${y2}l-3.6 -6h7.2Z`} fill="var(--slate)" />
            </g>
          );
        })}
      </svg>
      <div className="load" style={{ height: 70 }}>
        <p>
          <b>Load of the class</b>
          <span>minutes × light 1, middling 2, heavy 3; the line is the most</span>
        </p>
        <svg width={wide * classes.length} height="66" role="img" aria-label="How hard each class is on bodies">
          {classes.map((c, k) => (
            <g key={c.id}>
              {loads[k]!.is > 0 && (
                <rect
                  x={k * wide + 2.5}
                  width={wide - 5}
                  y={62 - loads[k]!.is * loadScale}
                  height={loads[k]!.is * loadScale}
                  fill={k < past.from ? 'var(--wood)' : 'var(--pale-wood)'}
                  stroke="var(--wood-line)"
                />
              )}
              {loads[k]!.most > 0 && !past.lost.has(c.id) && (
                <path
                  d={`M${k * wide + 0.5} ${62 - loads[k]!.most * loadScale}h${wide - 1}`}
                  stroke="var(--ink)"
                  strokeWidth="1.6"
                />
              )}
            </g>
          ))}
          <path d={`M0 62H${wide * classes.length}`} stroke="var(--ink)" strokeWidth="1.3" />
        </svg>
      </div>
    </div>
  );
}

function Needs({ row, short }: { row: CycleRow; short: number }) {
  return (
    <span>
      {short > 0 ? (
        <>
          {row.minutes - short} of {row.minutes} min, <em>{short} short</em>
        </>
      ) : (
        `${row.minutes} min`
      )}
    </span>
  );
}

const weekOf = (c: CycleClass | undefined): string => {
  if (!c) return '';
  const d = new Date(`${c.day}T12:00:00Z`);
  d.setUTCDate(d.getUTCDate() - ((d.getUTCDay() + 6) % 7));
  return d.toISOString().slice(0, 10);
};

const saidOf = (c: CycleClass, past: Past, k: number): string =>
  past.lost.has(c.id)
    ? 'lost'
    : c.off !== null
      ? c.off
      : k < past.from
        ? 'held'
        : `${c.minutes} minutes${c.guest ? `, ${c.guest.name} has ${c.guest.minutes}` : ''}`;

const cellInWords = (minutes: number, lost: number, drawn: Drawn, key: string, held: boolean): string => {
  if (minutes === 0 && lost > 0) return `${lost} minutes were lost`;
  if (minutes === 0) return drawn.pinned.has(key) ? 'nothing, pinned' : 'nothing';
  return [
    `${minutes} minutes`,
    held ? 'held' : 'planned',
    drawn.pinned.has(key) ? 'pinned' : '',
    drawn.moved.has(key) ? 'moved' : '',
  ]
    .filter((t) => t !== '')
    .join(', ');
};

/** From the class in which there was enough of one row to the first of the row it opens. */
function tiesOf(cycle: Cycle, drawn: Drawn): { on: number; of: number; from: number; to: number; minutes: number }[] {
  const { rows, classes } = cycle;
  return rows.flatMap((r, of) =>
    r.opens.flatMap((o) => {
      const on = rows.findIndex((x) => x.id === o.on);
      const to = classes.findIndex((c) => drawn.minutes(r.id, c.id) > 0);
      if (on < 0 || to < 0) return [];
      let had = 0;
      const from = classes.findIndex((c) => (had += drawn.minutes(o.on, c.id)) >= o.minutes);
      return from < 0 || from >= to ? [] : [{ on, of, from, to, minutes: drawn.minutes(r.id, classes[to]!.id) }];
    }),
  );
}
