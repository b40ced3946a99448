import { useState } from 'react';
import type { SyllabusFinding } from '../../core';
import { dateInWords, inWords, plural } from '../../core';
import { WhyItMayStay } from '../../kit/form/WhyItMayStay';
import { CutMark } from '../../kit/marks/CutMark';
import { Ring } from './small';

/** What somebody can be hurt by is thought of one by one. */
const ONE_BY_ONE: readonly SyllabusFinding['check'][] = ['above the ceiling', 'too young'];

/** What does not hold together, numbered as on the cloth; each can be left with a reason. */
export function Findings({
  open,
  waived,
  onPick,
  onWaive,
}: {
  open: readonly SyllabusFinding[];
  waived: readonly (SyllabusFinding & { reason: string; by: string; day: string })[];
  onPick: (f: SyllabusFinding) => void;
  /** Null: this reader may not decide. */
  onWaive: ((keys: readonly string[], reason: string | null) => void) | null;
}) {
  const [asking, setAsking] = useState<string | null>(null);
  const [all, setAll] = useState(false);
  const likeOf = (f: SyllabusFinding) =>
    ONE_BY_ONE.includes(f.check) ? [] : open.filter((x) => x.check === f.check && x.key !== f.key);
  const shown = all ? open : open.slice(0, 8);
  return (
    <section className="findings">
      <div className="spread">
        <h2>Checks</h2>
        <span className="second">
          {open.length === 0 ? 'nothing to look at' : `${inWords(open.length)} to look at`}
        </span>
      </div>
      <ol>
        {shown.map((f, i) => (
          <li key={f.key}>
            <Ring n={i + 1} />
            <div>
              <button type="button" className="bare" onClick={() => onPick(f)}>
                <b>{f.says}</b> {f.why}
              </button>{' '}
              {onWaive && asking !== f.key && (
                <button
                  type="button"
                  className="link"
                  aria-label={`Leave it: ${f.says}`}
                  onClick={() => setAsking(f.key)}
                >
                  leave it
                </button>
              )}
              {asking === f.key && (
                <WhyItMayStay
                  says="Leave it"
                  alike={likeOf(f).length}
                  leave={() => setAsking(null)}
                  stays={(reason, all) => {
                    onWaive?.(
                      [f, ...(all ? likeOf(f) : [])].map((x) => x.key),
                      reason,
                    );
                    setAsking(null);
                    return null;
                  }}
                />
              )}
            </div>
          </li>
        ))}
        {open.length === 0 && (
          <li>
            <CutMark cut="held" />
            <div>The way holds together, and no prerequisite goes round in a circle.</div>
          </li>
        )}
      </ol>
      {open.length > shown.length && (
        <button type="button" className="link" onClick={() => setAll(true)}>
          and {inWords(open.length - shown.length)} more
        </button>
      )}
      {waived.length > 0 && (
        <details>
          <summary>
            {inWords(waived.length)} left with a {plural(waived.length, 'reason')}
          </summary>
          <ul>
            {waived.map((f) => (
              <li key={f.key}>
                <span />
                <div>
                  {f.says}{' '}
                  <span className="second">
                    “{f.reason}”, {f.by}, {dateInWords(f.day)}.
                  </span>{' '}
                  {onWaive && (
                    <button type="button" className="link" onClick={() => onWaive([f.key], null)}>
                      look at it again
                    </button>
                  )}
                </div>
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}
