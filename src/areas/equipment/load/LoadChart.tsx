import {
  addDays,
  daysBetween,
  dayInWords,
  loadWordInWords,
  type LoadDay,
  type LoadRule,
  type LoadWord,
  type PlainDate,
} from '../../../core';
import { monday, WEEKS, WEEKS_AHEAD, type Limb } from './limbs';

const W = 768;
const X0 = 64;
const PY = 1.5;
const r1 = (n: number) => Math.round(n * 10) / 10;

/** What was asked, a row each, and which words of it are small and which stop the work. */
const ROWS: readonly { name: string; words: Partial<Record<LoadWord, 1 | 2>> }[] = [
  { name: 'skin', words: { red: 1, open: 2 } },
  { name: 'swelling', words: { swollen: 2 } },
  { name: 'joints', words: { sore: 1, pain: 2 } },
  { name: 'feeling', words: { numb: 2 } },
];

/** A lath a day with a notch every ten: right solid above the line, left outlined below; pale and broken is to come. */
function Lath({
  x,
  w,
  n,
  up,
  planned,
  base,
}: {
  x: number;
  w: number;
  n: number;
  up: boolean;
  planned: boolean;
  base: number;
}) {
  if (n === 0) return null;
  const y = (v: number) => r1(base + (up ? -1 : 1) * v * PY);
  const notches = Array.from({ length: Math.floor((n - 4) / 10) }, (_, i) => (i + 1) * 10)
    .map((v) => `L${r1(x + w)} ${y(v - 2.1)}L${r1(x + w * 0.42)} ${y(v)}L${r1(x + w)} ${y(v + 2.1)}`)
    .join('');
  return (
    <path
      d={`M${r1(x)} ${base}H${r1(x + w)}${notches}L${r1(x + w)} ${y(n)}H${r1(x)}Z`}
      fill={planned ? (up ? 'var(--pale-wood)' : 'var(--paper)') : up ? 'var(--wood)' : 'var(--sheet)'}
      stroke="var(--wood-line)"
      strokeDasharray={planned ? '2.4 1.8' : undefined}
      strokeLinejoin="round"
    />
  );
}

/** Cord round the days on which a limb stands still. */
function Cord({ x0, x1, y0, y1 }: { x0: number; x1: number; y0: number; y1: number }) {
  const turns = Array.from({ length: Math.max(1, Math.floor((y1 - y0) / 7.4)) }, (_, i) => y0 + 4 + i * 7.4);
  return (
    <g>
      {turns.map((y) => (
        <g key={y}>
          <path d={`M${r1(x0)} ${r1(y + 1.4)}L${r1(x1)} ${r1(y - 1.4)}`} stroke="var(--wood-line)" strokeWidth="5.4" />
          <path d={`M${r1(x0)} ${r1(y + 1.4)}L${r1(x1)} ${r1(y - 1.4)}`} stroke="var(--cloth)" strokeWidth="3.6" />
        </g>
      ))}
    </g>
  );
}

/** The days on which a limb was stopped, as they followed from what was said: from the day after to the first free one. */
function stopsShown(
  limb: Limb,
  rule: LoadRule,
  today: PlainDate,
  last: PlainDate,
): { from: PlainDate; to: PlainDate; says: string }[] {
  const stops = limb.walk.days
    .filter((d) => d.said.includes('open'))
    .map((d) => ({ from: addDays(d.day, 1), to: addDays(d.day, rule.openDays), says: 'skin' }));
  const { stop } = limb.next;
  if (stop && stop.for !== 'open')
    stops.push({ from: addDays(stop.since, 1), to: stop.until ?? (last > today ? last : today), says: stop.for });
  return stops;
}

