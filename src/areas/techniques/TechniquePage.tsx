import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import { useState, type KeyboardEvent } from 'react';
import type { TechniqueView } from '../../contracts/views';
import { canHurt, capital, dateInWords, inSentence, inWords, plural, standardInWords } from '../../core';
import { IslandRoot } from '../../kit/IslandRoot';
import { Belt } from '../../kit/marks/Belt';
import { BodyFigure } from '../../kit/marks/BodyFigure';
import { Splinter } from '../../kit/marks/small';
import { roving } from '../../kit/roving';
import { send } from '../../kit/send';
import { Merge, Places, Stages, StanceFromAbove, Terms, Ways } from './Details';
import './details.css';
import { Hatched, How } from './PointMarks';
import { PointSheet } from './PointSheet';
import './technique.css';

/** "What makes a … right?": points on one staff from the ground up, the chosen one beside it. */
export default function TechniquePage({ view, mayChange }: { view: TechniqueView; mayChange: boolean }) {
  const { technique: t, points } = view;
  const [chosen, setChosen] = useState(points.find((p) => p.critical)?.id ?? points[0]?.id);
  const [wrong, setWrong] = useState('');
  const point = points.find((p) => p.id === chosen);
  const critical = points.filter((p) => p.critical).length;
  const own = points.filter((p) => p.from === null).length;
  const inherited = [...new Map(points.flatMap((p) => (p.from ? [[p.from.id, p.from]] : [])))].map(([, f]) => f);
  const keys = (e: KeyboardEvent) => {
    // From the ground up: the first stands lowest.
    const from = points.toReversed();
    const row = from.findIndex((p) => p.id === chosen);
    roving(
      e,
      { row, column: 0 },
      { rows: from.length },
      ({ row }) => setChosen(from[row]!.id),
      ({ row }) => document.getElementById(`point-${from[row]!.id}`),
    );
  };
  const retire = async () => {
    const answer = await send('technique.retire', { id: t.id, retired: !t.retired });
    setWrong(answer.ok ? '' : answer.title);
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
              <div role="alert">{wrong !== '' && <p className="message wrong">{wrong}</p>}</div>
            </div>
          )}
        </aside>
      </div>
    </IslandRoot>
  );
}

const article = (name: string) =>
  /^(Cover|Edge)/.test(name)
    ? inSentence(name)
    : /^[aeiou]/i.test(name)
      ? `an ${inSentence(name)}`
      : `a ${inSentence(name)}`;
