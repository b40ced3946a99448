import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import { useState } from 'react';
import type { RequirementVerdict, StudentLooksView, StudentView } from '../../contracts/views';
import { IslandRoot } from '../../kit/IslandRoot';
import { Belt } from '../../kit/marks/Belt';
import { Lozenge, VerdictMark } from '../../kit/marks/Lozenge';
import { Stick } from '../../kit/marks/Stick';
import { ask, send } from '../../kit/send';
import { capital, dateInWords, firstName, inWords } from '../../kit/words';
import { Adapt, ChangeStudent, Override, Promote } from './decisions';
import { Forecast } from './Forecast';
import {
  ChooseFocus,
  Felt,
  Missed,
  OneThing,
  OnTheDay,
  Outcome,
  Pause,
  Pauses,
  PracticeLog,
  Practise,
  Room,
} from './guidance';
import { Consent, Injury, Safety } from './safety';

const GROUPS: readonly { name: string; kinds: readonly string[] }[] = [
  { name: 'Stances and steps', kinds: ['stance', 'step', 'turn'] },
  { name: 'Hands', kinds: ['strike', 'block', 'hand shape', 'grip', 'evasion'] },
  { name: 'Kicks', kinds: ['kick'] },
  { name: 'Falls', kinds: ['fall'] },
  { name: 'Weapons', kinds: ['weapon cut'] },
  { name: 'Forms and combinations', kinds: ['form', 'combination'] },
  { name: 'Equipment and partners', kinds: ['equipment set', 'partner drill'] },
];
type Open =
  | { what: 'requirement'; id: string }
  | { what: 'promote' | 'change' | 'adapt' | 'consent' | 'focus' | 'pause' | 'practice' | 'room' | 'outcome' }
  | { what: 'injury'; value: StudentView['injuries'][number] | null }
  | null;

