import Button from '@mui/material/Button';
import { useState } from 'react';
import type { SyllabusFollowView } from '../../contracts/views';
import { capital, dateInWords, inWords, plural } from '../../core';
import { IslandRoot } from '../../kit/IslandRoot';
import { send } from '../../kit/send';
import './shared.css';

/** "Who moves to it?": students on other versions, each with what would change for them. */
export default function Follow({ view: { to, movers, ranks } }: { view: SyllabusFollowView }) {
  const [left, setLeft] = useState(movers);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [open, setOpen] = useState<string | null>(movers[0]?.id ?? null);
  const [said, setSaid] = useState<{ good: boolean; text: string } | null>(null);
  const shown = left.find((m) => m.id === open);
  const rankName = (id: string) => ranks.find((r) => r.id === id)?.name ?? '';
  const move = async () => {
    const ids = [...chosen];
    const answer = await send('syllabus.follow', { versionId: to.id, studentIds: ids });
    if (!answer.ok) {
      setSaid({ good: false, text: answer.title });
      return;
    }
    setLeft(left.filter((m) => !chosen.has(m.id)));
    setChosen(new Set());
    setSaid({
      good: true,
      text: `${capital(inWords(ids.length))} ${plural(ids.length, 'follows', 'follow')} “${to.title}” from today.`,
    });
  };
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>Who moves to “{to.title}”?</h1>
          <p className="sub">
            It counts from {dateInWords(to.from)} for everybody whose cycle begins then. Whoever is in the middle of one
            stays on what it began with, unless you move them here.
          </p>
        </div>
        <div className="actions">
          <a className="button" href="/syllabus">
            Back to the way
          </a>
          <Button variant="contained" disabled={chosen.size === 0} onClick={() => void move()}>
            Move {chosen.size === 0 ? 'them' : inWords(chosen.size)}
          </Button>
        </div>
      </div>
      <div role="alert">{said && <p className={`message ${said.good ? 'good' : 'wrong'}`}>{said.text}</p>}</div>
      {left.length === 0 ? (
        <p className="message">Everybody follows it.</p>
      ) : (
        <div className="columns">
          <div className="scroll">
            <table className="list">
              <thead>
                <tr>
                  <th scope="col">
                    <label className="row">
                      <input
                        type="checkbox"
                        checked={chosen.size === left.length}
                        onChange={(e) => setChosen(new Set(e.target.checked ? left.map((m) => m.id) : []))}
                      />{' '}
                      all
                    </label>
                  </th>
                  <th scope="col">Student</th>
                  <th scope="col">Wears</th>
                  <th scope="col">Follows</th>
                  <th scope="col">Changes for them</th>
                </tr>
              </thead>
              <tbody>
                {left.map((m) => (
                  <tr key={m.id} className={m.id === open ? 'lit' : ''}>
                    <td>
                      <input
                        type="checkbox"
                        aria-label={`Move ${m.name}`}
                        checked={chosen.has(m.id)}
                        onChange={(e) => {
                          const next = new Set(chosen);
                          if (e.target.checked) next.add(m.id);
                          else next.delete(m.id);
                          setChosen(next);
                        }}
                      />
                    </td>
                    <td>
                      <button type="button" className="bare" onClick={() => setOpen(m.id)}>
                        {m.name}
                      </button>
                    </td>
                    <td>{rankName(m.rankId)}</td>
                    <td className="second">{m.follows}</td>
                    <td className="num">{m.differences.length === 0 ? 'nothing' : m.differences.length}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          <aside>
            {shown && (
              <section className="sheet stack" aria-live="polite">
                <h2>{shown.name}</h2>
                {shown.differences.length === 0 ? (
                  <p>Is asked the same for the next belt.</p>
                ) : (
                  <ul>
                    {shown.differences.map((d, i) => (
                      <li key={i}>{d}</li>
                    ))}
                  </ul>
                )}
              </section>
            )}
          </aside>
        </div>
      )}
    </IslandRoot>
  );
}
