import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import { useState, type KeyboardEvent } from 'react';
import type { PointShown, TechniqueView } from '../../contracts/views';
import { canHurt, capital, dateInWords, inSentence, inWords, low, plural, standardInWords } from '../../core';
import { IslandRoot } from '../../kit/IslandRoot';
import { Belt } from '../../kit/marks/Belt';
import { BodyFigure } from '../../kit/marks/BodyFigure';
import { RuleMark, Splinter } from '../../kit/marks/small';
import { Stick } from '../../kit/marks/Stick';
import { send } from '../../kit/send';
import { Merge, Places, Stages, StanceFromAbove, Terms, Ways } from './Details';
import './details.css';

/** "What makes a … right?": points on one staff from the ground up, the chosen one beside it. */
export default function TechniquePage({ view, mayChange }: { view: TechniqueView; mayChange: boolean }) {
  const { technique: t, points } = view;
  const [chosen, setChosen] = useState(points.find((p) => p.critical)?.id ?? points[0]?.id);
  const point = points.find((p) => p.id === chosen);
  const critical = points.filter((p) => p.critical).length;
  const own = points.filter((p) => p.from === null).length;
  const inherited = [...new Map(points.flatMap((p) => (p.from ? [[p.from.id, p.from]] : [])))].map(([, f]) => f);
  const keys = (e: KeyboardEvent) => {
    const by = e.key === 'ArrowUp' ? 1 : e.key === 'ArrowDown' ? -1 : 0;
    if (by === 0) return;
    e.preventDefault();
    const next = points[Math.max(0, Math.min(points.length - 1, points.findIndex((p) => p.id === chosen) + by))];
    if (!next) return;
    setChosen(next.id);
    document.getElementById(`point-${next.id}`)?.focus();
  };
  const retire = async () => {
    const answer = await send('technique.retire', { id: t.id, retired: !t.retired });
    if (answer.ok) location.reload();
  };
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>What makes {article(t.name)} right?</h1>
          <p className="sub">
            {capital(inWords(points.length))} {plural(points.length, 'point')}
            {critical > 0 && `, ${inWords(critical)} of them critical`}
            {own < points.length &&
              `; ${inWords(points.length - own)} from ${inherited.map((f) => inSentence(f.name)).join(' and ')}`}
            . Changed {dateInWords(view.technique.changedOn)}
            {t.changedBy && ` by ${t.changedBy}`}.{t.retired && ' Retired: not offered any more.'}
          </p>
        </div>
        <div className="actions">
          {mayChange && (
            <a className="button" href={`/techniques/${t.id}/edit`}>
              Change it
            </a>
          )}
          {!t.retired && points.length > 0 && (
            <a className="button go" href={`/look?technique=${t.id}`}>
              Sweep a point
            </a>
          )}
        </div>
      </div>
      <div className="columns">
        <div>
          {t.summary !== '' && (
            <p className="cue" style={{ marginBottom: 12, fontSize: 18, lineHeight: '25px' }}>
              {t.summary}
            </p>
          )}
          <Terms view={view} />
          {points.length === 0 ? (
            <p className="message">
              There is no point to look at yet.{' '}
              {mayChange && <a href={`/techniques/${t.id}/edit`}>Write the first one</a>}: what do you look at first,
              from the feet up?
            </p>
          ) : (
            <div className="ground">
              <div className="figure">
                <BodyFigure kind={t.kind} points={points} lit={chosen} />
              </div>
              <section aria-label="Points from the ground up">
                <div className="spread">
                  <h2>From the ground up</h2>
                  <span className="legend" style={{ margin: 0 }}>
                    <span>
                      <Hatched /> accepted
                    </span>
                    <span>
                      <Hatched solid /> wanted
                    </span>
                  </span>
                </div>
                <ol className="points" onKeyDown={keys} style={{ minHeight: points.length * 42 }}>
                  {points.map((p, i) => (
                    <li key={p.id} className={p.id === chosen ? 'lit' : ''}>
                      <ButtonBase
                        id={`point-${p.id}`}
                        onClick={() => setChosen(p.id)}
                        aria-pressed={p.id === chosen}
                        tabIndex={p.id === chosen ? 0 : -1}
                      >
                        <span className="spike" aria-hidden="true">
                          {canHurt(p) && <Splinter />}
                        </span>
                        <span className="no num">{i + 1}</span>
                        <span className="what">
                          <b>{p.name}</b>
                          <span className="second">
                            {p.critical && <b>Critical. </b>}
                            {canHurt(p) && <span className="hurts">Can hurt. </span>}
                            {p.slips[0]?.looksLike ?? p.how}
                          </span>
                        </span>
                        <span className="second kind">{p.kind}</span>
                        <span className="measure">
                          <How point={p} values={view.lately[p.id]?.values ?? []} />
                        </span>
                      </ButtonBase>
                    </li>
                  ))}
                </ol>
              </section>
            </div>
          )}
          <div className="more">
            <Stages counts={t.detail.counts} joined={t.detail.joined} />
            <StanceFromAbove view={view} />
          </div>
        </div>
        <aside className="stack gap-5">
          {point && <PointSheet point={point} n={points.indexOf(point) + 1} lately={view.lately[point.id]} />}
          <section>
            <h2>Where it is asked</h2>
            {view.usedBy.length === 0 && <p className="sub line pt-1">No belt asks for it yet.</p>}
            <ul>
              {view.usedBy.map((u) => (
                <li key={u.rank.id + u.condition} className="line py-1">
                  <div className="row">
                    <Belt name={u.rank.name} cloth={u.rank.cloth} />
                    <b>{u.rank.name}</b>
                    <span style={{ marginLeft: 'auto' }} className="second">
                      {u.condition}
                    </span>
                  </div>
                  <p className="second">{standardInWords(u.standard, t.sided)}</p>
                </li>
              ))}
            </ul>
          </section>
          <div className="more" style={{ gridTemplateColumns: 'minmax(0, 1fr)', marginTop: 0 }}>
            <Ways view={view} />
            <Places view={view} />
          </div>
          {mayChange && (
            <div>
              <Merge view={view} />
              <Button variant="text" onClick={() => void retire()}>
                {t.retired ? 'Take it back into use' : 'Retire this technique'}
              </Button>
            </div>
          )}
        </aside>
      </div>
      <style>{`
        .ground { display: grid; grid-template-columns: 256px minmax(0, 1fr); gap: 8px; align-items: end; }
        .points { position: relative; display: flex; flex-direction: column-reverse; border-left: 11px solid var(--wood); box-shadow: inset 1px 0 0 var(--wood-line), -1px 0 0 -0px var(--wood-line); border-bottom: 1.6px solid var(--ink); }
        .points li { border-top: 1px solid var(--rule); }
        .points li.lit { background: var(--lit); }
        .points button { width: 100%; display: flex; align-items: center; gap: 10px; text-align: left; padding: 5px 4px 5px 0; font: inherit; min-height: 42px; position: relative; }
        .points .spike { position: absolute; left: -27px; top: 12px; transform: scaleX(-1); }
        .points .no { width: 26px; text-align: right; font-weight: 650; flex: none; }
        .points li.lit .no { color: var(--pine); }
        .points .what { flex: 1; min-width: 0; display: grid; } .points .what b { font-weight: 650; }
        .points .kind { width: 66px; text-align: right; flex: none; }
        .points .measure { width: 120px; flex: none; }
        @media (max-width: 720px) { .ground { grid-template-columns: minmax(0,1fr); } .figure { display: none; } .points { margin-left: 16px; } .points .kind { display: none; } .points .measure { width: 92px; overflow: hidden; } }
      `}</style>
    </IslandRoot>
  );
}