/** "What does … need for … belt?": the answer in one sentence, then every requirement with its reason, and the gates. */
export default function Student({ view: first }: { view: StudentView }) {
  const [view, setView] = useState(first);
  const [open, setOpen] = useState<Open>(null);
  const [allLooks, setAllLooks] = useState<StudentLooksView['looks'] | null>(null);
  const { student: s, next, may } = view;
  const mine = !may.look;
  const chosen = open?.what === 'requirement' ? view.requirements.find((r) => r.id === open.id) : undefined;
  const renew = async () => {
    const fresh = await ask('student', { id: s.id });
    if (fresh) setView(fresh);
    setOpen(null);
  };
  const leave = () => setOpen(null);
  const showLooks = async () => {
    if (allLooks) return setAllLooks(null);
    const all = await ask('studentLooks', { id: s.id });
    if (all) setAllLooks(all.looks);
  };
  const endPause = async (id: string) => {
    const answer = await send('pause.end', { id, until: view.today });
    if (answer.ok) await renew();
  };
  const own = may.log;
  const who = mine ? 'you' : firstName(s.name);
  const age = s.age === null ? 'date of birth unknown' : s.age < 100 ? `${s.age} years old` : '';
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>
            {next ? `What ${mine ? 'do' : 'does'} ${who} need for ${next.name} belt?` : s.name}
            <span className="row">
              <Belt name={s.rank.name} cloth={s.rank.cloth} width={76} height={20} />
              {next && <Belt name={next.name} cloth={next.cloth} width={76} height={20} />}
            </span>
          </h1>
          <p className="sub">
            {s.name}, {age}. {s.rank.name} since {dateInWords(s.since)}.
            {s.leftOn && <b> Left on {dateInWords(s.leftOn)}.</b>}
          </p>
        </div>
        <div className="actions">
          <Button onClick={() => print()}>Print {mine ? 'my' : 'the'} sheet</Button>
          <a className="button" href={`/students/${s.id}/home`}>
            Home sheet
          </a>
          {may.look && !s.leftOn && (
            <a className="button go" href={`/look?student=${s.id}`}>
              Look at {firstName(s.name)}
            </a>
          )}
        </div>
      </div>
      <div className="columns">
        <div>
          <p className="answer">{view.answer}</p>
          {next && view.follows && !view.follows.newest && (
            <p className="second" style={{ margin: '-8px 0 14px' }}>
              Asked by “{view.follows.title}”, in force when the present belt was given.
            </p>
          )}
          {next && !view.follows && may.decide && (
            <p className="message">
              No syllabus is in force yet. <a href="/syllabus">Publish the draft</a>, and every student’s page will
              answer.
            </p>
          )}
          {next && view.follows && view.requirements.length === 0 && view.gates.length === 0 && may.decide && (
            <p className="message">
              <a href={`/syllabus?rank=${next.id}`}>Say what {next.name} asks</a>, and every student’s page will answer.
            </p>
          )}
          {GROUPS.map((g) => {
            const rows = view.requirements.filter((r) => g.kinds.includes(r.kind));
            if (rows.length === 0) return null;
            return (
              <section key={g.name}>
                <h2>{g.name}</h2>
                <ul className="needs">
                  {rows.map((r) => (
                    <li key={r.id} className={r.id === chosen?.id ? 'lit' : ''}>
                      <Need
                        r={r}
                        open={r.id === chosen?.id}
                        toggle={() => setOpen(r.id === chosen?.id ? null : { what: 'requirement', id: r.id })}
                      />
                    </li>
                  ))}
                </ul>
              </section>
            );
          })}
          {view.requirements.length > 0 && (
            <p className="legend">
              <span>Newest at the right.</span>
              <span>
                <Stick marks={['H']} side="none" width={22} /> held
              </span>
              <span>
                <Stick marks={['S']} side="none" width={22} /> slipped
              </span>
              <span>
                <Stick marks={['U']} side="none" width={22} /> not seen
              </span>
              <span>
                <Stick marks={['H', 'H']} side="left" width={34} /> left is outlined
              </span>
              <span>
                <Stick marks={['H', 'H']} side="right" width={34} /> right is solid
              </span>
            </p>
          )}
        </div>
        <aside className="stack" style={{ gap: 20 }}>
          {chosen && <Working r={chosen} view={view} done={renew} leave={leave} />}
          {open?.what === 'promote' && <Promote view={view} done={renew} leave={leave} />}
          {open?.what === 'change' && <ChangeStudent view={view} done={renew} leave={leave} />}
          {open?.what === 'adapt' && <Adapt view={view} done={renew} leave={leave} />}
          {open?.what === 'focus' && <ChooseFocus view={view} done={renew} leave={leave} />}
          {open?.what === 'pause' && <Pause view={view} done={renew} leave={leave} />}
          {open?.what === 'practice' && <Practise view={view} done={renew} leave={leave} />}
          {open?.what === 'room' && <Room view={view} done={renew} leave={leave} />}
          {open?.what === 'outcome' && <Outcome view={view} done={renew} leave={leave} />}
          {own && <Felt view={view} done={renew} />}
          {next && view.requirements.length > 0 && (
            <OneThing view={view} onChoose={may.look ? () => setOpen({ what: 'focus' }) : null} />
          )}
          {open?.what === 'consent' && <Consent view={view} done={renew} leave={leave} />}
          {open?.what === 'injury' && (
            <Injury key={open.value?.id ?? 'new'} view={view} value={open.value} done={renew} leave={leave} />
          )}
          {view.gates.length > 0 && (
            <section>
              <h2>Gates</h2>
              <ul>
                {view.gates.map((g) => (
                  <li key={g.id} className="line gate">
                    <VerdictMark word={g.word} />
                    <span>
                      {g.has}
                      {g.asks !== '' && <span className="second">, {g.asks}</span>}
                    </span>
                  </li>
                ))}
              </ul>
            </section>
          )}
          {next && view.requirements.length > 0 && (
            <Forecast
              studentId={s.id}
              today={view.today}
              gradingDay={view.gradingDay}
              name={firstName(s.name)}
              mine={mine}
            />
          )}
          <OnTheDay view={view} />
          <Missed view={view} mine={mine} />
          <PracticeLog view={view} onAdd={own ? () => setOpen({ what: 'practice' }) : null} />
          <Pauses
            view={view}
            onPause={may.look && view.requirements.length > 0 ? () => setOpen({ what: 'pause' }) : null}
            onEnd={may.look ? (id) => void endPause(id) : null}
          />
          <Safety
            view={view}
            onConsent={may.decide ? () => setOpen({ what: 'consent' }) : null}
            onInjury={may.look ? (value) => setOpen({ what: 'injury', value }) : null}
          />
          <section>
            <div className="spread">
              <h2>Belts</h2>
              {may.decide && !s.leftOn && (
                <span className="row no-print">
                  {next && (
                    <Button variant="text" onClick={() => setOpen({ what: 'outcome' })}>
                      Record a decision
                    </Button>
                  )}
                  <Button variant="text" onClick={() => setOpen({ what: 'promote' })}>
                    Record a promotion
                  </Button>
                </span>
              )}
            </div>
            <ul>
              {view.held.map((h) => (
                <li key={h.since + h.rank.id} className="line row" style={{ padding: '5px 0' }}>
                  <Belt name={h.rank.name} cloth={h.rank.cloth} />
                  <b style={{ fontWeight: 550 }}>{h.rank.name}</b>
                  <span className="second" style={{ marginLeft: 'auto', textAlign: 'right' }}>
                    {dateInWords(h.since)}
                    {h.note !== '' && `, ${h.note}`}
                  </span>
                </li>
              ))}
            </ul>
          </section>
          {(view.adaptations.length > 0 || may.decide) && (
            <section>
              <div className="spread">
                <h2>Adapted</h2>
                {may.decide && next && (
                  <Button variant="text" onClick={() => setOpen({ what: 'adapt' })}>
                    Adapt a point
                  </Button>
                )}
              </div>
              {view.adaptations.length === 0 && (
                <p className="second line" style={{ paddingTop: 5 }}>
                  Nothing is adapted.
                </p>
              )}
              <ul>
                {view.adaptations.map((a) => (
                  <li key={a.id} className="line" style={{ padding: '5px 0' }}>
                    <b style={{ fontWeight: 550 }}>{a.point}</b>{' '}
                    <span className="second">
                      {a.technique}: {a.what}, from {dateInWords(a.from)}
                    </span>
                    <p className="second">
                      {a.reason} {a.by !== '' && `(${a.by})`}
                    </p>
                  </li>
                ))}
              </ul>
            </section>
          )}
          <section>
            <h2>Looks</h2>
            {view.looks.length === 0 ? (
              <p className="second line" style={{ paddingTop: 5 }}>
                Nobody has watched yet. {may.look && <a href={`/look?student=${s.id}`}>Take the first look</a>}
              </p>
            ) : (
              <>
                {allLooks ? (
                  <AllLooks looks={allLooks} />
                ) : (
                  <ul>
                    {view.looks.slice(0, 5).map((l) => (
                      <li key={l.id} className="line" style={{ padding: '4px 0' }}>
                        <p className="spread">
                          <span>
                            {l.technique}{' '}
                            <span className="second">
                              {l.condition}
                              {l.side !== 'none' && `, ${l.side}`}
                            </span>
                          </span>
                          <span className="second num">{l.shown || (l.of > 0 && `${l.held} of ${l.of}`)}</span>
                        </p>
                        <p className="second">
                          {dateInWords(l.day)}, {l.by}
                          {l.note !== '' && `: “${l.note}”`}
                        </p>
                      </li>
                    ))}
                  </ul>
                )}
                <p className="second line" style={{ paddingTop: 5 }}>
                  {view.lookCount} looks in all.{' '}
                  <Button
                    variant="text"
                    className="no-print"
                    aria-expanded={allLooks !== null}
                    onClick={() => void showLooks()}
                  >
                    {allLooks ? 'Show fewer' : 'All looks, mark by mark'}
                  </Button>
                </p>
              </>
            )}
          </section>
          {may.decide && (
            <div className="row no-print">
              <Button onClick={() => setOpen({ what: 'change' })}>Name, birth, leaving</Button>
              <Button onClick={() => setOpen({ what: 'room' })}>Room at home</Button>
            </div>
          )}
          {own && (
            <div className="row no-print">
              <Button onClick={() => setOpen({ what: 'room' })}>Room at home</Button>
            </div>
          )}
        </aside>
      </div>
      <style>{`
        .one-thing { border-left: 4px solid var(--pine); } .one-thing h2 { margin-bottom: 4px; } .one-thing .what { font-size: 22px; line-height: 27px; font-weight: 600; margin-top: 6px; } .one-thing .cue { font-style: italic; font-size: 17px; line-height: 23px; } .all-looks { max-height: 460px; overflow: auto; }
        @media print { .all-looks { max-height: none; } }
        .answer { font: 430 19px/26px var(--serif); margin-bottom: 14px; max-width: 42em; }
        .columns section > h2 + .needs { margin-bottom: 12px; }
        .needs li { border-top: 1px solid var(--rule); } .needs li.lit { background: var(--lit); }
        .needs button { width: 100%; display: grid; grid-template-columns: 72px minmax(0, 1fr) 158px minmax(0, 1.45fr); gap: 12px; align-items: center; text-align: left; font: inherit; padding: 4px 6px 4px 0; min-height: 43px; border-radius: 4px; }
        .needs .name { display: grid; } .needs .name b { font-weight: 430; } .needs .open b { font-weight: 700; }
        .sticks { display: grid; grid-template-columns: 14px 138px; gap: 3px 4px; align-items: center; font-size: 13px; line-height: 14px; color: var(--ink2); }
        .gate { display: grid; grid-template-columns: 72px minmax(0, 1fr); gap: 8px; padding: 5px 0; align-items: baseline; }
        @media (max-width: 640px) { .needs button { grid-template-columns: 72px minmax(0, 1fr); } .needs .sticks, .needs .why { grid-column: 2; } }
      `}</style>
    </IslandRoot>
  );
}

