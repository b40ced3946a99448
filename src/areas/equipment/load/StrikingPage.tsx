import Button from '@mui/material/Button';
import { useState } from 'react';
import type { StrikingView } from '../../../contracts/views';
import {
  capital,
  countOf,
  dayInWords,
  LADDER_WORK,
  LADDERS,
  mayStrikeInWords,
  nextLoadInWords,
  stopsOf,
} from '../../../core';
import { IslandRoot } from '../../../kit/IslandRoot';
import { Belt } from '../../../kit/marks/Belt';
import { Splinter } from '../../../kit/marks/small';
import { ask } from '../../../kit/send';
import './Load.css';
import { RuleSheet } from './RuleSheet';

/** Who strikes tonight, and how many: everybody on a ladder; below, who may not yet. */
export default function StrikingPage({ view: first }: { view: StrikingView }) {
  const [view, setView] = useState(first);
  const [open, setOpen] = useState(false);
  const { today, rule } = view;
  const on = view.students.filter((s) => s.may.may && s.next.length > 0);
  const not = view.students.filter((s) => !s.may.may);
  const stopped = on.filter((s) => s.next.every((n) => n.number === 0));
  const part = on.filter((s) => s.next.some((n) => n.stop) && s.next.some((n) => n.number > 0));
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>Who strikes tonight, and how many?</h1>
          <p className="sub">Posts, bags and knuckle press-ups; hall and home counted together.</p>
        </div>
        <div className="actions no-print">
          <a className="button" href="/equipment">
            The store
          </a>
          {view.head && <Button onClick={() => setOpen(!open)}>The school’s rule</Button>}
        </div>
      </div>
      <p className="load-lead">
        {on.length === 0
          ? 'Nobody is on a ladder yet: open a student’s page and begin with twenty.'
          : `${capital(countOf(on.length - stopped.length, 'student'))} may${stopped.length > 0 ? `; ${countOf(stopped.length, 'student')} rest${stopped.length === 1 ? 's' : ''} altogether` : ''}${part.length > 0 ? `; ${countOf(part.length, 'student')} with one side only` : ''}.`}
      </p>
      <div className="load">
        <div className="scrolls">
          {on.length > 0 && (
            <table className="striking">
              <thead>
                <tr>
                  <th scope="col">Student</th>
                  <th scope="col">Next</th>
                  <th scope="col">Last</th>
                </tr>
              </thead>
              <tbody>
                {on.map((s) => (
                  <tr key={s.id}>
                    <th scope="row">
                      <a href={`/students/${s.id}/strikes`}>{s.name}</a>
                      <Belt name={s.rank.name} cloth={s.rank.cloth} width={44} height={12} />
                    </th>
                    <td>
                      {LADDERS.map((l) => s.next.filter((n) => n.ladder === l))
                        .filter((list) => list.length > 0)
                        .map((list) => (
                          <p key={list[0]!.ladder}>
                            {list.some((n) => n.stop) && <Splinter />}
                            {list[0]!.ladder === 'hand' || list[0]!.side === 'none'
                              ? ''
                              : `${capital(LADDER_WORK[list[0]!.ladder])}: `}
                            {nextLoadInWords(list, today)}
                          </p>
                        ))}
                    </td>
                    <td className="second when">{s.last === null ? '' : dayInWords(s.last, today)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          <p className="second">
            A stop is felt everywhere: looks, pairs, tonight’s posts, the grading’s day and the home sheet leave it out.
            {stopsOf(on.flatMap((s) => s.next)).length === 0 && ' Nothing is stopped now.'}
          </p>
        </div>
        <aside className="stack gap-5">
          {open && (
            <RuleSheet
              rule={rule}
              leave={() => setOpen(false)}
              done={async () => {
                const fresh = await ask('striking', {});
                if (fresh.ok) setView(fresh.view);
                setOpen(false);
              }}
            />
          )}
          <section>
            <h2>Who may not yet</h2>
            {not.length === 0 ? (
              <p className="second">Everybody is old enough, and asked where somebody has to be.</p>
            ) : (
              <ul>
                {not.map((s) => (
                  <li key={s.id} className="line py-1">
                    <a href={`/students/${s.id}/strikes`}>{s.name}</a>
                    <span className="second">
                      {s.age === null ? '' : `, ${s.age}`}. {mayStrikeInWords(s.may, rule, today)}
                    </span>
                  </li>
                ))}
              </ul>
            )}
          </section>
        </aside>
      </div>
    </IslandRoot>
  );
}
