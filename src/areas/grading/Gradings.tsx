import Button from '@mui/material/Button';
import { useState } from 'react';
import type { GradingsView } from '../../contracts/views';
import { countOf, dateInWords } from '../../core';
import { IslandRoot } from '../../kit/IslandRoot';
import { GradingSheet } from './GradingSheet';

/** "Which gradings are there?": the next ones first, with what is to be done at each. */
export default function Gradings({ view }: { view: GradingsView }) {
  const [adding, setAdding] = useState(false);
  const teaches = view.teachers.length > 0;
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>Which gradings are there?</h1>
          <p className="sub">
            Each examiner marks alone; when every sheet is in, the panel talks, and the head decides.
          </p>
        </div>
        {teaches && (
          <div className="actions">
            <a className="button" href="/gradings/history">
              What they fall by
            </a>
            {view.may.decide && (
              <Button variant="contained" onClick={() => setAdding(true)}>
                Make a grading
              </Button>
            )}
          </div>
        )}
      </div>
      <div className={adding ? 'columns' : ''}>
        <div>
          {view.gradings.length === 0 && (
            <p className="message">{teaches ? 'None yet.' : 'You are on no panel just now.'}</p>
          )}
          <ul>
            {view.gradings.map((g) => (
              <li key={g.id} className="line py-2 spread">
                <span>
                  <b>{teaches ? <a href={`/gradings/${g.id}`}>{g.title}</a> : g.title}</b>, {dateInWords(g.day)}{' '}
                  <span className="second">
                    {countOf(g.candidates, 'candidate')}
                    {g.closed && ', closed'}
                  </span>
                </span>
                <span className="row">
                  {g.mine !== 'no' && !g.closed && (
                    <a className="button go" href={`/gradings/${g.id}/examine`}>
                      {g.mine === 'open' ? 'Your sheet' : 'Your sheet, handed in'}
                    </a>
                  )}
                  {(g.mine === 'handed in' || view.may.decide) && <a href={`/gradings/${g.id}/panel`}>The panel</a>}
                </span>
              </li>
            ))}
          </ul>
        </div>
        {adding && (
          <GradingSheet
            value={{
              title: 'Grading',
              day: view.today,
              hallId: null,
              panel: [view.me],
              rule: view.usual,
            }}
            teachers={view.teachers}
            halls={view.halls}
            done={(id) => location.assign(`/gradings/${id}`)}
            leave={() => setAdding(false)}
          />
        )}
      </div>
    </IslandRoot>
  );
}