/** Every look with every mark, who looked, and what a later one replaced. */
function AllLooks({ looks }: { looks: StudentLooksView['looks'] }) {
  return (
    <ul className="all-looks">
      {looks.map((l) => (
        <li key={l.id} className="line" style={{ padding: '4px 0' }}>
          <p>
            {l.replaced ? <s>{l.item}</s> : l.item}{' '}
            <span className="second">
              {[l.condition, l.side === 'none' ? '' : l.side, l.purpose && `to ${l.purpose}`, l.stage]
                .filter(Boolean)
                .join(', ')}
            </span>
          </p>
          <p className="second">
            {dateInWords(l.day)}, {l.by}
            {l.replaced && ', replaced by a later look'}
            {l.note !== '' && `: “${l.note}”`}
          </p>
          <p className="second">
            {l.marks.map((m) => `${m.point} ${m.words}${m.felt === null ? '' : `, felt by ${m.felt}`}`).join('; ')}
          </p>
        </li>
      ))}
    </ul>
  );
}

function Need({ r, open, toggle }: { r: RequirementVerdict; open: boolean; toggle: () => void }) {
  return (
    <ButtonBase onClick={toggle} aria-expanded={open}>
      <VerdictMark word={r.word} />
      <span className={`name ${r.word === 'met' ? '' : 'open'}`}>
        <b>{r.technique}</b>
        <span className="second">{r.condition}</span>
      </span>
      <span className="sticks">
        {r.sticks.map((st) => (
          <span key={st.side} style={{ display: 'contents' }}>
            <span aria-hidden="true">{st.side === 'left' ? 'L' : st.side === 'right' ? 'R' : ''}</span>
            <Stick
              marks={st.marks}
              side={st.side}
              width={138}
              height={13}
              label={st.side === 'none' ? 'newest last' : st.side}
            />
          </span>
        ))}
      </span>
      <span className="second why">
        {r.rests && <b className="attention">{r.rests}. </b>}
        {r.override ? `The head’s word: ${r.override.reason}` : r.reason}
      </span>
    </ButtonBase>
  );
}

