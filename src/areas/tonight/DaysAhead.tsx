import type { LookKitView } from '../../contracts/views';
import { addDays, dayInWords, weekdayInWords, type PlainDate } from '../../core';

/** So many evenings are offered to be laid out. */
const MOST = 7;

/** Tonight and the evenings after it: those that are planned, those the weeks have, or the usual days. */
export function DaysAhead({ kit, day }: { kit: LookKitView; day: PlainDate }) {
  const planned = new Set((kit.plans ?? []).map((p) => p.day));
  const known = [...planned, ...Object.keys(kit.weeks ?? {})].filter((d) => d > kit.today);
  // Where no weeks are laid out: the weekdays of the last classes, or at least tomorrow.
  const usual = (kit.plansBefore ?? []).map((p) => addDays(p.day, 7)).filter((d) => d > kit.today);
  const to = known.length > 0 ? known : usual.length > 0 ? usual : [addDays(kit.today, 1)];
  const days = [...new Set([kit.today, day, ...to])]
    .filter((d) => d >= kit.today)
    .sort()
    .slice(0, MOST);
  return (
    <nav className="days-ahead row wrap" aria-label="Evenings">
      {days.map((d) => (
        <a
          key={d}
          href={d === kit.today ? '/tonight' : `/tonight?day=${d}`}
          aria-current={d === day ? 'page' : undefined}
        >
          {d === kit.today ? 'Tonight' : `${weekdayInWords(d).slice(0, 3)} ${dayInWords(d, kit.today)}`}
          <span className="second">{planned.has(d) ? ' planned' : d === kit.today ? '' : ' open'}</span>
        </a>
      ))}
    </nav>
  );
}
