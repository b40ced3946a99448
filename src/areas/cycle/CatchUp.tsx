import Button from '@mui/material/Button';
import type { CatchUpView } from '../../contracts/views';
import { addDays, countOf, dayInWords, daysBetween, listInWords, low, weekdayInWords } from '../../core';
import { IslandRoot } from '../../kit/IslandRoot';
import './CatchUp.css';

/** "What did this week teach?": the sheet for those who were away, to be read on a telephone or printed. */
export default function CatchUp({ view }: { view: CatchUpView }) {
  const on = (day: string) => `${weekdayInWords(day)} ${dayInWords(day, view.today)}`;
  const left = view.test ? daysBetween(view.today, view.test.day) : 0;
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>What did this week teach?</h1>
          <p className="sub">
            {view.school}, {dayInWords(view.from, view.today)} to {dayInWords(view.to, view.today)}.{' '}
            {view.classes.length === 0
              ? 'No class was noted.'
              : `${countOf(view.classes.length, 'class', 'classes')}: ${listInWords(view.classes.map((c) => weekdayInWords(c.day)))}.`}
            {view.test && left >= 0 && ` ${view.test.name} is on ${on(view.test.day)}, in ${countOf(left, 'day')}.`}
          </p>
        </div>
        <div className="actions no-print">
          <a className="button" href={`/cycle/catch-up?day=${addDays(view.from, -7)}`}>
            The week before
          </a>
          {view.to < view.today && (
            <a className="button" href={`/cycle/catch-up?day=${addDays(view.from, 7)}`}>
              The week after
            </a>
          )}
          <Button variant="contained" onClick={() => print()}>
            Print
          </Button>
        </div>
      </div>
      <div className="columns catch-up">
        <div>
          {view.items.length === 0 && (
            <p className="message">Nothing was noted as taught. What a class is planned or noted with stands here.</p>
          )}
          <ol>
            {view.items.map((i) => (
              <li key={i.itemKey} className="line keep-together">
                <h2>
                  <span className="box" aria-hidden="true" /> {i.name}
                </h2>
                <p className="second">
                  {[
                    i.conditions.join(', '),
                    listInWords(i.days.map((d) => weekdayInWords(d))),
                    i.belts.length > 0 ? `asked for ${listInWords(i.belts)}` : 'passed on without a test',
                  ]
                    .filter((t) => t !== '')
                    .join('; ')}
                  .{' '}
                  <a className="no-print" href={`/look?item=${encodeURIComponent(i.itemKey)}`}>
                    a look ticks it off
                  </a>
                </p>
                <ul className="points">
                  {i.points.map((p) => (
                    <li key={p.name} className={p.hurts ? 'hurts-first' : ''}>
                      {p.name}
                      {p.cue !== '' && <i> “{p.cue}”</i>}
                    </li>
                  ))}
                </ul>
                {i.contrast && (
                  <p>
                    <b>Not {i.contrast.with}:</b>{' '}
                    {[
                      i.contrast.here.length > 0 ? `here ${listInWords(i.contrast.here.map((t) => low(t)))}` : '',
                      i.contrast.there.length > 0 ? `there ${listInWords(i.contrast.there.map((t) => low(t)))}` : '',
                    ]
                      .filter((t) => t !== '')
                      .join('; ')}
                    .
                  </p>
                )}
                {i.alone !== '' && <p className="second">{i.alone}</p>}
              </li>
            ))}
          </ol>
        </div>
        <aside className="stack gap-4">
          {view.notFit.length > 0 && (
            <section>
              <h2>Did not fit</h2>
              {view.notFit.map((n) => (
                <p key={`${n.day} ${n.name}`}>
                  <b>{n.name}</b>, {on(n.day)} {n.why === 'lost' ? '(no class)' : '(left out)'}. {n.how}
                </p>
              ))}
            </section>
          )}
          {view.belts.map((b) => (
            <section key={b.name}>
              <h2>{b.name} has had</h2>
              {b.rows.length === 0 && <p className="second">None of these rows is asked for it.</p>}
              {b.rows.map((r) => (
                <p key={r.name} className="spread">
                  <span>{r.name}</span>
                  <span className="num">
                    {r.had} of {r.of} min
                  </span>
                </p>
              ))}
            </section>
          ))}
          <p className="no-print">
            <a href="/students/missed">Who has something to make up?</a>
          </p>
          <p className="no-print">
            <a href="/cycle">The weeks to the day</a>
          </p>
        </aside>
      </div>
    </IslandRoot>
  );
}
