import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import MuiTextField from '@mui/material/TextField';
import { useState } from 'react';
import type { CommandDraft, CommandName } from '../../contracts/commands';
import type { GradingView } from '../../contracts/views';
import { capital, countOf, dateInWords, inWords, listInWords, plural, RUNGS } from '../../core';
import { IslandRoot } from '../../kit/IslandRoot';
import { Belt } from '../../kit/marks/Belt';
import { VerdictMark } from '../../kit/marks/Lozenge';
import { Splinter } from '../../kit/marks/small';
import { ask, send } from '../../kit/send';
import './Grading.css';
import { GradingSheet } from './GradingSheet';
import { StillOpen } from './StillOpen';
import { Tied } from './Tied';
import { waitsFor, type Waits } from './waits';

/** "Who goes up?": everybody with their word, what holds it up, and who has said what. Nobody is refused by the program. */
export default function Grading({ view: first }: { view: GradingView }) {
  const [view, setView] = useState(first);
  const [wrong, setWrong] = useState('');
  const [open, setOpen] = useState<string | null>(null);
  const [changing, setChanging] = useState(false);
  const [reason, setReason] = useState('');
  const { grading: g, candidates } = view;
  const press = async <N extends CommandName>(name: N, input: CommandDraft<N>) => {
    const answer = await send(name, input);
    if (!answer.ok) return setWrong(answer.title);
    const fresh = await ask('grading', { id: g.id });
    setWrong(fresh.ok ? '' : `It is saved, but the page could not be read again. ${fresh.title}`);
    if (fresh.ok) setView(fresh.view);
    setReason('');
  };
  const count = (w: Waits) => candidates.filter((c) => waitsFor(c) === w).length;
  const belts = [...new Map(candidates.map((c) => [c.to.id, c.to])).values()];
  const chosen = candidates.find((c) => c.id === open);
  const put = (studentId: string, rankId: string, why: string | null) =>
    press('grading.put', { gradingId: g.id, studentId, rankId, reason: why });
  const out = (studentId: string, why: string | null) =>
    press('grading.out', { gradingId: g.id, studentId, reason: why });
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>
            {g.items === null ? 'Who goes up' : 'Who shows what'} on {dateInWords(g.day)}?
          </h1>
          <p className="sub">
            {g.title}
            {g.hall && `, ${g.hall}`}. Panel: {view.panel.map((p) => p.name).join(', ')}.{g.closed && ' Closed.'}
          </p>
          {g.items !== null && (
            <p className="sub">
              A midterm, without a belt:{' '}
              {listInWords(
                view.items.filter((i) => g.items!.includes(i.id)).map((i) => i.name),
                12,
              )}
              .
            </p>
          )}
        </div>
        <div className="actions">
          <Button onClick={() => print()}>Print the list</Button>
          <a className="button" href={`/gradings/${g.id}/paper`}>
            Sheets on paper
          </a>
          <a className="button" href={`/gradings/${g.id}/day`}>
            The day
          </a>
          {view.may.decide && !g.closed && <Button onClick={() => setChanging(true)}>Change it</Button>}
          {view.may.examine && !g.closed && (
            <a className="button" href={`/gradings/${g.id}/examine`}>
              Your sheet
            </a>
          )}
          <a className="button go" href={`/gradings/${g.id}/panel`}>
            The panel
          </a>
        </div>
      </div>
      <div role="alert">{wrong !== '' && <p className="message wrong">{wrong}</p>}</div>
      <div className="columns">
        <div>
          <p className="answer">
            {candidates.length === 0
              ? 'Nobody is put forward. Who is ready?'
              : `${capital(inWords(count('settled')))} settled. ${capital(inWords(count('them')))} ${plural(count('them'), 'waits', 'wait')} for their word, ${inWords(count('you'))} for you, ${inWords(count('out'))} out.`}
          </p>
          {belts.map((to) => (
            <section key={to.id} className="going-up">
              <h2>
                <Belt name={to.name} cloth={to.cloth} width={56} height={15} /> to {to.name}
              </h2>
              <div className="scroll">
                <table className="list">
                  <thead>
                    <tr>
                      <th>Who</th>
                      <th>Tied</th>
                      <th>Ready</th>
                      <th>Why, and what holds it up</th>
                    </tr>
                  </thead>
                  <tbody>
                    {candidates
                      .filter((c) => c.to.id === to.id)
                      .map((c) => (
                        <tr key={c.id} className={c.id === open ? 'lit' : c.out !== null ? 'out' : ''}>
                          <td>
                            <button
                              type="button"
                              className="bare"
                              aria-expanded={c.id === open}
                              onClick={() => setOpen(c.id === open ? null : c.id)}
                            >
                              <b>{c.name}</b> {c.age}
                            </button>
                          </td>
                          <td>
                            <Tied yes={c.yes} knot={c.exception !== null} />
                          </td>
                          <td>
                            <VerdictMark word={c.word} />
                          </td>
                          <td>
                            {c.met} of {c.asked}.{' '}
                            {g.items !== null && c.asked < g.items.length && (
                              <span className="second">
                                Of {inWords(g.items.length)} things {inWords(c.asked)} asked up to this belt.{' '}
                              </span>
                            )}
                            <span className="second">{c.why}</span>
                            {c.shut.map((x) => (
                              <b key={x} className="held-up">
                                {x}
                              </b>
                            ))}
                            {c.rests && (
                              <b className="held-up hurts">
                                <Splinter /> {c.rests}
                              </b>
                            )}
                            {waitsFor(c) === 'them' && (
                              <b className="held-up">{c.yes === false ? 'Said no.' : 'Has not said yet.'}</b>
                            )}
                            {waitsFor(c) === 'you' && <b className="held-up attention">You let them go up, or not.</b>}
                            {c.exception !== null && c.out === null && <b className="held-up">The head agreed.</b>}
                            {c.out !== null && <b className="held-up">Out: {c.out}</b>}
                          </td>
                        </tr>
                      ))}
                  </tbody>
                </table>
              </div>
            </section>
          ))}
        </div>
        <aside className="stack gap-5 no-print">
          {changing && (
            <GradingSheet
              value={{ ...g, panel: view.panel.map((p) => p.id) }}
              teachers={view.teachers}
              halls={view.halls}
              items={view.items}
              done={() => location.reload()}
              leave={() => setChanging(false)}
            />
          )}
          {chosen && (
            <section className="sheet stack" aria-label={chosen.name}>
              <h2>{chosen.name}</h2>
              <p>
                Put forward by {chosen.putBy}.{' '}
                {chosen.yes === null ? 'Has not said yet.' : chosen.yes ? 'Said yes.' : 'Said no.'}{' '}
                {chosen.rung === null
                  ? 'No consent to contact on record that counts.'
                  : chosen.rung === 0
                    ? 'No contact.'
                    : `Contact: ${RUNGS[chosen.rung - 1]!}.`}
                {chosen.chance && ` On the day: ${chosen.chance}.`}
              </p>
              {chosen.exception && <p className="message">Goes up all the same: “{chosen.exception}”</p>}
              <p>
                <a href={`/students/${chosen.id}`}>The page of {chosen.name.split(' ')[0]}</a>
              </p>
              {view.may.decide && !g.closed && (
                <>
                  <MuiTextField
                    id="candidate-reason"
                    label="Because"
                    value={reason}
                    onChange={(e) => setReason(e.target.value)}
                  />
                  <div className="row wrap">
                    {waitsFor(chosen) === 'you' && (
                      <Button
                        variant="contained"
                        disabled={reason.trim().length < 3}
                        onClick={() => void put(chosen.id, chosen.to.id, reason)}
                      >
                        Let them go up
                      </Button>
                    )}
                    {chosen.out === null ? (
                      <Button disabled={reason.trim().length < 3} onClick={() => void out(chosen.id, reason)}>
                        Take them out
                      </Button>
                    ) : (
                      <Button onClick={() => void out(chosen.id, null)}>Back in</Button>
                    )}
                  </div>
                </>
              )}
            </section>
          )}
          <StillOpen view={view} />
          {!g.closed && (
            <section className="stack">
              <h2>Put somebody forward</h2>
              <Autocomplete
                options={view.others.filter((o) => o.to !== null)}
                getOptionKey={(o) => o.id}
                getOptionLabel={(o) => o.name}
                groupBy={(o) => `to ${o.to?.name ?? ''}`}
                value={null}
                blurOnSelect
                onChange={(_, o) => o?.to && void put(o.id, o.to.id, null)}
                renderInput={(p) => <MuiTextField {...p} label="Who?" />}
              />
              <p className="second">
                {view.others.length + candidates.length === 0
                  ? 'Nobody is on the roll yet.'
                  : `${countOf(view.others.length, 'student is', 'students are')} not put forward.`}{' '}
                Each says yes or no on their own page, or the guardian does.
              </p>
            </section>
          )}
        </aside>
      </div>
    </IslandRoot>
  );
}
