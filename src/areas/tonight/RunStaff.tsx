import { clockInWords, timeOfDayIn, type Standing } from '../../core';

const W = 744;
const r1 = (n: number) => Math.round(n * 10) / 10;

/** The whole evening as a staff: what is over is outline, what is left is wood, and a pine needle stands at now. */
export function RunStaff({
  s,
  from,
  to,
  now,
  timeZone,
}: {
  s: Standing;
  from: number;
  to: number;
  now: number;
  timeZone: string;
}) {
  const end = Math.max(to, s.eveningEnds);
  const x = (t: number) => r1(((Math.min(end, Math.max(from, t)) - from) / Math.max(1, end - from)) * W);
  const at = x(now);
  const ends = s.times.slice(0, -1).filter((t) => t.to > t.from);
  return (
    <svg className="run-staff" viewBox={`-9 -16 ${W + 18} 72`} width="100%" aria-hidden="true">
      <rect x="1" y="0" width={W - 2} height="26" rx="5" fill="none" stroke="var(--wood)" strokeWidth="1.5" />
      <rect x={at} y="1" width={Math.max(0, W - at - 2)} height="24" fill="var(--wood)" />
      {ends.map((t) => (
        <path
          key={t.block.id}
          d={[-4, 0, 4].map((d) => `M${x(t.to) + d - 1.5} 29L${x(t.to) + d + 1.5} -3`).join('')}
          stroke={x(t.to) > at ? 'var(--wood-line)' : 'var(--wood)'}
          strokeWidth="2"
        />
      ))}
      <path d={`M${at} -6V29`} stroke="var(--pine)" strokeWidth="3" />
      <path d={`M${at - 8} -14H${at + 8}L${at} -4Z`} fill="var(--pine)" />
      <path d={`M${x(to)} 0V30`} stroke="var(--ink2)" strokeDasharray="3 3" />
      {s.times.map((t) => {
        const width = x(t.to) - x(t.from);
        const word = t.block.name.toLowerCase();
        if (width < word.length * 8.6) return null;
        return (
          <text
            key={t.block.id}
            x={(x(t.from) + x(t.to)) / 2}
            y="46"
            textAnchor="middle"
            fontSize="17"
            fontWeight={t.state === 'now' ? 700 : 430}
            fill={t.state === 'now' ? 'var(--pine)' : 'var(--ink2)'}
          >
            {word}
          </text>
        );
      })}
      <title>
        {clockInWords(timeOfDayIn(timeZone, from))} to {clockInWords(timeOfDayIn(timeZone, end))}
      </title>
    </svg>
  );
}
