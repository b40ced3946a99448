import { dayInWords, MONTHS, weekdayInWords, type Cycle, type Past } from '../../core';
import type { Drawn } from './CycleChart';

/** The weeks on paper: a page a month, minutes in figures. */
export function CyclePrint({
  cycle,
  drawn,
  past,
  today,
  school,
  end,
}: {
  cycle: Cycle;
  drawn: Drawn;
  past: Past;
  today: string;
  school: string;
  end: string;
}) {
  const months = [...new Set(cycle.classes.map((c) => c.day.slice(0, 7)))];
  return (
    <div className="cycle-print" aria-hidden="true">
      {months.map((m) => {
        const classes = cycle.classes.filter((c) => c.day.startsWith(m));
        const rows = cycle.rows.filter((r) =>
          classes.some((c) => drawn.minutes(r.id, c.id) + drawn.lost(r.id, c.id) > 0),
        );
        return (
          <section key={m}>
            <h2>
              {MONTHS[+m.slice(5) - 1]} {m.slice(0, 4)}, {school}
            </h2>
            <p>
              {cycle.name}: {end} on {dayInWords(cycle.day, today)}. Minutes of each row; in brackets: lost; *: pinned.
            </p>
            <table>
              <thead>
                <tr>
                  <th />
                  {classes.map((c) => (
                    <th key={c.id}>
                      {weekdayInWords(c.day).slice(0, 3)} {+c.day.slice(8)}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {rows.map((r) => (
                  <tr key={r.id}>
                    <th>{r.name}</th>
                    {classes.map((c) => {
                      const n = drawn.minutes(r.id, c.id);
                      const lost = drawn.lost(r.id, c.id);
                      return (
                        <td key={c.id} className={c.off !== null || past.lost.has(c.id) ? 'off' : ''}>
                          {n > 0
                            ? `${n}${drawn.pinned.has(`${r.id} ${c.id}`) ? '*' : ''}`
                            : lost > 0
                              ? `(${lost})`
                              : ''}
                        </td>
                      );
                    })}
                  </tr>
                ))}
                <tr>
                  <th>in all</th>
                  {classes.map((c) => (
                    <td key={c.id}>
                      {cycle.rows.reduce((n, r) => n + drawn.minutes(r.id, c.id), 0) ||
                        (c.off ?? (past.lost.has(c.id) ? 'lost' : ''))}
                    </td>
                  ))}
                </tr>
              </tbody>
            </table>
          </section>
        );
      })}
    </div>
  );
}
