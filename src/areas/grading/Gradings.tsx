import Button from '@mui/material/Button';
import { useState } from 'react';
import type { GradingsView } from '../../contracts/views';
import { countOf, dateInWords } from '../../core';
import { IslandRoot } from '../../kit/IslandRoot';
import { send } from '../../kit/send';
import { GradingSheet } from './GradingSheet';

/** "Which gradings are there?": the next ones first, with what is to be done at each. */
export default function Gradings({ view }: { view: GradingsView }) {
  const { alone } = view;
  const [wrong, setWrong] = useState('');
  const [adding, setAdding] = useState(alone !== null);
  const made = async (id: string) => {
    if (alone) {
      const put = await send('grading.put', { gradingId: id, studentId: alone.id, rankId: alone.to.id, reason: null });
      if (!put.ok) return setWrong(put.title);
    }
    location.assign(`/gradings/${id}`);
  };
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
      <div role="alert">{wrong !== '' && <p className="message wrong">{wrong}</p>}</div>
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
                    {g.midterm && ', a midterm'}
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
              title: alone ? `${alone.name} to ${alone.to.name}` : 'Grading',
              day: view.today,
              hallId: null,
              panel: [view.me],
              rule: view.usual,
              items: null,
              answerBy: null,
            }}
            teachers={view.teachers}
            halls={view.halls}
            items={view.items}
            done={made}
            leave={() => setAdding(false)}
          />
        )}
      </div>
    </IslandRoot>
  );
}