function Working({
  r,
  view,
  done,
  leave,
}: {
  r: RequirementVerdict;
  view: StudentView;
  done: () => Promise<void>;
  leave: () => void;
}) {
  const sided = r.points.some((p) => p.side !== 'none');
  const names = [...new Map(r.points.map((p) => [p.pointId, p])).values()];
  return (
    <section className="sheet" aria-live="polite">
      <div className="spread">
        <h2>{r.technique}</h2>
        <VerdictMark word={r.word} />
      </div>
      <p className="second">
        {capital(r.condition)}. Asks {r.asks}.
      </p>
      {r.chance && (
        <p style={{ marginTop: 4 }}>
          <b>On the day:</b> {r.chance.words}, from {r.chance.looks} looks.
        </p>
      )}
      {r.override && (
        <p className="message" style={{ marginTop: 8 }}>
          Computed: {r.computed}. {r.override.by} said {r.override.word} on {dateInWords(r.override.day)}: “
          {r.override.reason}”
        </p>
      )}
      <p style={{ marginTop: 8 }}>{r.reason}</p>
      {r.change !== '' && (
        <p style={{ marginTop: 4 }}>
          <b>What would change it:</b> {r.change.charAt(0).toLowerCase() + r.change.slice(1)}
        </p>
      )}
      {names.length > 0 && (
        <table className="list" style={{ marginTop: 10 }}>
          <thead>
            <tr>
              <th>Point</th>
              {sided ? (
                <>
                  <th>Left</th>
                  <th>Right</th>
                </>
              ) : (
                <th>Held</th>
              )}
              <th>Needs</th>
            </tr>
          </thead>
          <tbody>
            {names.map((p) => {
              const sides = sided ? (['left', 'right'] as const) : (['none'] as const);
              return (
                <tr key={p.pointId}>
                  <td>
                    {p.name}
                    {p.critical && <span className="hurts"> critical</span>}
                    {p.adapted && <span className="attention"> adapted</span>}
                  </td>
                  {sides.map((side) => {
                    const v = r.points.find((x) => x.pointId === p.pointId && x.side === side);
                    return (
                      <td
                        key={side}
                        className="num"
                        style={{ fontWeight: v && !v.stands ? 700 : 430, whiteSpace: 'nowrap' }}
                      >
                        {!v ? '' : v.of === 0 ? '–' : `${v.held} of ${v.of}`}
                        {v && (
                          <span style={{ display: 'inline-block', verticalAlign: -3, marginLeft: 4 }}>
                            <Lozenge word={v.of === 0 ? 'unseen' : v.stands ? 'met' : 'short'} quiet size={0.7} />
                          </span>
                        )}
                      </td>
                    );
                  })}
                  <td className="second num" style={{ whiteSpace: 'nowrap' }}>
                    {p.needs}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
      {r.points.length > 0 && (
        <p className="second" style={{ marginTop: 6 }}>
          The newest repetitions as asked, at most so many a day that they span{' '}
          {inWords(Math.max(1, Math.max(...r.points.map((p) => p.days))))}{' '}
          {Math.max(...r.points.map((p) => p.days)) === 1 ? 'day' : 'days'}.
        </p>
      )}
      {view.may.decide && <Override r={r} studentId={view.student.id} done={done} />}
      <div className="no-print" style={{ marginTop: 8 }}>
        <Button variant="text" onClick={leave}>
          close
        </Button>
      </div>
    </section>
  );
}