/** What was done and what would come, day by day; below it what was said, and the sums of each week. */
export function LoadChart({
  limbs,
  rule,
  today,
  snaps,
}: {
  limbs: readonly Limb[];
  rule: LoadRule;
  today: PlainDate;
  snaps: boolean;
}) {
  const first = addDays(monday(today), -7 * (WEEKS - WEEKS_AHEAD));
  const end = addDays(first, WEEKS * 7);
  const day = (W - X0) / (WEEKS * 7);
  const x = (d: PlainDate) => X0 + daysBetween(first, d) * day;
  const most = Math.max(
    56,
    ...limbs.flatMap((l) => [...l.walk.days.map((d) => d.done), ...l.ahead.map((a) => a.number)]),
  );
  const tall = most * PY + 8;
  const [up, down] = limbs;
  const base = r1(tall + 4);
  const H = down ? base + tall : base + 10;
  const weeks = Array.from({ length: WEEKS }, (_, i) => addDays(first, i * 7));
  const inside = (d: PlainDate) => d >= first && d < end;
  const marks = (of: Limb) => of.walk.days.filter((d) => inside(d.day));
  const sum = (of: Limb, week: PlainDate) => {
    const within = (d: PlainDate) => d >= week && d < addDays(week, 7);
    return (
      of.walk.days.filter((d) => within(d.day)).reduce((n, d) => n + d.done, 0) +
      of.ahead.filter((a) => within(a.day)).reduce((n, a) => n + a.number, 0)
    );
  };
  const lines = [20, 50].filter((v) => v < most);
  const rowY = (i: number) => 26 + i * 27 + 13;
  const sumsY = 26 + 4 * 27 + 18;
  const name = (l: Limb) => (l.side === 'none' ? 'both' : l.side);
  return (
    <figure className="load-chart">
      <svg
        viewBox={`0 0 ${W} ${r1(H)}`}
        width="100%"
        role="img"
        aria-label={`Each day from ${dayInWords(first, today)} to ${dayInWords(addDays(end, -1), today)}: ${limbs.map(name).join(' above, ')}${down ? ' below' : ''}`}
      >
        {weeks.map((w) => (
          <path key={w} d={`M${r1(x(w))} 6V${r1(H - 6)}`} stroke="var(--rule)" />
        ))}
        {lines.flatMap((v) =>
          (down ? [-1, 1] : [-1]).map((s) => (
            <g key={`${v} ${s}`}>
              <path d={`M${X0} ${r1(base + s * v * PY)}H${W}`} stroke="var(--rule)" strokeDasharray="2 4" />
              <text x={X0 - 8} y={r1(base + s * v * PY + 4.5)} fontSize="13" textAnchor="end" fill="var(--ink2)">
                {v}
              </text>
            </g>
          )),
        )}
        {[up, down].map(
          (l, i) =>
            l && (
              <text
                key={l.side}
                x="0"
                y={r1(base + (i === 0 ? -44 : 54))}
                fontSize="15"
                fontWeight="650"
                fill="var(--ink)"
              >
                {name(l)}
              </text>
            ),
        )}
        <path d={`M${X0} ${base}H${W}`} stroke="var(--ink)" strokeWidth="1.4" />
        {limbs.map((l, i) => (
          <g key={l.side}>
            {marks(l).map((d) => (
              <Lath
                key={d.day}
                x={x(d.day) + day * 0.11}
                w={day * 0.78}
                n={d.done}
                up={i === 0}
                planned={false}
                base={base}
              />
            ))}
            {l.ahead
              .filter((a) => inside(a.day))
              .map((a) => (
                <Lath
                  key={a.day}
                  x={x(a.day) + day * 0.11}
                  w={day * 0.78}
                  n={a.number}
                  up={i === 0}
                  planned
                  base={base}
                />
              ))}
            {stopsShown(l, rule, today, end)
              .filter((s) => s.to > first && s.from < end)
              .map((s) => {
                const x0 = x(s.from < first ? first : s.from) + 1;
                const x1 = x(s.to > end ? end : s.to) - 1;
                const y0 = i === 0 ? base - 56 * PY : base + 4;
                return (
                  <g key={s.from}>
                    <Cord x0={x0} x1={x1} y0={y0} y1={y0 + 56 * PY - 4} />
                    {x1 - x0 > 60 && (
                      <>
                        <rect x={r1((x0 + x1) / 2 - 38)} y={y0 + 30} width="76" height="20" fill="var(--paper)" />
                        <text
                          x={r1((x0 + x1) / 2)}
                          y={y0 + 44}
                          fontSize="13"
                          fontWeight="620"
                          textAnchor="middle"
                          fill="var(--ink)"
                        >
                          {s.says}
                        </text>
                      </>
                    )}
                  </g>
                );
              })}
          </g>
        ))}
        {snaps && rule.snapFrom < most && (
          <text x={X0 + 6} y={r1(base - rule.snapFrom * PY - 6)} fontSize="13" fill="var(--ink2)">
            snap back from {rule.snapFrom}
          </text>
        )}
        <path d={`M${r1(x(today))} 2V${r1(H - 2)}`} stroke="var(--ink)" strokeWidth="1.5" />
        <text x={r1(x(today) - 6)} y="14" fontSize="13" textAnchor="end" fill="var(--ink)">
          today
        </text>
      </svg>
      <svg
        viewBox={`0 0 ${W} ${sumsY + 10}`}
        width="100%"
        role="img"
        aria-label="What was said, and the sums of the weeks"
      >
        <text x="0" y="16" fontSize="13" fill="var(--ink2)">
          week of
        </text>
        {weeks.map((w) => {
          const now = w === monday(today);
          return (
            <text
              key={w}
              x={r1(x(w) + 2)}
              y="16"
              fontSize="13"
              fill={now ? 'var(--ink)' : 'var(--ink2)'}
              fontWeight={now ? 660 : 430}
            >
              {+w.slice(8)} {dayInWords(w, today).split(' ')[1]!.slice(0, 3)}
            </text>
          );
        })}
        {ROWS.map((row, i) => (
          <g key={row.name}>
            <text x="0" y={rowY(i) + 4.5} fontSize="14" fill="var(--ink)">
              {row.name}
            </text>
            <path d={`M${X0} ${rowY(i)}H${r1(x(today))}`} stroke="var(--rule)" />
            {limbs.map((l, side) =>
              marks(l).map((d) => (
                <Said
                  key={`${l.side} ${d.day}`}
                  d={d}
                  words={row.words}
                  x={x(d.day) + day / 2}
                  y={rowY(i)}
                  up={side === 0}
                />
              )),
            )}
          </g>
        ))}
        {['tick: nothing said', 'small: a little', 'tall: work stops'].map((t, i) => (
          <text key={t} x={r1(x(today) + 12)} y={26 + 13 + i * 20 + 5} fontSize="13" fill="var(--ink2)">
            {t}
          </text>
        ))}
        <path d={`M0 ${sumsY - 16}H${W}`} stroke="var(--rule)" />
        <text x="0" y={sumsY + 3} fontSize="13" fill="var(--ink2)">
          {down ? 'left|right' : 'sum'}
        </text>
        {weeks.map((w) => (
          <text
            key={w}
            className="num"
            x={r1(x(w) + 2)}
            y={sumsY + 3}
            fontSize="13"
            fill={w > today ? 'var(--ink2)' : 'var(--ink)'}
          >
            {[...limbs]
              .reverse()
              .map((l) => sum(l, w))
              .join('|')}
          </text>
        ))}
      </svg>
    </figure>
  );
}

