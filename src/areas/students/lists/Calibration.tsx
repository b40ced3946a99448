import type { CalibrationView } from '../../../contracts/views';
import { countOf, dateInWords, OUTCOMES_TO_SPEAK, plural, type Reliability } from '../../../core';
import { IslandRoot } from '../../../kit/IslandRoot';

const two = (x: number) => x.toFixed(2);
const signed = (x: number) => {
  const size = Math.abs(x).toFixed(1);
  return size === '0.0' ? 'none' : `${x > 0 ? '+' : '−'}${size}`;
};

/** "How good were our chances?": what was believed against what happened, and who marks more kindly. */
export default function Calibration({ view }: { view: CalibrationView }) {
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>How good were our chances?</h1>
          <p className="sub">What was believed before against what was seen after. For the head only.</p>
        </div>
      </div>
      <div className="columns">
        <div className="stack gap-5">
          <section>
            <h2>At gradings</h2>
            {view.gradings ? (
              <Drawn r={view.gradings} what="decisions" />
            ) : (
              <p className="second line pt-1">
                {view.gradingCount === 0
                  ? 'No decision is recorded yet.'
                  : `${view.gradingCount} ${plural(view.gradingCount, 'decision')} so far: too few to judge by.`}{' '}
                From {OUTCOMES_TO_SPEAK} on, shown chances are corrected by them.
              </p>
            )}
          </section>
          <section>
            <h2>Forecasts</h2>
            {view.forecasts ? (
              <Drawn r={view.forecasts} what="students" />
            ) : (
              <p className="second line pt-1">
                {view.forecastCount === 0
                  ? 'Nobody is known well enough for eight weeks back.'
                  : `Only ${view.forecastCount} so far: too few to judge by.`}
              </p>
            )}
            <p className="second">
              As of eight weeks ago, the chance that everything asked would be met by today, and whether it is; gates
              aside.
            </p>
          </section>
          <section>
            <h2>In later looks</h2>
            {view.looks ? (
              <Drawn r={view.looks} what="points in looks of the last eight weeks" />
            ) : (
              <p className="second line pt-1">
                {view.lookCount === 0
                  ? 'No look of the last eight weeks follows another.'
                  : `Only ${view.lookCount} so far: too few to judge by.`}
              </p>
            )}
            <p className="second">
              For each look: the chance, from the looks before it, that a point would hold in four of five, and whether
              it did.
            </p>
          </section>
        </div>
        <aside className="stack gap-5">
          <section>
            <h2>Who marks more kindly?</h2>
            {view.teachers.length === 0 ? (
              <p className="second line pt-1">Too few marks of the same thing by two watchers within three weeks.</p>
            ) : (
              <ul>
                {view.teachers.map((t) => (
                  <li key={t.by} className="line py-1">
                    <p className="spread">
                      <b>{t.name}</b>
                      <span className="num">{signed(t.more)} of ten</span>
                    </p>
                    <Leaning more={t.more} lo={t.lo} hi={t.hi} />
                    <p className="second">
                      {t.lo > 0
                        ? 'More kindly than the others'
                        : t.hi < 0
                          ? 'More strictly than the others'
                          : 'No difference that is sure'}
                      , over {countOf(t.compared, 'mark')} of the same thing.
                    </p>
                  </li>
                ))}
              </ul>
            )}
          </section>
          <section>
            <h2>Decided lately</h2>
            {view.recent.length === 0 && (
              <p className="second line pt-1">Decisions are recorded on a student’s page.</p>
            )}
            <ul>
              {view.recent.slice(0, 14).map((r) => (
                <li key={r.name + r.day + r.rank} className="line py-1">
                  <span>
                    {r.name}{' '}
                    <span className="second">
                      {r.rank}, {dateInWords(r.day)}
                    </span>
                  </span>
                  <p className="second">
                    {r.words ?? 'too few looks to say'}; <b>{r.passed ? 'passed' : 'try again'}</b>
                  </p>
                </li>
              ))}
            </ul>
          </section>
        </aside>
      </div>
    </IslandRoot>
  );
}

/** Chances in tenths against what came true: on the diagonal they were right; dots grow with their number. */
function Drawn({ r, what }: { r: Reliability; what: string }) {
  const size = 300;
  const x = (p: number) => 40 + p * size;
  const y = (p: number) => 12 + (1 - p) * size;
  const most = Math.max(...r.bins.map((b) => b.n));
  const better = r.baseRate === 0 ? 0 : 1 - r.brier / r.baseRate;
  return (
    <div className="line pt-2">
      <svg
        width="380"
        height="352"
        viewBox="0 0 380 352"
        role="img"
        aria-label={`Chances said against what came true, ${r.n} ${what}`}
        className="fits"
      >
        <path d={`M${x(0)} ${y(0)}V${y(1)}M${x(0)} ${y(0)}H${x(1)}`} stroke="var(--ink2)" fill="none" />
        <path d={`M${x(0)} ${y(0)}L${x(1)} ${y(1)}`} stroke="var(--ink2)" strokeDasharray="4 4" />
        {[0, 0.5, 1].map((t) => (
          <g key={t} fontSize="13" fill="var(--ink2)">
            <text x={x(t)} y={y(0) + 18} textAnchor="middle">
              {t * 10} in 10
            </text>
            <text x={x(0) - 8} y={y(t) + 4} textAnchor="end">
              {t * 10}
            </text>
          </g>
        ))}
        {r.bins.map((b) => (
          <g key={b.said}>
            <path d={`M${x(b.said)} ${y(b.said)}V${y(b.came)}`} stroke="var(--brass)" strokeWidth="1.4" />
            <circle
              cx={x(b.said)}
              cy={y(b.came)}
              r={3 + 7 * Math.sqrt(b.n / most)}
              fill="var(--wood)"
              stroke="var(--wood-line)"
              strokeWidth="1.4"
            />
          </g>
        ))}
        <text x={x(0.5)} y="350" fontSize="13" textAnchor="middle" fill="var(--ink2)">
          said
        </text>
      </svg>
      <p>
        <b>
          {better > 0.02
            ? `${Math.round(better * 100)} in 100 better than always saying the share that came true.`
            : 'No better than always saying the share that came true.'}
        </b>{' '}
        Brier score {two(r.brier)}, from {r.n} {what}: {two(r.reliability)} for chances that were off,{' '}
        {two(r.resolution)} gained by telling apart, {two(r.uncertainty)} for what is uncertain anyway.
      </p>
      <table className="list mt-2">
        <thead>
          <tr>
            <th>Said</th>
            <th>Came true</th>
            <th>Times</th>
          </tr>
        </thead>
        <tbody>
          {r.bins.map((b) => (
            <tr key={b.said}>
              <td className="num">{two(b.said)}</td>
              <td className="num">{two(b.came)}</td>
              <td className="num">{b.n}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** A leaning from strict to kind, three repetitions of ten to either side. */
function Leaning({ more, lo, hi }: { more: number; lo: number; hi: number }) {
  const x = (v: number) => 150 + Math.max(-3, Math.min(3, v)) * 46;
  return (
    <svg width="300" height="20" viewBox="0 0 300 20" aria-hidden="true" className="fits">
      <path d="M12 14H288M150 6V18" stroke="var(--ink2)" />
      <rect x={x(lo)} y="4" width={Math.max(2, x(hi) - x(lo))} height="8" fill="none" stroke="var(--ink2)" />
      <path d={`M${x(more)} 1V14`} stroke="var(--ink)" strokeWidth="2.6" />
    </svg>
  );
}