const article = (name: string) =>
  /^(Cover|Edge)/.test(name)
    ? inSentence(name)
    : /^[aeiou]/i.test(name)
      ? `an ${inSentence(name)}`
      : `a ${inSentence(name)}`;

const withUnit = (n: number, unit: string) => (unit === '°' || unit === '%' ? `${n}${unit}` : `${n} ${unit}`);

function Hatched({ solid = false }: { solid?: boolean }) {
  return (
    <svg width="23" height="9" viewBox="0 0 23 9" aria-hidden="true">
      <rect x=".5" y=".5" width="22" height="8" fill={solid ? 'var(--ink)' : 'var(--pale-wood)'} stroke="var(--ink)" />
      {!solid && <path d="M2 8.5l6-8M7 8.5l6-8M12 8.5l6-8M17 8.5l5-7" stroke="var(--ink)" strokeWidth="1.1" />}
    </svg>
  );
}

function How({ point, values }: { point: PointShown; values: readonly number[] }) {
  if (point.kind === 'measured' && point.accepted && point.unit)
    return <RuleMark accepted={point.accepted} wanted={point.wanted} unit={point.unit} values={values} />;
  if (point.kind === 'counted')
    return (
      <svg width="53" height="18" viewBox="0 0 53 18" aria-hidden="true">
        <rect x=".5" y="1.5" width="52" height="15" rx="2" fill="var(--pale-wood)" stroke="var(--wood-line)" />
        <circle cx="11" cy="9" r="4.6" fill="var(--ink)" />
        <circle cx="26" cy="9" r="4.6" fill="var(--ink)" />
        <circle cx="41" cy="9" r="4" fill="none" stroke="var(--ink)" strokeWidth="1.5" />
      </svg>
    );
  if (point.kind === 'felt') return <span className="second">told by the receiver</span>;
  return (
    <span aria-hidden="true">
      <Stick marks={['H']} side="none" width={22} height={14} />
    </span>
  );
}

