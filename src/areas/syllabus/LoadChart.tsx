import { Bar, BarChart, CartesianGrid, Legend, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { GROUPS, type Group, type RankLoad } from '../../core';
import './LoadChart.css';

/** Each kind has its own weave besides its colour, so that the chart reads in black and white. */
const WEAVE: Record<Group, { fill: string; mark: string }> = {
  Basics: { fill: 'var(--wood)', mark: '' },
  Forms: { fill: 'var(--pale-wood)', mark: 'M0 3H6' },
  Combinations: { fill: 'var(--sheet)', mark: 'M0 6L6 0' },
  Equipment: { fill: 'var(--cloth)', mark: 'M0 0L6 6M0 6L6 0' },
  Partner: { fill: 'var(--sheet)', mark: 'M3 0V6' },
};

/** Hours of new work by kind, belt by belt. */
export default function LoadChart({
  loads,
  ranks,
}: {
  loads: readonly RankLoad[];
  ranks: readonly { id: string; name: string }[];
}) {
  const rows = loads.map((l, i) => ({
    name: ranks[i]?.name ?? '',
    ...Object.fromEntries(GROUPS.map((g) => [g, Math.round(l.byGroup[g].minutes / 6) / 10])),
  }));
  const text = { fontSize: 13, fill: 'var(--ink2)' };
  return (
    <div className="load-chart">
      <ResponsiveContainer width="100%" height={220}>
        <BarChart data={rows} margin={{ top: 8, right: 8, bottom: 0, left: 0 }}>
          <defs>
            {GROUPS.map((g) => (
              <pattern key={g} id={`weave-${g}`} width="6" height="6" patternUnits="userSpaceOnUse">
                <rect width="6" height="6" fill={WEAVE[g].fill} />
                {WEAVE[g].mark && <path d={WEAVE[g].mark} stroke="var(--wood-line)" strokeWidth="1" />}
              </pattern>
            ))}
          </defs>
          <CartesianGrid vertical={false} stroke="var(--rule)" />
          <XAxis dataKey="name" tick={text} stroke="var(--ink)" tickLine={false} interval={0} />
          <YAxis tick={text} stroke="var(--ink)" tickLine={false} width={44} unit=" h" />
          <Tooltip
            cursor={{ fill: 'var(--lit)' }}
            contentStyle={{ background: 'var(--sheet)', border: '1px solid var(--ink2)', borderRadius: 6 }}
            formatter={(value, name) => [`${String(value)} h`, name]}
          />
          <Legend wrapperStyle={{ fontSize: 13, color: 'var(--ink)' }} />
          {GROUPS.map((g) => (
            <Bar
              key={g}
              dataKey={g}
              stackId="load"
              fill={`url(#weave-${g})`}
              stroke="var(--wood-line)"
              isAnimationActive={false}
            />
          ))}
        </BarChart>
      </ResponsiveContainer>
      <table className="hidden">
        <caption>Hours of new work by kind</caption>
        <thead>
          <tr>
            <th>Belt</th>
            {GROUPS.map((g) => (
              <th key={g}>{g}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {loads.map((l, i) => (
            <tr key={l.rankId}>
              <th>{ranks[i]?.name}</th>
              {GROUPS.map((g) => (
                <td key={g}>{Math.round(l.byGroup[g].minutes / 6) / 10}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
