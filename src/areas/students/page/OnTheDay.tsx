import type { StudentView } from '../../../contracts/views';
import { capital, chanceInWords } from '../../../core';
import { ChanceRule } from '../../../kit/marks/ChanceRule';

/** How likely the belt passes on the day, gates aside, with the looks behind it. */
export function OnTheDay({ view }: { view: StudentView }) {
  const c = view.chance;
  if (!view.next || view.requirements.length === 0) return null;
  const items = view.requirements.filter((r) => r.chance !== null).sort((a, b) => a.chance!.chance - b.chance!.chance);
  return (
    <section>
      <div className="spread">
        <h2>On the day</h2>
        <span className="second">{c ? `from ${c.looks} looks` : ''}</span>
      </div>
      {!c ? (
        <p className="second line pt-1">Too few looks to say how likely it passes.</p>
      ) : (
        <div className="line pt-2">
          <ChanceRule {...c} width={308} height={26} scale />
          <p>
            <b>{capital(c.words)}</b>, gates aside
            {Math.round(c.hi * 10) > Math.round(c.lo * 10) &&
              `, between ${Math.round(c.lo * 10)} and ${Math.round(c.hi * 10)}`}
            .{' '}
            {items.length > 0 &&
              `Least sure: ${items
                .slice(0, 2)
                .map((r) => `${r.technique} ${chanceInWords(r.chance!.chance)}`)
                .join(', ')}.`}
          </p>
          <p className="second">
            Five of each, three hold, four at critical points; one item may fail. Points are taken as independent.{' '}
            {c.correctedBy > 0
              ? `Corrected by ${c.correctedBy} past decisions.`
              : 'Not yet corrected by past decisions: there are fewer than thirty.'}
          </p>
        </div>
      )}
    </section>
  );
}