function PointSheet({
  point,
  n,
  lately,
}: {
  point: PointShown;
  n: number;
  lately: TechniqueView['lately'][string] | undefined;
}) {
  const inside =
    lately && point.accepted
      ? lately.values.filter((v) => v >= point.accepted!.lo && v <= point.accepted!.hi).length
      : 0;
  return (
    <section className="sheet" aria-live="polite">
      <div className="spread">
        <h2>
          {n} {point.name}
        </h2>
        {point.critical && <b>critical</b>}
      </div>
      {point.how !== '' && <p className="mt-1">{point.how}.</p>}
      {point.why !== '' && <p className="second mt-1">Why: {low(point.why)}.</p>}
      {point.from && (
        <p className="second mt-1">
          From <a href={`/techniques/${point.from.id}`}>{point.from.name}</a>: marks count there too.
        </p>
      )}
      {point.accepted && point.unit && (
        <p className="mt-2">
          Accepted {point.accepted.lo} to {withUnit(point.accepted.hi, point.unit)}
          {point.wanted && `, wanted ${point.wanted.lo} to ${withUnit(point.wanted.hi, point.unit)}`}.
        </p>
      )}
      {lately && (
        <p className="second mt-1">
          {point.kind === 'measured'
            ? `Of the last ${lately.values.length} measures ${inside} were accepted.`
            : `In the last 90 days ${lately.held} of ${lately.of} repetitions held.`}
        </p>
      )}
      <ul>
        {point.slips.map((s) => (
          <li key={s.id} className="line" style={{ marginTop: 10, paddingTop: 10, display: 'flex', gap: 10 }}>
            <Stick marks={['S']} side="none" width={26} height={16} />
            <div>
              <p>
                <b>{s.looksLike}.</b> {s.cause !== '' && `${s.cause}.`}
              </p>
              {s.cue !== '' && <p className="cue">“{s.cue}”</p>}
              {s.hurts !== 'nobody' && (
                <p className="row" style={{ alignItems: 'flex-start', gap: 6 }}>
                  <Splinter />
                  <span>
                    <span className="hurts">Can hurt {s.hurts === 'self' ? 'oneself' : 'the partner'}:</span>{' '}
                    {s.hurtsHow || 'stop and mend it first'}.
                  </span>
                </p>
              )}
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}
