import { clockInWords, listInWords, type DayGroup, type DayPlan, type DaySettings } from '../../core';
import './RunSheet.css';

/** So many points a minute: three hours fit a desk's screen. */
const POINTS = 3.5;

interface Block {
  id: string;
  at: number;
  minutes: number;
  floor: number | 'all';
  label: string;
  more: string;
  /** Minutes of it that can be given up. */
  slack: number;
}

/** The day to scale: a staff for the clock, a thread for each examiner while they look, and a block a group on its floor. */
export function DayChart({
  groups,
  plan,
  settings: s,
  panel,
  chosen,
  onChoose,
  numbers,
  slack,
  now,
  nameOf,
}: {
  groups: readonly DayGroup[];
  plan: DayPlan;
  settings: DaySettings;
  panel: readonly { id: string; name: string }[];
  chosen: string | null;
  onChoose: (id: string) => void;
  /** The numbers of checks that stand at a group. */
  numbers: ReadonlyMap<string, number[]>;
  slack: { pause: number; panel: number };
  /** The minute it is, on the day itself. */
  now: number | null;
  nameOf: (id: string) => string;
}) {
  const byId = new Map(groups.map((g) => [g.id, g]));
  const blocks: Block[] = [
    {
      id: 'opening',
      at: s.begins,
      minutes: s.opening,
      floor: 'all',
      label: 'Bow in, the rule read out, warm-up',
      more: '',
      slack: 0,
    },
    ...plan.groups.flatMap((p): Block[] => {
      const g = byId.get(p.group);
      return g
        ? [
            {
              id: g.id,
              at: p.at,
              minutes: g.minutes,
              floor: p.floor,
              label: g.belt,
              more: `${g.people.length} in line`,
              slack: 0,
            },
          ]
        : [];
    }),
    ...(plan.pauseAt === null
      ? []
      : [
          {
            id: 'pause',
            at: plan.pauseAt,
            minutes: s.pause,
            floor: 'all' as const,
            label: 'Break',
            more: '',
            slack: slack.pause,
          },
        ]),
    {
      id: 'panel',
      at: plan.panelAt,
      minutes: s.panel,
      floor: 'all',
      label: 'The panel sits',
      more: '',
      slack: slack.panel,
    },
    {
      id: 'closing',
      at: plan.closingAt,
      minutes: s.closing,
      floor: 'all',
      label: 'Belts, bow out',
      more: '',
      slack: 0,
    },
  ];
  const end = Math.max(plan.endsAt, s.ends);
  const y = (minute: number) => (minute - s.begins) * POINTS;
  const times = [...new Set(blocks.map((b) => b.at))].sort((a, b) => a - b);
  const shown = times.filter((t, i) => i === 0 || y(t) - y(times[i - 1]!) >= 14);
  const floors = Math.max(1, s.floors);
  return (
    <div className="day-chart" style={{ height: y(end) + 24 }}>
      <div className="clock" aria-hidden>
        {shown.map((t) => (
          <span key={t} className="num" style={{ top: y(t) }}>
            {clockInWords(t)}
          </span>
        ))}
        <span className="num last" style={{ top: y(plan.endsAt) }}>
          {clockInWords(plan.endsAt)}
        </span>
      </div>
      <div className="staff" aria-hidden style={{ height: y(plan.endsAt) }} />
      <div className="threads" aria-hidden style={{ width: panel.length * 20 }}>
        {panel.map((p, i) => (
          <div key={p.id} className="thread" style={{ left: i * 20 }}>
            <span className="who">{p.name.split(' ')[0]}</span>
            {plan.groups
              .filter((g) => g.examiners.includes(p.id))
              .map((g) => (
                <i key={g.group} style={{ top: y(g.at) + 4, height: (byId.get(g.group)?.minutes ?? 0) * POINTS - 8 }} />
              ))}
          </div>
        ))}
      </div>
      <ol className="floors" aria-label="The day">
        {blocks
          .sort((a, b) => a.at - b.at)
          .map((b) => {
            const height = Math.max(16, b.minutes * POINTS - 2);
            const place =
              b.floor === 'all'
                ? { left: 0, width: '100%' }
                : { left: `${(b.floor * 100) / floors}%`, width: `calc(${100 / floors}% - 4px)` };
            const group = byId.get(b.id);
            return (
              <li key={b.id} style={{ top: y(b.at), height, ...place }}>
                <button
                  type="button"
                  className={`block${group ? ' wooden' : ''}${chosen === b.id ? ' on' : ''}`}
                  aria-pressed={chosen === b.id}
                  aria-label={`${clockInWords(b.at)}, ${b.label}, ${b.minutes} minutes`}
                  onClick={() => onChoose(b.id)}
                >
                  {(numbers.get(b.id) ?? []).map((n) => (
                    <span key={n} className="check-number">
                      {n}
                    </span>
                  ))}
                  <b>{b.label}</b> <span className="second">{b.more}</span>
                  {height >= 40 && group && (
                    <span className="second names">{listInWords(group.people.map(nameOf), 8)}</span>
                  )}
                  <span className="num minutes">{b.minutes} min</span>
                  {b.slack > 0 && <i className="slack" style={{ height: b.slack * POINTS }} />}
                </button>
              </li>
            );
          })}
        {now !== null && now >= s.begins && now <= end && (
          <li className="now" style={{ top: y(now) }} aria-label={`Now, ${clockInWords(now)}`} />
        )}
      </ol>
    </div>
  );
}