/** What was said of one thing on a day: nothing, a little, or what stops the work. */
function Said({
  d,
  words,
  x,
  y,
  up,
}: {
  d: LoadDay;
  words: Partial<Record<LoadWord, 1 | 2>>;
  x: number;
  y: number;
  up: boolean;
}) {
  const said = d.said.find((w) => words[w] !== undefined);
  const sign = up ? -1 : 1;
  if (!said) return d.asked ? <path d={`M${r1(x)} ${y}v${sign * 3}`} stroke="var(--ink2)" strokeWidth="1.1" /> : null;
  const stops = words[said] === 2;
  const h = stops ? 12 : 7;
  return (
    <g>
      <rect
        x={r1(x - 3.2)}
        y={up ? y - h : y}
        width="6.4"
        height={h}
        fill={up ? 'var(--ink)' : 'var(--paper)'}
        stroke="var(--ink)"
        strokeWidth="1.3"
      />
      <text
        x={r1(x + 8)}
        y={r1(y + (up ? -2 : 11))}
        fontSize="13"
        fill={stops ? 'var(--lacquer)' : 'var(--ink)'}
        fontWeight={stops ? 660 : 430}
        stroke="var(--paper)"
        strokeWidth="3"
        paintOrder="stroke"
      >
        {loadWordInWords(said)}
      </text>
    </g>
  );
}
